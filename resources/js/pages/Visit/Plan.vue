<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { choicesOf } from '@/controls/choice'
import { Link, router, usePage } from '@inertiajs/vue3'
import { useMediaQuery, useThrottleFn } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { atlas, hazardsBeside, muscle as muscleOf } from '@/chart/atlas'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import StepFigure from '@/chart/StepFigure.vue'
import { consequence, leanOf } from '@/composables/consequence'
import { goToCheck } from '@/composables/goToCheck'
import { Refused, send } from '@/composables/http'
import { useLastTime } from '@/composables/lastTime'
import { isOn, keyOf, moved, onOf, placeAt, rowOf, sequenceOf, timed, type InOrder, type On } from '@/composables/planOrder'
import { useDeed } from '@/composables/useDeed'
import { useKeys } from '@/composables/useKeys'
import { useAtlas } from '@/composables/useAtlas'
import { useHand, useVisit, type Touch } from '@/composables/useVisit'
import GoalList from '@/parts/course/GoalList.vue'
import TargetSoFar from '@/parts/course/TargetSoFar.vue'
import AboutButton from '@/parts/AboutButton.vue'
import BringIn from '@/parts/BringIn.vue'
import HazardLine from '@/parts/HazardLine.vue'
import ManoeuvreList from '@/parts/ManoeuvreList.vue'
import PlanCompare, { type Version } from '@/parts/PlanCompare.vue'
import NothingToPress from '@/parts/NothingToPress.vue'
import PlanScore from '@/parts/PlanScore.vue'
import Protocols, { type Tried } from '@/parts/Protocols.vue'
import TargetChoices from '@/parts/TargetChoices.vue'
import Fold from '@/parts/Fold.vue'
import { dayWords } from '@/composables/settings'
import { capital, listed, schoolWords, tableWords, tenth } from '@/parts/words'
import type { EntryPayloads } from '@/types/entries.generated'
import type { TechniqueId } from '@/types/ids.generated'
import type { Liked, Plan, PlanStep } from '@/types/visit'
import { stillOpen } from '@/parts/stillOpen'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({
  layout: inVisitFrame(
    ['Enter', 'agree this plan'],
    ['[ and ]', 'the target in hand earlier or later'],
    ['+ and −', 'longer or shorter'],
    ['L and D', 'lock it, drop it'],
    ['B', 'bring in by name'],
    ['C', 'compare plans'],
    ['P', 'protocols'],
    ['I', 'about the muscle of the step in hand'],
  ),
})

const visit = useVisit()
const { open: openAtlas } = useAtlas()
const { props, judged, save, saveAll, all, one } = visit
const words = computed(() => props.value.client.words)
const plan = computed(() => judged.value.plan as Plan)
type ByHand = EntryPayloads['target']
type Item = Plan['targets'][number]
/** The target whose choices are open. */
const opened = ref<string | null>(null)
const chosen = ref<PlanStep | null>(null)
/** What the visits before say of the muscle of the step in hand. */
const soFar = computed(() =>
  judged.value.response?.targets.find((one) => one.muscle === chosen.value?.muscle && one.side === chosen.value?.side),
)
const nameOf = (on: On): string => {
  const item = [...plan.value.targets, ...plan.value.left_out].find((other) => isOn(other, on))
  if (item) return item.name
  // set by hand once, and nothing of today's plan
  const name =
    'muscle' in on
      ? muscleOf(on.muscle).name
      : `${atlas.joints.find((one) => one.kind === on.joint.kind)?.name ?? 'A joint'}${on.joint.level ? ` ${on.joint.level}` : ''}`
  return on.side === 'midline' ? name : `${name}, ${on.side}`
}
const isOpen = (item: Item): boolean => ((on) => on !== null && keyOf(on) === opened.value)(onOf(item))
const isWide = useMediaQuery('(min-width: 1280px)')
const toggle = (item: Item) => {
  const on = onOf(item)
  opened.value = on && !isOpen(item) ? keyOf(on) : null
  // where the step covers what is under it, it waits for a touch of its own
  if (!on || !opened.value || !isWide.value) return
  chosen.value = plan.value.steps.find((step) => step.kind === 'treat' && isOn(step, on)) ?? chosen.value
}
/** A step of the score is touched: where what it says lies over the foot of the page, it is moved clear of that. */
const take = (step: PlanStep) => {
  chosen.value = step
  if (isWide.value) return
  void nextTick(() => {
    const [handle, over] = ['[data-handle]', '[aria-label="Step in hand"]'].map((one) =>
      document.querySelector(one)?.getBoundingClientRect(),
    )
    if (handle && over && (handle.bottom > over.top || handle.top < CLEAR)) window.scrollBy({ top: handle.top - CLEAR })
  })
}
/** Pixels under the upper edge of the window. */
const CLEAR = 150
/** What a choice by hand brings in; what safety, scope or consent keeps out waits for those. */
const canBring = (item: Plan['left_out'][number]): boolean => ['worth', 'course', 'quiet', 'dropped'].includes(item.kind)
const sizes = { short: 'done shortly', usual: 'as usual', long: 'at length' } as const
const SIZES = ['short', 'usual', 'long'] as const
type Size = (typeof SIZES)[number]
const minutes = computed(() => props.value.visit.minutes)
const putMinutes = (value: number) => router.put(`/visits/${props.value.visit.id}`, { minutes: value }, { preserveScroll: true })
/** Puts other minutes, with what else was touched in the same act; undone as one. */
const setMinutes = (value: number, touches: Touch[] = [], said = `${value} minutes`) => {
  const was = minutes.value
  if (visit.readOnly.value) return
  if (was === value) {
    saveAll(touches, said)
    return
  }
  saveAll(touches, said, { back: () => putMinutes(was), again: () => putMinutes(value) })
  putMinutes(value)
}
const school = computed<Record<string, string>>(() =>
  Object.fromEntries(
    Object.keys(schoolWords).flatMap((question) => ((choice) => (choice ? [[question, choice]] : []))(one('school', question))),
  ),
)
const schoolOf = (question: string): string => school.value[question] ?? props.value.school[question] ?? ''
const schoolChoices = (question: string) =>
  choicesOf(schoolWords[question]?.choices ?? {}).map((one) => ({
    ...one,
    name: one.id === props.value.school[question] ? `${one.name} (yours)` : one.name,
  }))
