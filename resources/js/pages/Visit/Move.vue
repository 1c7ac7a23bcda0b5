<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { atlas, movement as movementOf, test as testOf } from '@/chart/atlas'
import { useKeys } from '@/composables/useKeys'
import { useAtlas } from '@/composables/useAtlas'
import { useVisit } from '@/composables/useVisit'
import { standingNames, useWorklist } from '@/composables/useWorklist'
import AboutButton from '@/parts/AboutButton.vue'
import LastFound from '@/parts/move/LastFound.vue'
import LookList from '@/parts/move/LookList.vue'
import MeasureList from '@/parts/move/MeasureList.vue'
import RangePanel from '@/parts/move/RangePanel.vue'
import ResistedPanel from '@/parts/move/ResistedPanel.vue'
import TestPanel from '@/parts/move/TestPanel.vue'
import NextCheck from '@/parts/NextCheck.vue'
import WhyList from '@/parts/WhyList.vue'
import { goToCheck, handOn, keepHand } from '@/composables/goToCheck'
import type { Side } from '@/types/ids.generated'
import type { ListedMeasure } from '@/types/visit'
import { inVisitFrame } from '@/parts/inVisitFrame'
import { called, capital } from '@/parts/words'

defineOptions({
  layout: inVisitFrame(
    ['Enter', 'into the first field; there it keeps and goes on'],
    ['[ ]', 'measure before, next measure'],
    ['O', 'look: a digit grades and goes on, Enter passes'],
    ['P', 'unchanged since last time'],
    ['D', 'read the device'],
    ['N', 'next best check'],
    ['I', 'how to measure this'],
  ),
})

const { props, judged, all } = useVisit()
const { list, trouble, choose: wish } = useWorklist()
const keyOf = (one: { kind: string; id: string }) => `${one.kind} ${one.id}`

/** What was chosen beside the list joins it, in its place of the body. */
const beside = ref<ListedMeasure[]>([])
const listed = (key: string): ListedMeasure | null => {
  const [kind, id] = key.split(' ') as ['range' | 'resisted' | 'test', string]
  const known = atlas.movements.some((item) => item.id === id) || (kind === 'test' && atlas.tests.some((item) => item.id === id))
  if (!known) return null
  const about = kind === 'test' ? testOf(id) : movementOf(id)
  const unit = kind === 'test' ? testOf(id).result : kind === 'resisted' ? 'strength' : movementOf(id).unit
  return {
    kind,
    id,
    name: about.name,
    paired: about.paired,
    unit: unit as ListedMeasure['unit'],
    position: list.value.measures.find((one) => one.id === id)?.position ?? 'seated',
    minutes: 0.5,
    last: false,
    nerve: false,
    refused: null,
  }
}
const measures = computed(() => [
  ...list.value.measures,
  ...beside.value.filter((one) => !list.value.measures.some((here) => keyOf(here) === keyOf(one))),
])
const take = (key: string) => {
  if (!measures.value.some((one) => keyOf(one) === key)) {
    const one = listed(key)
    if (!one) return
    beside.value = [...beside.value, one]
  }
  chosenKey.value = key
}
const chosenKey = ref('')
const asked = handOn(props.value.visit.id, 'move')
if (asked.movement) take(`${asked.kind ?? 'range'} ${asked.movement}`)
watch(chosenKey, (key) => {
  const [kind, movement] = key.split(' ')
  if (kind && movement) keepHand(props.value.visit.id, 'move', { kind, movement })
})
const chosen = computed<ListedMeasure | null>(
  () =>
    measures.value.find((one) => keyOf(one) === chosenKey.value) ??
    measures.value.find((one) => !one.refused && state(one) === '') ??
    measures.value[0] ??
    listed('range cervical.rotation'),
)
// what is in hand stays in hand while it is typed in: the list goes on when it is asked to
watch(
  () => list.value.measures.length > 0 && chosenKey.value === '' && chosen.value,
  (first) => first && (chosenKey.value = keyOf(first)),
  { immediate: true },
)
const sides = computed<Side[]>(() => (chosen.value?.paired ? ['left', 'right'] : ['midline']))

/** What was found, in a few figures: left · right. */
function state(one: ListedMeasure): string {
  const order: Side[] = one.paired ? ['left', 'right'] : ['midline']
  const said = order.map((side): string | number | undefined => {
    if (one.kind === 'range') {
      const range = all('range').find((item) => item.movement === one.id && item.side === side)
      return range?.active ?? range?.passive ?? (range ? '✓' : undefined)
    }
    if (one.kind === 'resisted') {
      const resisted = all('resisted').find((item) => item.movement === one.id && item.side === side)
      return resisted?.pain ?? resisted?.strength ?? (resisted ? '✓' : undefined)
    }
    const tests = all('test').filter((item) => item.test === one.id && item.side === side)
    const words = { negative: 'no', positive: 'yes', relieves: 'eases', not_done: 'left out' }
    return tests.length > 1
      ? `${tests.length}×`
      : (tests[0]?.value ?? (tests[0]?.result ? words[tests[0].result] : tests[0] ? '✓' : undefined))
  })
  return said.some((item) => item !== undefined) ? said.map((item) => item ?? '–').join(' · ') : ''
}

