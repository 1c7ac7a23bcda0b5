<script setup lang="ts">
/** Yes or no, with its words beside it: a touch on either turns it over. */
defineProps<{ checked: boolean; invalid?: boolean; describedby?: string | undefined }>()
const emit = defineEmits<{ turn: [checked: boolean] }>()
</script>
<template>
  <button
    type="button"
    role="checkbox"
    class="flex min-h-[44px] items-center gap-2 text-left"
    :aria-checked="checked"
    :aria-invalid="invalid || undefined"
    :aria-describedby="describedby"
    @click="emit('turn', !checked)"
  >
    <span
      class="flex size-[22px] shrink-0 items-center justify-center rounded-[2px] border-2 border-walnut"
      :class="checked ? 'bg-walnut' : 'bg-raised'"
      aria-hidden="true"
      ><svg v-if="checked" width="14" height="11" viewBox="0 0 14 11">
        <path d="M1.5 5.5l4 4 7-8" fill="none" stroke="var(--color-raised)" stroke-width="2.4" /></svg></span
    ><span><slot /></span>
  </button>
</template>
