<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { choicesOf } from '@/controls/choice'

/** A labelled choice of one; with `none` also of nothing, which then says what holds instead. */
defineProps<{ id: string; label: string; options: Record<string, string>; none?: string; hint?: string }>()
const value = defineModel<string | null | undefined>({ required: true })
</script>
<template>
  <div>
    <label class="caption mb-1 block" :for="id">{{ label }}</label>
    <Pick :id="id" :label="label" :choices="choicesOf(options)" :value="value" :none="none" @choose="(one) => (value = one ?? null)" />
    <p v-if="hint" class="note mt-1">{{ hint }}</p>
  </div>
</template>
