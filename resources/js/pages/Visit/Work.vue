<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { useEventListener, useIntervalFn, useLocalStorage, useNow, usePreferredReducedMotion, useVibrate, useWakeLock } from '@vueuse/core'
import { computed, onMounted, onScopeDispose, ref, watch } from 'vue'
import { atlas, hazardsBeside } from '@/chart/atlas'
import { nameOf } from '@/composables/fields'
import { goWith } from '@/composables/goToCheck'
import { send } from '@/composables/http'
import { LOCKED, settings } from '@/composables/settings'
import { useAtlas } from '@/composables/useAtlas'
import { useKeys } from '@/composables/useKeys'
import { isEvent, useOutbox } from '@/composables/useOutbox'
import { provideVisit } from '@/composables/useVisit'
import { connection } from '@/composables/connection'
import type { ConsentAreaId } from '@/types/ids.generated'
import type { PlanStep, TakenBack, TreatmentEvent, VisitProps } from '@/types/visit'
import { breathAt, useBreath } from '@/work/breath'
import DepthPage from '@/work/DepthPage.vue'
import KeysPage from '@/work/KeysPage.vue'
import { linesOf } from '@/work/lines'
import NumberPad from '@/work/NumberPad.vue'
import PressureLadder from '@/work/PressureLadder.vue'
import RecheckPad from '@/work/RecheckPad.vue'
import RestPage from '@/work/RestPage.vue'
import RoomFigure from '@/work/RoomFigure.vue'
import RoomPage from '@/work/RoomPage.vue'
import RoomScore from '@/work/RoomScore.vue'
import SignsPage from '@/work/SignsPage.vue'
import { keepRoom } from '@/work/offline'
import { tone } from '@/work/tone'
import { meant, useDeafness, useHold } from '@/work/touch'
import { doseWords } from '@/parts/course/traces'
import { capital } from '@/parts/words'
import { useTreatment } from '@/work/useTreatment'

const ASK_MS = 3000
/** A visit that nothing was told of for longer was laid aside. */
const LAID_ASIDE_MS = 30 * 60_000

const page = defineProps<VisitProps>()
const record = provideVisit(computed(() => page))
/** Consent as the server knows it by now; what was taken back here and has not arrived yet stands beside it. */
const known = ref<TakenBack>(page.taken_back ?? { withdrawn: [], unlifted: {} })
// what safety forbids is not begun: the page is read anew and says why
const { events, waiting, trouble, log, arrived, merge } = useOutbox(
  page.visit.id,
  page.events ?? [],
  (answer) => (known.value = { withdrawn: answer.withdrawn, unlifted: answer.unlifted }),
  () => router.reload(),
)
/** What bounded the work when this page was opened, and whether something else does now: a limit, or hands that are spared. */
const bounds = ref<string | null>(null)
const isBounded = ref(false)
/** Somebody else, at the desk or on another tablet, may take something back or go on meanwhile: it is asked for every few seconds. */
const { pause } = useIntervalFn(async () => {
  if (document.visibilityState !== 'visible' || waiting.value.size) return
  const answer = await send<TakenBack & { verdict: string; bounds: string; events: TreatmentEvent[] }>(
    'GET',
    `/visits/${page.visit.id}/consent?have=${arrived()}`,
    undefined,
    'nobody',
  ).catch(() => null)
  if (!answer || waiting.value.size) return
  merge(answer.events)
  bounds.value ??= answer.bounds
  if (answer.bounds !== bounds.value) isBounded.value = true
  known.value = { withdrawn: answer.withdrawn, unlifted: answer.unlifted }
  if (answer.verdict !== page.safety.verdict) router.reload()
}, ASK_MS)
onScopeDispose(pause)
/** Kept anew now and then, so that a lid that was shut opens on what was known a minute ago, network or not. */
const KEEP_MS = 60_000
const keepHere = () => {
  if (connection.value === 'there' && document.visibilityState === 'visible' && !sessionStorage.getItem(LOCKED))
    void keepRoom(`/visits/${page.visit.id}/work`).catch(() => undefined)
}
onMounted(keepHere)
onScopeDispose(useIntervalFn(keepHere, KEEP_MS).pause)
const work = computed(() => page.line.find((one) => one.id === 'work'))
const blocked = computed(() => work.value?.state === 'blocked')
/** Areas taken back: what the server knows, and in their order the words said here that it does not know yet. */
const withdrawn = computed<ReadonlySet<ConsentAreaId>>(() => {
  const areas = new Set(known.value.withdrawn as ConsentAreaId[])
  for (const event of events.value) {
    if (!waiting.value.has(event.id)) continue
    if (isEvent('consent_withdrawn')(event)) areas.add(event.payload.area)
    if (isEvent('consent_given')(event)) areas.delete(event.payload.area)
  }
  return areas
})
const clock = useNow({ interval: 200 })
const now = computed(() => clock.value.getTime())
const t = useTreatment(
  computed(() => page.agreed?.plan ?? null),
  events,
  withdrawn,
  computed(() => page.tableside),
  now,
  log,
)
const {
  steps,
  step,
  following,
  started,
  off,
  manoeuvre,
  spot,
  nextManoeuvre,
  pressure,
  ceiling,
  seconds,
  planned,
  eased,
  raised,
  told,
  slip,
} = t

