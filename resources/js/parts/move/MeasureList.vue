<script setup lang="ts">
import { computed, ref } from 'vue'
import { atlas, region } from '@/chart/atlas'
import { standingNames } from '@/composables/useWorklist'
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
const add = (event: Event) => {
  const select = event.target as HTMLSelectElement
  if (select.value) emit('wish', { regions: [...props.list.regions, select.value as RegionId] })
  select.value = ''
}
const away = (id: RegionId) => emit('wish', { regions: props.list.regions.filter((one) => one !== id) })
const more = (event: Event) => {
  const select = event.target as HTMLSelectElement
  if (select.value) emit('pick', select.value)
  select.value = ''
}
/** Everything there is to measure is put in when the choice is first reached. */
const reached = ref(false)
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
      <label class="sr-only" for="region">Add a region</label>
      <select id="region" class="cell !w-full" @change="add">
        <option value="">add a region</option>
        <option v-for="one in others" :key="one.id" :value="one.id">{{ one.name }}</option>
      </select>
      <label class="sr-only" for="standing">How the client is now</label>
      <select
        id="standing"
        class="cell !w-full"
        :value="list.position ?? 'standing'"
        @change="emit('wish', { position: ($event.target as HTMLSelectElement).value as Standing })"
      >
        <option v-for="(name, id) in standingNames" :key="id" :value="id">is {{ name }}</option>
      </select>
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
                >{{ one.name }}<span v-if="kindWords[one.kind]" class="caption font-normal">, {{ kindWords[one.kind] }}</span></span
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
    <label class="sr-only" for="more">Another measure</label>
    <select id="more" class="cell !w-full" @focus="reached = true" @pointerdown="reached = true" @change="more">
      <option value="">another measure</option>
      <template v-if="reached"
        ><optgroup label="Movements">
          <option v-for="item in atlas.movements" :key="item.id" :value="`range ${item.id}`">{{ item.name }}</option>
        </optgroup>
        <optgroup label="Against resistance">
          <option v-for="item in atlas.movements" :key="item.id" :value="`resisted ${item.id}`">{{ item.name }}</option>
        </optgroup>
        <optgroup label="Tests">
          <option v-for="item in atlas.tests" :key="item.id" :value="`test ${item.id}`">{{ item.name }}</option>
        </optgroup></template
      >
    </select>
  </nav>
</template>
