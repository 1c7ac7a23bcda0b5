<script setup lang="ts">
import Seek from '@/controls/Seek.vue'
import NumberInput from '@/controls/NumberInput.vue'
import { Head, router } from '@inertiajs/vue3'
import { useIntersectionObserver } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import { zoneOfView, type ViewId } from '@/chart/art'
import { atlas, placeName, places } from '@/chart/atlas'
import Figure from '@/chart/Figure.vue'
import SideNames from '@/chart/SideNames.vue'
import AfterQuestions from '@/parts/AfterQuestions.vue'
import Choices from '@/parts/Choices.vue'
import HowFar from '@/parts/HowFar.vue'
import { given } from '@/composables/fields'
import { dayWords } from '@/composables/settings'
import { Refused, send as sendTo } from '@/composables/http'
import type { Side, ZoneId } from '@/types/ids.generated'
import type { Complaint, EntryPayloads } from '@/types/visit'

type Said = 'yes' | 'unknown'
interface Details {
  severity?: 'mild' | 'moderate' | 'severe'
  stage?: 'acute' | 'subacute' | 'late' | 'settled'
  controlled?: 'yes' | 'no' | 'unknown'
  weeks_pregnant?: number
}
/** The last visit, and what was given for home then. */
interface Last {
  date: string
  home_care: EntryPayloads['home_care'][]
}
interface Answers {
  complaints?: Complaint[]
  flags?: Record<string, Said>
  conditions?: Record<string, Said>
  medicines?: Record<string, Said>
  details?: Record<string, Details>
  done?: string[]
  after?: Partial<EntryPayloads['aftermath']>
}
const props = defineProps<{ link: string; name: string; answers: Answers; groups: string[]; last: Last | null }>()
/**
 * What was touched waits on this device, in this window only, until a page shows it: a page asked for while an answer was on its way is
 * older than that answer. `older` are the states this window was given or has sent since; where the page stands at one of them, what waits
 * here is newer. A state nobody here knows was answered elsewhere, and stands.
 */
interface Shelf {
  answers: Answers
  older: string[]
  kept: boolean
}
const shelf = `somatrace.check-in.${props.link}`
// an empty object comes back from the server as an empty list
const stateOf = (answers: Answers): string => JSON.stringify(answers).replaceAll('{}', '[]')
const waiting = ((): Shelf | null => {
  const text = sessionStorage.getItem(shelf)
  const lying = text ? (JSON.parse(text) as Shelf) : null
  const isNewer =
    lying !== null && stateOf(lying.answers) !== stateOf(props.answers) && (!lying.kept || lying.older.includes(stateOf(props.answers)))
  if (!isNewer) sessionStorage.removeItem(shelf)
  return isNewer ? lying : null
})()
const older = new Set([...(waiting?.older ?? []), stateOf(props.answers)])
const answers = ref<Answers>(waiting?.answers ?? { ...props.answers })
const lay = (given: Answers, kept: boolean) => {
  const state = stateOf(given)
  sessionStorage.setItem(shelf, JSON.stringify({ answers: given, older: [...older].filter((one) => one !== state), kept } satisfies Shelf))
  older.add(state)
}

/** Two groups of questions a page; what is done already is not asked again when one comes back. */
const pages: string[][] = [
  ...(props.last ? [['after']] : []),
  ['where'],
  ['today'],
  ['lately'],
  ['heart_blood_breath', 'nerves'],
  ['bones_joints_muscles', 'skin_infection'],
  ['pregnancy_birth_cancer', 'operations_devices_organs'],
  ['allergies_medicines', 'medicines'],
  ['send'],
]
const isDone = (group: string): boolean => (answers.value.done ?? []).includes(group)
const firstOpen = (): number => {
  if (!answers.value.complaints?.length && !answers.value.done?.length) return answers.value.after ? 1 : 0
  const open = pages.findIndex((groups) => groups.some((group) => !['after', 'where', 'send'].includes(group) && !isDone(group)))
  return open < 0 ? pages.length - 1 : open
}
const at = ref(firstOpen())
const page = computed(() => pages[at.value] ?? [])

