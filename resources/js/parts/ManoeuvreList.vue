<script setup lang="ts">
import { atlas } from '@/chart/atlas'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import { isDrawn } from '@/chart/poses'
import type { Side } from '@/types/ids.generated'
import type { Manoeuvre } from '@/types/visit'

/** What the hands do in one step, in order: what and where, how the client lies, with what, the words, how often. */
const props = defineProps<{
  manoeuvres: Manoeuvre[]
  /** spots in the order of their numbers on the figure beside it */
  numbered?: readonly string[]
}>()
const spotNames = (one: Manoeuvre): string =>
  one.spot_names
    .map((name, k) => {
      const number = (props.numbered ?? []).indexOf(one.spots[k] ?? '') + 1
      return number ? `${number} ${name}` : name
    })
    .join(' · ')
const often = (one: Manoeuvre): string =>
  [
    one.spot_names.length > 1 ? `${one.spot_names.length} spots` : '',
    `${one.repeats > 1 ? `${one.repeats} × ` : ''}${one.seconds} s`,
    one.pressure === null ? 'nothing pressed' : `felt ${one.pressure}`,
  ]
    .filter(Boolean)
    .join(', ')
/** How the limb lies and the hand that does it, where they are drawn and the one before did not show them. */
const pictures = (one: Manoeuvre, k: number): { id: string; side?: Side; label: string }[] => {
  const before = props.manoeuvres[k - 1]
  const setup = one.setup && one.setup.id !== before?.setup?.id ? one.setup : null
  return [
    ...(setup ? [{ id: `setup.${setup.id}`, side: setup.side, label: atlas.setups[setup.id]?.name ?? '' }] : []),
    ...(one.tool !== before?.tool ? [{ id: `tool.${one.tool}`, label: atlas.tools[one.tool] }] : []),
  ].filter(({ id }) => isDrawn(id))
}
</script>
<template>
  <ol class="border-t border-hairline">
    <li v-for="(one, k) in manoeuvres" :key="k" class="border-b border-hairline py-1.5 max-xl:flex max-xl:gap-5">
      <div class="min-w-0 flex-1">
        <p>
          <b class="font-[650]">{{ atlas.techniques[one.technique] }}.</b> {{ one.do }}
        </p>
        <p v-if="one.spot_names.length" class="caption">{{ spotNames(one) }}</p>
        <p class="caption">
          {{ often(one) }} · {{ atlas.tools[one.tool] }}<template v-if="one.setup"> · {{ atlas.setups[one.setup.id]?.name }}</template>
        </p>
        <p v-if="one.setup" class="caption">
          {{ atlas.setups[one.setup.id]?.bolster }} {{ atlas.setups[one.setup.id]?.drape }} “{{ atlas.setups[one.setup.id]?.say }}”
        </p>
        <p v-if="one.say" class="mt-0.5">“{{ one.say }}”</p>
      </div>
      <div v-if="pictures(one, k).length" class="my-1 flex gap-2 max-xl:w-[220px] max-xl:shrink-0">
        <div v-for="picture in pictures(one, k)" :key="picture.id" class="h-[84px] min-w-0 flex-1">
          <PoseDrawing v-bind="picture" />
        </div>
      </div>
    </li>
  </ol>
</template>
