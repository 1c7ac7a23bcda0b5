<script setup lang="ts">
import { Link } from '@inertiajs/vue3'
import type { UserSettings } from '@/composables/settings'
import type { Breath } from './breath'
import RoomPage from './RoomPage.vue'

/** Keys and pedals of the room, and what this tablet does of itself. */
const tones = defineModel<boolean>('tones', { required: true })
const shakes = defineModel<boolean>('shakes', { required: true })
const props = defineProps<{ breath: Breath; pedals: UserSettings['pedals']; visit: string }>()
const emit = defineEmits<{ close: []; wet: [] }>()
const { on, cycle, taps, tap } = props.breath
const keys: [string, string][] = [
  ['Enter', 'hands on, next'],
  ['Space', 'ease off'],
  ['↑', 'a little deeper'],
  ['.', 'hands off'],
  ['⌫', 'take the last touch back'],
  ['1 2 3', 'softens, pull fades, no change'],
  ['Y O', 'yes, no'],
  ['N', 'a number'],
  ['W', 'something is wrong'],
  ['A', 'all spots of this are done'],
  ['C', 'consent is taken back'],
  ['F', 'something was found'],
  ['K', 'skip'],
  ['I', 'all about it'],
  ['R', 'the rest of the time'],
]
</script>
<template>
  <RoomPage title="This room" @close="emit('close')">
    <div
      class="grid gap-x-10 gap-y-6 text-[22px] leading-[28px] wide-room:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] wide-room:text-[26px] wide-room:leading-[32px]"
    >
      <dl class="grid h-fit grid-cols-[150px_minmax(0,1fr)] gap-x-4 gap-y-1">
        <template v-for="[key, does] in keys" :key="key">
          <dt class="text-room-weld">{{ key }}</dt>
          <dd>{{ does }}</dd>
        </template>
        <template v-for="(key, pedal) in pedals" :key="pedal">
          <dt class="text-room-weld">{{ key }}</dt>
          <dd>pedal: {{ { onward: 'next', ease: 'ease off', soften: 'softens' }[pedal] }}</dd>
        </template>
      </dl>
      <div class="space-y-4">
        <button type="button" class="room-key w-full" :aria-pressed="tones" @click="tones = !tones">
          A soft tone at the end: {{ tones ? 'on' : 'off' }}
        </button>
        <button type="button" class="room-key w-full" :aria-pressed="shakes" @click="shakes = !shakes">
          Vibration: {{ shakes ? 'on' : 'off' }}
        </button>
        <button type="button" class="room-key w-full" :aria-pressed="on" @click="on = !on">
          Breath along the ladder: {{ on ? 'on' : 'off' }}
        </button>
        <button v-if="on" type="button" class="room-key w-full" @click="tap()">
          Tap on three out-breaths{{ taps.length ? `: ${taps.length}` : '' }} · {{ (cycle / 1000).toFixed(1) }} s a breath
        </button>
      </div>
    </div>
    <div class="mt-auto flex flex-wrap gap-4">
      <button type="button" class="room-key flex-1" data-target="close" @click="emit('close')">
        Back to the hands <span class="room-hint">?</span>
      </button>
      <button type="button" class="room-key !bg-room-fold" data-target="wet" @click="emit('wet')">Wet hands: hold to wake</button>
      <Link :href="`/visits/${visit}/plan`" class="room-key flex items-center !bg-room-fold">Leave the room</Link>
    </div>
  </RoomPage>
</template>
