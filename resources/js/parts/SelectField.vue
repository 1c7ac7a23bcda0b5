<script setup lang="ts">
/** A labelled choice of one; with `none` also of nothing, which then says what holds instead. */
defineProps<{ id: string; label: string; options: Record<string, string>; none?: string; hint?: string }>()
const value = defineModel<string | null | undefined>({ required: true })
</script>
<template>
  <div>
    <label class="caption mb-1 block" :for="id">{{ label }}</label>
    <select :id="id" v-model="value" class="field">
      <option v-if="none" :value="null">{{ none }}</option>
      <option v-for="(name, one) in options" :key="one" :value="one">{{ name }}</option>
    </select>
    <p v-if="hint" class="note mt-1">{{ hint }}</p>
  </div>
</template>