type Part = 'flags' | 'conditions' | 'medicines'
interface Question {
  part: Part
  id: string
  ask: string
  more?: string | null
}
const titles: Record<string, string> = {
  today: 'Today',
  lately: 'Lately',
  ...atlas.groups,
  allergies_medicines: 'Allergies',
  medicines: 'What you take',
}
const questionsOf = (group: string): Question[] => {
  if (group === 'today' || group === 'lately')
    return Object.entries(atlas.flags)
      .filter(([, flag]) => flag.everyVisit === (group === 'today'))
      .map(([id, flag]): Question => ({ part: 'flags', id, ask: flag.ask }))
  if (group === 'medicines')
    return Object.entries(atlas.medicines).map(([id, { ask, more }]): Question => ({ part: 'medicines', id, ask, more }))
  return atlas.conditions.filter((one) => one.group === group).map(({ id, ask, more }): Question => ({ part: 'conditions', id, ask, more }))
}
const saidOf = (one: Question): Said | undefined => answers.value[one.part]?.[one.id]
const say = (one: Question, value: Said) => {
  const next = { ...answers.value[one.part] }
  if (next[one.id] === value) delete next[one.id]
  else next[one.id] = value
  answers.value = { ...answers.value, [one.part]: next }
  void keep()
}
const condition = (id: string) => atlas.conditions.find((one) => one.id === id)
const detail = (id: string, part: Details) => {
  const next = { ...answers.value.details?.[id], ...part }
  answers.value = { ...answers.value, details: { ...answers.value.details, [id]: next } }
  void keep()
}
const isUrgent = (one: Question): boolean =>
  one.part === 'flags' && (atlas.flags as Record<string, { urgent: boolean }>)[one.id]?.urgent === true
const anyYes = computed(() => page.value.some((group) => questionsOf(group).some((one) => saidOf(one))))

// how it was after the last visit
const sayAfter = (part: NonNullable<Answers['after']>) => {
  answers.value = { ...answers.value, after: given({ ...answers.value.after, ...part }) }
  void keep()
}

// where it hurts
const view = ref<ViewId>('back')
const complaints = computed(() => answers.value.complaints ?? [])
const setComplaints = (list: Complaint[]) => {
  answers.value = { ...answers.value, complaints: list }
  void keep()
}
let wiping = false
const stroke = (place: { zone: ZoneId; side: Side }, first: boolean) => {
  const there = complaints.value.some((one) => one.zone === place.zone && one.side === place.side)
  if (first) wiping = there
  if (wiping && there) setComplaints(complaints.value.filter((one) => one.zone !== place.zone || one.side !== place.side))
  else if (!wiping && !there && complaints.value.length < 12) setComplaints([...complaints.value, place as Complaint])
}
const addPlace = (key: string) => {
  const [zone, side] = key.split(':') as [ZoneId, Side]
  if (!complaints.value.some((one) => one.zone === zone && one.side === side))
    setComplaints([...complaints.value, { zone, side } as Complaint])
}
const strength = (place: Complaint, now: number) =>
  setComplaints(complaints.value.map((one) => (one.zone === place.zone && one.side === place.side ? { ...one, now } : one)))

