<script setup lang="ts">
import { Link, router, useForm } from '@inertiajs/vue3'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import DayField from '@/controls/DayField.vue'
import NumberInput from '@/controls/NumberInput.vue'
import Pick from '@/controls/Pick.vue'
import Tick from '@/controls/Tick.vue'
import TimeField from '@/controls/TimeField.vue'
import { dayWords, weekdayWords } from '@/composables/settings'
import { useDeed } from '@/composables/useDeed'
import type { Change } from './change'
import { clock, endOf, type Booked } from './grid'

/** One appointment: who, when, what became of it, and everything that can be done with it. */
const props = defineProps<{
  one: Booked
  people: { id: number; name: string }[]
  treats: boolean
  faults: Record<string, string>
  busy: boolean
}>()
const emit = defineEmits<{ change: [change: Change]; again: []; close: [] }>()
const following = ref(false)
/** Cancelling is asked once more. */
const sure = ref(false)
const when = useForm({ day: props.one.day, time: props.one.time, minutes: props.one.minutes, with: props.one.with })
watch(
  () => props.one,
  (one) => {
    Object.assign(when, { day: one.day, time: one.time, minutes: one.minutes, with: one.with })
    sure.value = false
  },
)
const differs = computed(
  () => when.day !== props.one.day || when.time !== props.one.time || when.minutes !== props.one.minutes || when.with !== props.one.with,
)
const told = (change: Change) => emit('change', { ...change, following: following.value && props.one.series !== null })
/** Only what was changed: those of a series keep the rest as each has it. */
const move = () =>
  told({
    ...(when.day === props.one.day && when.time === props.one.time ? {} : { day: when.day, time: when.time }),
    ...(when.minutes === props.one.minutes ? {} : { minutes: when.minutes }),
    ...(when.with === props.one.with ? {} : { person: when.with }),
  })
const therapist = computed(() => props.people.find((one) => one.id === props.one.with)?.name ?? '')
const beginning = useDeed()
const begin = () => beginning.post(`/clients/${props.one.client.id}/visits`, { appointment: props.one.id })
const box = useTemplateRef<HTMLElement>('box')
const cancel = () => {
  if (sure.value) return told({ status: 'cancelled' })
  sure.value = true
  void nextTick(() => box.value?.querySelector<HTMLElement>('[data-sure]')?.focus())
}
defineExpose({ cancel })
onMounted(() => box.value?.focus())
</script>
<template>
  <section ref="box" tabindex="-1" class="outline-none" aria-label="Appointment" @keydown.esc="emit('close')">
    <h2 class="display text-[25px] leading-8">
      <Link :href="`/clients/${one.client.id}`" class="link">{{ one.client.name }}</Link>
    </h2>
    <p>
      {{ weekdayWords(one.day) }} {{ dayWords(one.day) }}, {{ one.time }} to {{ clock(endOf(one)) }}
      <template v-if="people.length > 1"> with {{ therapist }}</template>
    </p>
    <p v-if="one.reason || one.word" class="caption">{{ [one.reason, one.word].filter(Boolean).join(' · ') }}</p>
    <p v-if="one.status === 'done'" class="mt-2">
      Done. <Link v-if="one.visit" :href="`/visits/${one.visit}`" class="link">Its visit</Link>
    </p>
    <template v-else>
      <p class="mt-3 flex flex-wrap gap-2">
        <template v-if="one.status === 'arrived'">
          <button v-if="treats" type="button" class="btn-ink" @click="begin">{{ one.visit ? 'Go on' : 'Begin' }}</button>
          <button v-if="!one.visit" type="button" class="btn" @click="told({ status: 'booked' })">Not here yet</button>
        </template>
        <button v-else-if="one.status === 'missed'" type="button" class="btn" @click="told({ status: 'booked' })">
          Is booked after all
        </button>
        <template v-else>
          <button type="button" class="btn" @click="told({ status: 'arrived' })">Is here</button>
          <button type="button" class="btn" @click="told({ status: 'missed' })">Did not come</button>
        </template>
        <button v-if="!one.visit" type="button" class="btn" data-sure @click="cancel">
          {{ sure ? (following ? 'Yes, cancel all from here' : 'Yes, cancel it') : 'Cancel it'
          }}<span v-if="!sure" class="key-hint">Del</span>
        </button>
      </p>
      <Tick v-if="one.series" class="mt-1" :checked="following" @turn="(on) => (following = on)">And all of the series after it</Tick>
      <form v-if="one.status === 'booked'" class="mt-4" aria-label="Move" @submit.prevent="move">
        <h3 class="section-head">Move</h3>
        <div class="mt-1 grid grid-cols-2 gap-2">
          <div class="col-span-2">
            <label class="caption block" for="move-day">Day</label
            ><DayField
              id="move-day"
              label="Day"
              ahead
              :value="when.day"
              :error="faults['day']"
              @choose="(day) => day && (when.day = day)"
            />
          </div>
          <div>
            <label class="caption block" for="move-time">Time</label
            ><TimeField id="move-time" :value="when.time" :error="faults['time']" @choose="(time) => time && (when.time = time)" />
          </div>
          <div>
            <label class="caption block" for="move-minutes">Minutes</label
            ><NumberInput
              id="move-minutes"
              :value="when.minutes"
              :step="5"
              :min="10"
              :max="180"
              :error="faults['minutes']"
              @choose="(minutes) => minutes && (when.minutes = minutes)"
            />
          </div>
        </div>
        <div v-if="people.length > 1" class="mt-2">
          <label class="caption block" for="move-with">With</label
          ><Pick id="move-with" label="With" :choices="people" :value="when.with" @choose="(id) => id && (when.with = id)" />
        </div>
        <button type="submit" class="btn mt-2" :disabled="!differs || busy">Move it</button>
      </form>
    </template>
    <div v-if="faults['clash'] || faults['seen']" class="mt-3 border-l-4 border-madder pl-3" role="alert">
      <p>{{ faults['seen'] ?? faults['clash'] }}</p>
      <button v-if="!faults['seen']" type="button" class="btn mt-2" @click="emit('again')">Move it all the same</button>
      <button v-else type="button" class="btn mt-2" @click="router.reload()">See how it is now</button>
    </div>
    <p class="mt-3">
      <button type="button" class="btn" @click="emit('close')">Close <span class="key-hint">Esc</span></button>
    </p>
  </section>
</template>