/** Full pages over the room. */
type Open = 'signs' | 'number' | 'depth' | 'keys' | 'rest' | 'skip' | null
const open = ref<Open>(null)
/** A sign after which somebody has to say how it goes on. */
const stopping = ref<(typeof atlas.stopSigns)[number] | null>(null)
/** When it was touched, and not when a busy page came to it. */
let touchedAt = 0
for (const kind of ['keydown', 'click'] as const)
  useEventListener(window, kind, (event: Event) => (touchedAt = event.timeStamp), { capture: true, passive: true })
const { hears } = useDeafness(() => touchedAt)
/** A touch is heard, or nothing happens: half a second of deafness after each. */
const act = (does: (at: number) => void): void => {
  if (!guarded.value) edge(does)
}
const tones = useLocalStorage('somatrace.room.tones', false)
const shakes = useLocalStorage('somatrace.room.vibration', false)
const { vibrate } = useVibrate({ pattern: 30 })
const buzz = () => shakes.value && vibrate()
const { request, release, isSupported } = useWakeLock()
watch(
  started,
  (is) => {
    if (isSupported.value) void (is ? request('screen') : release()).catch(() => undefined)
  },
  { immediate: true },
)
/** What was meant for the place in hand is over: a soft tone, once. */
const isOver = computed(() => started.value && !off.value && seconds.value >= planned.value)
watch(isOver, (is) => {
  if (!is) return
  if (tones.value) tone()
  buzz()
})
/** Wet hands: only the two edges are alive until the screen is held. */
const guarded = ref(false)
const wake = useHold(() => (guarded.value = false))
const edge = (does: (at: number) => void): void => {
  if (!hears()) return
  does(Date.now())
  buzz()
}

const onward = () => act(t.onward)
const ease = () => edge(t.ease)
const stop = () => edge(t.takeOff)
const raise = () => act(t.raise)
const sign = (id: string) =>
  act((at) => {
    const means = t.sign(id, at)
    open.value = null
    if (means?.decides) stopping.value = atlas.stopSigns.find((one) => one.id === id) ?? null
  })
const number = (said: number) =>
  act((at) => {
    t.number(said, at)
    open.value = null
  })
const show = (what: Open) => act(() => (open.value = open.value === what ? null : what))
const close = () => act(() => (open.value = null))
const skip = (what: 'manoeuvre' | 'step') =>
  act((at) => {
    open.value = null
    if (what === 'step') t.end('step_skipped', at)
    else t.skipManoeuvre(at)
  })
/** Felt, and nothing there: that is a finding, and no step is owed to it. */
const quietOf = (one: PlanStep, tenderness: 0 | null): void => {
  if (!one.muscle || !one.side) return
  const felt = { muscle: one.muscle, side: one.side }
  const words = `${one.label.replace(/^Feel /, '')}: quiet`
  record.save('palpation', nameOf('palpation', felt), tenderness === null ? null : { ...felt, tenderness }, words)
}
const quiet = () =>
  act((at) => {
    const one = step.value
    if (!one) return
    quietOf(one, 0)
    t.end('step_skipped', at)
  })
const undo = () =>
  act((at) => {
    for (const event of slip.value) {
      const one = event.type === 'step_skipped' ? steps.value.find((of) => of.id === event.step && of.kind === 'feel') : undefined
      const felt =
        one?.muscle && one.side ? record.one('palpation', nameOf('palpation', { muscle: one.muscle, side: one.side })) : undefined
      if (one && felt?.tenderness === 0) quietOf(one, null)
    }
    t.takeBack(at)
  })
