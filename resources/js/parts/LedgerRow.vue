<script setup lang="ts">
import { computed } from 'vue'

/** One row of the pair ledger: its label on the midline, the same cells growing outward on both sides. */
export interface Cell {
  id: string
  name: string
  /** the chosen one is ink, and what leads to it is washed */
  scale?: boolean
}
const props = defineProps<{
  label: string
  hint?: string
  name: string
  cells: readonly Cell[]
  chosen: (cell: string, side: 'left' | 'right') => boolean
  unusual: (cell: string, side: 'left' | 'right') => boolean
  /** as it was at the last visit, where nobody has said anything today */
  ghost?: (cell: string, side: 'left' | 'right') => boolean
}>()
const emit = defineEmits<{ touch: [side: 'left' | 'right', cell: string] }>()
const sides = computed(() => [
  { at: 'left' as const, cells: [...props.cells].reverse() },
  { at: 'right' as const, cells: props.cells },
])
</script>
<template>
  <div class="relative mt-px">
    <p v-if="label" class="mx-auto w-max bg-paper px-2 text-[14px] leading-[19px]">
      {{ label }} <span v-if="hint" class="key-hint">{{ hint }}</span>
    </p>
    <div class="grid grid-cols-2 gap-x-[8px]">
      <div v-for="side in sides" :key="side.at" class="flex gap-px" role="group" :aria-label="`${name}, ${side.at}`">
        <button
          v-for="cell in side.cells"
          :key="cell.id"
          type="button"
          class="cell flex-1 !px-[2px]"
          :class="cell.scale ? 'display text-[18px]' : ['cell-quiet', cell.name.length > 9 ? 'text-[14px]' : '']"
          :aria-pressed="chosen(cell.id, side.at)"
          :data-ink="cell.scale && chosen(cell.id, side.at)"
          :data-unusual="unusual(cell.id, side.at)"
          :data-ghost="ghost?.(cell.id, side.at)"
          @click="emit('touch', side.at, cell.id)"
        >
          {{ cell.name }}
        </button>
      </div>
    </div>
  </div>
</template>
