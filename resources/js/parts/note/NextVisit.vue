<script setup lang="ts">
import { useForm } from '@inertiajs/vue3'
import { computed } from 'vue'
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { dayWords, weekdayWords } from '@/composables/settings'
import { useDeed } from '@/composables/useDeed'
import type { NextVisit } from '@/types/visit'

/** The next visit: proposed, and booked in two touches where the diary has room; with a word to the desk that says nothing of why. */
const props = defineProps<{ client: string; next: NextVisit }>()
const form = useForm({ slot: '', word: '' })
const proposal = computed(() => {
  const { days, minutes } = props.next
  return days === null ? '' : `In ${days === 1 ? 'a day' : `${days} days`}${minutes === null ? '' : `, ${minutes} min`}`
})
const deed = useDeed()
const book = (): void => {
  const [day = '', time = ''] = form.slot.split(' ')
  form
    .transform((data) => ({ day, time, minutes: props.next.minutes, word: data.word || null, key: deed.key.value }))
    .post(`/clients/${props.client}/appointments`, deed.once(book, { preserveScroll: true, onSuccess: () => form.reset() }))
}
</script>
<template>
  <section aria-labelledby="next-visit">
    <h2 id="next-visit" class="section-head">Next visit</h2>
    <p v-if="next.booked" class="mt-1">
      <b class="font-[650]">Booked: {{ next.booked.at }}, {{ next.booked.minutes }} min</b
      ><template v-if="next.booked.word">. To the desk: {{ next.booked.word }}</template>
    </p>
    <p class="mt-1">
      <b v-if="proposal && !next.booked" class="font-[650]">{{ proposal }}. </b>{{ next.because }}
    </p>
    <form v-if="next.free.length && !next.booked" class="no-print mt-2" @submit.prevent="book">
      <RadioGroup v-model="form.slot">
        <RadioGroupLabel class="caption mb-1 block">Free then</RadioGroupLabel>
        <div class="grid grid-cols-3 gap-px">
          <RadioGroupOption
            v-for="one in next.free"
            :key="one.day + one.time"
            :value="`${one.day} ${one.time}`"
            class="cell flex-col !px-1 py-1"
          >
            <span class="note">{{ weekdayWords(one.day) }} {{ dayWords(one.day) }}</span
            ><span class="display text-[19px]">{{ one.time }}</span>
          </RadioGroupOption>
        </div>
      </RadioGroup>
      <label class="caption mt-2 block" for="word">A word to the desk, nothing clinical</label>
      <input id="word" v-model="form.word" class="field" maxlength="120" placeholder="Print the exercises; longer than usual." />
      <p class="text-madder" role="alert">{{ Object.values(form.errors)[0] }}</p>
      <button type="submit" class="btn mt-2" :disabled="!form.slot || form.processing">Book it</button>
    </form>
    <p v-else-if="next.days !== null && !next.booked" class="caption mt-1">The diary has no room within four days of then.</p>
  </section>
</template>