/** Ended by mistake, or come back to: the end was a slip. */
const goOnAfterAll = () =>
  act((at) => {
    const ends = events.value.filter((event) => event.type === 'stopped' && event.step === 'all').map((event) => event.id)
    log('taken_back', 'all', { events: ends.slice(0, 8) }, at)
  })
const leaveStep = () =>
  act((at) => {
    t.end('stopped', at, stopping.value?.id)
    stopping.value = null
  })
const goOn = () =>
  act((at) => {
    if (off.value && step.value) log('hands_on', step.value.id, {}, at)
    stopping.value = null
  })
const endVisit = (to: 'after' | 'letter') =>
  act((at) => {
    t.end('stopped', at, stopping.value?.id)
    log('stopped', 'all', {}, at)
    router.visit(`/visits/${page.visit.id}/${to}`)
  })
const takeBack = (area: ConsentAreaId) =>
  act((at) => {
    const out = t.stepsOf(area).length
    if (step.value && t.areaOf(step.value) === area && started.value) t.end('stopped', at)
    log('consent_withdrawn', step.value?.id ?? 'all', { area }, at)
    open.value = null
    told.value = { kind: 'consent', text: `Taken back: ${atlas.consent[area]}. ${out} ${out === 1 ? 'step is' : 'steps are'} out, noted.` }
  })
/** It names what it lifts: one that was not shown here stands, whatever is said now. */
const giveAgain = (area: ConsentAreaId) =>
  act((at) => {
    const entry = page.entries.find((one) => one.kind === 'consent' && one.identity === area)
    const lifts = Object.entries(known.value.unlifted).flatMap(([id, of]) => (of === area ? [id] : []))
    log('consent_given', step.value?.id ?? 'all', { area, lifts, seen: entry?.revision ?? 0 }, at)
    open.value = null
  })
const area = computed(() => (step.value ? t.areaOf(step.value) : null))

const lines = computed(() =>
  step.value ? linesOf(step.value, manoeuvre.value, spot.value, page.tableside?.says ?? {}, page.tableside?.after) : null,
)
const left = computed(() => Math.ceil(t.minutesLeft.value))
const clockWords = (total: number): string => `${Math.floor(total / 60)}:${String(Math.floor(total % 60)).padStart(2, '0')}`
/** Minutes of the booked time that are left: pauses in which nobody touched anything for long do not count. */
const booked = computed(() => {
  const moments = events.value.map((event) => Date.parse(event.happened_at)).sort((a, b) => a - b)
  if (!moments.length) return page.visit.minutes
  const gone = [...moments, now.value].reduce((sum, at, k, all) => {
    const since = k === 0 ? 0 : at - all[k - 1]!
    return sum + (since > LAID_ASIDE_MS ? 0 : Math.max(0, since))
  }, 0)
  return page.visit.minutes - gone / 60_000
})
/** By how many whole minutes what is left is longer than the time that is left for it. */
const late = computed(() => (t.isBegun.value && step.value ? Math.round(t.minutesLeft.value - booked.value) : 0))
/** By how many the hands are ahead of what was agreed: a plan may well be shorter than the time. */
const early = computed(() => {
  const gone = page.visit.minutes - booked.value
  return t.isBegun.value && step.value ? Math.round((page.agreed?.plan.minutes ?? 0) - gone - t.minutesLeft.value) : 0
})
const LATE = 2
const EARLY = 5
/** A longer name has the whole of the button. */
const SHORT = 26
const repeat = computed(() => {
  const one = manoeuvre.value
  return one && one.repeats > 1 ? Math.min(one.repeats, 1 + Math.floor(seconds.value / one.seconds)) : null
})
const next = computed(() => {
  if (!started.value)
    return {
      over: step.value?.kind === 'treat' ? 'when your hands are there' : 'ready',
      name: step.value?.kind === 'treat' ? 'Hands on' : 'Begin',
    }
  if (off.value) return { over: 'hands are off', name: 'Hands on again' }
  const spots = manoeuvre.value?.spot_names ?? []
  if (spot.value + 1 < spots.length) return { over: 'next spot', name: spots[spot.value + 1]! }
  if (nextManoeuvre.value)
    return {
      over: 'next',
      name: [atlas.techniques[nextManoeuvre.value.technique], nextManoeuvre.value.spot_names[0]].filter(Boolean).join(', '),
    }
  return following.value
    ? { over: `next, ${Math.max(1, Math.round(following.value.minutes))} min`, name: following.value.label }
    : { over: 'last step', name: 'Finish' }
})
/** What the visits before say of the muscle in hand. */
const soFar = computed(() => page.response?.targets.find((one) => one.muscle === step.value?.muscle && one.side === step.value?.side))
/** So much as made it sore, or more than was ever borne: said when it is reached. */
const borne = computed(() => {
  const { sore_from = null, borne: most = null, varies = false } = soFar.value?.tolerance ?? {}
  const dose = started.value ? t.dose.value : 0
  if (sore_from === null || varies) return null
  if (dose >= sore_from) return `As much as made it sore before: ${doseWords(sore_from)}`
  return most !== null && dose > most ? `More than was ever borne; sore from ${doseWords(sore_from)}` : null
})
/** What stops this step, one at a time: what was too much before, what safety asks to watch, what lies beside it and is never pressed. */
const cautions = computed(() => {
  const one = step.value
  if (!one) return []
  // a hazard is told by its own three lines
  const said = [borne.value, ...one.cautions.filter((of) => of.kind !== 'hazard').map((of) => capital(of.text))]
    .filter((text) => text !== null)
    .map((name) => ({ name, sign: '', safe: '' }))
  return [...said, ...(one.muscle ? hazardsBeside(one.muscle, one.side ?? 'midline', one.zones) : [])]
})
const cautionIndex = ref(0)
watch([step, borne], () => (cautionIndex.value = 0))
const caution = computed(() => cautions.value[cautionIndex.value % Math.max(1, cautions.value.length)])
const cautionWords = computed(() => {
  const one = caution.value
  return one?.safe ? `Never press: ${one.name}. You are on it: ${one.sign} Safe line: ${one.safe}` : one?.name
})
const branch = computed(() => (started.value && !off.value && t.answered.value === null ? (manoeuvre.value?.branch ?? null) : null))
const quick: [string, string][] = [
  ['softened', '1'],
  ['referral_faded', '2'],
  ['nothing_changed', '3'],
]
const { open: openAtlas } = useAtlas()
const about = () => {
  open.value = null
  if (step.value?.muscle) openAtlas('muscle', step.value.muscle, step.value.side ?? 'left', true)
}

