<script setup lang="ts">
import { nextTick, useTemplateRef } from 'vue'
import type { Side } from '@/types/ids.generated'

/** The spine as it lies under the hand: a bone a level, what was found left and right of it, and the one in hand marked. */
const props = defineProps<{
  levels: string[]
  sides: readonly Side[]
  chosen: string
  at: (level: string, side: Side) => { text: string; unusual: boolean }
}>()
const emit = defineEmits<{ pick: [level: string] }>()
const rows = useTemplateRef<HTMLButtonElement[]>('rows')
/** Neck bones are small and low, loins broad and high; the spinous process points further down in the middle of the back. */
const shapeOf = (level: string) => {
  const part = level.charAt(0)
  const number = Number(level.slice(1))
  if (level === 'C0') return { half: 19, side: 0, tip: 0, skull: true }
  if (part === 'C') return { half: 10 + number * 0.5, side: 18, tip: number === 7 ? 8 : 4, skull: false }
  if (part === 'T') return { half: 11 + number * 0.35, side: 23 - number * 0.6, tip: 8, skull: false }
  return { half: 16 + number * 0.5, side: 27, tip: 5, skull: false }
}
const words = (level: string, side: Side): string => {
  const found = props.at(level, side)
  return found.text === '·' ? '' : found.text
}
const label = (level: string): string =>
  [level, ...props.sides.map((side) => (words(level, side) ? `${side === 'midline' ? '' : `${side} `}${words(level, side)}` : ''))]
    .filter(Boolean)
    .join(', ')
const walk = async (offset: number) => {
  const next = props.levels[props.levels.indexOf(props.chosen) + offset]
  if (!next) return
  emit('pick', next)
  await nextTick()
  rows.value?.[props.levels.indexOf(next)]?.focus()
}
</script>
<template>
  <div
    class="grid auto-rows-[30px]"
    role="group"
    aria-label="Level of the spine"
    @keydown.down.prevent="walk(1)"
    @keydown.up.prevent="walk(-1)"
  >
    <button
      v-for="level in levels"
      :key="level"
      ref="rows"
      type="button"
      class="grid grid-cols-[34px_1fr_112px_1fr_34px] items-center gap-x-3 text-left"
      :class="level === chosen ? 'bg-weld-wash' : ''"
      :aria-pressed="level === chosen"
      :aria-label="label(level)"
      :tabindex="level === chosen ? 0 : -1"
      @click="emit('pick', level)"
    >
      <span :class="level === chosen ? 'font-[650]' : 'text-walnut-2'">{{ level }}</span>
      <span class="text-right" :class="sides[0] && at(level, sides[0]).unusual ? 'font-[650] text-madder' : ''">{{
        sides[0] ? words(level, sides[0]) : ''
      }}</span>
      <svg viewBox="-34 -10 68 20" class="h-[32px] w-[112px] text-iron" aria-hidden="true">
        <path v-if="shapeOf(level).skull" d="M-26-11 Q-20 6 0 7 Q20 6 26-11" fill="none" stroke="currentColor" stroke-width="1.2" />
        <g v-else fill="none" stroke="currentColor" stroke-width="1.2" stroke-linejoin="round">
          <path
            :d="`M${-shapeOf(level).half} -7 L${shapeOf(level).half} -7 L${shapeOf(level).half - 1} 6 L${-shapeOf(level).half + 1} 6 Z`"
            opacity="0.35"
          />
          <path
            :d="`M${-shapeOf(level).side} -2 Q${-shapeOf(level).half * 0.6} -6 -3 -3 L0 ${shapeOf(level).tip} L3 -3 Q${shapeOf(level).half * 0.6} -6 ${shapeOf(level).side} -2 Q${shapeOf(level).half * 0.7} 2 0 ${shapeOf(level).tip + 4} Q${-shapeOf(level).half * 0.7} 2 ${-shapeOf(level).side} -2 Z`"
          />
        </g>
      </svg>
      <span :class="sides[1] && at(level, sides[1]).unusual ? 'font-[650] text-madder' : ''">{{
        sides[1] ? words(level, sides[1]) : ''
      }}</span>
    </button>
  </div>
</template>
