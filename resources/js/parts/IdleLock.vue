<script setup lang="ts">
import { usePage } from '@inertiajs/vue3'
import { useEventListener } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { LOCKED_EVENT, send } from '@/composables/http'
import { settings } from '@/composables/settings'
import { forgetRoom } from '@/work/offline'
import UnlockForm from './UnlockForm.vue'
import { LOCKED } from '@/composables/settings'

/**
 * Covers a screen that nobody has touched for a while. The page under it stays mounted, so the step in hand, its clock and what still waits
 * to be sent go on where they were; the server lets nothing past until the password is told, so that a reload opens nothing.
 */
const signedIn = computed(() => Boolean(usePage<{ user?: unknown }>().props?.user))
/** Kept with the window as well: a reload is covered before the server has heard of it. */
const locked = ref(sessionStorage.getItem(LOCKED) !== null && location.pathname !== '/locked')
let touched = Date.now()
const touch = () => {
  if (!locked.value) touched = Date.now()
}
for (const event of ['pointerdown', 'pointermove', 'keydown', 'wheel'] as const)
  useEventListener(window, event, touch, { passive: true, capture: true })
const CHECK_MS = 1000
/** The server locks by itself when it hears of no touch: it is told now and then, since reading and working asks it for nothing. */
const TELL_MS = 60_000
let told = Date.now()
const look = () => {
  if (signedIn.value && !locked.value && location.pathname !== '/locked' && Date.now() - touched > settings().idle_minutes * 60_000)
    locked.value = true
  if (signedIn.value && !locked.value && touched > told && Date.now() - told > TELL_MS) {
    told = Date.now()
    void send('POST', '/touched', undefined, 'goes-on').catch(() => undefined)
  }
}
useEventListener(window, LOCKED_EVENT, () => (locked.value = true))
// whoever signs out takes the cover along
watch(signedIn, (now) => {
  if (now || location.pathname === '/locked') return
  sessionStorage.removeItem(LOCKED)
  locked.value = false
})
const timer = window.setInterval(look, CHECK_MS)
onScopeDispose(() => window.clearInterval(timer))
// a lid that was closed for an hour: no second of the page is seen before the cover is there
useEventListener(document, 'visibilitychange', look)
watch(
  locked,
  (now) => {
    if (now) {
      sessionStorage.setItem(LOCKED, '1')
      forgetRoom()
    }
    // without a connection the cover is there all the same, and the server is told with the next try
    if (now && signedIn.value) void send('POST', '/lock', undefined, 'goes-on').catch(() => undefined)
  },
  { immediate: true },
)
const open = () => {
  locked.value = false
  touched = Date.now()
}
// nothing under the cover hears a key meant for it
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    if (locked.value && !(event.target as HTMLElement | null)?.closest('[data-cover]')) {
      event.stopImmediatePropagation()
      event.preventDefault()
    }
  },
  { capture: true },
)
</script>
<template>
  <div v-if="locked && signedIn" data-cover role="dialog" aria-modal="true" aria-label="Locked" class="fixed inset-0 z-[100] bg-paper">
    <div class="mx-auto max-w-[420px] px-6 pt-[18vh]"><UnlockForm @open="open" /></div>
  </div>
</template>