const setSchool = (question: string, said: string) => {
  const choice = said as EntryPayloads['school']
  const { about, choices } = schoolWords[question] ?? { about: question, choices: {} }
  save('school', question, choice === props.value.school[question] ? null : choice, `${about.toLowerCase()}: ${choices[choice] ?? choice}`)
}
/** Writes what is set by hand of a target; what says nothing any more is taken back. */
const set = (on: On, change: Partial<ByHand>, said: string) => {
  const fields = Object.entries({ ...one('target', keyOf(on)), ...change, ...on }).filter(([, value]) => value !== undefined)
  const says = fields.some(([name]) => !(name in on))
  save('target', keyOf(on), says ? (Object.fromEntries(fields) as ByHand) : null, `${nameOf(on)}, ${said}`)
}
const lock = (on: On, isOn: boolean) => set(on, { lock: isOn || undefined }, isOn ? 'locked' : 'let go')
const drop = (on: On) => save('dropped', keyOf(on), on, `${nameOf(on)} dropped`)
const bring = (on: On, name = nameOf(on)) => {
  if (one('dropped', keyOf(on))) save('dropped', keyOf(on), null, `${name} back`)
  else save('target', keyOf(on), { ...one('target', keyOf(on)), ...on, lock: true }, `${name} brought in`)
}
const rows = computed(() => plan.value.targets.flatMap((item) => ((on) => (on ? [{ item, on }] : []))(onOf(item))))
/** Suspected and felt by nobody: felt first, they may be worth it; the rest is left out for its own reason. */
const suspects = computed(() =>
  plan.value.left_out.flatMap((item) => (item.kind === 'unfelt' && item.muscle ? [{ ...item, muscle: item.muscle }] : [])),
)
const out = computed(() => plan.value.left_out.filter((item) => item.kind !== 'unfelt').map((item) => ({ item, on: onOf(item) })))
const { left, confirm } = useLastTime()
/** What was set by hand in the last plan and not in this one. */
const setLast = computed(() =>
  left('target').flatMap((payload) => {
    const on = onOf(payload)
    return on ? [{ name: nameOf(on), payload }] : []
  }),
)
const setAgain = () =>
  confirm(
    'target',
    setLast.value.map(({ payload }) => payload),
    'as in the last plan',
  )
const there = computed(() => rows.value.map(({ on }) => keyOf(on)))
useHand(() =>
  chosen.value?.places.length
    ? {
        places: chosen.value.places,
        ...(chosen.value.muscle && chosen.value.side ? { muscle: { muscle: chosen.value.muscle, side: chosen.value.side } } : {}),
      }
    : null,
)
const hazards = computed(() =>
  chosen.value?.muscle ? hazardsBeside(chosen.value.muscle, chosen.value.side ?? 'midline', chosen.value.zones) : [],
)
/** What the last change did, until the next. */
const changed = ref('')
/** What would follow of what is being dragged. */
const supposed = ref('')
let wasMoved = false
const orderOf = (one: Plan): string =>
  sequenceOf(one)
    .map(({ on }) => keyOf(on))
    .join()
