<script setup lang="ts">
import { atlas, movement } from '@/chart/atlas'
import type { EntryPayloads } from '@/types/visit'
import FewOf from './FewOf.vue'

type Moved = Extract<NonNullable<EntryPayloads['complaint']['better_with']>[number], { movement: unknown }>
/** A few movements, each to a side where it has two. */
defineProps<{ id: string; label: string; moved: readonly Moved[] }>()
const emit = defineEmits<{ change: [moved: Moved[] | undefined] }>()
const every: Moved[] = atlas.movements.flatMap((one) =>
  (one.paired ? (['left', 'right'] as const) : (['midline'] as const)).map((side): Moved => ({ movement: one.id, side })),
)
const name = (one: Moved): string => movement(one.movement).name + (one.side === 'midline' ? '' : `, ${one.side}`)
</script>
<template>
  <FewOf
    :id="id"
    :label="label"
    prompt="A movement?"
    wide
    :chosen="moved"
    :choices="every"
    :name="name"
    :key-of="(one) => `${one.movement}:${one.side}`"
    @change="(chosen) => emit('change', chosen)"
  />
</template>
