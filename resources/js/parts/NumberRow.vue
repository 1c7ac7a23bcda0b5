<script setup lang="ts">
import NumberInput from '@/controls/NumberInput.vue'

/** A labelled number with its fault, or a hint, in words under it. */
defineProps<{ id: string; label: string; error?: string | undefined; hint?: string; placeholder?: string }>()
const value = defineModel<number | null | undefined>({ required: true })
</script>
<template>
  <div>
    <label class="caption mb-1 block" :for="id">{{ label }}</label>
    <NumberInput :id="id" :value="value" :placeholder="placeholder" :error="error" @choose="(said) => (value = said ?? null)" />
    <p v-if="hint && !error" class="caption">{{ hint }}</p>
  </div>
</template>
