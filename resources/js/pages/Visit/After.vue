<script setup lang="ts">
import { router, useForm } from '@inertiajs/vue3'
import { until, useDebounceFn } from '@vueuse/core'
import { useDeed } from '@/composables/useDeed'
import { computed, reactive, ref } from 'vue'
import { atlas, muscle as muscleOf } from '@/chart/atlas'
import { nameOf } from '@/composables/fields'
import { useVisit } from '@/composables/useVisit'
import Flash from '@/parts/Flash.vue'
import { doseWords } from '@/parts/course/traces'
import TargetSoFar from '@/parts/course/TargetSoFar.vue'
import CheckBack from '@/parts/note/CheckBack.vue'
import Goals from '@/parts/note/Goals.vue'
import StillOpen from '@/parts/StillOpen.vue'
import Traces from '@/parts/course/Traces.vue'
import Witness from '@/parts/Witness.vue'
import { dayWords, timeWords } from '@/composables/settings'
import { capital, jointName } from '@/parts/words'
import HomeCare from '@/parts/note/HomeCare.vue'
import NextVisitPanel from '@/parts/note/NextVisit.vue'
import NoteText from '@/parts/note/NoteText.vue'
import type { Done, NoteDocument, NotePart, NoteSentence } from '@/types/visit'
import { stillOpen } from '@/parts/stillOpen'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame() })

const visit = useVisit()
const { props, judged, save, one } = visit
const words = computed(() => props.value.client.words)
type Field = 'happened' | 'advice' | 'next_time'
/** Own words, by the part of the note they stand in. */
const fields: [Field, NotePart, string, string][] = [
  ['happened', 'done', 'Treatment, in my own words', 'Anything that is not said above.'],
  ['advice', 'home_care', 'Advice', 'One to three things, how often; what to expect for a day or two; when to ring.'],
  ['next_time', 'next', 'To look at first', 'It stands on top of the next visit.'],
]
const signed = computed(() => props.value.notes.at(-1))
const start = (field: Field): string => signed.value?.[field] ?? one('text', field) ?? ''
const form = useForm({
  happened: start('happened'),
  advice: start('advice'),
  next_time: start('next_time'),
  reason: '',
  /** of a correction */
  sentences: [] as { id: string; text: string }[],
})
const signing = ref(false)
/** What a note tells of: before it is signed it is said what there is nothing of. */
const IN_A_NOTE = ['ask', 'screen', 'move', 'feel', 'work', 'recheck'] as const
const isMissing = computed(() => !frozen.value && props.value.visit.writable && stillOpen(judged.value.line, IN_A_NOTE).length > 0)
const keepNow = (field: Field) => save('text', field, form[field], fields.find(([name]) => name === field)?.[2] ?? field)
const keep = useDebounceFn((field: Field) => {
  if (!signing.value) keepNow(field)
}, 500)
const frozen = computed(() => props.value.visit.status === 'signed')
const correcting = ref(false)
/** The words may be changed: before signing, and in a correction. */
const writing = computed(() => (frozen.value ? correcting.value : props.value.visit.writable))
const heading = computed(() => {
  if (correcting.value) return 'Correct the note'
  if (frozen.value && signed.value) return `Signed, ${dayWords(signed.value.signed_at)}`
  if (props.value.visit.writable) return 'The note'
  return props.value.visit.origin === 'elsewhere' ? 'From elsewhere' : 'Not signed yet'
})
/** A note of somebody under supervision, without the second name yet. */
const waits = computed(() => props.value.notes.some((note) => note.needs_countersign && !note.countersigned_at))
const stopCorrecting = (): void => {
  correcting.value = false
  corrected.clear()
}
const countersign = () => router.post(`/visits/${props.value.visit.id}/countersign`, {}, { preserveScroll: true })
/** Instead of a name: words, and the note is its author's again. */
const returning = ref(false)
const back = useForm({ words: '' })
const giveBack = () =>
  back.post(`/visits/${props.value.visit.id}/give-back`, {
    preserveScroll: true,
    onSuccess: () => {
      returning.value = false
      back.reset()
    },
  })
