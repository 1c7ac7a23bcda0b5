<script setup lang="ts">
import { onMounted, ref } from 'vue'

/** A full page of large words over the room; the clock goes on under it. */
defineProps<{ title: string; role?: 'alertdialog' }>()
const emit = defineEmits<{ close: [] }>()
const root = ref<HTMLElement | null>(null)
onMounted(() => root.value?.focus())
</script>
<template>
  <div
    ref="root"
    class="absolute inset-0 z-20 overflow-y-auto bg-room outline-none"
    :role="role ?? 'region'"
    data-room-page
    :aria-label="title"
    tabindex="-1"
    @keydown.esc.stop="emit('close')"
  >
    <div class="mx-auto flex min-h-full max-w-[1180px] flex-col gap-6 px-6 py-6 wide-room:px-10">
      <h2 class="display text-[34px] leading-[40px] wide-room:text-[58px] wide-room:leading-[64px]">{{ title }}</h2>
      <slot />
    </div>
  </div>
</template>