watch(plan, (now, before) => {
  // the step in hand is looked for in the new plan: its number may be another
  const on = chosen.value && onOf(chosen.value)
  const kept = chosen.value
  chosen.value =
    now.steps.find(
      (step) => kept !== null && step.kind === kept.kind && (on ? isOn(step, on) && step.round === kept.round : step.id === kept.id),
    ) ?? null
  if (now.verdict !== 'planned' || before.verdict !== 'planned') {
    changed.value = ''
    return
  }
  const [was, is] = [orderOf(before), orderOf(now)]
  const said = !wasMoved ? '' : was === is ? 'The order stays: what lies over it, or the position it needs, comes first.' : 'Moved.'
  const line = [said, consequence(before, now)].filter(Boolean).join(' ')
  if (line || was !== is) changed.value = line
  wasMoved = false
  waiting = []
})
/** What is written to put a row of one position in that order. */
const ordered = (row: On[]): { on: On; payload: ByHand }[] =>
  row.map((on, k) => ({ on, payload: { ...one('target', keyOf(on)), ...on, order: k + 1 } }))
/** A row that was put in another order and is not judged yet: the next touch counts from it. */
let waiting: InOrder[] = []
const rowNow = (on: On): InOrder[] => (waiting.some((other) => keyOf(other.on) === keyOf(on)) ? waiting : rowOf(plan.value, on))
const reorder = (on: On, to: number, said: string) => {
  const now = rowNow(on)
  const row = moved(now, on, to)
  if (!row) return false
  wasMoved = true
  waiting = row.map((own, k) => ({ on: own, position: now[k]?.position ?? 'prone', start: now[k]?.start ?? 0 }))
  saveAll(
    ordered(row).map(({ on: own, payload }) => ({ kind: 'target' as const, identity: keyOf(own), payload })),
    `${nameOf(on)} ${said}`,
  )
  return true
}
/** One place earlier or later among those that are worked in the same position. */
const move = (on: On, by: -1 | 1) => {
  const row = rowNow(on)
  const at = row.findIndex((other) => keyOf(other.on) === keyOf(on))
  if (!reorder(on, at + by, by < 0 ? 'earlier' : 'later')) changed.value = `Already ${by < 0 ? 'first' : 'last'} in this position.`
}
let lastTried = ''
/** The plan as it would be with those targets; null where another try came after it, or none could be made. */
const tried = async (targets: ByHand[], own: string): Promise<Plan | null> => {
  const rest = all('target').filter((target) => !targets.some((other) => isOn(other, onOf(target) as On)))
  const answer = await send<{ plans: Plan[] }>('POST', `/visits/${props.value.visit.id}/plan/tries`, {
    tries: [{ targets: [...rest, ...targets] }],
  }).catch(() => null)
  return own === lastTried ? (answer?.plans[0] ?? null) : null
}
const suppose = useThrottleFn(
  async (on: On, to: number) => {
    const row = moved(rowOf(plan.value, on), on, to)
    lastTried = `${keyOf(on)} ${to}`
    if (!row) {
      supposed.value = 'Let go here it stays where it is.'
      return
    }
    const then = await tried(
      ordered(row).map(({ payload }) => payload),
      lastTried,
    )
    if (!then) return
    const stays = orderOf(then) === orderOf(plan.value)
    supposed.value = [
      stays ? 'The order would stay: what lies over it, or the position it needs, comes first.' : `Place ${to + 1} in this position.`,
      consequence(plan.value, then),
    ]
      .filter(Boolean)
      .join(' ')
  },
  120,
  true,
)
const supposeSize = useThrottleFn(
  async (on: On, size: Size, name: string) => {
    lastTried = `${keyOf(on)} ${size}`
    const then = await tried([{ ...one('target', keyOf(on)), ...on, size }], lastTried)
    if (then) supposed.value = [`${name}, ${sizes[size]}.`, consequence(plan.value, then)].filter(Boolean).join(' ')
  },
  120,
  true,
)
/** The size that comes nearest to so many minutes more or less than now. */
const sizeFor = (item: Item, by: number): Size | undefined => {
  const offered = SIZES.flatMap((size) => ((least) => (least === undefined ? [] : [{ size, least }]))(item.choices?.sizes[size]))
  return offered.sort((a, b) => Math.abs(a.least - item.minutes - by) - Math.abs(b.least - item.minutes - by))[0]?.size
}
const itemOf = (step: PlanStep): { on: On; item: Item } | null => {
  const on = onOf(step)
  const item = on && plan.value.targets.find((other) => isOn(other, on))
  return on && item ? { on, item } : null
}
const pull = (step: PlanStep, by: number) => {
  const found = itemOf(step)
  const size = found && sizeFor(found.item, by)
  if (!found || !size) return
  if (size === found.item.size) {
    lastTried = ''
    supposed.value = `${found.item.name} stays ${sizes[size]}.`
  } else if (lastTried !== `${keyOf(found.on)} ${size}`) void supposeSize(found.on, size, found.item.name)
}
const pulled = (step: PlanStep, by: number | null) => {
  supposed.value = ''
  lastTried = ''
  const found = itemOf(step)
  const size = found && by !== null ? sizeFor(found.item, by) : undefined
  if (!found || !size) return
  if (size !== found.item.size) set(found.on, { size }, sizes[size])
  else changed.value = `It stays ${sizes[size]}.`
}
const drag = (step: PlanStep, minute: number) => {
  const on = onOf(step)
  const to = on && placeAt(rowOf(plan.value, on), on, minute)
  if (on && to !== null && lastTried !== `${keyOf(on)} ${to}`) void suppose(on, to)
}
const letGo = (step: PlanStep, minute: number | null) => {
  const on = onOf(step)
  supposed.value = ''
  lastTried = ''
  if (!on || minute === null) return
  if (!reorder(on, placeAt(rowOf(plan.value, on), on, minute), 'moved')) changed.value = 'It stays where it is.'
}
/** The target that is open, or that of the step in hand. */
const inHand = computed<On | null>(() => {
  const item = plan.value.targets.find(isOpen)
  return (item && onOf(item)) ?? (chosen.value && onOf(chosen.value))
})
const itemInHand = computed(() => {
  const on = inHand.value
  return on ? plan.value.targets.find((item) => isOn(item, on)) : undefined
})
const withHand = (act: (on: On) => void) => inHand.value && !visit.readOnly.value && act(inHand.value)
const stretch = (by: -1 | 1) =>
  withHand((on) => {
    const item = itemInHand.value
    const offered = SIZES.filter((size) => item?.choices?.sizes[size] !== undefined)
    // of quick touches each counts from the one before, judged or not
    const size = one('target', keyOf(on))?.size ?? item?.size
    const next = size && offered[offered.indexOf(size) + by]
    if (next) set(on, { size: next }, sizes[next])
    else changed.value = by > 0 ? 'There is no more to do on it.' : 'It is as short as it can be. D drops it.'
  })