const panel = useTemplateRef<HTMLElement>('panel')
const focusFirst = async (side?: Side) => {
  await nextTick()
  const within = side ? panel.value?.querySelector(`[data-side="${side}"]`) : panel.value
  const first = within?.querySelector<HTMLElement>('[data-first] input, input[data-first], [data-first] [tabindex="0"]')
  first?.focus()
  if (first instanceof HTMLInputElement) first.select()
}
/** One arrow of a drawing is touched: what it stands for comes to hand, on that side. */
const takeOnDrawing = (key: string, side: Side) => {
  take(key)
  void focusFirst(side)
}
/** On with the list: the other side, then the next measure that may be done; after the last one the keys of the page answer again. */
const onward = (side: Side) => {
  if (side === 'left') return void focusFirst('right')
  const here = measures.value.findIndex((one) => keyOf(one) === (chosen.value ? keyOf(chosen.value) : ''))
  const next = measures.value.slice(here + 1).find((one) => !one.refused)
  if (next) {
    chosenKey.value = keyOf(next)
    void focusFirst()
  } else if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
}
const step = (offset: number) => {
  const here = measures.value.findIndex((one) => chosen.value !== null && keyOf(one) === keyOf(chosen.value))
  const next = measures.value[(here + offset + measures.value.length) % measures.value.length]
  if (next) chosenKey.value = keyOf(next)
}
const { open: openAtlas } = useAtlas()
useKeys({
  i: () => chosen.value && openAtlas(chosen.value.kind === 'test' ? 'test' : 'movement', chosen.value.id),
  '[': () => step(-1),
  ']': () => step(1),
  Enter: () => {
    if (chosen.value) chosenKey.value = keyOf(chosen.value)
    void focusFirst()
  },
  n: () => judged.value.pattern?.next_checks[0] && goToCheck(props.value.visit.id, judged.value.pattern.next_checks[0]),
})
const device = computed(() => {
  const unit = chosen.value?.unit
  return unit === 'deg' ? 'inclinometer' : unit === 'kg' ? 'dynamometer' : null
})
const named = computed(() => {
  const one = chosen.value
  return !one || one.kind === 'test' ? { name: one?.name ?? '', beside: '' } : called(movementOf(one.id))
})
const how = computed(() =>
  chosen.value ? (chosen.value.kind === 'test' ? testOf(chosen.value.id).how : movementOf(chosen.value.id).how) : '',
)
</script>
<template>
  <div class="grid flex-1 gap-x-7 px-6 pb-6 pt-3 lg:grid-cols-[250px_minmax(0,1fr)] xl:grid-cols-[260px_minmax(0,1fr)_256px]">
    <MeasureList
      :list="list"
      :measures="measures"
      :chosen="chosen ? keyOf(chosen) : ''"
      :state="state"
      :trouble="trouble"
      @pick="take"
      @wish="wish"
    />
    <section v-if="chosen" ref="panel" class="min-w-0" :aria-label="chosen.name">
      <div class="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 class="display text-[27px] leading-8">
          {{ named.name }}<span v-if="chosen.kind === 'resisted'" class="text-[19px]">, against resistance</span>
        </h2>
        <span class="caption"
          >{{ standingNames[chosen.position] }} · type <span class="key-hint">Enter</span
          ><template v-if="device"> · {{ device }} <span class="key-hint">D</span></template></span
        >
      </div>
      <p class="caption">
        <i v-if="named.beside">{{ capital(named.beside) }}. </i>{{ how
        }}<template v-if="chosen.paired && chosen.kind !== 'test'"> The side is the one moved toward.</template> {{ ' '
        }}<AboutButton :id="chosen.id" :kind="chosen.kind === 'test' ? 'test' : 'movement'" :name="chosen.name" hint="I"
          >How do I measure this</AboutButton
        >
      </p>
      <LastFound :one="chosen" />
      <RangePanel
        v-if="chosen.kind === 'range'"
        :key="chosen.id"
        :movement="movementOf(chosen.id)"
        :sides="sides"
        @next="onward"
        @pick="takeOnDrawing"
      />
      <ResistedPanel
        v-else-if="chosen.kind === 'resisted'"
        :key="`resisted ${chosen.id}`"
        :movement="movementOf(chosen.id)"
        :sides="sides"
        @next="onward"
      />
      <TestPanel
        v-else
        :key="`test ${chosen.id}`"
        :test="testOf(chosen.id)"
        :sides="sides"
        :refused="chosen.refused?.text ?? null"
        @next="onward"
        @pick="takeOnDrawing"
      />
      <LookList :regions="list.regions" />
    </section>
    <aside class="flex flex-col gap-4 lg:col-start-2 xl:col-start-3">
      <NextCheck :check="judged.pattern?.next_checks[0]" @go="(check) => goToCheck(props.visit.id, check)" />
      <h2 class="section-head">What could explain it</h2>
      <WhyList v-if="judged.pattern" :pattern="judged.pattern" :most="4" @choose="(check) => goToCheck(props.visit.id, check)" />
    </aside>
  </div>
</template>
