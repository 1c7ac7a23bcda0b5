<script setup lang="ts">
import { computed } from 'vue'
import { test as testOf } from '@/chart/atlas'
import { useLastTime } from '@/composables/lastTime'
import { dayWords, shown, shownUnit } from '@/composables/settings'
import { useKeys } from '@/composables/useKeys'
import { useVisit } from '@/composables/useVisit'
import { listed } from '@/parts/words'
import type { Side } from '@/types/ids.generated'
import type { ListedMeasure } from '@/types/visit'

/** What the last visit found by this measure and nobody has found today: one touch makes it today's. A held test is held again. */
const props = defineProps<{ one: ListedMeasure }>()
const { props: page } = useVisit()
const { left, confirm } = useLastTime()
const results = { negative: 'no', positive: 'yes', relieves: 'eases', not_done: 'left out' } as const
const unit = computed(() =>
  props.one.unit === 'deg' ? '°' : ['kg', 'cm', 'kPa'].includes(props.one.unit) ? ` ${shownUnit(props.one.unit)}` : '',
)
const number = (value: number): string => `${shown(value, props.one.unit)}${unit.value}`
const found = computed((): { side: Side; level?: string; words: string[] }[] => {
  const { kind, id } = props.one
  if (kind === 'range')
    return left('range', (item) => item.movement === id).map((item) => ({
      side: item.side,
      words: [
        item.active === undefined ? '' : number(item.active),
        item.passive === undefined ? '' : `passive ${number(item.passive)}`,
        item.pain === undefined ? '' : `pain ${item.pain}`,
        item.end_feel ?? '',
      ],
    }))
  if (kind === 'resisted')
    return left('resisted', (item) => item.movement === id).map((item) => ({
      side: item.side,
      words: [item.pain === undefined ? '' : `pain ${item.pain}`, item.strength === undefined ? '' : `strength ${item.strength} of 5`],
    }))
  return left('test', (item) => item.test === id).map((item) => ({
    side: item.side,
    ...(item.segment ? { level: item.segment } : {}),
    words: [item.result ? results[item.result] : '', item.value === undefined ? '' : number(item.value)],
  }))
})
const may = computed(() => found.value.length > 0 && !props.one.refused && !(props.one.kind === 'test' && testOf(props.one.id).seconds))
const words = computed(() =>
  found.value
    .map((item) =>
      [item.level ?? '', item.side === 'midline' ? '' : item.side, listed(item.words.filter(Boolean))].filter(Boolean).join(' '),
    )
    .join('; '),
)
const asLast = () => {
  const { kind, id, name } = props.one
  const said = `${name} as last time`
  if (!may.value) return
  if (kind === 'range')
    confirm(
      'range',
      left('range', (item) => item.movement === id),
      said,
    )
  else if (kind === 'resisted')
    confirm(
      'resisted',
      left('resisted', (item) => item.movement === id),
      said,
    )
  else
    confirm(
      'test',
      left('test', (item) => item.test === id),
      said,
    )
}
useKeys({ p: asLast })
</script>
<template>
  <p v-if="found.length" class="mt-1 flex flex-wrap items-center gap-x-3 border-l-2 border-dashed border-walnut pl-3">
    <span class="caption min-w-0 flex-1">On {{ dayWords(page.before?.date ?? '') }}: {{ words }}.</span>
    <button v-if="may" type="button" class="btn" @click="asLast">Unchanged <span class="key-hint">P</span></button>
  </p>
</template>
