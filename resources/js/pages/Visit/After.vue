<script setup lang="ts">
import { router, useForm } from '@inertiajs/vue3'
import { until, useDebounceFn } from '@vueuse/core'
import { useDeed } from '@/composables/useDeed'
import { computed, ref } from 'vue'
import { atlas, muscle as muscleOf } from '@/chart/atlas'
import { nameOf } from '@/composables/fields'
import { useVisit } from '@/composables/useVisit'
import Flash from '@/parts/Flash.vue'
import Traces from '@/parts/Traces.vue'
import Witness from '@/parts/Witness.vue'
import { dayWords, timeWords } from '@/composables/settings'
import { capital, jointName, verdictWords } from '@/parts/words'
import type { Done } from '@/types/visit'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame() })

const visit = useVisit()
const { props, judged, save, one } = visit
const words = computed(() => props.value.client.words)
type Field = 'happened' | 'advice' | 'next_time'
const fields: [Field, string, string][] = [
  ['happened', 'What happened', 'Muscle, side, how strong, how it answered.'],
  ['advice', 'Advice', 'One to three things, how often. What to expect for a day or two; when to ring.'],
  ['next_time', 'Next time', 'What to look at first.'],
]
/** What was done says itself; the therapist changes it as wished. */
const span = (minutes: number): string => (minutes >= 1 ? `${Math.round(minutes)} min` : `${Math.round(minutes * 60)} s`)
const signsOf = (done: Done): string => (done.signs ?? []).map((sign) => sign.replaceAll('_', ' ')).join(', ')
const workedName = ({ muscle, joint }: Done): string => (muscle ? muscleOf(muscle).name : joint ? jointName(joint) : 'Work')
const draft = computed(() =>
  props.value.done
    .map((done) => {
      const how = [done.minutes > 0 ? span(done.minutes) : '', `up to ${done.max_pressure}`].filter(Boolean).join(', ')
      const answered = signsOf(done)
      return `${workedName(done)} ${done.side}: ${how}${answered && ` (${answered})`}.`
    })
    .join(' '),
)
const signed = computed(() => props.value.notes.at(-1))
const start = (field: Field): string => signed.value?.[field] ?? one('text', field) ?? (field === 'happened' ? draft.value : '')
const form = useForm({ happened: start('happened'), advice: start('advice'), next_time: start('next_time'), reason: '' })
const signing = ref(false)
const keepNow = (field: Field) => save('text', field, form[field], fields.find(([name]) => name === field)?.[1] ?? field)
const keep = useDebounceFn((field: Field) => {
  if (!signing.value) keepNow(field)
}, 500)
const frozen = computed(() => props.value.visit.status === 'signed')
const correcting = ref(false)
const heading = computed(() => {
  if (frozen.value && signed.value) return `Signed, ${dayWords(signed.value.signed_at)}`
  if (props.value.visit.writable) return 'Write it down'
  return props.value.visit.origin === 'elsewhere' ? 'From elsewhere' : 'Not signed yet'
})
/** A note of somebody under supervision, without the second name yet. */
const waits = computed(() => props.value.notes.some((note) => note.needs_countersign && !note.countersigned_at))
const countersign = () => router.post(`/visits/${props.value.visit.id}/countersign`, {}, { preserveScroll: true })
const deed = useDeed()
const deliver = (): void => {
  form
    .transform((data) => ({ ...data, key: deed.key.value }))
    .post(
      `/visits/${props.value.visit.id}/${frozen.value ? 'correct' : 'sign'}`,
      deed.once(deliver, {
        preserveScroll: true,
        onSuccess: () => (correcting.value = false),
        onError: () => fields.forEach(([field]) => form[field] !== start(field) && keepNow(field)),
        onFinish: () => (signing.value = false),
      }),
    )
}
/** The record carries the texts itself: what is still on its way arrives first, and nothing follows into a frozen visit. */
const sign = async () => {
  if (signing.value) return
  signing.value = true
  await until(visit.pending).toBe(0, { timeout: 5000 })
  // what has not arrived would not be part of what is signed: the line below says that there is no connection
  if (visit.pending.value) signing.value = false
  else deliver()
}
const course = computed(() => judged.value.response)
const dangers = computed(() =>
  props.value.signs.flatMap((one) => {
    const name = atlas.stopSigns.find((sign) => sign.id === one.sign)?.name
    return name ? [{ ...one, name }] : []
  }),
)
/** The guardian first, then area by area. */
const agreements = computed(() => {
  const guardian = visit.one('guardian', '')
  return [
    ...(guardian ? [{ about: `${guardian.name}, guardian`, agreement: guardian }] : []),
    ...visit.all('consent').map((agreement) => ({ about: capital(atlas.consent[agreement.area]), agreement })),
  ]
})
const dose = (kpaS: number): string => `${Math.round(kpaS / 100) / 10} MPa·s`
</script>
<template>
  <div class="grid flex-1 gap-x-12 px-6 pb-6 pt-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,440px)]">
    <section aria-label="The record">
      <Flash />
      <h2 class="display text-[25px] leading-[31px]">{{ heading }}</h2>
      <template v-if="frozen && !correcting">
        <article v-for="note in [...props.notes].reverse()" :key="note.revision" class="border-b border-hairline py-3">
          <p v-if="note.reason" class="caption">Correction {{ note.revision - 1 }}, {{ dayWords(note.signed_at) }}: {{ note.reason }}</p>
          <p v-for="[field, name] in fields" :key="field" class="mt-1">
            <b class="font-[650]">{{ name }}.</b> {{ note[field] || '–' }}
          </p>
          <p v-if="note.needs_countersign" class="caption mt-1">
            {{
              note.countersigned_at
                ? `Countersigned by ${note.countersigner}, ${dayWords(note.countersigned_at)}.`
                : 'Written under supervision; a supervisor’s name is still missing.'
            }}
          </p>
        </article>
        <p class="no-print mt-4 flex flex-wrap gap-2">
          <button v-if="waits && props.may_countersign" type="button" class="btn-ink" @click="countersign">Countersign it</button
          ><button v-if="props.may_correct" type="button" class="btn" @click="correcting = true">Correct it</button
          ><a class="btn" :href="`/visits/${props.visit.id}/note`">The note, to print</a
          ><a class="btn" :href="`/visits/${props.visit.id}/case.json`">Case file</a
          ><a class="btn" :href="`/visits/${props.visit.id}/treatment.jsonl`">Treatment, moment by moment</a
          ><button
            type="button"
            :class="waits && props.may_countersign ? 'btn' : 'btn-ink'"
            @click="router.visit(`/clients/${props.client.id}`)"
          >
            Back to {{ words.object === 'the client' ? 'the client' : props.client.name }}
          </button>
        </p>
      </template>
      <template v-else-if="!frozen && !props.visit.writable">
        <p class="mt-2">
          {{
            props.visit.origin === 'elsewhere'
              ? 'What was found and done there stands beside this and on the steps before. A note was written where the visit was made.'
              : 'Whoever began this visit writes it down.'
          }}
        </p>
        <p class="mt-4"><a class="btn" :href="`/visits/${props.visit.id}/case.json`">Case file</a></p>
      </template>
      <form v-else class="mt-2" @submit.prevent="sign">
        <div v-for="[field, name, hint] in fields" :key="field" class="mb-3">
          <label class="section-head block" :for="field">{{ name }}</label>
          <p class="caption mb-1">{{ hint }}</p>
          <textarea
            :id="field"
            v-model="form[field]"
            class="field"
            rows="3"
            :aria-invalid="form.errors[field] ? true : undefined"
            @input="!frozen && keep(field)"
          />
          <p class="text-madder" role="alert">{{ form.errors[field] }}</p>
        </div>
        <div v-if="frozen" class="mb-3">
          <label class="section-head block" for="reason">Why it is corrected</label
          ><input id="reason" v-model="form.reason" class="field" :aria-invalid="form.errors.reason ? true : undefined" />
          <p class="text-madder" role="alert">{{ form.errors.reason }}</p>
        </div>
        <button type="submit" class="btn-ink" :disabled="form.processing">{{ frozen ? 'Sign the correction' : 'Sign and freeze' }}</button>
        <p class="caption mt-2">What is signed is never changed; a correction is kept beside it with its reason.</p>
      </form>
    </section>
    <aside>
      <h2 class="section-head">What was done</h2>
      <ul>
        <li v-for="done in props.done" :key="nameOf('done', done)" class="border-b border-hairline py-2">
          <b class="font-[650]">{{ workedName(done) }}, {{ done.side }}</b
          ><br /><span class="caption"
            >up to {{ done.max_pressure
            }}<template v-if="done.seconds_at_pressure">, {{ Math.round(done.seconds_at_pressure) }} s in contact</template
            ><template v-if="done.dose_kpa_s">, {{ dose(done.dose_kpa_s) }}</template
            ><template v-if="done.tool">, {{ atlas.tools[done.tool] }}</template
            ><template v-if="signsOf(done)"> · {{ signsOf(done) }}</template></span
          >
        </li>
        <li v-if="!props.done.length" class="py-2">Nothing was worked.</li>
      </ul>
      <template v-if="dangers.length">
        <h2 class="section-head mt-5">Signs that stopped the hand</h2>
        <ul>
          <li v-for="(danger, index) in dangers" :key="index" class="flex gap-3 border-b border-hairline py-1">
            <span class="display w-[52px] shrink-0">{{ timeWords(danger.at) }}</span><span
              ><b class="font-[650]">{{ danger.name }}</b
              ><template v-if="danger.muscle">, at {{ muscleOf(danger.muscle).name }}, {{ danger.side }}</template
              ><template v-if="danger.slip"> (a slip, taken back at once)</template></span
            >
          </li>
        </ul>
      </template>
      <template v-if="agreements.length">
        <h2 class="section-head mt-5">Agreed today</h2>
        <ul>
          <li v-for="said in agreements" :key="said.about" class="border-b border-hairline py-1">
            <b class="font-[650]">{{ said.about }}: {{ said.agreement.given ? 'yes' : 'no' }}</b
            ><template v-if="'but' in said.agreement">, but {{ said.agreement.but }}</template>
            <p v-if="said.agreement.said" class="caption">“{{ said.agreement.said }}”</p>
            <Witness :agreement="said.agreement" />
          </li>
        </ul>
      </template>
      <template v-for="decision in visit.all('override')" :key="decision.verdict">
        <h2 class="section-head mt-5">Decided in writing</h2>
        <p class="mt-1">
          {{
            decision.verdict === 'modify'
              ? 'Pressure up to 6 in spite of age'
              : `Treated in spite of “${verdictWords[decision.verdict].toLowerCase()}”`
          }}:
          {{ decision.reason }}
        </p>
      </template>
      <template v-if="course">
        <h2 class="section-head mt-5">The course</h2>
        <p class="mt-1">
          {{ course.course.because }} <span class="caption">{{ course.course.sureness }}</span>
        </p>
        <ul>
          <li v-for="target in course.targets" :key="target.muscle + target.side" class="border-b border-hairline py-2">
            <b class="font-[650]">{{ target.name }}: {{ target.decision }}</b
            ><br /><span class="caption">{{ target.because }}</span>
          </li>
        </ul>
      </template>
    </aside>
    <section v-if="course && course.measures.some((one) => one.series.length > 1)" class="mt-6 lg:col-span-2" aria-label="Course">
      <Traces :response="course" :possessive="words.possessive" />
    </section>
  </div>
</template>
