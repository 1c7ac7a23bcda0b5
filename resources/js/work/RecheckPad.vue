<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { movement } from '@/chart/atlas'
import { nameOf } from '@/composables/fields'
import { changeOf, placeOf } from '@/composables/measuredAgain'
import { useVisit } from '@/composables/useVisit'
import { goalValue } from '@/parts/course/goals'
import type { Phase, PlanStep, TestResult } from '@/types/visit'

/** What was measured is measured again, here: the value from before, a pad for the new one, and the difference beside it. */
const props = defineProps<{ step: PlanStep; hears: () => boolean }>()
const { judged, save, one, all } = useVisit()
const check = computed(() => props.step.check!)
const range = computed(() => (check.value.kind === 'range' ? movement(check.value.id) : null))
const unit = computed(() => (range.value?.unit === 'deg' ? '°' : ` ${range.value?.unit ?? ''}`))
const valueIn = (phase: Phase): number | TestResult | null => {
  const { kind, id, side } = check.value
  if (kind === 'range') return one('range', nameOf('range', { movement: id as never, side }), phase)?.active ?? null
  if (kind === 'test') return all('test', phase).find((item) => item.test === id && item.side === side)?.result ?? null
  return all('palpation', phase).find((item) => item.muscle === id && item.side === side)?.tenderness ?? null
}
const before = computed(() => valueIn('before'))
const after = computed(() => valueIn('after'))
/** What is hoped for of it. */
const goal = computed(() =>
  judged.value.response?.goals.find((of) => of.measure === `${check.value.kind}.${check.value.id}.active` && of.side === check.value.side),
)
const typed = ref('')
watch(
  () => props.step.id,
  () => (typed.value = ''),
)
const key = (digit: string) => {
  if (digit === '⌫') typed.value = typed.value.slice(0, -1)
  else if (digit === '−') typed.value = typed.value.startsWith('-') ? typed.value.slice(1) : `-${typed.value}`
  else if (typed.value.length < 5) typed.value += digit
}
const label = computed(() => `${check.value.text}, after`)
const problem = ref('')
const writeRange = () => {
  const value = Number(typed.value)
  const { id, side } = check.value
  if (typed.value === '' || Number.isNaN(value)) return
  if (range.value && (value < range.value.min || value > range.value.max)) {
    problem.value = `Between ${range.value.min} and ${range.value.max}, please. ${value} is kept here until you change it.`
    return
  }
  problem.value = ''
  save('range', nameOf('range', { movement: id as never, side }), { movement: id as never, side, active: value }, label.value, 'after')
  typed.value = ''
}
const writeFelt = (tenderness: number) => {
  const item = all('palpation').find((found) => found.muscle === check.value.id && found.side === check.value.side)
  if (!item) return
  save('palpation', nameOf('palpation', item), { ...placeOf(item), tenderness }, label.value, 'after')
}
const writeTest = (result: TestResult) => {
  const item = all('test').find((found) => found.test === check.value.id && found.side === check.value.side)
  if (!item) return
  const own = { test: item.test, side: item.side, ...(item.segment ? { segment: item.segment } : {}) }
  save('test', nameOf('test', item), { ...own, result }, label.value, 'after')
}
const results: [TestResult, string][] = [
  ['negative', 'clear'],
  ['positive', 'brings it on'],
  ['relieves', 'eases it'],
]
const words = (value: number | string | null): string =>
  value === null
    ? '–'
    : check.value.kind === 'test'
      ? (results.find(([id]) => id === value)?.[1] ?? String(value))
      : check.value.kind === 'range'
        ? `${value}${unit.value}`
        : `${value} of 4`
const change = computed(() => {
  if (typeof before.value !== 'number' || typeof after.value !== 'number') return ''
  if (range.value) return changeOf(range.value, before.value, after.value)
  const by = after.value - before.value
  return by === 0 ? 'the same' : by < 0 ? 'less sore' : 'more sore'
})
</script>
<template>
  <section class="flex flex-none flex-col gap-2" aria-label="Measured again">
    <p class="flex flex-wrap items-baseline gap-x-6 text-[24px] leading-[30px] wide-room:text-[30px] wide-room:leading-[36px]">
      <span class="text-linen-2"
        >before <b class="display text-[34px] text-linen wide-room:text-[44px]">{{ words(before) }}</b></span
      >
      <span class="text-linen-2"
        >now <b class="display text-[34px] text-room-woad wide-room:text-[44px]">{{ typed === '' ? words(after) : typed }}</b></span
      >
      <span v-if="goal" class="text-linen-2"
        >goal <b class="display text-[34px] text-room-moss wide-room:text-[44px]">{{ goalValue(goal) }}</b></span
      >
      <span aria-live="polite">{{ problem || change }}</span>
    </p>
    <div v-if="check.kind === 'range'" class="grid grid-cols-5 gap-2 wide-room:grid-cols-7" role="group" :aria-label="label">
      <button
        v-for="digit in ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0']"
        :key="digit"
        type="button"
        class="room-key display !min-h-[64px] !text-[36px]"
        @click="key(digit)"
      >
        {{ digit }}
      </button>
      <button type="button" class="room-key !min-h-[64px]" aria-label="Minus" @click="key('−')">−</button>
      <button type="button" class="room-key !min-h-[64px]" aria-label="One back" @click="key('⌫')">⌫</button>
      <button
        type="button"
        class="room-key col-span-3 wide-room:col-span-2 !min-h-[64px] !bg-room-woad font-[650] !text-room"
        @click="writeRange"
      >
        Write it down
      </button>
    </div>
    <div v-else-if="check.kind === 'palpate'" class="grid grid-cols-5 gap-4" role="group" :aria-label="label">
      <button v-for="n in 5" :key="n" type="button" class="room-key display !text-[44px]" @click="hears() && writeFelt(n - 1)">
        {{ n - 1 }}
      </button>
    </div>
    <div v-else class="grid grid-cols-3 gap-4" role="group" :aria-label="label">
      <button v-for="[id, name] in results" :key="id" type="button" class="room-key" @click="hears() && writeTest(id)">{{ name }}</button>
    </div>
  </section>
</template>
