<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { useIntervalFn, useNow } from '@vueuse/core'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { atlas, hazardsBeside, muscle as muscleOf } from '@/chart/atlas'
import { cropAround, cropOf, viewNames, viewOf, zoneOfView, type Crop, type ViewId } from '@/chart/art'
import Figure from '@/chart/Figure.vue'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import { isDrawn } from '@/chart/poses'
import { send } from '@/composables/http'
import { useAtlas } from '@/composables/useAtlas'
import { settings } from '@/composables/settings'
import { useKeys } from '@/composables/useKeys'
import { isEvent, useOutbox } from '@/composables/useOutbox'
import { capital } from '@/parts/words'
import type { ConsentAreaId } from '@/types/ids.generated'
import type { PlanStep, TakenBack, VisitProps } from '@/types/visit'

const ASK_MS = 4000

const page = defineProps<VisitProps>()
const steps = computed<PlanStep[]>(() => page.agreed?.plan.steps ?? [])
// what safety forbids is not begun: the page is read anew and says why
/** Consent as the server knows it by now; what was taken back here and has not arrived yet stands beside it. */
const known = ref<TakenBack>(page.taken_back ?? { withdrawn: [], unlifted: {} })
const { events, waiting, trouble, log } = useOutbox(
  page.visit.id,
  page.events ?? [],
  (answer) => (known.value = { withdrawn: answer.withdrawn, unlifted: answer.unlifted }),
  () => router.reload(),
)
/** Somebody else, at the desk or in another window, may take something back meanwhile: it is asked for every few seconds. */
const { pause } = useIntervalFn(async () => {
  if (document.visibilityState !== 'visible' || waiting.value.size) return
  const answer = await send<TakenBack & { verdict: string }>('GET', `/visits/${page.visit.id}/consent`, undefined, true).catch(() => null)
  if (!answer || waiting.value.size) return
  known.value = { withdrawn: answer.withdrawn, unlifted: answer.unlifted }
  if (answer.verdict !== page.safety.verdict) router.reload()
}, ASK_MS)
onScopeDispose(pause)
const blocked = computed(() => page.line.find((one) => one.id === 'work')?.state === 'blocked')
/** Areas taken back: what the server knows, and in their order the words said here that it does not know yet. */
const withdrawn = computed(() => {
  const areas = new Set(known.value.withdrawn)
  for (const event of events.value) {
    if (!waiting.value.has(event.id)) continue
    if (isEvent('consent_withdrawn')(event)) areas.add(event.payload.area)
    if (isEvent('consent_given')(event)) areas.delete(event.payload.area)
  }
  return areas
})
const areaOf = (one: PlanStep): ConsentAreaId | null => (one.muscle ? muscleOf(one.muscle).consent : null)
const areasLeft = computed(() => [
  ...new Set(
    steps.value.flatMap((one) => {
      const area = areaOf(one)
      return area && (!ended.value.has(one.id) || withdrawn.value.has(area)) ? [area] : []
    }),
  ),
])
const takeBack = (area: ConsentAreaId) => {
  const out = steps.value.filter((one) => areaOf(one) === area && !ended.value.has(one.id)).length
  if (step.value && areaOf(step.value) === area && startedAt.value) log('stopped', step.value.id, { seconds: stepSeconds.value })
  log('consent_withdrawn', step.value?.id ?? 'all', { area })
  moreSigns.value = false
  flashed.value = { kind: 'consent', text: `Taken back: ${atlas.consent[area]}. ${out} ${out === 1 ? 'step is' : 'steps are'} out` }
}
/** It names what it lifts: one that was not shown here stands, whatever is said now. */
const giveAgain = (area: ConsentAreaId) => {
  const entry = page.entries.find((one) => one.kind === 'consent' && one.identity === area)
  const lifts = Object.entries(known.value.unlifted).flatMap(([id, of]) => (of === area ? [id] : []))
  log('consent_given', step.value?.id ?? 'all', { area, lifts, seen: entry?.revision ?? 0 })
  moreSigns.value = false
}
const ended = computed(
  () =>
    new Set([
      ...steps.value.filter((one) => withdrawn.value.has(areaOf(one) ?? '')).map((one) => one.id),
      ...events.value
        .filter((event) => ['step_done', 'step_skipped'].includes(event.type) || (event.type === 'stopped' && event.step !== 'all'))
        .map((event) => event.step),
    ]),
)
const index = computed(() => steps.value.findIndex((step) => !ended.value.has(step.id)))
const step = computed<PlanStep | undefined>(() => steps.value[index.value])
const following = computed<PlanStep | undefined>(() => steps.value.slice(index.value + 1).find((one) => !ended.value.has(one.id)))
const mine = computed(() => events.value.filter((event) => event.step === step.value?.id))
const startedAt = computed(() => mine.value.find((event) => event.type === 'step_started')?.happened_at)
const reached = computed(() => mine.value.filter(isEvent('pass_reached')))
const eased = computed(() => mine.value.filter(isEvent('eased_off')).at(-1)?.payload.to)
const passIndex = computed(() => Math.min(reached.value.length, Math.max(0, (step.value?.passes.length ?? 1) - 1)))
const pass = computed(() => step.value?.passes[passIndex.value])
/** What the hands do now, and what nothing is pressed for that follows it. */
const doing = computed(() => {
  const all = step.value?.manoeuvres ?? []
  const pressed = all.flatMap((one, k) => (one.pressure === null ? [] : [k]))
  const from = pressed[passIndex.value]
  return from === undefined ? all : all.slice(passIndex.value === 0 ? 0 : from, pressed[passIndex.value + 1] ?? all.length)
})
const pressure = computed(() => (pass.value ? Math.min(pass.value.pressure, eased.value ?? 10) : 0))
const now = useNow({ interval: 250 })
const passStart = computed(() => reached.value.at(-1)?.happened_at ?? startedAt.value)
const secondsSince = (moment: string | undefined): number =>
  moment ? Math.max(0, Math.round((now.value.getTime() - new Date(moment).getTime()) / 1000)) : 0
