<script lang="ts">
/** How far somebody is with one region; cards are what there is to know of it. */
export interface Progress {
  region: string
  name: string
  cards: number
  begun: number
  known: number
  due: number
}
</script>
<script setup lang="ts">
import { computed } from 'vue'
import Figure from '@/chart/Figure.vue'
import type { ZoneId } from '@/types/ids.generated'

/** What somebody knows of the body, as a body that darkens with it; a region that is touched is practised alone. */
const props = defineProps<{
  progress: Progress[]
  /** of each region */
  places: Record<string, ZoneId[]>
  region: string | null
}>()
const emit = defineEmits<{ choose: [region: string | null] }>()

/** What was begun counts for a little: the body answers to the first round already. */
const BEGUN = 0.25
const shades = computed(() =>
  props.progress.flatMap(({ region, cards, begun, known }) => {
    const share = cards ? (known + BEGUN * (begun - known)) / cards : 0
    return (props.places[region] ?? []).map((zone) => ({ zone, share, chosen: region === props.region }))
  }),
)
const total = computed(() =>
  props.progress.reduce(
    (sum, one) => ({ cards: sum.cards + one.cards, begun: sum.begun + one.begun, known: sum.known + one.known, due: sum.due + one.due }),
    { cards: 0, begun: 0, known: 0, due: 0 },
  ),
)
const choose = (region: string): void => emit('choose', region === props.region ? null : region)
const chooseAt = (zone: ZoneId): void => {
  const region = Object.keys(props.places).find((one) => props.places[one]?.includes(zone))
  if (region) choose(region)
}
</script>
<template>
  <aside aria-label="How far you are">
    <h2 class="section-head">How far you are</h2>
    <p class="caption">{{ total.known }} known, {{ total.begun - total.known }} learning, {{ total.due }} due of {{ total.cards }}</p>
    <div class="mt-2 grid h-[264px] grid-cols-2 grid-rows-[100%] gap-2">
      <Figure
        v-for="view in ['front', 'back'] as const"
        :key="view"
        :view="view"
        quiet
        class="cursor-pointer"
        :shades="shades"
        :label="`What is known of the ${view} of the body: the darker, the more`"
        @pick="({ place }) => chooseAt(place.zone)"
      />
    </div>
    <p class="caption">The darker, the more is known. Touch a region to practise only that.</p>
    <ul class="mt-2">
      <li v-for="one in progress" :key="one.region">
        <button
          type="button"
          class="flex min-h-[44px] w-full items-baseline justify-between gap-2 border-b border-hairline py-2 text-left hover:bg-fold lg:min-h-[36px] lg:py-1.5"
          :aria-pressed="region === one.region"
          @click="choose(one.region)"
        >
          <span :class="region === one.region ? 'font-[650]' : ''">{{ one.name }}</span>
          <span class="caption">{{ one.known }} of {{ one.cards }}{{ one.due ? `, ${one.due} due` : '' }}</span>
        </button>
      </li>
    </ul>
  </aside>
</template>
