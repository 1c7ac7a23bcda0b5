<script setup lang="ts">
import type { AtlasMovement } from '@/chart/atlas'
import { nameOf } from '@/composables/fields'
import { said } from '@/composables/said'
import { useVisit } from '@/composables/useVisit'
import Scale from '@/parts/Scale.vue'
import PlacePicker from '@/parts/PlacePicker.vue'
import SidePair from '@/parts/SidePair.vue'
import type { Side } from '@/types/ids.generated'
import type { Resisted } from '@/types/visit'

/** A movement against resistance: does it hurt, and how strong is it. The pain comes first, since it tells most. */
const props = defineProps<{ movement: AtlasMovement; sides: readonly Side[] }>()
const emit = defineEmits<{ next: [side: Side] }>()
const { props: page, one, save } = useVisit()
const idOf = (side: Side) => nameOf('resisted', { movement: props.movement.id, side })
const resisted = (side: Side) => one('resisted', idOf(side))
const set = (side: Side, part: Partial<Resisted>, what: string) =>
  save(
    'resisted',
    idOf(side),
    said('resisted', { movement: props.movement.id, side, ...resisted(side), ...part }),
    `${props.movement.name} ${side}, ${what}`,
  )
</script>
<template>
  <SidePair v-slot="{ side }" class="mt-4" :sides="sides" :possessive="page.client.words.possessive">
    <p class="caption mt-1">Pain against resistance</p>
    <Scale
      :label="`Pain against resistance, ${side}`"
      :value="resisted(side)?.pain"
      :unusual-from="2"
      data-first
      @choose="(value) => set(side, { pain: value }, 'pain')"
      @next="emit('next', side)"
    />
    <p class="caption mt-2">Strength, 0 none to 5 full</p>
    <Scale
      :label="`Strength, ${side}`"
      :most="5"
      :value="resisted(side)?.strength"
      @choose="(value) => set(side, { strength: value }, 'strength')"
      @next="emit('next', side)"
    />
    <p class="caption mt-2">Felt in</p>
    <PlacePicker
      :id="`felt-${side}`"
      :places="resisted(side)?.felt_in ?? []"
      @change="(places) => set(side, { felt_in: places }, 'where felt')"
    />
  </SidePair>
</template>