// every touch is kept; the last state wins, one call at a time
const trouble = ref('')
let running: Promise<boolean> | null = null
let again = false
const keep = async (send = false): Promise<boolean> => {
  lay(answers.value, false)
  if (running && !send) {
    again = true
    return running
  }
  if (running) await running
  running = (async () => {
    let kept: boolean
    do {
      again = false
      try {
        await sendTo('PUT', `/check-in/${props.link}`, { answers: answers.value, send })
        kept = true
        trouble.value = ''
      } catch (fault) {
        kept = false
        // what was refused for good must not come back with every page
        if (fault instanceof Refused && !fault.passes) sessionStorage.removeItem(shelf)
        // a link that has run out, or has been sent, says so on a page of its own
        if (fault instanceof Refused && [404, 410].includes(fault.status)) router.reload()
        else
          trouble.value =
            fault instanceof Refused ? fault.words : 'No connection just now. Your answers stay on this page; try again in a moment.'
      }
    } while (again && kept)
    if (kept && send) sessionStorage.removeItem(shelf)
    else if (kept) lay(answers.value, true)
    return kept
  })()
  const kept = await running
  running = null
  return kept
}
if (waiting) void keep()
const go = async (to: number) => {
  at.value = Math.min(pages.length - 1, Math.max(0, to))
  await nextTick()
  window.scrollTo(0, 0)
  document.querySelector<HTMLElement>('main h1')?.focus()
}
const next = () => {
  answers.value = {
    ...answers.value,
    done: [...new Set([...(answers.value.done ?? []), ...page.value.filter((group) => props.groups.includes(group))])],
  }
  void keep()
  void go(at.value + 1)
}
/** Nobody says no to what they have not seen: the end of a page was on the screen before it can be left. */
const BAR = 96
const end = ref<HTMLElement | null>(null)
const read = ref(new Set<number>())
useIntersectionObserver(
  end,
  ([seen]) => {
    if (seen?.isIntersecting) read.value = new Set(read.value).add(at.value)
  },
  { rootMargin: `0px 0px -${BAR}px 0px` },
)
const isRead = computed(() => read.value.has(at.value) || page.value.every(isDone))
const readOn = (): void => window.scrollBy({ top: window.innerHeight - 2 * BAR, behavior: 'smooth' })
const strengths = ref<HTMLElement | null>(null)
/** How strong it is lies beneath the figure: one is led there once. */
const ledToStrengths = ref(false)
const isWeighed = computed(() => ledToStrengths.value || complaints.value.some((one) => one.now !== undefined))
const weigh = (): void => {
  ledToStrengths.value = true
  strengths.value?.scrollIntoView({ block: 'start', behavior: 'smooth' })
}
const sending = ref(false)
const send = async () => {
  sending.value = true
  if (await keep(true)) router.visit(`/check-in/${props.link}`, { replace: true })
  sending.value = false
}
const strongAt = (one: Complaint): string => placeName(one) + (one.now === undefined ? '' : ` (${one.now} of 10)`)
const raised = computed(() =>
  props.groups.flatMap((group) => questionsOf(group).flatMap((one) => (saidOf(one) ? [{ ask: one.ask, said: saidOf(one) }] : []))),
)
</script>
<template>
  <Head title="Check in" />
  <main class="mx-auto flex min-h-page max-w-[560px] flex-col px-5 pb-28 pt-4 text-[19px] leading-7">
    <div class="mb-3 flex items-center justify-between">
      <button v-if="at > 0" type="button" class="link min-h-[44px]" @click="go(at - 1)">Back</button><span v-else>For {{ name }}</span>
      <HowFar :at="at + 2" :of="pages.length + 1" class="ml-4 flex justify-end" />
    </div>
    <p v-if="trouble" class="mb-3 border-l-4 border-madder pl-3" role="alert">{{ trouble }}</p>

    <template v-if="page[0] === 'after' && last">
      <h1 tabindex="-1" class="display text-[28px] leading-[34px] outline-none">After your last visit</h1>
      <p class="caption mb-3">On {{ dayWords(last.date) }}.</p>
      <AfterQuestions :after="answers.after ?? {}" :given="last.home_care" @say="sayAfter" />
    </template>

    <template v-else-if="page[0] === 'where'">
      <h1 tabindex="-1" class="display text-[28px] leading-[34px] outline-none">Where does it hurt?</h1>
      <p class="mb-2">Paint it with your finger. Paint over it once more to take it away.</p>
      <div class="flex gap-px" role="group" aria-label="View">
        <button
          v-for="(word, one) in { back: 'My back', front: 'My front' } as const"
          :key="one"
          type="button"
          class="cell flex-1"
          :aria-pressed="view === one"
          @click="view = one"
        >
          {{ word }}
        </button>
      </div>
      <div class="mt-2"><SideNames :view="view" whose="your" /></div>
      <div class="h-[54vh] min-h-[340px]">
        <Figure
          :view="view"
          paint
          quiet
          :complaints="complaints"
          label="Your body. Drag over where it hurts, or choose from the list below."
          @stroke="stroke"
        />
      </div>
      <Seek
        id="places"
        class="mt-2"
        label="Or choose from a list"
        prompt="Or choose from a list"
        :choices="places.map((one) => ({ id: `${one.zone}:${one.side}`, name: placeName(one) }))"
        @choose="addPlace"
      />
      <h2 v-if="complaints.length" ref="strengths" class="display mt-5 text-[23px] leading-[30px]">How strong is it now?</h2>
      <article v-for="one in complaints" :key="one.zone + one.side" class="mt-3 border-t border-hairline pt-2">
        <p class="font-[650]">
          {{ placeName(one) }}<span v-if="!zoneOfView(view, one.zone)" class="caption"> (on the other side of the body)</span>
        </p>
        <div class="mt-1 grid grid-cols-11 gap-px" role="group" :aria-label="`How strong is it now: ${placeName(one)}`">
          <button
            v-for="n in 11"
            :key="n"
            type="button"
            class="cell !min-w-0 !px-0"
            :aria-pressed="one.now === n - 1"
            @click="strength(one, n - 1)"
          >
            {{ n - 1 }}
          </button>
        </div>
        <p class="caption flex justify-between"><span>nothing</span><span>as bad as can be</span></p>
      </article>
    </template>

    <template v-else-if="page[0] === 'send'">
      <h1 tabindex="-1" class="display text-[28px] leading-[34px] outline-none">That is all</h1>
      <p class="mt-2">{{ complaints.length ? `It hurts: ${complaints.map(strongAt).join('; ')}.` : 'Nothing painted.' }}</p>
      <template v-if="raised.length">
        <p class="mt-4">You said yes, or not sure, to:</p>
        <ul class="mt-1">
          <li v-for="one in raised" :key="one.ask" class="flex justify-between gap-3 border-b border-hairline py-2">
            <span>{{ one.ask }}</span><b class="font-[650]">{{ one.said === 'yes' ? 'yes' : 'not sure' }}</b>
          </li>
        </ul>
      </template>
      <p v-else class="mt-3">To everything else you said: none of these.</p>
    </template>

    <template v-else>
      <section v-for="(group, k) in page" :key="group" class="mb-6">
        <h1 v-if="k === 0" tabindex="-1" class="display text-[28px] leading-[34px] outline-none">{{ titles[group] }}</h1>
        <h2 v-else class="display text-[28px] leading-[34px]">{{ titles[group] }}</h2>
        <p v-if="k === 0" class="caption mb-1">Touch only what is true for you.</p>
        <ul>
          <li v-for="one in questionsOf(group)" :key="one.id" class="border-b border-hairline py-2">
            <div class="flex items-center justify-between gap-3">
              <span class="flex-1">{{ one.ask }}</span>
              <div class="flex gap-px" role="group" :aria-label="one.ask">
                <button
                  type="button"
                  class="cell !min-w-[56px]"
                  :aria-pressed="saidOf(one) === 'yes'"
                  :data-unusual="saidOf(one) === 'yes'"
                  @click="say(one, 'yes')"
                >
                  yes
                </button>
                <button
                  type="button"
                  class="cell !px-1.5 text-[15px]"
                  :aria-pressed="saidOf(one) === 'unknown'"
                  :data-unusual="saidOf(one) === 'unknown'"
                  @click="say(one, 'unknown')"
                >
                  not sure
                </button>
              </div>
            </div>
            <p v-if="one.more && saidOf(one) === 'yes'" class="caption mt-1">{{ one.more }} You are asked that at the visit.</p>
            <p v-if="isUrgent(one) && saidOf(one) === 'yes'" class="mt-2 border-l-4 border-madder pl-3 font-[650]" role="alert">
              If this is new or happening now, do not wait for your visit: tell the desk at once, or call an ambulance.
            </p>
            <div
              v-if="one.part === 'conditions' && saidOf(one) === 'yes' && (condition(one.id)?.staged || condition(one.id)?.details.length)"
              class="mt-2 border-l-2 border-iron pl-3"
            >
              <p v-if="condition(one.id)?.details.includes('severity')" class="caption">How much is it in your way?</p>
              <Choices
                v-if="condition(one.id)?.details.includes('severity')"
                :label="`How much is it in your way: ${one.ask}`"
                :options="{ mild: 'hardly', moderate: 'some days', severe: 'every day' }"
                :value="answers.details?.[one.id]?.severity"
                @choose="(value) => value && detail(one.id, { severity: value })"
              />
              <template v-if="condition(one.id)?.staged">
                <p class="caption mt-2">How long has it been so?</p>
                <Choices
                  :label="`How long: ${one.ask}`"
                  :options="{ acute: 'this week', subacute: 'some weeks', late: 'longer', settled: 'long over' }"
                  :value="answers.details?.[one.id]?.stage"
                  @choose="(value) => value && detail(one.id, { stage: value })"
                />
              </template>
              <template v-if="condition(one.id)?.details.includes('controlled')">
                <p class="caption mt-2">Is it kept down by medicine?</p>
                <Choices
                  label="Is it kept down by medicine?"
                  :options="{ yes: 'yes', no: 'no', unknown: 'not sure' }"
                  :value="answers.details?.[one.id]?.controlled"
                  @choose="(value) => value && detail(one.id, { controlled: value })"
                />
              </template>
              <template v-if="condition(one.id)?.details.includes('weeks')">
                <label class="caption mt-2 block" for="weeks">Which week?</label>
                <NumberInput
                  id="weeks"
                  look="field !w-[110px] !text-[22px]"
                  :value="answers.details?.[one.id]?.weeks_pregnant"
                  :min="1"
                  :max="43"
                  @choose="(weeks) => weeks && detail(one.id, { weeks_pregnant: Math.round(weeks) })"
                />
              </template>
            </div>
          </li>
        </ul>
      </section>
    </template>

    <div :key="at" ref="end" class="h-px" aria-hidden="true" />
    <div class="fixed inset-x-0 bottom-0 border-t border-hairline bg-paper px-5 py-3">
      <div class="mx-auto max-w-[560px]">
        <button v-if="page[0] === 'send'" type="button" class="btn-ink !min-h-[60px] w-full !text-[20px]" :disabled="sending" @click="send">
          Send it
        </button>
        <template v-else-if="page[0] === 'where'">
          <button v-if="!complaints.length" type="button" class="btn !min-h-[60px] w-full !text-[20px]" @click="next">Nothing hurts</button>
          <button v-else-if="!isWeighed" type="button" class="btn-ink !min-h-[60px] w-full !text-[20px]" @click="weigh">
            How strong is it?
          </button>
          <button v-else type="button" class="btn-ink !min-h-[60px] w-full !text-[20px]" @click="next">That is where it hurts</button>
        </template>
        <button v-else-if="page[0] === 'after'" type="button" class="btn-ink !min-h-[60px] w-full !text-[20px]" @click="next">Go on</button>
        <button v-else-if="!isRead" type="button" class="btn-ink !min-h-[60px] w-full !text-[20px]" @click="readOn">Read on</button>
        <button v-else type="button" class="btn-ink !min-h-[60px] w-full !text-[20px]" @click="next">
          {{ anyYes ? 'None of the others' : 'None of these' }}
        </button>
      </div>
    </div>
  </main>
</template>