const deed = useDeed()
const deliver = (): void => {
  form
    .transform((data) => ({ ...data, sentences: [...corrected].map(([id, text]) => ({ id, text })), key: deed.key.value }))
    .post(
      `/visits/${props.value.visit.id}/${frozen.value ? 'correct' : 'sign'}`,
      deed.once(deliver, {
        preserveScroll: true,
        onSuccess: () => {
          correcting.value = false
          corrected.clear()
        },
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
/** What stands: composed from the record and changed by hand, or as it was signed with what is corrected now. */
const corrected = reactive(new Map<string, string>())
const note = computed((): NoteDocument | null => {
  if (!frozen.value) return judged.value.note ?? null
  const was = signed.value?.note
  if (!was || !correcting.value) return was ?? null
  return {
    ...was,
    parts: was.parts.map((part) => ({
      ...part,
      sentences: part.sentences.map((said) =>
        corrected.has(said.id) ? { ...said, text: corrected.get(said.id) ?? '', composed: said.composed ?? said.text } : said,
      ),
    })),
  }
})
const changeSentence = ({ id, composed, text: was }: NoteSentence, text: string): void => {
  if (frozen.value) corrected.set(id, text)
  else save('sentence', id, { sentence: id, ...(text && { text }), from: composed ?? was }, 'A sentence of the note')
}
const restoreSentence = ({ id, composed }: NoteSentence): void => {
  if (!frozen.value) save('sentence', id, null, 'A sentence as the record says it')
  else if (composed !== undefined) corrected.set(id, composed)
}
const letStand = ({ id, text, composed }: NoteSentence): void => {
  if (composed !== undefined) save('sentence', id, { sentence: id, ...(text && { text }), from: composed }, 'A sentence that stands')
}
/** About something that is no longer in the record: said in own words, or let go. */
const keepGone = ({ id, text }: { id: string; text: string }): void => {
  form.happened = [form.happened, text].filter(Boolean).join('\n')
  keepNow('happened')
  save('sentence', id, null, 'A sentence kept in own words')
}
const letGo = ({ id }: { id: string }): void => save('sentence', id, null, 'A sentence let go')
const ownWords = computed(
  () => Object.fromEntries(fields.map(([field, part]) => [part, signed.value?.[field] ?? ''])) as Partial<Record<NotePart, string>>,
)
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
const workedName = ({ muscle, joint }: Done): string => (muscle ? muscleOf(muscle).name : joint ? jointName(joint) : 'Work')
</script>
<template>
  <div class="grid flex-1 grid-cols-[minmax(0,1fr)] gap-x-12 px-6 pb-6 pt-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,400px)]">
    <section aria-label="The record">
      <Flash />
      <div class="mb-2 flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
        <div>
          <h2 class="display text-[25px] leading-[31px]">{{ heading }}</h2>
          <p v-if="!frozen && props.visit.writable" class="caption">
            Composed from what was recorded. Touch a sentence to change it or to see where it was read.
          </p>
        </div>
        <p v-if="frozen && !correcting" class="no-print flex flex-wrap gap-2">
          <a class="btn" :href="`/visits/${props.visit.id}/note`">The note, to print</a
          ><button v-if="props.may_correct" type="button" class="btn" @click="correcting = true">Correct it</button
          ><template v-if="waits && props.may_countersign"
            ><button type="button" class="btn" :aria-expanded="returning" @click="returning = !returning">Give it back</button
            ><button type="button" class="btn-ink" @click="countersign">Countersign it</button></template
          >
        </p>
      </div>
      <p v-if="frozen && !correcting && signed?.reason" class="caption">
        Correction {{ signed.revision - 1 }}, {{ dayWords(signed.signed_at) }}: {{ signed.reason }}
      </p>
      <p v-if="frozen && signed?.needs_countersign" class="caption">
        {{
          signed.countersigned_at
            ? `Countersigned by ${signed.countersigner}, ${dayWords(signed.countersigned_at)}.`
            : 'Written under supervision; a supervisor’s name is still missing.'
        }}
      </p>
      <p v-if="frozen && waits && signed?.back" class="mt-2 border-l-4 border-weld bg-weld-wash py-2 pl-3 pr-2">
        <span class="caption block">Given back by {{ signed.back_by }}</span>
        <span class="own-words">{{ signed.back }}</span>
        <span v-if="props.may_correct" class="caption block">Corrected and signed, it waits for a name again.</span>
      </p>
      <form v-if="returning && waits" class="mt-2" aria-label="Give the note back" @submit.prevent="giveBack">
        <label class="caption mb-1 block" for="missing">What is missing, or not right yet</label>
        <textarea id="missing" v-model="back.words" class="field" rows="3" maxlength="1000" />
        <p class="text-madder" role="alert">{{ back.errors.words }}</p>
        <button type="submit" class="btn mt-1" :disabled="back.processing || back.words.trim().length < 5">Give it back</button>
      </form>
      <template v-if="!frozen && !props.visit.writable">
        <p class="mt-2">
          {{
            props.visit.origin === 'elsewhere'
              ? 'What was found and done there stands beside this and on the steps before. A note was written where the visit was made.'
              : 'Whoever began this visit writes it down.'
          }}
        </p>
        <p class="mt-4"><a class="btn" :href="`/visits/${props.visit.id}/case.json`">Case file</a></p>
      </template>
      <NoteText
        v-if="note"
        :note="note"
        :visit="props.visit.id"
        :editable="writing"
        :own="ownWords"
        @change="changeSentence"
        @restore="restoreSentence"
        @stand="letStand"
      >
        <template v-for="[field, part, name, hint] in writing ? fields : []" :key="field" #[part]>
          <HomeCare v-if="part === 'home_care' && !frozen" />
          <div class="mt-1 pl-3">
            <label class="caption block" :for="field">{{ name }}</label>
            <textarea
              :id="field"
              v-model="form[field]"
              class="field !min-h-[44px]"
              rows="1"
              :placeholder="hint"
              maxlength="5000"
              :aria-invalid="form.errors[field] ? true : undefined"
              @input="!frozen && keep(field)"
            />
            <p class="text-madder" role="alert">{{ form.errors[field] }}</p>
          </div>
        </template>
      </NoteText>
      <template v-else-if="frozen && signed">
        <p v-for="[field, , name] in fields" :key="field" class="mt-1">
          <b class="font-[650]">{{ name }}.</b> {{ signed[field] || '–' }}
        </p>
      </template>
      <section v-if="!frozen && note?.gone.length" class="mt-4 border-t-2 border-iron pt-3" aria-labelledby="gone">
        <h3 id="gone" class="section-head">Changed by hand, and no longer in the record</h3>
        <p v-for="lost in note.gone" :key="lost.id" class="mt-1">
          “{{ lost.text }}”
          <button type="button" class="link ml-2 min-h-6" @click="keepGone(lost)">Keep it in my own words</button>
          <button type="button" class="link ml-2 min-h-6" @click="letGo(lost)">Let it go</button>
        </p>
      </section>
    </section>
    <aside>
      <form v-if="writing" class="mb-5 border-t-2 border-iron pt-3" @submit.prevent="sign">
        <section v-if="isMissing" class="mb-4" aria-labelledby="missing-yet">
          <h2 id="missing-yet" class="section-head">Not in it yet</h2>
          <StillOpen :of="IN_A_NOTE" />
          <p class="caption mt-1">It can be signed without; the note then says no more than there is.</p>
        </section>
        <div v-if="frozen" class="mb-3">
          <label class="section-head block" for="reason">Why it is corrected</label
          ><input id="reason" v-model="form.reason" class="field" maxlength="300" :aria-invalid="form.errors.reason ? true : undefined" />
          <p class="text-madder" role="alert">{{ form.errors.reason }}</p>
        </div>
        <p class="flex flex-wrap gap-2">
          <button type="submit" class="btn-ink" :disabled="form.processing">
            {{ frozen ? 'Sign the correction' : 'Sign and freeze' }}</button><button
            v-if="frozen"
            type="button"
            class="btn"
            @click="stopCorrecting"
          >
            Cancel
          </button>
        </p>
        <p class="caption mt-2">What is signed is never changed; a correction is kept beside it with its reason.</p>
      </form>
      <p v-else-if="frozen" class="no-print mb-5 flex flex-wrap gap-2">
        <button
          type="button"
          :class="waits && props.may_countersign ? 'btn' : 'btn-ink'"
          @click="router.visit(`/clients/${props.client.id}`)"
        >
          Back to {{ words.object === 'the client' ? 'the client' : props.client.name }}</button
        ><a class="btn" :href="`/visits/${props.visit.id}/case.json`">Case file</a
        ><a class="btn" :href="`/visits/${props.visit.id}/treatment.jsonl`">Treatment, moment by moment</a>
      </p>
      <CheckBack v-if="props.visit.status !== 'open' && props.check_back" :visit="props.visit.id" :asked="props.check_back" />
      <NextVisitPanel v-if="props.next" class="mb-5" :client="props.client.id" :next="props.next" />
      <template v-if="course">
        <h2 class="section-head">The course</h2>
        <p class="mt-1">
          {{ course.course.because }} <span class="caption">{{ course.course.sureness }}</span>
        </p>
        <ul>
          <li v-for="target in course.targets" :key="target.muscle + target.side" class="border-b border-hairline py-2">
            <b class="font-[650]">{{ target.name }}: {{ target.decision }}</b
            ><br /><TargetSoFar class="caption" :target="target" />
          </li>
        </ul>
        <p v-if="course.line && course.line.verdict !== 'unknown'" class="mt-2">{{ course.line.words }}</p>
      </template>
      <Goals class="mt-5" />
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
      <template v-if="props.done.length">
        <h2 class="section-head mt-5">Dose</h2>
        <ul>
          <li v-for="done in props.done" :key="nameOf('done', done)" class="border-b border-hairline py-1">
            {{ workedName(done) }}, {{ done.side
            }}<span v-if="done.seconds_at_pressure" class="caption"
              >: {{ Math.round(done.seconds_at_pressure) }} s in contact<template v-if="done.dose_kpa_s"
                >, {{ doseWords(done.dose_kpa_s) }}</template
              ></span
            >
          </li>
        </ul>
      </template>
      <template v-if="agreements.length">
        <h2 class="section-head mt-5">Who was asked</h2>
        <ul>
          <li v-for="said in agreements" :key="said.about" class="border-b border-hairline py-1">
            <b class="font-[650]">{{ said.about }}: {{ said.agreement.given ? 'yes' : 'no' }}</b
            ><template v-if="'but' in said.agreement">, but {{ said.agreement.but }}</template>
            <p v-if="said.agreement.said" class="caption">“{{ said.agreement.said }}”</p>
            <Witness :agreement="said.agreement" />
          </li>
        </ul>
      </template>
    </aside>
    <section v-if="course && course.measures.some((one) => one.series.length > 1)" class="mt-6 lg:col-span-2" aria-label="Course">
      <Traces :response="course" :possessive="words.possessive" />
    </section>
  </div>
</template>
