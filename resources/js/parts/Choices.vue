<script setup lang="ts" generic="T extends string">
/** A few words to choose one of, or none. */
defineProps<{ label: string; options: Record<T, string>; value: NoInfer<T> | undefined; unusual?: NoInfer<T>[] }>()
const emit = defineEmits<{ choose: [value: T | undefined] }>()
</script>
<template>
  <div class="flex flex-wrap gap-px" role="group" :aria-label="label">
    <button
      v-for="(name, option) in options"
      :key="option"
      type="button"
      class="cell !px-[7px]"
      :aria-pressed="value === option"
      :data-unusual="value === option && unusual?.includes(option as T)"
      @click="emit('choose', value === option ? undefined : (option as T))"
    >
      {{ name }}
    </button>
  </div>
</template>
