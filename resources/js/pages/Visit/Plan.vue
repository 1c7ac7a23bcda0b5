<script setup lang="ts">
import { Link, router, usePage } from '@inertiajs/vue3'
import { computed, ref, watch } from 'vue'
import { atlas, hazardsBeside, muscle as muscleOf } from '@/chart/atlas'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import { consequence, thumbsOf } from '@/composables/consequence'
import { useDeed } from '@/composables/useDeed'
import { among, nameOf } from '@/composables/fields'
import { useKeys } from '@/composables/useKeys'
import { useAtlas } from '@/composables/useAtlas'
import { useHand, useVisit } from '@/composables/useVisit'
import AboutButton from '@/parts/AboutButton.vue'
import Choices from '@/parts/Choices.vue'
import HazardLine from '@/parts/HazardLine.vue'
import ManoeuvreList from '@/parts/ManoeuvreList.vue'
import PlanScore from '@/parts/PlanScore.vue'
import TargetChoices from '@/parts/TargetChoices.vue'
import { capital } from '@/parts/words'
import type { EntryPayloads } from '@/types/entries.generated'
import type { MuscleId, Side, TechniqueId } from '@/types/ids.generated'
import type { Plan, PlanStep } from '@/types/visit'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({
  layout: inVisitFrame(
    ['Enter', 'agree this plan'],
    ['[ and ]', 'the target in hand earlier or later'],
    ['I', 'about the muscle of the step in hand'],
  ),
})

const visit = useVisit()
const { open: openAtlas } = useAtlas()
const { props, judged, save, saveAll, one } = visit
const words = computed(() => props.value.client.words)
const plan = computed(() => judged.value.plan as Plan)
const target = ref<string | null>(null)
const chosen = ref<PlanStep | null>(null)
type Target = { muscle: MuscleId; side: Side }
const keyOf = (item: Target): string => nameOf('target', item)
/** Joints are found stiff, and no choice of the therapist yet. */
const isMuscle = <T extends { muscle?: MuscleId }>(item: T): item is T & { muscle: MuscleId } => item.muscle !== undefined
/** What a choice by hand brings in; what safety, scope or consent keeps out waits for those. */
const canBring = (item: Plan['left_out'][number]): boolean => ['worth', 'course', 'quiet', 'unfelt', 'dropped'].includes(item.kind)
const rowOf = (item: { name: string; side: Side }): string => `${item.name} ${item.side}`
const tenth = (value: number): number => Math.round(10 * value) / 10
const sizes = { short: 'done shortly', usual: 'as usual', long: 'at length' } as const
const minutes = computed(() => props.value.visit.minutes)
const setMinutes = (value: number) => router.put(`/visits/${props.value.visit.id}`, { minutes: value }, { preserveScroll: true })
const pressures = { under_pain: 'under pain', firm_seven: 'firm seven', up_to_eight: 'up to 8' }
const pressure = computed(() => among(pressures, one('school', 'pressure') ?? props.value.school['pressure']))
const orders = { source_first: 'the source', site_first: 'the sore place' }
const order = computed(() => among(orders, one('school', 'order')) ?? 'source_first')
type ByHand = EntryPayloads['target']
/** Writes what is set by hand of a target; what says nothing any more is taken back. */
const set = (item: Target & { name: string }, change: Partial<ByHand>, words: string) => {
  const { muscle, side } = item
  const all = Object.entries({ ...one('target', keyOf(item)), ...change, muscle, side }).filter(([, value]) => value !== undefined)
  const says = all.some(([name]) => name !== 'muscle' && name !== 'side')
  save('target', keyOf(item), says ? (Object.fromEntries(all) as ByHand) : null, `${item.name}, ${words}`)
}
const lock = (item: Target & { name: string }, on: boolean) => set(item, { lock: on || undefined }, on ? 'locked' : 'let go')
const drop = (item: Target & { name: string }) =>
  save('dropped', keyOf(item), { muscle: item.muscle, side: item.side }, `${item.name} dropped`)
