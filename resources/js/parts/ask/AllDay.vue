<script setup lang="ts">
import { computed } from 'vue'
import { atlas, zone } from '@/chart/atlas'
import { dayWords } from '@/composables/settings'
import { isOf, useVisit } from '@/composables/useVisit'
import type { DemandId } from '@/types/ids.generated'

/** What the days ask: said once it stands, until it is taken away. */
const { props, save, all, one } = useVisit()
const words = computed(() => props.value.client.words)
const before = computed(
  () =>
    new Map(
      props.value.standing.filter(isOf('demand')).flatMap((entry) => (entry.payload ? [[entry.payload.demand, entry] as const] : [])),
    ),
)
const OVER = 0
const isOver = (hours: number | undefined): boolean => hours === OVER
/** Standing from an earlier visit, as far as today has not said that it is over. */
const stands = (demand: DemandId): boolean =>
  !isOver(before.value.get(demand)?.payload?.hours_per_week ?? undefined) && before.value.has(demand)
const holds = (demand: DemandId): boolean => {
  const today = all('demand').find((entry) => entry.demand === demand)
  return today ? !isOver(today.hours_per_week) : stands(demand)
}
const set = (demand: DemandId) => {
  const said = one('demand', demand) !== undefined
  // what an earlier visit said is not forgotten: today it is over, and touched once more it stands again
  const next = said ? null : stands(demand) ? { demand, hours_per_week: OVER } : { demand }
  save('demand', demand, next, atlas.demands[demand])
}
/** What could load what hurts is asked first; the rest is as true, and waits. */
const groups = computed(() => new Set(all('complaint').map((one) => zone(one.zone).group)))
const demands = Object.keys(atlas.demands) as DemandId[]
const rows = computed(() => {
  const near = demands.filter((demand) => atlas.demandsNear[demand].some((group) => groups.value.has(group)))
  return [
    { name: 'Could load what hurts', of: near, quiet: false },
    { name: near.length ? 'Anything else' : '', of: demands.filter((demand) => !near.includes(demand)), quiet: true },
  ].filter((row) => row.of.length)
})
const since = computed(() => {
  const days = [...before.value.values()].filter((entry) => entry.payload && stands(entry.payload.demand)).map((entry) => entry.said_on)
  return days.length ? dayWords(days.sort().at(-1) ?? '') : ''
})
</script>
<template>
  <section aria-label="All day long">
    <h2 class="section-head">All day long</h2>
    <p class="caption mb-1">
      What the days ask of {{ words.object }}.<template v-if="since"> As said on {{ since }}; touch what has changed.</template>
    </p>
    <div role="group" aria-label="What the days ask">
      <template v-for="row in rows" :key="row.name">
        <p v-if="row.name" class="note mt-2">{{ row.name }}</p>
        <div class="flex flex-wrap gap-1">
          <button
            v-for="demand in row.of"
            :key="demand"
            type="button"
            class="cell !min-h-[36px] !px-2 text-[14px]"
            :class="row.quiet ? 'cell-quiet' : ''"
            :aria-pressed="holds(demand)"
            @click="set(demand)"
          >
            {{ atlas.demands[demand] }}
          </button>
        </div>
      </template>
    </div>
  </section>
</template>
