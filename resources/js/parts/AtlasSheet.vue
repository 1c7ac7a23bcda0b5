<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useAtlas } from '@/composables/useAtlas'
import AtlasEntry from './AtlasEntry.vue'

const { entry, trail, failed, side, dark, follow, back, retry, close } = useAtlas()
</script>
<template>
  <Dialog :open="trail.length > 0" class="relative z-50" @close="close">
    <div class="fixed inset-0" :class="dark ? 'bg-room/60' : 'bg-walnut/40'" aria-hidden="true" />
    <div class="fixed inset-0 flex justify-end">
      <DialogPanel class="flex h-full w-full max-w-[720px] flex-col bg-paper" :class="dark ? 'in-room' : ''">
        <header class="flex items-center gap-3 px-6 pb-2 pt-4">
          <DialogTitle class="display min-w-0 flex-1 truncate text-[23px] leading-7">{{ entry?.name ?? 'Atlas' }}</DialogTitle>
          <button v-if="trail.length > 1" type="button" class="btn" @click="back">Back</button>
          <a v-if="entry" class="btn" :href="`/atlas/${entry.kind}/${entry.id}`" target="_blank" rel="noopener">As a page</a>
          <button type="button" class="btn" @click="close">Close <span class="key-hint">Esc</span></button>
        </header>
        <div class="min-h-0 flex-1 overflow-y-auto px-6 pb-8">
          <p v-if="failed" class="py-6" role="alert">
            This entry could not be fetched. The work behind it is untouched.
            <button type="button" class="link min-h-[44px]" @click="retry">Try again</button>
          </p>
          <AtlasEntry v-else-if="entry" :key="entry.kind + entry.id" :entry="entry" :side="side" :dark="dark" narrow @follow="follow" />
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