const bring = (item: Target & { name: string }) => {
  if (one('dropped', keyOf(item))) save('dropped', keyOf(item), null, `${item.name} back`)
  else lock(item, true)
}
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
const thumbs = computed(() => tenth(thumbsOf(plan.value)))
/** What the last change did, until the next. */
const changed = ref('')
let wasMoved = false
watch(plan, (now, before) => {
  if (now.verdict !== 'planned' || before.verdict !== 'planned') {
    changed.value = ''
    return
  }
  const [was, is] = [before, now].map((one) => sequenceOf(one).map(keyOf).join())
  const moved = !wasMoved ? '' : was === is ? 'The order stays: what lies over it, or the position it needs, comes first.' : 'Moved.'
  changed.value = [moved, consequence(before, now)].filter(Boolean).join(' ')
  wasMoved = false
})
/** Muscles in the order in which they are begun. */
const sequenceOf = (of: Plan): (Target & { position: string })[] => {
  const seen = new Set<string>()
  return of.steps.flatMap(({ kind, other_side, muscle, side, position }) => {
    if (kind !== 'treat' || other_side || !muscle || !side || seen.has(keyOf({ muscle, side }))) return []
    seen.add(keyOf({ muscle, side }))
    return [{ muscle, side, position }]
  })
}
/** One place earlier or later among those that are worked in the same position. */
const move = (item: Target, by: -1 | 1) => {
  const all = sequenceOf(plan.value)
  const own = all.find((other) => keyOf(other) === keyOf(item))
  const row = all.filter((other) => other.position === own?.position)
  const at = row.findIndex((other) => keyOf(other) === keyOf(item))
  const to = at + by
  if (!own || to < 0 || to >= row.length) {
    changed.value = `Already ${by < 0 ? 'first' : 'last'} in this position.`
    return
  }
  row.splice(to, 0, ...row.splice(at, 1))
  wasMoved = true
  saveAll(
    row.map(({ muscle, side }, k) => ({
      kind: 'target' as const,
      identity: keyOf({ muscle, side }),
      payload: { ...one('target', keyOf({ muscle, side })), muscle, side, order: k + 1 },
    })),
    `${muscleOf(item.muscle).name} ${by < 0 ? 'earlier' : 'later'}`,
  )
}
/** The target that is open, or that of the step in hand. */
const inHand = computed<Target | null>(() => {
  const open = plan.value.targets.filter(isMuscle).find((item) => rowOf(item) === target.value)
  if (open) return open
  const { muscle, side } = chosen.value ?? {}
  return muscle && side ? { muscle, side } : null
})
const moveInHand = (by: -1 | 1) => inHand.value && !visit.readOnly.value && move(inHand.value, by)
const lean = computed(() => Math.round(Math.max(0, ...plan.value.steps.flatMap((step) => step.passes.map((pass) => pass.lean_percent)))))
/** Whole minutes that are left of a treatment that runs. */
const running = computed(() => (props.value.minutes_left === null ? null : Math.floor(props.value.minutes_left)))
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
  '[': () => moveInHand(-1),
  ']': () => moveInHand(1),
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
    class="grid flex-1 gap-x-4 px-6 pb-4 pt-3 lg:grid-cols-[220px_minmax(0,1fr)] xl:grid-cols-[220px_minmax(0,738px)_minmax(220px,1fr)]"
  >
    <aside aria-label="Targets" class="lg:row-span-2">
      <h2 class="section-head">Worth treating today</h2>
      <p class="caption">minutes, by worth</p>
      <ul>
        <li v-for="item in plan.targets" :key="rowOf(item)" class="border-b border-hairline">
          <button
            type="button"
            class="flex min-h-[48px] w-full items-center justify-between gap-2 text-left"
            :aria-expanded="target === rowOf(item)"
            @click="target = target === rowOf(item) ? null : rowOf(item)"
          >
            <span
              ><b class="font-[650]">{{ item.name }}</b
              ><template v-if="item.locked"> (locked)</template><br /><span class="caption">{{ item.role }} · {{ item.words }}</span></span
            ><span class="display text-[22px]">{{ tenth(item.minutes) }}</span>
          </button>
          <p v-if="target === rowOf(item)" class="caption mb-1">{{ capital(item.situation) }}; {{ sizes[item.size] }}.</p>
          <TargetChoices
            v-if="target === rowOf(item) && isMuscle(item) && item.choices && !visit.readOnly.value"
            :item="{ ...item, choices: item.choices }"
            :value="one('target', keyOf(item))"
            @set="(change, said) => set(item, change, said)"
          />
          <div v-if="target === rowOf(item) && isMuscle(item) && !visit.readOnly.value" class="mb-2 flex gap-px">
            <button type="button" class="cell flex-1" @click="move(item, -1)">Earlier <span class="key-hint ml-1">[</span></button
            ><button type="button" class="cell flex-1" @click="move(item, 1)">Later <span class="key-hint ml-1">]</span></button>
          </div>
          <div v-if="target === rowOf(item) && isMuscle(item)" class="mb-2 flex gap-px">
            <button type="button" class="cell flex-1" :aria-pressed="item.locked" @click="lock(item, !item.locked)">
              {{ item.locked ? 'Let go' : 'Lock' }}</button><button type="button" class="cell flex-1" @click="drop(item)">Drop</button>
          </div>
        </li>
        <li v-if="!plan.targets.length" class="py-2">Nothing to press today. Feel a little more, or agree to more areas.</li>
      </ul>
      <h2 class="section-head mt-4">Left out</h2>
      <ul>
        <li v-for="item in plan.left_out" :key="rowOf(item)" class="py-1">
          <b class="font-[650]">{{ item.name }}.</b> {{ item.because }}
          <button v-if="isMuscle(item) && canBring(item)" type="button" class="link caption" @click="bring(item)">Bring in</button>
          <span v-else-if="item.bring_in" class="caption">{{ item.bring_in }}</span>
        </li>
        <li v-for="item in props.off_here" :key="item.name" class="py-1">
          <b class="font-[650]">{{ item.name }}.</b> Not done here: {{ item.reason }}
        </li>
        <li v-if="!plan.left_out.length && !props.off_here.length" class="caption">Nothing.</li>
      </ul>
      <h2 class="section-head mt-4">Your hands</h2>
      <p class="flex justify-between">
        <span>Thumbs at 5 or more</span
        ><span
          ><b class="font-[650]">{{ thumbs }}</b> of 8 min</span
        >
      </p>
      <div class="h-2 bg-fold" aria-hidden="true">
        <div class="h-2 bg-iron" :style="{ width: `${Math.min(100, (100 * thumbs) / 8)}%` }" />
      </div>
      <p class="mt-2 flex justify-between">
        <span>Most lean</span
        ><span
          ><b class="font-[650]">{{ lean }}</b> of 60 %</span
        >
      </p>
      <div class="h-2 bg-fold" aria-hidden="true">
        <div class="h-2 bg-iron" :style="{ width: `${Math.min(100, (100 * lean) / 60)}%` }" />
      </div>
    </aside>
    <section class="min-w-0 lg:col-start-2 lg:row-start-2 xl:row-span-2 xl:row-start-1">
      <p v-if="running !== null" class="mb-2 border-l-2 border-iron pl-3">
        The treatment runs: {{ running }} of {{ minutes }} minutes are left. What was done counts; this is the rest, planned anew.
        <Link :href="`/visits/${props.visit.id}/work`" class="link">Back to the table</Link>
      </p>
      <p class="display mb-2 text-[20px] leading-[26px]">{{ plan.headline }}</p>
      <p v-if="changed" class="mb-2 border-l-2 border-weld pl-3 text-[15px] leading-[21px]" role="status" aria-live="polite">
        {{ changed }}
        <button v-if="visit.canUndo.value" type="button" class="link" @click="visit.undo()">Undo</button>
      </p>
      <PlanScore :plan="plan" :possessive="words.possessive" :chosen="chosen?.id ?? null" @choose="(step) => (chosen = step)" />
    </section>
    <aside class="flex flex-col lg:col-start-2 lg:row-start-1 xl:col-start-3 xl:row-span-2">
      <p class="caption">Table minutes</p>
      <div class="flex gap-px" role="group" aria-label="Table minutes">
        <button
          v-for="value in [30, 45, 60, 75, 90]"
          :key="value"
          type="button"
          class="cell display flex-1 !px-0 text-[17px]"
          :aria-pressed="minutes === value"
          @click="setMinutes(value)"
        >
          {{ value }}
        </button>
      </div>
      <p class="caption mt-2">How strong deep work may feel</p>
      <Choices
        label="How strong"
        :options="pressures"
        :value="pressure"
        @choose="(value) => value && save('school', 'pressure', value, `strength ${value.replaceAll('_', ' ')}`)"
      />
      <p class="caption mt-2">First</p>
      <Choices
        label="What comes first"
        :options="orders"
        :value="order"
        @choose="(value) => value && save('school', 'order', value, value.replaceAll('_', ' '))"
      />
      <article v-if="chosen" class="mt-4 border-t-2 border-iron pt-2">
        <h3 class="display text-[20px] leading-6">{{ chosen.label }}</h3>
        <p class="caption">
          {{ tenth(chosen.minutes) }} min · {{ atlas.positions[chosen.position]
          }}<template v-if="chosen.tool"> · {{ atlas.tools[chosen.tool] }}</template>
        </p>
        <div v-if="['settle', 'position'].includes(chosen.kind)" class="mt-2 h-[120px]">
          <PoseDrawing :id="`position.${chosen.position}`" :label="atlas.positions[chosen.position]" />
        </div>
        <p v-if="chosen.passes.length" class="mt-1">
          {{ chosen.passes.map((pass) => pass.pressure).join(' → ') }} ·
          {{ Math.round(Math.max(...chosen.passes.map((pass) => pass.force_n))) }} N, lean
          {{ Math.round(Math.max(...chosen.passes.map((pass) => pass.lean_percent))) }} %
        </p>
        <p class="mt-1">{{ chosen.why }}</p>
        <ManoeuvreList v-if="chosen.manoeuvres?.length" class="mt-2" :manoeuvres="chosen.manoeuvres" />
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
      </article>
      <template v-else
        ><p v-for="step in notes" :key="step.id" class="mt-4 flex gap-2 max-xl:hidden">
          <span class="w-[6px] shrink-0 border-y-2 border-l-2 border-iron" aria-hidden="true" /><span
            ><b class="font-[650]">{{ step.label }}</b
            ><br />{{ step.cautions[0]?.text }}</span
          >
        </p></template
      >
      <div class="sticky bottom-[34px] mt-auto bg-paper pb-2 pt-3">
        <p class="caption mb-1">
          {{ plan.because }} {{ plan.turns === 0 ? 'No turn.' : plan.turns === 1 ? 'One turn.' : `${plan.turns} turns.` }}
        </p>
        <p v-if="refusal" class="mb-1 text-madder" role="alert">{{ refusal }}</p>
        <button v-if="!visit.readOnly.value" type="button" class="btn-ink w-full" @click="agree">
          {{ agreement }} <span class="key-hint">Enter</span>
        </button>
      </div>
    </aside>
  </div>
</template>
