<script setup lang="ts">
import { t } from '@/composables/language'
import { router, useForm } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import NumberInput from '@/controls/NumberInput.vue'
import Pick from '@/controls/Pick.vue'
import ClientSearch from '@/parts/ClientSearch.vue'
import { dayWords } from '@/composables/settings'
import { useDeed } from '@/composables/useDeed'
import { WEEKDAYS, type Waits } from './grid'

/** Who waits for a time that becomes free; of a stretch that is free, those it suits. */
const props = defineProps<{
  waiting: Waits[]
  people: { id: number; name: string }[]
  usual: number
  /** only those whom the stretch in hand suits */
  suits?: boolean
}>()
const emit = defineEmits<{ take: [one: Waits] }>()
const adding = ref<{ id: string; name: string } | null>(null)
const open = ref(false)
const form = useForm({
  minutes: props.usual,
  person: null as number | null,
  weekdays: [] as string[],
  part: 'any' as Waits['part'],
  word: '',
})
const deed = useDeed()
const keep = (): void => {
  if (!adding.value || form.processing) return
  form
    .transform((data) => ({ ...data, word: data.word || null, key: deed.key.value }))
    .post(
      `/clients/${adding.value.id}/waiting`,
      deed.once(keep, {
        preserveScroll: true,
        preserveState: true,
        onSuccess: () => {
          form.reset()
          adding.value = null
          open.value = false
        },
      }),
    )
}
const leave = (one: Waits): void => router.delete(`/waiting/${one.id}`, { preserveScroll: true, preserveState: true })
const PARTS = { any: t('any time of day'), morning: t('mornings'), afternoon: t('afternoons') }
const NAMES: Record<string, string> = { mon: 'Mon', tue: 'Tue', wed: 'Wed', thu: 'Thu', fri: 'Fri', sat: 'Sat', sun: 'Sun' }
const wish = (one: Waits): string =>
  [
    `${one.minutes} min`,
    one.days.length ? one.days.map((day) => NAMES[day] ?? day).join(', ') : 'any day',
    one.part === 'any' ? '' : PARTS[one.part],
    props.people.find((person) => person.id === one.with)?.name ?? '',
    `since ${dayWords(one.since)}`,
  ]
    .filter(Boolean)
    .join(' · ')
const parts = computed(() => Object.entries(PARTS).map(([id, name]) => ({ id: id as Waits['part'], name })))
const turn = (day: string) =>
  (form.weekdays = form.weekdays.includes(day) ? form.weekdays.filter((one) => one !== day) : [...form.weekdays, day])
</script>
<template>
  <section aria-labelledby="waiting">
    <h2 id="waiting" class="section-head">{{ suits ? 'Would take this time' : 'Waiting for a time' }}</h2>
    <ul>
      <li v-for="one in waiting" :key="one.id" class="border-b border-hairline py-2">
        <p class="flex items-center justify-between gap-2">
          <b class="font-[650]">{{ one.client.name }}</b>
          <span class="flex gap-2">
            <button v-if="suits" type="button" class="btn !px-3" @click="emit('take', one)">Take it</button>
            <button v-else type="button" class="link caption min-h-[32px]" @click="leave(one)">Off the list</button>
          </span>
        </p>
        <p class="caption">
          {{ wish(one) }}<template v-if="one.word"> · {{ one.word }}</template>
        </p>
      </li>
    </ul>
    <p v-if="!waiting.length && !suits" class="caption py-1">Nobody waits. Whoever finds no time today can be written down here.</p>
    <template v-if="!suits">
      <button v-if="!open" type="button" class="btn mt-2" @click="open = true">Put somebody on the list</button>
      <form v-else class="mt-2" aria-label="Waiting list" @submit.prevent="keep" @keydown.esc="open = false">
        <p v-if="adding" class="border-b border-hairline pb-1">
          <b class="display text-[19px]">{{ adding.name }}</b>
        </p>
        <ClientSearch v-else pick @choose="(one) => (adding = one)" />
        <div class="mt-2 grid grid-cols-[84px_1fr] gap-2">
          <div>
            <label class="caption block" for="wait-minutes">Minutes</label
            ><NumberInput
              id="wait-minutes"
              :value="form.minutes"
              :step="5"
              :min="10"
              :max="180"
              @choose="(minutes) => (form.minutes = minutes ?? usual)"
            />
          </div>
          <div>
            <label class="caption block" for="wait-part">When</label
            ><Pick id="wait-part" label="When" :choices="parts" :value="form.part" @choose="(part) => (form.part = part ?? 'any')" />
          </div>
        </div>
        <p class="caption mt-2">Days that suit; none chosen is any.</p>
        <div class="grid grid-cols-7 gap-px" role="group" aria-label="Days that suit">
          <button
            v-for="day in WEEKDAYS"
            :key="day"
            type="button"
            class="cell !min-w-0 !px-0"
            :aria-pressed="form.weekdays.includes(day)"
            @click="turn(day)"
          >
            {{ NAMES[day] }}
          </button>
        </div>
        <div v-if="people.length > 1" class="mt-2">
          <label class="caption block" for="wait-with">With</label
          ><Pick
            id="wait-with"
            label="With"
            none="anybody"
            :choices="people"
            :value="form.person"
            @choose="(id) => (form.person = id ?? null)"
          />
        </div>
        <label class="caption mt-2 block" for="wait-word">A word to the desk, nothing clinical</label
        ><input id="wait-word" v-model="form.word" class="field" maxlength="120" />
        <p class="text-madder" role="alert">{{ Object.values(form.errors)[0] }}</p>
        <p class="mt-2 flex gap-2">
          <button type="submit" class="btn" :disabled="!adding || form.processing">Write it down</button
          ><button type="button" class="btn" @click="open = false">Leave it</button>
        </p>
      </form>
    </template>
  </section>
</template>
