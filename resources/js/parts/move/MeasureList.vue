<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import Seek from '@/controls/Seek.vue'
import { computed } from 'vue'
import { t } from '@/composables/language'
import { atlas, movement, region } from '@/chart/atlas'
import { standingNames } from '@/composables/useWorklist'
import { called } from '@/parts/words'
import type { RegionId } from '@/types/ids.generated'
import type { ListedMeasure, Standing, Worklist } from '@/types/visit'

/** What to measure at this visit, by the position it is done in; which regions, how much of them, and how the client is now. */
const props = defineProps<{
  list: Worklist
  measures: ListedMeasure[]
  chosen: string
  state: (measure: ListedMeasure) => string
  trouble: string
}>()
const emit = defineEmits<{
  pick: [key: string]
  wish: [part: { regions?: RegionId[]; full?: boolean; position?: Standing | null }]
}>()
const keyOf = (one: { kind: string; id: string }) => `${one.kind} ${one.id}`
const groups = computed(() => {
  const groups: { position: Standing; measures: ListedMeasure[] }[] = []
  for (const one of props.measures) {
    const last = groups.at(-1)
    if (last?.position === one.position) last.measures.push(one)
    else groups.push({ position: one.position, measures: [one] })
  }
  return groups
})
const done = computed(() => props.measures.filter((one) => props.state(one) !== '').length)
const others = computed(() => atlas.regions.filter((one) => !props.list.regions.includes(one.id)))
const away = (id: RegionId) => emit('wish', { regions: props.list.regions.filter((one) => one !== id) })
const nameOf = (one: ListedMeasure): string => (one.kind === 'test' ? one.name : called(movement(one.id)).name)
const standings = (Object.keys(standingNames) as Standing[]).map((id) => ({
  id,
  name: t('now :standing', { standing: standingNames[id] }),
}))
/** Everything there is to measure. */
const every = [
  ...atlas.movements.map((item) => ({ id: `range ${item.id}`, name: item.name, group: 'Movements' })),
  ...atlas.movements.map((item) => ({ id: `resisted ${item.id}`, name: `${item.name}, against resistance`, group: 'Against resistance' })),
  ...atlas.tests.map((item) => ({ id: `test ${item.id}`, name: item.name, group: 'Tests' })),
]
const kindWords = { range: '', resisted: 'resisted', test: '' } as const
</script>
<template>
  <nav aria-label="What to measure">
    <div class="flex items-end justify-between gap-2">
      <h2 class="section-head">Move</h2>
      <div class="flex gap-px" role="group" aria-label="How much">
        <button type="button" class="cell" :aria-pressed="!list.full" @click="emit('wish', { full: false })">quick</button
        ><button type="button" class="cell" :aria-pressed="list.full" @click="emit('wish', { full: true })">full</button>
      </div>
    </div>
    <p v-if="!list.regions.length" class="caption mt-1">No complaint yet: choose a region.</p>
    <ul v-else class="mt-1 flex flex-wrap gap-px" aria-label="Regions on the list">
      <li v-for="id in list.regions" :key="id">
        <button
          type="button"
          class="cell !min-h-[36px]"
          :aria-label="`${region(id).name}: take off the list`"
          :disabled="list.regions.length === 1"
          @click="away(id)"
        >
          {{ region(id).name }}<span v-if="list.regions.length > 1" class="note ml-1" aria-hidden="true">×</span>
        </button>
      </li>
    </ul>
    <div class="mt-1 grid grid-cols-2 gap-px">
      <Seek
        id="region"
        label="Add a region"
        prompt="add a region"
        :choices="others"
        @choose="(id) => emit('wish', { regions: [...list.regions, id] })"
      />
      <Pick
        id="standing"
        look="cell"
        label="How the client is now"
        :choices="standings"
        :value="list.position ?? 'standing'"
        @choose="(position) => position && emit('wish', { position })"
      />
    </div>
    <p v-if="trouble" class="text-madder" role="alert">{{ trouble }}</p>
    <p v-if="measures.some((one) => one.nerve)" class="mt-2">It tingles or is numb: what tells a nerve comes first.</p>
    <div
      class="mt-2 max-h-[264px] overflow-y-auto lg:max-h-[max(264px,calc(100dvh-392px))]"
      tabindex="0"
      role="group"
      aria-label="The list"
    >
      <section v-for="group in groups" :key="group.position" :aria-label="standingNames[group.position]">
        <h3 class="side-name mt-1">{{ standingNames[group.position] }}</h3>
        <ul>
          <li v-for="one in group.measures" :key="keyOf(one)">
            <button
              type="button"
              class="flex min-h-[44px] w-full items-center justify-between gap-2 border-b border-hairline px-2 text-left leading-[18px]"
              :class="[keyOf(one) === chosen ? 'bg-fold font-[650]' : '', one.refused && !state(one) ? 'text-walnut-2' : '']"
              :aria-current="keyOf(one) === chosen ? 'true' : undefined"
              @click="emit('pick', keyOf(one))"
            >
              <span
                >{{ nameOf(one) }}<span v-if="kindWords[one.kind]" class="caption font-normal">, {{ kindWords[one.kind] }}</span></span
              >
              <span class="caption shrink-0 font-normal">{{
                state(one) ||
                (one.refused
                  ? one.refused.kind === 'unasked'
                    ? 'ask first'
                    : 'not today'
                  : one.nerve
                    ? 'nerve'
                    : one.last
                      ? 'last time'
                      : '')
              }}</span>
            </button>
          </li>
        </ul>
      </section>
    </div>
    <p class="caption mt-1" role="status">{{ done }} of {{ measures.length }} done</p>
    <Seek id="more" label="Another measure" prompt="another measure" :choices="every" @choose="(key) => emit('pick', key)" />
  </nav>
</template>