/** Written where findings are written; back in the room the rest is planned with it. */
const FOUND = `somatrace.room.found.${page.visit.id}`
const found = () =>
  act((at) => {
    const one = step.value
    if (!one) return
    if (one.kind === 'feel' && started.value) t.end('step_done', at)
    sessionStorage.setItem(FOUND, '1')
    if (one.muscle && one.side) goWith(page.visit.id, 'feel', { muscle: one.muscle, side: one.side })
    else router.visit(`/visits/${page.visit.id}/feel`)
  })
if (sessionStorage.getItem(FOUND) && step.value) {
  sessionStorage.removeItem(FOUND)
  open.value = 'rest'
}

const breath = useBreath()
const motion = usePreferredReducedMotion()
const breathing = computed(() =>
  breath.on.value && motion.value !== 'reduce' && pressure.value !== null ? breathAt(now.value, breath.cycle.value) : null,
)
const side = computed<1 | -1>(() => (step.value?.side === 'right' ? 1 : -1))
const doneAt = computed(() => (t.here.value?.contacts ?? []).map((one) => one.pressure).filter((one) => one > 0))

/** On the pad a number, beneath it one of the answers. */
const digitKey = (digit: string) => {
  const answer = quick.find(([, key]) => key === digit)?.[0]
  if (open.value === 'number') number(Number(digit))
  else if (open.value === null && !stopping.value && answer && manoeuvre.value) sign(answer)
}
/** What the pedals send, by each one’s own wish. */
const { pedals } = settings()
const keyOf = (key: string): string => (key === 'Space' ? ' ' : key.length === 1 ? key.toLowerCase() : key)
const underPage = (does: () => void) => () => {
  if (open.value === null && !stopping.value) does()
}
useKeys({
  ' ': ease,
  [keyOf(pedals.ease)]: ease,
  [keyOf(pedals.soften)]: underPage(() => sign('softened')),
  [keyOf(pedals.onward)]: underPage(onward),
  Enter: underPage(onward),
  ArrowRight: underPage(onward),
  ArrowUp: underPage(raise),
  ArrowDown: ease,
  Backspace: underPage(undo),
  '.': stop,
  i: () => (open.value === 'depth' ? close() : underPage(() => show('depth'))()),
  n: underPage(() => show('number')),
  w: underPage(() => show('signs')),
  m: underPage(() => show('signs')),
  f: underPage(() => found()),
  k: underPage(() => show('skip')),
  r: underPage(() => show('rest')),
  b: pedals.soften === 'b' ? underPage(() => sign('softened')) : underPage(() => breath.tap()),
  a: underPage(() => manoeuvre.value && manoeuvre.value.spots.length > 1 && act(t.allSpots)),
  y: underPage(() => branch.value && act((at) => t.answer('yes', at))),
  o: underPage(() => branch.value && act((at) => t.answer('no', at))),
  c: underPage(() => area.value && takeBack(area.value)),
  h: () => cautionIndex.value++,
  '?': () => show('keys'),
  Escape: () => (open.value || stopping.value ? close() : undefined),
  ...Object.fromEntries([...'0123456789'].map((digit) => [digit, () => digitKey(digit)])),
})
/** A knuckle is broad: what it lies on is told before the browser decides by one point of it. */
const room = ref<HTMLElement | null>(null)
let wasMeant: HTMLElement | null | undefined
useEventListener(
  room,
  'pointerdown',
  (event: PointerEvent) => {
    wasMeant = event.pointerType === 'touch' && (event.width > 1 || event.height > 1) && room.value ? meant(event, layer()) : undefined
  },
  { capture: true },
)
const layer = (): ParentNode => [...(room.value?.querySelectorAll('[data-room-page]') ?? [])].at(-1) ?? room.value ?? document
// a key is for the room, and not for what was touched last: what a pointer touched lets go of it
useEventListener(room, 'click', (event: MouseEvent) => {
  if (event.detail > 0 && event.target instanceof Element) event.target.closest<HTMLElement>('button')?.blur()
})
useEventListener(
  room,
  'click',
  (event: MouseEvent) => {
    if (wasMeant === undefined || (event.target as Element).closest('a')) return
    const target = (event.target as Element).closest<HTMLElement>('[data-target]')
    const chosen = wasMeant
    wasMeant = undefined
    if (target === chosen) return
    event.preventDefault()
    event.stopPropagation()
    chosen?.click()
  },
  { capture: true },
)
const state = computed(
  () =>
    trouble.value ||
    (connection.value === 'gone'
      ? `No connection: ${waiting.value.size} kept here`
      : waiting.value.size > 3
        ? `${waiting.value.size} on their way`
        : ''),
)
</script>
<template>
  <Head title="Work" />
  <main
    ref="room"
    class="room relative min-h-page overflow-x-hidden bg-room text-linen wide-room:overflow-hidden"
    style="--color-paper: var(--color-room)"
  >
    <template v-if="blocked || !agreed">
      <div class="mx-auto max-w-[760px] px-8 py-20 text-[30px] leading-10">
        <h1 class="display text-[58px] leading-[64px]">Not yet</h1>
        <p class="mt-4 text-linen-2">
          {{ work?.note ? `${capital(work.note)}.` : '' }} Hands go on when the every-visit questions are answered and the plan is agreed.
        </p>
        <p class="mt-8 flex gap-4">
          <Link :href="`/visits/${visit.id}/screen`" class="room-key inline-flex items-center">To the questions</Link
          ><Link :href="`/visits/${visit.id}/plan`" class="room-key inline-flex items-center">To the plan</Link>
        </p>
      </div>
    </template>
    <template v-else-if="!step">
      <div class="mx-auto max-w-[760px] px-8 py-20 text-[30px] leading-10">
        <h1 class="display text-[58px] leading-[64px]">Done</h1>
        <p class="mt-4 text-linen-2">
          {{ t.state.value.stopped ? 'The work was ended early.' : 'Every step is worked or left.' }} Hands were on for
          {{ clockWords(t.handSeconds.value) }}. Compare once more, then write it down.
        </p>
        <Link
          :href="`/visits/${visit.id}/recheck`"
          class="mt-8 inline-flex min-h-[84px] items-center bg-room-moss px-8 display text-[44px] text-room"
          >Re-check</Link
        >
        <button v-if="t.state.value.stopped" type="button" class="room-key ml-4 align-top" @click="goOnAfterAll">Go on after all</button>
      </div>
    </template>
    <div v-else class="room-grid mx-auto max-w-[1400px]">
      <button
        type="button"
        class="room-edge border-b-[6px] border-room-madder bg-room-fold"
        data-target="stop"
        :disabled="!started || off"
        @click="stop"
      >
        <span class="display text-[30px] leading-[36px] wide-room:text-[36px]">Stop<span class="max-sm:hidden">: hands off</span></span
        ><span class="room-hint">.</span>
      </button>

      <p class="room-left" aria-label="Minutes left">
        <span class="wide-room:hidden">{{ clockWords(seconds) }} · </span
        ><b class="display text-[30px] wide-room:text-[50px]">{{ left }}</b> min left
      </p>

      <div class="room-main">
        <p class="room-name">{{ manoeuvre ? step.label : '' }}</p>
        <RoomFigure
          class="room-figure"
          :step="step"
          :manoeuvre="manoeuvre"
          :spot="spot"
          :more="cautions.length > 1"
          @more="cautionIndex++"
        />
        <div class="room-time">
          <p
            class="shrink-0 whitespace-nowrap text-center"
            role="timer"
            :aria-label="`${Math.floor(seconds)} seconds of ${Math.round(planned)}`"
          >
            <span class="display text-[44px] leading-[48px] wide-room:text-[64px] wide-room:leading-[64px]">{{ clockWords(seconds) }}</span>
          </p>
          <RoomScore
            class="hidden min-h-0 flex-1 wide-room:block"
            :plan="agreed.plan"
            :step="step"
            :ended="new Set(steps.filter(t.isEnded).map((one) => one.id))"
            :seconds="started ? seconds : 0"
            :planned="planned"
            :repeats="manoeuvre?.repeats ?? 1"
          />
        </div>
        <div v-if="pressure !== null" class="room-ladder">
          <PressureLadder
            class="hidden min-h-0 flex-1 wide-room:block"
            :side="side"
            :pressure="pressure"
            :ceiling="ceiling"
            :done="doneAt"
            :next="nextManoeuvre?.pressure ?? null"
            :lean="t.leanAt(pressure)"
            :breath="breathing"
          />
          <button type="button" class="room-key" data-target="raise" :disabled="!started || raised === null" @click="raise">
            {{ raised === null ? 'Ceiling' : `Up to ${raised}` }} <span class="room-hint">↑</span>
          </button>
        </div>
        <section
          v-if="lines"
          class="room-told"
          tabindex="0"
          :class="pressure === null ? 'wide-room:!col-[3/5]' : ''"
          aria-label="What the hands do"
        >
          <h1
            class="display text-[32px] leading-[36px] wide-room:text-[clamp(36px,3.45vw,44px)] wide-room:leading-[1.08]"
            :aria-label="manoeuvre ? step.label : undefined"
          >
            {{ lines.what }}
          </h1>
          <p
            v-if="lines.where"
            class="text-[24px] leading-[28px] text-room-weld wide-room:text-[clamp(27px,2.65vw,34px)] wide-room:leading-[1.12]"
          >
            {{ lines.where }}
          </p>
          <p
            v-if="step.kind !== 'recheck'"
            class="flex flex-wrap gap-x-5 text-[22px] leading-[28px] text-linen-2 wide-room:text-[clamp(24px,2.35vw,30px)] wide-room:leading-[1.2]"
          >
            <span v-for="one in lines.count" :key="one" class="whitespace-nowrap">{{ one }}</span>
            <span v-if="repeat && started" class="whitespace-nowrap text-linen">now {{ repeat }} of {{ manoeuvre?.repeats }}</span>
            <span v-if="pressure !== null" class="whitespace-nowrap wide-room:hidden">pressure {{ pressure }} of {{ ceiling }}</span>
          </p>
          <p
            v-if="!told || step.kind === 'recheck'"
            class="text-[22px] leading-[28px] wide-room:text-[clamp(24px,2.35vw,30px)] wide-room:leading-[1.17]"
          >
            <template v-for="(one, k) in lines.how" :key="one"
              ><span v-if="k" class="text-linen-2">{{ lines.how[k - 1]?.endsWith('.') ? ' ' : ' · ' }}</span
              >{{ one }}</template
            >
          </p>
          <p
            v-if="lines.say"
            class="border-l-[5px] border-room-moss pl-4 text-[24px] leading-[30px] wide-room:text-[clamp(26px,2.5vw,32px)] wide-room:leading-[1.16]"
          >
            “{{ lines.say }}”
          </p>
          <RecheckPad v-if="step.check && step.kind === 'recheck'" :step="step" :hears="hears" />
        </section>
      </div>

      <p class="room-advice" aria-live="polite">
        <template v-if="told">{{ told.text }}</template>
        <template v-else-if="state">{{ state }}</template>
        <template v-else-if="isBounded">
          What bounds the work has changed ·
          <button type="button" class="room-word" data-target="rest" @click="show('rest')">
            Plan the rest <span class="room-hint">R</span>
          </button>
        </template>
        <template v-else-if="late >= LATE">
          {{ late }} min late ·
          <button type="button" class="room-word" data-target="rest" @click="show('rest')">
            Fit the rest <span class="room-hint">R</span>
          </button>
        </template>
        <span v-else-if="caution" class="flex items-stretch gap-3" role="note" :aria-label="cautionWords">
          <span class="w-[8px] shrink-0 border-y-[3px] border-l-[3px] border-room-madder" aria-hidden="true" />
          <span class="min-w-0 flex-1"
            ><b class="font-[650]">{{ caution.name }}{{ caution.safe ? ':' : '' }}</b
            ><template v-if="caution.safe"
              >&#32;<span class="text-linen-2">{{ caution.sign }}</span> <b class="text-room-moss">→</b> {{ caution.safe }}</template
            ></span
          >
          <span v-if="cautions.length > 1" class="shrink-0 whitespace-nowrap text-linen-2"
            >{{ (cautionIndex % cautions.length) + 1 }} of {{ cautions.length }} <span class="room-hint">H</span></span
          >
        </span>
        <template v-else-if="early >= EARLY">
          {{ early }} min ahead ·
          <button type="button" class="room-word" data-target="rest" @click="show('rest')">
            What could be added <span class="room-hint">R</span>
          </button>
        </template>
      </p>

      <div class="room-answers">
        <template v-if="branch">
          <p class="room-asks">{{ branch.ask }}</p>
          <button type="button" class="room-key flex-1" data-target="yes" @click="act((at) => t.answer('yes', at))">
            Yes <span class="room-hint">Y</span>
          </button>
          <button type="button" class="room-key flex-1" data-target="no" @click="act((at) => t.answer('no', at))">
            No <span class="room-hint">O</span>
          </button>
        </template>
        <template v-else-if="manoeuvre">
          <button
            v-for="[id, key] in quick"
            :key="id"
            type="button"
            class="room-key flex-1"
            :data-target="id"
            :disabled="!started"
            @click="sign(id)"
          >
            {{ atlas.answerSigns[id] }} <span class="room-hint">{{ key }}</span>
          </button>
        </template>
        <template v-else-if="step.kind === 'feel'">
          <button type="button" class="room-key flex-1" data-target="quiet" @click="quiet">Quiet: leave it</button>
          <button type="button" class="room-key flex-1" data-target="found" @click="found">
            Found something <span class="room-hint">F</span>
          </button>
        </template>
        <button v-if="pressure !== null" type="button" class="room-key" data-target="number" :disabled="!started" @click="show('number')">
          Number <span class="room-hint">N</span>
        </button>
        <button type="button" class="room-key ml-auto border-b-[6px] border-room-madder" data-target="signs" @click="show('signs')">
          Something is wrong <span class="room-hint">W</span>
        </button>
      </div>

      <div class="room-controls">
        <button type="button" class="room-key !bg-room-fold text-linen-2" data-target="skip" @click="show('skip')">
          Skip <span class="room-hint">K</span>
        </button>
        <button type="button" class="room-key !bg-room-fold text-linen-2" data-target="back" :disabled="!slip.length" @click="undo">
          Take back <span class="room-hint">⌫</span>
        </button>
        <button type="button" class="room-key !bg-room-fold text-linen-2" data-target="depth" @click="show('depth')">
          More <span class="room-hint">I</span>
        </button>
        <button type="button" class="room-next" data-target="next" @click="onward">
          <span class="min-w-0">
            <span v-if="next.name.length <= SHORT" class="hidden text-[26px] leading-[30px] text-linen-2 wide-room:block">{{
              next.over
            }}</span>
            <span
              class="display block text-[22px] leading-[26px]"
              :class="
                next.name.length <= SHORT
                  ? 'wide-room:text-[clamp(30px,2.9vw,38px)] wide-room:leading-[1.1]'
                  : 'wide-room:text-[clamp(26px,2.35vw,30px)] wide-room:leading-[1.15]'
              "
              >{{ next.name }}</span
            >
          </span>
          <span class="room-hint">Enter</span>
        </button>
      </div>

      <button
        type="button"
        class="room-edge bg-room-moss text-room"
        data-target="ease"
        :disabled="!started || eased === null"
        @click="ease"
      >
        <span class="display text-[34px] leading-[40px] wide-room:text-[60px] wide-room:leading-[64px]">Ease off</span
        ><span class="room-hint !text-room">Space</span
        ><span v-if="eased !== null" class="ml-auto text-[22px] font-[650] wide-room:text-[30px]">to {{ eased }}, and stay</span>
      </button>

      <SignsPage
        v-if="open === 'signs'"
        :areas="t.areasLeft.value"
        :withdrawn="withdrawn"
        @sign="sign"
        @back="takeBack"
        @again="giveAgain"
        @close="close"
      />
      <NumberPad v-if="open === 'number'" :ceiling="ceiling" :scale="page.tableside?.says.settle" @said="number" @close="close" />
      <DepthPage
        v-if="open === 'depth'"
        :step="step"
        :manoeuvre="manoeuvre"
        :hands="t.hands.value"
        :on="clockWords(t.handSeconds.value)"
        :so-far="soFar"
        :dose="t.dose.value"
        :goals="response?.goals ?? []"
        @close="close"
        @atlas="about"
        @room="show('keys')"
        @found="found"
      />
      <KeysPage
        v-if="open === 'keys'"
        v-model:tones="tones"
        v-model:shakes="shakes"
        :breath="breath"
        :pedals="pedals"
        :visit="visit.id"
        @close="close"
        @wet="((open = null), (guarded = true))"
      />
      <RestPage
        v-if="open === 'rest'"
        :visit="visit.id"
        :agreed="agreed.plan"
        :ended="t.isEnded"
        :booked="booked"
        @close="close"
        @taken="((open = null), (isBounded = false), (bounds = null))"
      />
      <RoomPage v-if="open === 'skip'" title="Leave what?" @close="close">
        <div class="grid flex-1 grid-cols-1 content-start gap-8 wide-room:grid-cols-2">
          <button
            v-if="manoeuvre"
            type="button"
            class="room-key"
            data-target="skip-manoeuvre"
            :disabled="!started"
            @click="skip('manoeuvre')"
          >
            Only this: {{ lines?.what.toLowerCase() }}
          </button>
          <button type="button" class="room-key" data-target="skip-step" @click="skip('step')">All of {{ step.label }}</button>
          <button type="button" class="room-key !bg-room-fold text-linen-2" data-target="close" @click="close">
            Nothing <span class="room-hint">Esc</span>
          </button>
        </div>
      </RoomPage>
      <RoomPage v-if="stopping" role="alertdialog" :title="stopping.name" @close="goOn">
        <p class="text-[26px] leading-[34px] wide-room:text-[36px] wide-room:leading-[46px]">{{ stopping.do_now }}</p>
        <div class="mt-auto grid gap-4 wide-room:grid-cols-2">
          <button
            v-if="stopping.goes_on"
            type="button"
            class="room-key !bg-room-moss font-[650] !text-room"
            data-target="goes-on"
            @click="goOn"
          >
            It is gone, go on lower
          </button>
          <button type="button" class="room-key" data-target="leave" @click="leaveStep">Leave this muscle</button>
          <button type="button" class="room-key" data-target="end" @click="endVisit('after')">End the work</button>
          <button v-if="!stopping.goes_on" type="button" class="room-key" data-target="letter" @click="endVisit('letter')">
            End it, and send on
          </button>
        </div>
      </RoomPage>
      <div
        v-if="guarded"
        class="absolute inset-x-0 bottom-[112px] top-[80px] z-30 grid place-items-center bg-room/95"
        role="button"
        tabindex="0"
        aria-label="Hold to wake"
        @pointerdown="wake.down"
        @pointerup="wake.up"
        @pointercancel="wake.up"
        @pointerleave="wake.up"
        @keydown.enter="guarded = false"
      >
        <div class="w-[420px] max-w-[80vw] text-center">
          <p class="display text-[44px] leading-[50px]">Hold to wake</p>
          <p class="mt-2 text-[24px] text-linen-2">{{ lines?.what }} · {{ clockWords(seconds) }}</p>
          <span class="mt-5 block h-[10px] bg-room-raised"
            ><span class="block h-full bg-room-weld" :style="{ width: `${(wake.held.value ?? 0) * 100}%` }"
          /></span>
        </div>
      </div>
    </div>
  </main>
</template>