const seconds = computed(() => secondsSince(passStart.value))
const stepSeconds = computed(() => secondsSince(startedAt.value))
/** Seconds of what is in hand: of its manoeuvres with finding and asking, else its part of the step. */
const planned = computed(() => {
  if (doing.value.length) {
    return Math.max(10, 1.15 * doing.value.reduce((sum, one) => sum + one.seconds * one.repeats * Math.max(1, one.spots.length), 0))
  }
  const whole = (step.value?.minutes ?? 1) * 60
  return pass.value ? Math.max(10, whole / (step.value?.passes.length || 1)) : whole
})
const share = computed(() => Math.min(1, seconds.value / planned.value))
const left = computed(() =>
  Math.max(
    0,
    Math.ceil(steps.value.filter((one) => !ended.value.has(one.id)).reduce((sum, one) => sum + one.minutes, 0) - stepSeconds.value / 60),
  ),
)
const stopAt = computed(() => (pass.value?.hold_seconds ? Math.min(90, Math.round(pass.value.hold_seconds)) : Math.round(planned.value)))
const clock = (total: number): string => `${Math.floor(total / 60)}:${String(total % 60).padStart(2, '0')}`
const begin = () =>
  step.value &&
  !startedAt.value &&
  log('step_started', step.value.id, step.value.muscle ? { muscle: step.value.muscle, side: step.value.side } : {})
const note = (name: 'step_done' | 'step_skipped') =>
  step.value && log(name, step.value.id, { seconds: stepSeconds.value, technique: step.value.technique, tool: step.value.tool })
