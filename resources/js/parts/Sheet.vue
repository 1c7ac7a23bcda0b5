<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

defineProps<{ title: string; open: boolean }>()
const emit = defineEmits<{ close: [] }>()
</script>
<template>
  <Dialog :open="open" class="relative z-50" @close="emit('close')">
    <div class="fixed inset-0 bg-walnut/40" aria-hidden="true" />
    <div class="fixed inset-0 flex justify-end">
      <DialogPanel class="h-full w-full max-w-[560px] overflow-y-auto bg-paper p-6">
        <div class="mb-4 flex items-start justify-between gap-4">
          <DialogTitle class="display text-[23px] leading-7">{{ title }}</DialogTitle>
          <button type="button" class="btn" @click="emit('close')">Close <span class="key-hint">Esc</span></button>
        </div>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
