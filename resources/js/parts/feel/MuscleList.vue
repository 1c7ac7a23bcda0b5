<script setup lang="ts">
import FindingMark from '@/chart/FindingMark.vue'
import { layerName, type AtlasMuscle } from '@/chart/atlas'
import type { MuscleId } from '@/types/ids.generated'
import type { Palpation } from '@/types/visit'

/**
 * Muscles to feel, one under the other: those under a place beside a core of their layers, or those of the list with how the client lies.
 */
const props = defineProps<{
  muscles: AtlasMuscle[]
  chosen: MuscleId
  side: 'left' | 'right'
  core: boolean
  /** said at the right of the name: the layer, or the position where it changes */
  aside: (muscle: AtlasMuscle, index: number) => string
  best: (id: MuscleId, side: 'left' | 'right') => Palpation | undefined
  label: string
}>()
const emit = defineEmits<{ choose: [id: MuscleId] }>()
/** The side that is more tender is the one that is marked; of two alike the one in hand. */
const worse = (id: MuscleId): Palpation | undefined => {
  const [here, there] = [props.best(id, props.side), props.best(id, props.side === 'left' ? 'right' : 'left')]
  return here && there ? ((there.tenderness ?? 0) > (here.tenderness ?? 0) ? there : here) : (here ?? there)
}
</script>
<template>
  <div class="mt-2 flex max-h-[132px] overflow-y-auto" tabindex="0" role="group" :aria-label="label">
    <svg
      v-if="core"
      width="22"
      :height="muscles.length * 44"
      :viewBox="`0 0 22 ${muscles.length * 44}`"
      class="mr-2 shrink-0"
      aria-hidden="true"
    >
      <rect width="22" height="6" fill="#ecdfcb" />
      <g v-for="(item, k) in muscles" :key="item.id" :transform="`translate(0,${k * 44})`">
        <rect y="0" width="22" height="43" :fill="['', '#d3b49a', '#c9a78b', '#bb967a', '#a98466'][item.layer]" />
        <path v-for="x in [2, 7, 12, 17]" :key="x" :d="`M${x} 0l${(k % 3) * 4 - 4} 43`" stroke="#6b4934" stroke-width=".6" opacity=".6" />
      </g>
    </svg>
    <ul class="min-w-0 flex-1" role="listbox" :aria-label="`${label}, ${core ? 'surface first' : 'in order'}`">
      <li
        v-for="(item, k) in muscles"
        :key="item.id"
        role="option"
        :aria-selected="item.id === chosen"
        class="grid h-[44px] cursor-pointer grid-cols-[1fr_auto_30px_110px] items-center gap-2 px-3"
        :class="item.id === chosen ? 'bg-fold' : ''"
        @click="emit('choose', item.id)"
      >
        <span class="line-clamp-2 text-[16px] leading-[19px]" :title="item.name" :class="item.id === chosen ? 'font-[650]' : ''">{{
          item.name
        }}</span>
        <span class="caption">{{ core ? layerName(item.layer) : aside(item, k) }}</span>
        <svg width="28" height="28" viewBox="-16 -16 32 32" aria-hidden="true">
          <FindingMark v-if="worse(item.id)" :finding="worse(item.id)!" />
        </svg>
        <span class="caption text-right">{{
          best(item.id, 'left') || best(item.id, 'right')
            ? `left ${best(item.id, 'left')?.tenderness ?? '–'}, right ${best(item.id, 'right')?.tenderness ?? '–'}`
            : 'not felt yet'
        }}</span>
      </li>
    </ul>
  </div>
</template>
