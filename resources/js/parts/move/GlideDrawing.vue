<script setup lang="ts">
import { computed } from 'vue'
import { useVisit } from '@/composables/useVisit'
import type { Side } from '@/types/ids.generated'
import { glidesOf, type GlideSpot } from './glides'

/** What is glided or sprung as it lies under the hand: an arrow each way, as long as it went, and the one in hand marked. */
const props = defineProps<{ kind: GlideSpot['kind']; id: string; side: Side }>()
const emit = defineEmits<{ pick: [key: string, side: Side] }>()
const { all } = useVisit()
const picture = computed(() => glidesOf(props.kind, props.id))
const FREE = 3
const mirror = computed(() => (props.side === 'right' ? -1 : 1))
const isChosen = (spot: GlideSpot): boolean => spot.kind === props.kind && spot.id === props.id
const found = ({ kind, id }: GlideSpot): { value?: number | undefined; pain?: number | null | undefined } | undefined => {
  if (kind === 'test') return all('test').find((one) => one.test === id && one.side === props.side)
  const range = all('range').find((one) => one.movement === id && one.side === props.side)
  return range && { value: range.active, pain: range.pain }
}
const valueOf = (spot: GlideSpot): number | undefined => found(spot)?.value
const stiff = (spot: GlideSpot): boolean => (valueOf(spot) ?? FREE) < 2 || (found(spot)?.pain ?? 0) >= 2
/** Nobody tried it: a thin arrow as long as a free one. */
const lengthOf = (spot: GlideSpot): number => 5 + (valueOf(spot) ?? FREE) * 5
const tip = (spot: GlideSpot): [number, number] => {
  const [x, y] = spot.to
  const length = Math.hypot(x, y)
  return [spot.x + (x / length) * lengthOf(spot), spot.y + (y / length) * lengthOf(spot)]
}
const arrow = (spot: GlideSpot): string => {
  const [x, y] = tip(spot)
  const [dx, dy] = [x - spot.x, y - spot.y]
  const length = Math.hypot(dx, dy)
  const [ux, uy] = [(dx / length) * 5, (dy / length) * 5]
  return `M${spot.x} ${spot.y}L${x} ${y}M${x - ux - uy} ${y - uy + ux}L${x} ${y}L${x - ux + uy} ${y - uy - ux}`
}
/** Where its word stands, in hundredths of the field: beyond the end of a free arrow. */
const place = (spot: GlideSpot): Record<string, string> => {
  const [x, y] = spot.to
  const length = Math.hypot(x, y)
  const at = [spot.x + (x / length) * 40, spot.y + (y / length) * 36] as const
  return { left: `${((mirror.value * at[0] + 88) / 176) * 100}%`, top: `${((at[1] + 76) / 152) * 100}%` }
}
const words = (spot: GlideSpot): string => {
  const one = found(spot)
  return [one?.value, one?.pain ? `hurts ${one.pain}` : ''].filter((part) => part !== undefined && part !== '').join(', ')
}
</script>
<template>
  <div v-if="picture" class="relative mx-auto aspect-[176/152] w-full max-w-[260px]" role="group" :aria-label="`${picture.name}, ${side}`">
    <svg viewBox="-88 -76 176 152" class="h-full w-full" aria-hidden="true">
      <g :transform="`scale(${mirror} 1)`" fill="none" stroke-linecap="round" stroke-linejoin="round">
        <path :d="picture.faint" class="stroke-iron" stroke-width="1" opacity="0.4" />
        <path :d="picture.lines" class="stroke-iron" stroke-width="1.1" opacity="0.75" />
        <path :d="picture.part" class="fill-fold stroke-iron" stroke-width="1.4" />
        <path
          v-for="spot in picture.spots"
          :key="spot.id"
          :d="arrow(spot)"
          :class="stiff(spot) ? 'stroke-madder' : 'stroke-walnut'"
          :stroke-width="valueOf(spot) === undefined ? 0.8 : 2.2"
          :opacity="valueOf(spot) === undefined ? 0.55 : 1"
        />
      </g>
    </svg>
    <button
      v-for="spot in picture.spots"
      :key="spot.id"
      type="button"
      class="absolute min-h-[36px] min-w-[44px] whitespace-nowrap -translate-x-1/2 -translate-y-1/2 px-1 leading-[15px]"
      :class="[isChosen(spot) ? 'bg-weld-wash font-[650]' : '', stiff(spot) ? 'text-madder' : '']"
      :style="place(spot)"
      :aria-pressed="isChosen(spot)"
      :aria-label="`${spot.word}, ${side}${words(spot) ? `: ${words(spot)}` : ''}`"
      @click="emit('pick', `${spot.kind} ${spot.id}`, side)"
    >
      {{ spot.word }}<span v-if="words(spot)" class="note block">{{ words(spot) }}</span>
    </button>
  </div>
</template>
