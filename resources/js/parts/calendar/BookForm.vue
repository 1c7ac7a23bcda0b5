<script setup lang="ts">
import { useForm } from '@inertiajs/vue3'
import { nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import DayField from '@/controls/DayField.vue'
import NumberInput from '@/controls/NumberInput.vue'
import Pick from '@/controls/Pick.vue'
import TimeField from '@/controls/TimeField.vue'
import ClientSearch from '@/parts/ClientSearch.vue'
import { useDeed } from '@/composables/useDeed'
import { clock, minutesOf, type Slot } from './grid'

/** Books somebody into the stretch that was chosen; what overlaps is said, and booked all the same only where that is wished. */
const props = defineProps<{
  stretch: Slot
  client: { id: string; name: string } | null
  people: { id: number; name: string }[]
  clinical: boolean
  /** at the door: is here and begins now */
  here: boolean
}>()
const emit = defineEmits<{ stretch: [stretch: Slot]; done: []; close: [] }>()
const who = ref(props.client)
const form = useForm({ every: null as number | null, times: 6, reason: '', word: '' })
const deed = useDeed()
const send = (anyway: boolean): void => {
  if (!who.value || form.processing) return
  form
    .transform((data) => ({
      day: props.stretch.day,
      time: clock(props.stretch.start),
      minutes: props.stretch.minutes,
      person: props.stretch.with,
      word: data.word || null,
      ...(props.clinical ? { reason: data.reason || null } : {}),
      ...(data.every && !props.here ? { every: data.every, times: data.times } : {}),
      here: props.here,
      anyway,
      key: deed.key.value,
    }))
    .post(
      `/clients/${who.value.id}/appointments`,
      deed.once(() => send(anyway), { preserveScroll: true, preserveState: true, onSuccess: () => emit('done') }),
    )
}
const fault = (name: string): string | undefined => (form.errors as Record<string, string>)[name]
const box = useTemplateRef<HTMLElement>('box')
const focus = () => void nextTick(() => box.value?.querySelector<HTMLElement>(who.value ? '[data-book]' : 'input')?.focus())
onMounted(focus)
watch(
  () => props.client,
  (one) => (who.value = one),
)
const EVERY = [
  { id: 1, name: 'every week' },
  { id: 2, name: 'every two weeks' },
  { id: 3, name: 'every three weeks' },
  { id: 4, name: 'every four weeks' },
]
</script>
<template>
  <form ref="box" aria-label="Book" @submit.prevent="send(false)" @keydown.esc="emit('close')">
    <h2 class="section-head">{{ here ? 'Walk-in' : 'Book' }}</h2>
    <div class="mt-2">
      <p v-if="who" class="flex items-center justify-between gap-2 border-b border-hairline pb-1">
        <b class="display text-[21px]">{{ who.name }}</b>
        <button type="button" class="link caption min-h-[32px]" @click="((who = null), focus())">Somebody else</button>
      </p>
      <ClientSearch v-else pick @choose="(one) => ((who = one), focus())" />
    </div>
    <div class="mt-3 grid grid-cols-2 gap-2">
      <div class="col-span-2">
        <label class="caption block" for="book-day">Day</label
        ><DayField
          id="book-day"
          label="Day"
          ahead
          :value="stretch.day"
          :error="fault('day')"
          @choose="(day) => day && emit('stretch', { ...stretch, day })"
        />
      </div>
      <div>
        <label class="caption block" for="book-time">Time</label
        ><TimeField
          id="book-time"
          :value="clock(stretch.start)"
          :error="fault('time')"
          @choose="(time) => time && emit('stretch', { ...stretch, start: minutesOf(time) })"
        />
      </div>
      <div>
        <label class="caption block" for="book-minutes">Minutes</label
        ><NumberInput
          id="book-minutes"
          :value="stretch.minutes"
          :step="5"
          :min="10"
          :max="180"
          :error="fault('minutes')"
          @choose="(minutes) => minutes && emit('stretch', { ...stretch, minutes })"
        />
      </div>
    </div>
    <div v-if="people.length > 1" class="mt-2">
      <label class="caption block" for="book-with">With</label
      ><Pick
        id="book-with"
        label="With"
        :choices="people"
        :value="stretch.with"
        @choose="(id) => emit('stretch', { ...stretch, with: id ?? null })"
      />
      <p class="text-madder" role="alert">{{ fault('person') }}</p>
    </div>
    <div v-if="!here" class="mt-2 grid grid-cols-[1fr_92px] items-end gap-2">
      <div>
        <label class="caption block" for="book-every">Repeat</label
        ><Pick
          id="book-every"
          label="Repeat"
          none="once"
          :choices="EVERY"
          :value="form.every"
          @choose="(weeks) => (form.every = weeks ?? null)"
        />
      </div>
      <div v-if="form.every">
        <label class="caption block" for="book-times">Times</label
        ><NumberInput
          id="book-times"
          :value="form.times"
          :min="2"
          :max="52"
          :error="fault('times')"
          @choose="(n) => (form.times = n ?? 2)"
        />
      </div>
    </div>
    <template v-if="clinical">
      <label class="caption mt-2 block" for="book-reason">What for</label
      ><input id="book-reason" v-model="form.reason" class="field" maxlength="120" />
    </template>
    <label class="caption mt-2 block" for="book-word">A word to the desk, nothing clinical</label
    ><input id="book-word" v-model="form.word" class="field" maxlength="120" />
    <div v-if="fault('clash')" class="mt-3 border-l-4 border-madder pl-3" role="alert">
      <p>{{ fault('clash') }}</p>
      <button type="button" class="btn mt-2" @click="send(true)">Book all the same</button>
    </div>
    <p v-if="fault('key')" class="text-madder" role="alert">{{ fault('key') }}</p>
    <p class="mt-3 flex gap-2">
      <button type="submit" class="btn-ink" data-book :disabled="!who || form.processing">{{ here ? 'Is here' : 'Book' }}</button>
      <button type="button" class="btn" @click="emit('close')">Leave it <span class="key-hint">Esc</span></button>
    </p>
    <p v-if="!who" class="note mt-1">First who comes.</p>
  </form>
</template>
