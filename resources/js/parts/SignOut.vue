<script setup lang="ts">
import { router } from '@inertiajs/vue3'
import { nextTick, ref } from 'vue'
import { LOCKED } from '@/composables/settings'
import { discardUnsent, unsentOfAll } from '@/composables/unsent'
import { forgetRoom } from '@/work/offline'
import { plural } from './words'

/** Leaves, once it is clear what becomes of what could not be sent: it is nobody else's to send or to read. */
defineProps<{ words?: string }>()
const left = ref(0)
const box = ref<HTMLElement | null>(null)
const leave = () => {
  sessionStorage.removeItem(LOCKED)
  forgetRoom()
  router.post('/sign-out')
}
const ask = async () => {
  left.value = unsentOfAll().reduce((sum, one) => sum + one.count, 0)
  if (!left.value) return leave()
  // wherever the page stands, it is seen and in hand
  await nextTick()
  box.value?.scrollIntoView({ block: 'center' })
  box.value?.querySelector('button')?.focus()
}
const discard = () => {
  discardUnsent()
  leave()
}
</script>
<template>
  <span v-if="left" ref="box" role="alertdialog" aria-labelledby="unsent-left" class="block bg-weld-wash p-3 text-walnut">
    <span id="unsent-left" class="block">{{ plural(left, 'finding was', 'findings were') }} not sent.</span>
    <span class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="btn" @click="leave">Keep on this device for me, and sign out</button>
      <button type="button" class="btn" @click="discard">Discard, and sign out</button>
      <button type="button" class="link min-h-[44px]" @click="left = 0">Stay</button>
    </span>
  </span>
  <button v-else type="button" class="link" @click="ask">{{ words ?? 'Sign out' }}</button>
</template>