/** One key leads on: begin, next pass, next step. */
const onward = () => {
  if (!step.value) return
  if (!startedAt.value) return begin()
  if (pass.value && step.value.kind === 'treat') {
    log('pass_reached', step.value.id, {
      pass: reached.value.length + 1,
      pressure: pressure.value,
      seconds: seconds.value,
      tissue_kpa: Math.round((pass.value.tissue_kpa * pressure.value) / pass.value.pressure),
    })
    if (reached.value.length < step.value.passes.length) return
  }
  note('step_done')
}
const easeTo = computed(() => Math.max(1, Math.min(4, Math.ceil(pressure.value) - 1)))
const ease = () => step.value && pass.value && log('eased_off', step.value.id, { to: easeTo.value })
const stopSign = (id: string) => atlas.stopSigns.find((one) => one.id === id)
const stopping = ref<(typeof atlas.stopSigns)[number] | null>(null)
/** What was put down last: an answer is shown with its step, a consent taken back until another takes its place. */
const flashed = ref<{ kind: 'sign' | 'consent'; text: string } | null>(null)
const sign = (id: string) => {
  if (!step.value) return
  log('sign', step.value.id, { sign: id })
  const danger = stopSign(id)
  flashed.value = { kind: 'sign', text: atlas.answerSigns[id] ?? danger?.name ?? id }
  if (danger) {
    ease()
    if (!['breath_held', 'shoulders_lifted', 'guarding'].includes(id)) stopping.value = danger
  }
}
const stopStep = () => {
  if (step.value) log('stopped', step.value.id, { seconds: stepSeconds.value, sign: stopping.value?.id })
  stopping.value = null
}
const endVisit = (to: 'after' | 'letter') => {
  stopStep()
  router.visit(`/visits/${page.visit.id}/${to}`)
}
const quick: [string, string][] = [
  ['softened', '1'],
  ['referral_faded', '2'],
  ['nothing_changed', '3'],
]
const warn: [string, string][] = [
  ['breath_held', '4'],
  ['shoulders_lifted', '5'],
  ['sharp', '6'],
]
/** The rest of what stops the hands: rarer, and still one touch away. */
const rare = [
  'dizzy',
  'nauseous',
  'faint',
  'visual_change',
  'sweating',
  'numb',
  'tingling',
  'electric',
  'pulse_under_finger',
  'spasm_growing',
  'tears',
  'stopped',
]
const rest = computed(() => [
  ...atlas.stopSigns.filter((one) => !rare.includes(one.id) && !warn.some(([id]) => id === one.id)),
  ...Object.entries(atlas.answerSigns).flatMap(([id, name]) => (quick.some(([shown]) => shown === id) ? [] : [{ id, name }])),
])
const moreSigns = ref(false)
/** What stops this step, one at a time: what safety asks to watch, then what lies beside the muscle and is never pressed. */
const hazards = computed(() => (step.value?.muscle ? hazardsBeside(step.value.muscle, step.value.side ?? 'midline', step.value.zones) : []))
const cautions = computed(() => {
  // a hazard is told by its own three lines
  const told = (step.value?.cautions ?? []).filter((one) => one.kind !== 'hazard')
  return [...told.map((one) => ({ name: capital(one.text), sign: '', safe: '' })), ...hazards.value]
})
const cautionIndex = ref(0)
const caution = computed(() => (startedAt.value ? cautions.value[cautionIndex.value % cautions.value.length] : undefined))
const breath = ref<'in' | 'out'>('out')
useIntervalFn(() => (breath.value = breath.value === 'in' ? 'out' : 'in'), 5000)
watch(index, () => (cautionIndex.value = 0))
watch(index, () => (flashed.value = flashed.value?.kind === 'consent' ? flashed.value : null))
const { open: openAtlas } = useAtlas()
const about = () => step.value?.muscle && openAtlas('muscle', step.value.muscle, step.value.side ?? 'left', true)
/** What the pedals send, by each one’s own wish. */
const { pedals } = settings()
const keyOf = (key: string): string => (key === 'Space' ? ' ' : key.length === 1 ? key.toLowerCase() : key)
useKeys({
  ' ': ease,
  [keyOf(pedals.ease)]: ease,
  [keyOf(pedals.soften)]: () => sign('softened'),
  i: about,
  Enter: onward,
  ArrowRight: onward,
  [keyOf(pedals.onward)]: onward,
  k: () => note('step_skipped'),
  h: () => cautionIndex.value++,
  m: () => (moreSigns.value = !moreSigns.value),
  c: () => step.value && areaOf(step.value) && takeBack(areaOf(step.value)!),
  ...Object.fromEntries([...quick, ...warn].map(([id, key]) => [key, () => sign(id)])),
})
/** From the side the client lies open to, unless the muscle can only be seen from the other. */
const view = computed<ViewId>(() => {
  const open: ViewId = step.value?.position.startsWith('supine') ? 'front' : 'back'
  if (step.value?.muscle) return viewOf(step.value.muscle, open)
  const shown = (one: ViewId): boolean => (step.value?.zones ?? []).some((zone) => zoneOfView(one, zone))
  return shown(open) || !shown(open === 'front' ? 'back' : 'front') ? open : open === 'front' ? 'back' : 'front'
})
/** The drawing of how the client lies, of a step that lays them so. */
const lies = computed(() => {
  const id = step.value && ['settle', 'position'].includes(step.value.kind) ? `position.${step.value.position}` : null
  return id && isDrawn(id) ? id : null
})
/** As near as the muscle, or the place, allows. */
const crop = computed<Crop>(() =>
  step.value && (step.value.muscle || step.value.zones.length)
    ? cropAround(
        view.value,
        step.value.side ?? 'midline',
        { muscles: step.value.muscle ? [step.value.muscle] : [], zones: step.value.zones },
        240,
      )
    : cropOf(view.value, 'upper'),
)
const RING = 150
const ringArc = (sign: 1 | -1): string => {
  const angle = Math.PI * share.value
  return `M0 ${RING}A${RING} ${RING} 0 0 ${sign > 0 ? 0 : 1} ${(sign * RING * Math.sin(angle)).toFixed(1)} ${(RING * Math.cos(angle)).toFixed(1)}`
}
const ladderSide = computed(() => (step.value?.side === 'right' ? 1 : -1))
const rung = (n: number): number => 58 + 22 * n
/** Whether the words have room on the bar of that pressure. */
const roomy = (n: number): boolean => n >= 3.5
const y = (n: number): number => 424 - (n - 1) * 53
/** The lintel stands just above the rung of the ceiling. */
const lintel = computed(() => (step.value?.ceiling ? y(step.value.ceiling.felt) - 34 : -99))
const doneAt = computed(() => new Set(reached.value.map((event) => Math.round(event.payload.pressure))))
const nextPass = computed(() => step.value?.passes[passIndex.value + 1])
const sides = computed(() => viewNames[view.value])
</script>
<template>
  <Head title="Work" />
  <main class="room relative min-h-page overflow-hidden bg-room text-linen" style="--color-paper: var(--color-room)">
    <template v-if="blocked || !agreed">
      <div class="mx-auto max-w-[760px] px-8 py-20 text-[30px] leading-10">
        <h1 class="display text-[58px] leading-[64px]">Not yet</h1>
        <p class="mt-4 text-linen-2">
          {{ line.find((one) => one.id === 'work')?.note ? `It ${line.find((one) => one.id === 'work')?.note}.` : '' }} Hands go on when the
          every-visit questions are answered and the plan is agreed.
        </p>
        <p class="mt-8 flex gap-4">
          <Link :href="`/visits/${visit.id}/screen`" class="inline-flex min-h-[64px] items-center bg-room-raised px-6"
            >To the questions</Link
          ><Link :href="`/visits/${visit.id}/plan`" class="inline-flex min-h-[64px] items-center bg-room-raised px-6">To the plan</Link>
        </p>
      </div>
    </template>
    <template v-else-if="!step">
      <div class="mx-auto max-w-[760px] px-8 py-20 text-[30px] leading-10">
        <h1 class="display text-[58px] leading-[64px]">Done</h1>
        <p class="mt-4 text-linen-2">Every step is worked or left. Compare once more, then write it down.</p>
        <Link
          :href="`/visits/${visit.id}/recheck`"
          class="mt-8 inline-flex min-h-[84px] items-center bg-room-moss px-8 display text-[44px] text-room"
          >Re-check</Link
        >
      </div>
    </template>
    <div
      v-else
      class="relative mx-auto grid h-page min-h-[720px] max-w-[1400px] grid-cols-[minmax(0,1fr)] grid-rows-[80px_minmax(0,1fr)_84px_68px_112px] gap-2 px-6 pb-3"
    >
      <header class="flex items-center justify-between gap-6 pl-2">
        <h1 class="flex min-w-0 items-baseline gap-3" :aria-label="step.label">
          <span class="display flex min-w-0 text-[42px] leading-[64px] xl:text-[56px]"
            ><span class="min-w-0 truncate">{{ step.muscle ? muscleOf(step.muscle).name : step.label }}</span
            ><span v-if="step.muscle" class="shrink-0">, {{ step.side }}</span></span
          >
          <span v-if="step.muscle" class="min-w-0 shrink-[999] truncate font-display text-[30px] italic text-linen-2">{{ sides }}</span>
        </h1>
        <p class="shrink-0 whitespace-nowrap">
          <span class="display text-[58px] leading-[64px] xl:text-[70px]">{{ left }}</span> <span class="text-[30px]">min left</span>
        </p>
      </header>
      <div class="grid min-h-0 grid-cols-[minmax(0,1fr)_300px_minmax(0,0.9fr)] gap-4">
        <section class="relative min-h-0 overflow-hidden">
          <div
            class="absolute inset-0 [mask-composite:intersect] [mask-image:linear-gradient(to_bottom,black_72%,transparent_96%),linear-gradient(to_right,black_88%,transparent)]"
          >
            <!-- nobody is touched yet: how they lie is what has to be seen -->
            <PoseDrawing v-if="lies" :id="lies" dark class="!h-auto" :label="atlas.positions[step.position]" />
            <Figure
              v-else
              dark
              :view="view"
              :crop="crop"
              :lit="step.muscle && step.side ? { muscle: step.muscle, side: step.side } : null"
              :beware="hazards.map((one) => one.id)"
              :label="`${step.label}, ${sides}`"
            />
          </div>
          <button
            v-if="areaOf(step)"
            type="button"
            class="absolute left-0 top-0 min-h-[64px] bg-room-raised/90 px-4 text-[30px]"
            @click="takeBack(areaOf(step)!)"
          >
            Takes back consent <span class="key-hint text-[24px] leading-[28px]">C</span>
          </button>
          <button
            v-if="caution && step.muscle"
            type="button"
            class="absolute inset-x-0 bottom-0 flex min-h-[64px] gap-3 bg-room/80 text-left text-[30px] leading-[34px]"
            :aria-label="
              caution.safe ? `Never press: ${caution.name}. You are on it: ${caution.sign} Safe line: ${caution.safe}` : caution.name
            "
            @click="cautionIndex++"
          >
            <span class="w-[8px] shrink-0 border-y-[3px] border-l-[3px] border-room-madder" aria-hidden="true" />
            <span
              ><b class="font-[650]">{{ caution.name }}</b>
              <template v-if="caution.safe">
                <span class="text-linen-2">{{ caution.sign }}</span> <b class="mx-1 text-room-moss">→</b> {{ caution.safe }}</template
              ><span v-if="cautions.length > 1" class="ml-3 whitespace-nowrap text-linen-2">
                {{ (cautionIndex % cautions.length) + 1 }} of {{ cautions.length }}
                <span class="key-hint text-[24px] leading-[28px]">H</span></span
              ></span
            >
          </button>
          <ol
            v-if="startedAt && doing.length"
            class="absolute inset-x-0 top-[72px] max-h-[55%] overflow-y-auto bg-room px-2 py-1"
            tabindex="0"
            aria-label="What the hands do"
          >
            <li v-for="(one, k) in doing" :key="k" class="mb-2 text-[30px] leading-[34px]">
              <p>{{ one.do }}</p>
              <p v-if="one.spot_names.length" class="text-linen-2">{{ one.spot_names.join(' · ') }}</p>
              <p class="text-linen-2">
                {{ atlas.tools[one.tool] }}, {{ one.repeats > 1 ? `${one.repeats} × ` : '' }}{{ one.seconds }} s<template v-if="one.setup"
                  >, {{ atlas.setups[one.setup.id]?.name }}</template
                >
              </p>
              <p v-if="one.say">“{{ one.say }}”</p>
            </li>
          </ol>
          <button
            v-if="!(caution && step.muscle) && step.muscle"
            type="button"
            class="absolute bottom-0 left-2 right-2 min-h-[64px] text-left text-[30px] leading-[34px]"
            :aria-label="`How to find it: ${step.label}`"
            @click="about"
          >
            <span class="line-clamp-2">{{ step.find[0] }}. <span class="key-hint text-[24px] leading-[28px]">I</span></span>
          </button>
          <p v-else-if="pass && !step.muscle" class="absolute bottom-0 left-2 right-2 line-clamp-2 text-[30px] leading-[34px]">
            {{ step.why }}
          </p>
        </section>
        <svg
          v-if="pass"
          viewBox="-190 20 310 450"
          class="h-full w-full"
          role="img"
          :aria-label="`Pressure now ${pressure}, ceiling ${step.ceiling?.felt ?? 'none'}`"
        >
          <g :transform="`translate(${ladderSide === 1 ? -82 : 12},0)`">
            <line y1="30" y2="452" stroke="var(--color-linen-2)" stroke-width="2.6" />
            <g v-for="n in 8" :key="n">
              <line
                v-if="n < pressure && !doneAt.has(n) && (!step.ceiling || n <= step.ceiling.felt)"
                :x2="ladderSide * rung(n) * 0.72"
                :y1="y(n)"
                :y2="y(n)"
                stroke="var(--color-room-ash)"
                stroke-width="2.6"
              />
              <rect
                v-if="doneAt.has(n) && n !== Math.round(pressure)"
                :x="ladderSide === 1 ? 0 : -rung(n) * 0.72"
                :y="y(n) - 22"
                :width="rung(n) * 0.72"
                height="44"
                fill="var(--color-room-done)"
              />
              <text
                v-if="Math.abs(n - pressure) > 0.8 && Math.abs(y(n) - lintel) > 20"
                :x="-ladderSide * 20"
                :y="y(n) + 11"
                :text-anchor="ladderSide === 1 ? 'end' : 'start'"
                fill="var(--color-linen-2)"
                :style="{ fontFamily: 'var(--font-display)' }"
                font-size="32"
              >
                {{ n }}
              </text>
            </g>
            <rect
              :x="ladderSide === 1 ? 0 : -rung(pressure) * 0.85"
              :y="y(pressure) - 22"
              :width="rung(pressure) * 0.85"
              height="44"
              fill="var(--color-room-weld)"
            />
            <text
              :x="ladderSide * (roomy(pressure) ? 10 : rung(pressure) * 0.85 + 8)"
              :y="y(pressure) + 9"
              :text-anchor="ladderSide === 1 ? 'start' : 'end'"
              :fill="roomy(pressure) ? 'var(--color-room)' : 'var(--color-room-weld)'"
              font-size="26"
              font-weight="650"
            >
              lean {{ Math.round((pass.lean_percent * pressure) / pass.pressure) }} %
            </text>
            <g
              v-if="
                nextPass && (eased === undefined || nextPass.pressure <= eased) && Math.round(nextPass.pressure) !== Math.round(pressure)
              "
            >
              <rect
                :x="ladderSide === 1 ? 0 : -rung(nextPass.pressure) * 0.85"
                :y="y(nextPass.pressure) - 20"
                :width="rung(nextPass.pressure) * 0.85"
                height="40"
                fill="none"
                stroke="var(--color-room-weld)"
                stroke-width="2.4"
                stroke-dasharray="8 6"
              />
              <text
                :x="ladderSide * 10"
                :y="y(nextPass.pressure) + 9"
                :text-anchor="ladderSide === 1 ? 'start' : 'end'"
                fill="var(--color-linen-2)"
                font-size="24"
              >
                {{ roomy(nextPass.pressure) ? 'if it softens' : 'softens?' }}
              </text>
            </g>
            <text
              :x="-ladderSide * 16"
              :y="y(pressure) + 20"
              :text-anchor="ladderSide === 1 ? 'end' : 'start'"
              fill="var(--color-room-weld)"
              :style="{ fontFamily: 'var(--font-display)', fontWeight: 700 }"
              font-size="58"
            >
              {{ pressure }}
            </text>
            <g v-if="step.ceiling">
              <rect :x="ladderSide === 1 ? -48 : -170" :y="lintel" width="218" height="8" fill="var(--color-linen)" />
              <text
                :x="ladderSide * 120"
                :y="lintel - 10"
                text-anchor="start"
                :transform="ladderSide === 1 ? 'translate(-96,0)' : 'translate(-48,0)'"
                fill="var(--color-linen)"
                font-size="24"
              >
                ceiling
              </text>
            </g>
          </g>
        </svg>
        <div v-else class="self-center text-[30px] leading-9">
          <p class="text-linen-2">{{ step.kind === 'recheck' ? step.check?.text : step.why }}</p>
          <p v-for="one in step.cautions" :key="one.text" class="mt-3 flex gap-3">
            <span class="w-[8px] shrink-0 border-y-[3px] border-l-[3px] border-room-madder" aria-hidden="true" />{{ capital(one.text) }}
          </p>
        </div>
        <section class="flex min-h-0 flex-col items-center justify-center">
          <svg
            viewBox="-175 -175 350 350"
            class="min-h-0 w-full max-w-[360px] flex-1"
            role="timer"
            :aria-label="`${seconds} seconds of ${Math.round(planned)}`"
          >
            <circle :r="RING" fill="none" stroke="var(--color-room-raised)" stroke-width="16" />
            <path
              v-for="way in [1, -1] as const"
              :key="way"
              :d="ringArc(way)"
              fill="none"
              stroke="var(--color-room-weld)"
              stroke-width="16"
            />
            <line y1="-166" y2="-138" stroke="var(--color-linen)" stroke-width="5" />
            <line y1="138" y2="166" stroke="var(--color-linen)" stroke-width="5" />
            <circle r="124" fill="none" stroke="var(--color-room-moss)" stroke-width="2" stroke-dasharray="3 6" />
            <circle class="breath" r="104" fill="#26332a" />
            <text
              y="14"
              text-anchor="middle"
              fill="var(--color-linen)"
              font-size="80"
              :style="{ fontFamily: 'var(--font-display)', fontWeight: 600 }"
            >
              {{ clock(seconds) }}
            </text>
            <text y="56" text-anchor="middle" fill="var(--color-linen)" font-size="30">{{ startedAt ? `breath ${breath}` : 'ready' }}</text>
          </svg>
          <p class="display text-center text-[32px] leading-9">
            {{
              pass && step.kind === 'treat'
                ? `pass ${passIndex + 1} of ${step.passes.length}, stop at ${clock(stopAt)}`
                : `${step.minutes} min`
            }}
          </p>
        </section>
      </div>
      <div class="flex gap-2 text-[26px] xl:text-[30px]">
        <button
          v-for="[id, key] in quick"
          :key="id"
          type="button"
          class="flex-1 bg-room-raised px-2 leading-8"
          :disabled="!startedAt"
          @click="sign(id)"
        >
          {{ atlas.answerSigns[id] }} <span class="text-[20px] underline">{{ key }}</span>
        </button>
        <span class="w-3" />
        <button
          v-for="[id, key] in warn"
          :key="id"
          type="button"
          class="flex-1 border-b-[6px] border-room-moss bg-room-raised px-2 leading-8"
          :disabled="!startedAt"
          @click="sign(id)"
        >
          {{ stopSign(id)?.name }} <span class="text-[20px] underline">{{ key }}</span>
        </button>
        <button type="button" class="bg-room-raised px-4" :aria-expanded="moreSigns" @click="moreSigns = !moreSigns">
          More <span class="text-[20px] underline">M</span>
        </button>
      </div>
      <div class="flex gap-1 text-[21px] leading-[24px] xl:text-[25px] xl:leading-[27px]" role="group" aria-label="Stop signs">
        <button
          v-for="id in rare"
          :key="id"
          type="button"
          class="min-w-min basis-0 border-b-[6px] border-room-madder bg-room-raised px-1 xl:px-2"
          :class="[id === 'stopped' && 'font-[650]', id === 'pulse_under_finger' ? 'flex-[1.8]' : 'flex-1']"
          :disabled="!startedAt"
          @click="sign(id)"
        >
          {{ stopSign(id)?.name }}
        </button>
      </div>
      <div class="flex gap-2">
        <button
          v-if="pass && step.kind === 'treat'"
          type="button"
          class="relative flex flex-[1.7] items-center gap-4 overflow-hidden rounded-[3px] bg-room-moss px-5 text-left text-room xl:gap-6 xl:px-10"
          :disabled="!startedAt"
          @click="ease"
        >
          <svg class="absolute inset-0 h-full w-full" viewBox="0 0 768 120" preserveAspectRatio="none" aria-hidden="true">
            <path d="M380 0C450 0 460 62 530 62H768V0Z" fill="var(--color-room-moss-2)" />
          </svg>
          <span class="display relative whitespace-nowrap text-[50px] leading-[64px] xl:text-[60px]">Ease off</span
          ><span class="relative text-[30px] underline">Space</span
          ><span class="relative ml-auto self-end whitespace-nowrap pb-3 text-[30px] font-[650]">to {{ easeTo }}, and stay</span>
        </button>
        <button
          type="button"
          class="flex flex-1 items-center justify-between gap-4 rounded-[3px] bg-room-raised px-7 text-left"
          @click="onward"
        >
          <span class="min-w-0"
            ><span class="block text-[30px] leading-9 text-linen-2">{{
              !startedAt ? `${step.minutes} min` : nextPass ? 'next pass' : following ? `next, ${following.minutes} min` : 'last step'
            }}</span
            ><span class="display block truncate text-[44px] leading-[52px]">{{
              !startedAt ? 'Begin' : nextPass ? `to ${Math.min(nextPass.pressure, eased ?? 10)}` : (following?.label ?? 'Finish')
            }}</span></span
          >
          <span class="text-[30px] underline">Enter</span>
        </button>
        <button type="button" class="rounded-[3px] bg-room-fold px-5 text-[30px] text-linen-2" @click="note('step_skipped')">
          Skip <span class="underline">K</span>
        </button>
      </div>
      <p class="pointer-events-none absolute left-1/2 top-[92px] -translate-x-1/2 text-[30px] text-linen-2" aria-live="polite">
        {{ trouble || (flashed ? `${flashed.text}, noted.` : '') }}
      </p>
      <div
        v-if="moreSigns"
        class="absolute inset-x-6 bottom-[204px] z-10 grid grid-cols-4 gap-2 bg-room p-2 text-[30px]"
        role="group"
        aria-label="More signs"
      >
        <button
          v-for="one in rest"
          :key="one.id"
          type="button"
          class="min-h-[76px] border-b-[6px] border-room-moss bg-room-raised"
          @click="((moreSigns = false), sign(one.id))"
        >
          {{ one.name }}
        </button>
        <button
          v-for="area in areasLeft"
          :key="area"
          type="button"
          class="col-span-2 min-h-[76px] bg-room-raised px-3 text-left leading-8"
          @click="withdrawn.has(area) ? giveAgain(area) : takeBack(area)"
        >
          {{ withdrawn.has(area) ? 'Agrees again' : 'Takes back' }}: {{ atlas.consent[area] }}
        </button>
      </div>
      <div v-if="stopping" class="absolute inset-0 z-20 grid place-items-center bg-room/95" role="alertdialog" aria-labelledby="stop-title">
        <div class="max-w-[820px] px-8">
          <h2 id="stop-title" class="display text-[58px] leading-[64px]">{{ stopping.name }}</h2>
          <p class="mt-4 text-[34px] leading-[44px]">{{ stopping.do_now }}</p>
          <div class="mt-8 flex flex-wrap gap-3 text-[30px]">
            <button
              v-if="stopping.goes_on"
              type="button"
              class="min-h-[84px] bg-room-moss px-8 font-[650] text-room"
              @click="stopping = null"
            >
              It is gone, go on lower
            </button>
            <button type="button" class="min-h-[84px] bg-room-raised px-8" @click="stopStep">Leave this muscle</button>
            <button type="button" class="min-h-[84px] bg-room-raised px-8" @click="endVisit('after')">End the work</button>
            <button v-if="!stopping.goes_on" type="button" class="min-h-[84px] bg-room-raised px-8" @click="endVisit('letter')">
              End it, and send on
            </button>
          </div>
        </div>
      </div>
      <Link :href="`/visits/${visit.id}/plan`" class="absolute right-6 top-1 text-[16px] text-linen-2 underline">Leave the room</Link>
    </div>
  </main>
</template>
<style scoped>
.breath {
  animation: breathe 10s ease-in-out infinite;
  transform-box: fill-box;
  transform-origin: center;
}
@keyframes breathe {
  0%,
  100% {
    transform: scale(0.82);
  }
  50% {
    transform: scale(1.16);
  }
}
</style>