const doneOn = (on: On): TechniqueId[] =>
  plan.value.steps
    .filter((step) => step.kind === 'treat' && !step.other_side && isOn(step, on))
    .flatMap((step) => (step.manoeuvres ?? []).map((manoeuvre) => manoeuvre.technique))
/** The turns of the hands at what is in hand, each with the minute it begins at: one after the other, with others between. */
const rounds = computed<{ step: PlanStep; start: number }[]>(() => {
  const { target: on, id, other_side } = chosen.value ?? {}
  return timed(plan.value).filter(({ step }) => (on ? step.target === on && step.other_side === other_side : step.id === id))
})
/** The spots of the step in hand in the order the hands come to them, as they are numbered on the figure. */
const spots = computed(() => [
  ...new Set(rounds.value.flatMap(({ step }) => (step.manoeuvres ?? []).flatMap((manoeuvre) => manoeuvre.spots))),
])
const prefers = ref(props.value.prefers)
watch(
  () => props.value.prefers,
  (now) => (prefers.value = now),
)
const like = (item: Item, liked: Liked) => {
  if (!item.muscle) return
  void send<{ prefers: typeof prefers.value }>('PUT', '/settings/prefers', { muscle: item.muscle, ...liked })
    .then((answer) => {
      prefers.value = answer.prefers
      changed.value = Object.keys(liked).length
        ? `Remembered: ${item.name.replace(/, (left|right)$/, '')} is worked so wherever it may be. Settings list it.`
        : 'Forgotten.'
    })
    .catch((failure: unknown) => (changed.value = failure instanceof Refused ? failure.words : 'No connection just now; nothing was kept.'))
}
const comparing = ref(false)
const versions = ref<Version[]>([])
const asItIs = computed<Version>(() => ({
  name: 'As it is now',
  minutes: minutes.value,
  school: school.value,
  targets: all('target'),
  dropped: all('dropped'),
}))
const keepVersion = () => (versions.value = [...versions.value, { ...asItIs.value, name: `Version ${versions.value.length + 1}` }])
/** What stands now and not in the version is taken back; what is in it is written. */
const takeVersion = (version: Version) => {
  const of = <K extends 'target' | 'dropped'>(kind: K, wanted: EntryPayloads[K][]): Touch[] => {
    const names = new Map(wanted.map((payload) => [keyOf(onOf(payload) as On), payload]))
    const gone = all(kind)
      .map((payload) => keyOf(onOf(payload) as On))
      .filter((name) => !names.has(name))
    return [
      ...[...names].map(([identity, payload]) => ({ kind, identity, payload }) as Touch),
      ...gone.map((identity) => ({ kind, identity, payload: null }) as Touch),
    ]
  }
  const schools = Object.keys(schoolWords)
    .filter((question) => version.school[question] !== school.value[question])
    .map((question) => ({ kind: 'school', identity: question, payload: version.school[question] ?? null }) as Touch)
  const touches = [...of('target', version.targets), ...of('dropped', version.dropped), ...schools]
  setMinutes(version.minutes, touches, `${version.name} taken`)
}
const protocols = ref(false)
/** What was set of others stays; what was dropped may come back. */
const takeProtocol = (name: string, tried: Tried) => {
  protocols.value = false
  const keys = tried.targets.map((payload) => keyOf(onOf(payload) as On))
  takeVersion({
    name,
    minutes: tried.minutes ?? minutes.value,
    school: { ...school.value, ...tried.school },
    targets: [...all('target').filter((payload) => !keys.includes(keyOf(onOf(payload) as On))), ...tried.targets],
    dropped: [],
  })
}
const complaints = computed(() => [...new Set(all('complaint').map((one) => one.zone))])
const lean = computed(() => leanOf(plan.value))
/** Whole minutes that are left of a treatment that runs. */
const running = computed(() => (props.value.minutes_left === null ? null : Math.floor(props.value.minutes_left)))
/** Nothing is pressed in it: what it waits for is the next thing to do. */
const isBare = computed(() => !plan.value.targets.length && !visit.readOnly.value && running.value === null)
const waitsFor = computed(() => stillOpen(judged.value.line, ['ask', 'screen', 'feel', 'agree'] as const))
const agreement = computed(() =>
  running.value !== null ? 'Go on with this rest' : props.value.agreed ? 'Agree this one instead' : `Agree this with ${words.value.object}`,
)
const refusal = computed(() => usePage<{ errors: Record<string, string> }>().props.errors['plan'])
const { post } = useDeed()
const agree = () => post(`/visits/${props.value.visit.id}/plan`)
const notes = computed(() =>
  plan.value.steps.filter((step) => step.kind === 'treat' && step.cautions.length && !step.other_side).slice(0, 2),
)
const techniqueName = (id: TechniqueId): string => atlas.techniques[id]
useKeys({
  '[': () => withHand((on) => move(on, -1)),
  ']': () => withHand((on) => move(on, 1)),
  '+': () => stretch(1),
  '-': () => stretch(-1),
  l: () => withHand((on) => lock(on, one('target', keyOf(on))?.lock !== true)),
  d: () => withHand(drop),
  c: () => (comparing.value = !comparing.value),
  p: () => (protocols.value = true),
  i: () => chosen.value?.muscle && openAtlas('muscle', chosen.value.muscle, chosen.value.side ?? 'left'),
  Enter: () => plan.value.verdict === 'planned' && !visit.readOnly.value && agree(),
})
</script>
<template>
  <div v-if="plan.verdict === 'none'" class="max-w-[640px] px-6 py-8">
    <h2 class="display text-[25px] leading-[31px]">No plan today</h2>
    <p class="mt-2">{{ plan.because }}</p>
    <p class="caption mt-3">Reasons and answers are under R. What was recorded stays.</p>
  </div>
  <div
    v-else
    class="grid flex-1 content-start gap-x-4 px-6 pb-4 pt-3 lg:grid-cols-[240px_minmax(0,1fr)] xl:grid-cols-[240px_minmax(0,738px)_minmax(220px,1fr)] xl:content-stretch"
  >
    <aside aria-label="Targets">
      <h2 class="section-head">Worth treating today</h2>
      <p class="caption">minutes, by worth</p>
      <ul>
        <li v-for="{ item, on } in rows" :key="item.name" class="border-b border-hairline">
          <button
            type="button"
            class="flex min-h-[48px] w-full items-center justify-between gap-2 text-left"
            :aria-expanded="isOpen(item)"
            @click="toggle(item)"
          >
            <span
              ><b class="font-[650]">{{ item.name }}</b
              ><template v-if="item.locked"> (locked)</template><br /><span class="caption">{{ item.role }} · {{ item.words }}</span></span
            ><span class="display text-[22px]">{{ tenth(item.minutes) }}</span>
          </button>
          <template v-if="isOpen(item)">
            <p class="caption mb-1">{{ capital(item.situation) }}; {{ sizes[item.size] }}.</p>
            <template v-if="!visit.readOnly.value">
              <div class="mb-2 grid grid-cols-2 gap-px">
                <button type="button" class="cell" @click="move(on, -1)">Earlier <span class="key-hint ml-1">[</span></button>
                <button type="button" class="cell" @click="move(on, 1)">Later <span class="key-hint ml-1">]</span></button>
                <button type="button" class="cell" :aria-pressed="item.locked" @click="lock(on, !item.locked)">
                  {{ item.locked ? 'Let go' : 'Lock' }} <span class="key-hint ml-1">L</span>
                </button>
                <button type="button" class="cell" @click="drop(on)">Drop <span class="key-hint ml-1">D</span></button>
              </div>
              <TargetChoices
                v-if="item.choices"
                :item="{ ...item, choices: item.choices }"
                :value="one('target', keyOf(on))"
                :done="doneOn(on)"
                :liked="item.muscle && prefers[item.muscle]"
                @set="(change, said) => set(on, change, said)"
                @like="(liked) => like(item, liked)"
              />
            </template>
          </template>
        </li>
        <li v-if="!plan.targets.length" class="py-2">Nothing to press today.</li>
      </ul>
      <p v-if="setLast.length && !visit.readOnly.value" class="mt-2 border-l-2 border-dashed border-walnut pl-3">
        <span class="caption">By hand on {{ dayWords(props.before!.date) }}: {{ listed(setLast.map(({ name }) => name)) }}.</span>
        <button type="button" class="btn mt-1" @click="setAgain">The same again</button>
      </p>
      <BringIn v-if="!visit.readOnly.value" :possessive="words.possessive" :there="there" @bring="bring" />
      <template v-if="suspects.length && !visit.readOnly.value">
        <h2 class="section-head mt-4">Feel first</h2>
        <p class="caption">Suspected, and felt by nobody yet.</p>
        <ul>
          <li v-for="item in suspects" :key="item.name" class="flex items-baseline justify-between gap-2 py-1">
            <b class="font-[650]">{{ item.name }}</b>
            <span class="shrink-0">
              <button
                type="button"
                class="link caption min-h-[32px]"
                :aria-label="`Feel ${item.name}`"
                @click="goToCheck(props.visit.id, { kind: 'palpate', id: item.muscle, side: item.side })"
              >
                Feel
              </button>
              <button
                type="button"
                class="link caption ml-3 min-h-[32px]"
                :aria-label="`Bring in ${item.name}`"
                @click="bring({ muscle: item.muscle, side: item.side })"
              >
                Bring in
              </button>
            </span>
          </li>
        </ul>
      </template>
      <h2 class="section-head mt-4">Left out</h2>
      <ul>
        <li v-for="{ item, on } in out" :key="item.name" class="py-1">
          <b class="font-[650]">{{ item.name }}.</b> {{ item.because }}
          <button v-if="on && canBring(item) && !visit.readOnly.value" type="button" class="link caption" @click="bring(on)">
            Bring in
          </button>
          <span v-else-if="item.bring_in" class="caption">{{ item.bring_in }}</span>
        </li>
        <li v-for="item in props.off_here" :key="item.name" class="py-1">
          <b class="font-[650]">{{ item.name }}.</b> Not done here: {{ item.reason }}
        </li>
        <li v-if="!out.length && !props.off_here.length" class="caption">Nothing.</li>
      </ul>
      <h2 class="section-head mt-4">Your hands</h2>
      <p class="caption">Firm minutes, of what each part has left.</p>
      <template v-for="hand in plan.hands ?? []" :key="hand.part">
        <p class="mt-1 flex justify-between">
          <span>{{ capital(hand.name) }}</span><span
            ><b class="font-[650]">{{ tenth(hand.minutes) }}</b> of {{ tenth(hand.of) }} min</span
          >
        </p>
        <div class="h-2 bg-fold" aria-hidden="true">
          <div class="h-2 bg-iron" :style="{ width: `${Math.min(100, hand.of > 0 ? (100 * hand.minutes) / hand.of : 0)}%` }" />
        </div>
      </template>
      <p class="mt-2 flex justify-between">
        <span>Most lean</span
        ><span
          ><b class="font-[650]">{{ lean }}</b> of {{ plan.most_lean }} %</span
        >
      </p>
      <div class="h-2 bg-fold" aria-hidden="true">
        <div class="h-2 bg-iron" :style="{ width: `${Math.min(100, (100 * lean) / (plan.most_lean ?? 100))}%` }" />
      </div>
      <p v-if="plan.table" class="mt-2">{{ tableWords(plan.table) }}</p>
      <p v-if="plan.measured?.length" class="caption mt-1">
        Force and lean of {{ listed(plan.measured.map((one) => atlas.tools[one])) }} are your own,
        <Link href="/atlas/trainer/lean" class="link">from the plate</Link>.
      </p>
    </aside>
    <Protocols
      v-if="!visit.readOnly.value"
      :visit="props.visit.id"
      :open="protocols"
      :zones="complaints"
      :is-planned="plan.targets.length > 0"
      @close="protocols = false"
      @take="takeProtocol"
    />
    <section class="min-w-0">
      <p v-if="running !== null" class="mb-2 border-l-2 border-iron pl-3">
        The treatment runs: {{ running }} of {{ minutes }} minutes are left. What was done counts; this is the rest, planned anew.
        <Link :href="`/visits/${props.visit.id}/work`" class="link">Back to the table</Link>
      </p>
      <div class="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <div class="flex items-center gap-px" role="group" aria-label="Table minutes">
          <button
            v-for="value in [30, 45, 60, 75, 90]"
            :key="value"
            type="button"
            class="cell display !w-[48px] !px-0 text-[17px]"
            :aria-pressed="minutes === value"
            @click="setMinutes(value)"
          >
            {{ value }}
          </button>
          <span class="caption ml-2">minutes</span>
        </div>
        <button type="button" class="btn" :aria-expanded="comparing" @click="comparing = !comparing">
          Compare <span class="key-hint">C</span>
        </button>
        <button type="button" class="btn" @click="protocols = true">Protocols <span class="key-hint">P</span></button>
        <Fold class="min-w-[160px] flex-1" wide>
          <template #head
            >How it is done, this visit<template v-if="Object.keys(school).length"
              >: {{ Object.keys(school).length }} otherwise</template
            ></template
          >
          <div class="mt-1 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
            <div v-for="(question, id) in schoolWords" :key="id">
              <label class="caption block" :for="`school-${id}`">{{ question.about }}</label>
              <p v-if="visit.readOnly.value" class="py-2">{{ question.choices[schoolOf(id)] }}</p>
              <Pick
                v-else
                :id="`school-${id}`"
                :label="question.about"
                :choices="schoolChoices(id)"
                :value="schoolOf(id)"
                @choose="(choice) => choice && setSchool(id, choice)"
              />
            </div>
          </div>
        </Fold>
      </div>
      <PlanCompare
        v-if="comparing"
        :visit="props.visit.id"
        :now="asItIs"
        :plan="plan"
        :school="props.school"
        :versions="versions"
        @keep="keepVersion"
        @take="takeVersion"
      />
      <p class="display mb-2 text-[20px] leading-[26px]">{{ plan.headline }}</p>
      <p
        v-if="supposed || changed"
        class="mb-2 border-l-2 border-weld bg-paper pl-3 text-[15px] leading-[21px]"
        :class="{ 'sticky top-0 z-10 py-1': supposed }"
        role="status"
        aria-live="polite"
      >
        {{ supposed || changed }}
        <template v-if="!supposed">
          <button v-if="visit.canUndo.value" type="button" class="link" @click="visit.undo()">Undo</button>
          <button v-if="visit.canRedo.value" type="button" class="link ml-2" @click="visit.redo()">Redo</button>
        </template>
      </p>
      <PlanScore
        :plan="plan"
        :possessive="words.possessive"
        :chosen="chosen?.id ?? null"
        :movable="!visit.readOnly.value"
        @choose="take"
        @drag="drag"
        @drop="letGo"
        @pull="pull"
        @pulled="pulled"
      />
      <NothingToPress
        v-if="isBare"
        :visit="props.visit.id"
        :open="waitsFor"
        :felt="all('palpation').length > 0"
        @protocols="protocols = true"
      />
    </section>
    <aside
      aria-label="Step in hand"
      class="flex flex-col max-xl:sticky max-xl:bottom-[34px] max-xl:z-[5] max-xl:col-span-full max-xl:border-t-2 max-xl:border-iron max-xl:bg-paper"
    >
      <article v-if="chosen" class="border-iron pt-2 max-xl:max-h-[30dvh] max-xl:overflow-y-auto xl:border-t-2">
        <div class="flex items-start justify-between gap-2">
          <h3 class="display text-[20px] leading-6">{{ chosen.label }}</h3>
          <button type="button" class="cell tool shrink-0 xl:!hidden" aria-label="Close this step" @click="chosen = null">×</button>
        </div>
        <div class="max-xl:flex max-xl:gap-5">
          <div class="min-w-0 flex-1">
            <p class="caption">
              {{ tenth(rounds.reduce((sum, { step }) => sum + step.minutes, 0)) }} min · {{ atlas.positions[chosen.position]
              }}<template v-if="chosen.tool"> · {{ atlas.tools[chosen.tool] }}</template>
            </p>
            <p v-if="chosen.words" class="mt-1 border-l-2 border-weld pl-2">{{ chosen.words }}</p>
            <div v-if="['settle', 'position'].includes(chosen.kind)" class="mt-2 h-[120px]">
              <PoseDrawing :id="`position.${chosen.position}`" :label="atlas.positions[chosen.position]" />
            </div>
            <p v-if="chosen.passes.length" class="mt-1">
              {{ chosen.passes.map((pass) => pass.pressure).join(' → ') }} ·
              {{ Math.round(Math.max(...chosen.passes.map((pass) => pass.force_n))) }} N, lean
              {{ Math.round(Math.max(...chosen.passes.map((pass) => pass.lean_percent))) }} %
            </p>
            <p class="mt-1">{{ chosen.why }}</p>
          </div>
          <StepFigure
            v-if="chosen.muscle && chosen.side"
            :key="`${chosen.muscle} ${chosen.side}`"
            class="mt-2 max-xl:mt-0 max-xl:w-[300px] max-xl:shrink-0"
            :muscle="chosen.muscle"
            :side="chosen.side"
            :spots="spots"
            :label="chosen.label"
          />
        </div>
        <template v-for="{ step, start } in rounds" :key="step.id">
          <p v-if="rounds.length > 1" class="section-head mt-3 !text-[15px]">Minute {{ Math.round(start) }}</p>
          <ManoeuvreList v-if="step.manoeuvres?.length" class="mt-1" :manoeuvres="step.manoeuvres" :numbered="spots" />
        </template>
        <div v-for="beside in hazards" :key="beside.id" class="mt-2 flex gap-2">
          <span class="w-[6px] shrink-0 border-y-2 border-l-2 border-iron" aria-hidden="true" />
          <HazardLine class="min-w-0 text-[14px] leading-[19px]" :hazard="beside" />
        </div>
        <p v-if="chosen.muscle" class="mt-1 flex flex-wrap gap-x-5">
          <AboutButton :id="chosen.muscle" kind="muscle" :name="chosen.label" :side="chosen.side ?? 'left'" hint="I"
            >About the muscle</AboutButton
          >
          <AboutButton v-if="chosen.technique" :id="chosen.technique" kind="technique" :name="techniqueName(chosen.technique)">{{
            techniqueName(chosen.technique)
          }}</AboutButton>
        </p>
        <p v-if="chosen.find.length" class="caption mt-1">{{ chosen.find.join(' → ') }}.</p>
        <p v-if="chosen.ceiling" class="caption mt-1">Ceiling {{ chosen.ceiling.felt }}: {{ chosen.ceiling.because }}</p>
        <p v-if="soFar" class="mt-1 border-l-2 border-iron pl-3"><TargetSoFar :target="soFar" /></p>
      </article>
      <template v-else>
        <GoalList v-if="judged.response?.goals.length" class="mb-4 max-xl:hidden" :goals="judged.response.goals" />
        <p class="caption max-xl:hidden">
          Touch a step of the score to read what the hands do. Drag one to another time, or its lower edge to do more or less.
        </p>
        <p v-for="step in notes" :key="step.id" class="mt-4 flex gap-2 max-xl:hidden">
          <span class="w-[6px] shrink-0 border-y-2 border-l-2 border-iron" aria-hidden="true" /><span
            ><b class="font-[650]">{{ step.label }}</b
            ><br />{{ step.cautions[0]?.text }}</span
          >
        </p>
      </template>
      <div class="sticky bottom-[34px] mt-auto bg-paper pb-2 pt-3 max-xl:static max-xl:flex max-xl:items-center max-xl:gap-4 max-xl:pt-2">
        <p class="caption mb-1 max-xl:mb-0 max-xl:flex-1 max-sm:sr-only">
          {{ plan.because }} {{ plan.turns === 0 ? 'No turn.' : plan.turns === 1 ? 'One turn.' : `${plan.turns} turns.` }}
        </p>
        <p class="mb-1 flex flex-wrap gap-x-5 text-[14px]">
          <Link :href="`/visits/${props.visit.id}/plan/client`" class="link inline-block min-h-[32px] leading-[32px]"
            >For {{ words.object }}, to read</Link
          ><Link :href="`/visits/${props.visit.id}/plan/table`" class="link inline-block min-h-[32px] leading-[32px]"
            >For the table, to print</Link
          >
        </p>
        <p v-if="refusal" class="mb-1 text-madder" role="alert">{{ refusal }}</p>
        <button
          v-if="!visit.readOnly.value"
          type="button"
          :class="isBare && waitsFor.length ? 'btn' : 'btn-ink'"
          class="w-full max-xl:!w-auto"
          @click="agree"
        >
          {{ agreement }} <span class="key-hint">Enter</span>
        </button>
      </div>
    </aside>
  </div>
</template>
