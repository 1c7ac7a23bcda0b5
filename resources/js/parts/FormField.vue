<script setup lang="ts" generic="T extends string | number | null">
/** A labelled field with its fault in words under it. */
defineProps<{
  id: string
  label: string
  type?: string
  error?: string | undefined
  autocomplete?: string
  hint?: string
  placeholder?: string
}>()
const value = defineModel<T>({ required: true })
</script>
<template>
  <div>
    <label class="caption mb-1 block" :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="value"
      class="field"
      :type="type ?? 'text'"
      :placeholder="placeholder"
      :autocomplete="autocomplete ?? 'off'"
      :aria-invalid="error ? true : undefined"
      :aria-describedby="`${id}-error`"
    />
    <p v-if="hint && !error" class="caption">{{ hint }}</p>
    <p :id="`${id}-error`" class="text-madder" role="alert">{{ error }}</p>
  </div>
</template>
