<script setup lang="ts">
import { computed, ref } from 'vue'
import { atlas, zone } from '@/chart/atlas'
import MovementPicker from '@/parts/MovementPicker.vue'
import type { Complaint } from '@/types/visit'

/** What makes a complaint worse or better: what belongs to its place first, the rest on a touch. */
const props = defineProps<{ id: string; how: 'worse' | 'better'; item: Complaint }>()
type Aggravator = NonNullable<Complaint['worse_with']>[number]
const emit = defineEmits<{ change: [said: Aggravator[] | undefined] }>()
interface Choice {
  name: string
  near: string[]
  one: Exclude<Aggravator, { movement: unknown }>
}
const keyOf = (one: Aggravator): string => ('movement' in one ? `${one.movement}:${one.side}` : Object.values(one).join())
const said = computed<Aggravator[]>(() => (props.how === 'worse' ? props.item.worse_with : props.item.better_with) ?? [])
const isSaid = (one: Aggravator): boolean => said.value.some((there) => keyOf(there) === keyOf(one))
const ids = <T extends string>(rows: Record<T, unknown>) => Object.keys(rows) as T[]
const choices = computed<Choice[]>(() => [
  // the days may ask what hurts; nothing of the days eases it
  ...(props.how === 'worse'
    ? ids(atlas.demands).map((demand) => ({ name: atlas.demands[demand], near: atlas.demandsNear[demand], one: { demand } }))
    : []),
  ...ids(atlas.situations)
    .map((situation) => ({ name: atlas.situations[situation].name, near: atlas.situations[situation][props.how], one: { situation } }))
    .filter((choice) => choice.near.length > 0),
])
const all = ref(false)
const group = computed(() => zone(props.item.zone).group)
const shown = computed(() => choices.value.filter((choice) => all.value || choice.near.includes(group.value) || isSaid(choice.one)))
const put = (next: Aggravator[]): void => emit('change', next.length ? next : undefined)
const toggle = (one: Aggravator): void =>
  put(isSaid(one) ? said.value.filter((there) => keyOf(there) !== keyOf(one)) : [...said.value, one])
type Moved = Extract<Aggravator, { movement: unknown }>
const isMoved = (one: Aggravator): one is Moved => 'movement' in one
const title = computed(() => (props.how === 'worse' ? 'Worse with' : 'Better with'))
</script>
<template>
  <div>
    <p class="caption mt-2">{{ title }}</p>
    <div class="flex flex-wrap gap-px" role="group" :aria-label="title">
      <button
        v-for="choice in shown"
        :key="keyOf(choice.one)"
        type="button"
        class="cell !min-h-[36px] !px-2 text-[14px]"
        :aria-pressed="isSaid(choice.one)"
        @click="toggle(choice.one)"
      >
        {{ choice.name }}
      </button>
      <button
        v-if="all || shown.length < choices.length"
        type="button"
        class="link caption min-h-[36px] px-2"
        :aria-expanded="all"
        :aria-label="all ? `${title}: less` : `${title}: ${choices.length - shown.length} more`"
        @click="all = !all"
      >
        {{ all ? 'less' : `${choices.length - shown.length} more` }}
      </button>
    </div>
    <MovementPicker
      :id="`${how}-${id}`"
      class="mt-1"
      :label="how === 'worse' ? 'A movement that makes it worse' : 'A movement that eases it'"
      :moved="said.filter(isMoved)"
      @change="(moved) => put([...(moved ?? []), ...said.filter((one) => !isMoved(one))])"
    />
  </div>
</template>
