<script setup lang="ts">
import { computed, useId } from 'vue'
import { atlas } from '@/chart/atlas'
import Choices from '@/parts/Choices.vue'
import type { EntryPayloads } from '@/types/entries.generated'
import type { Plan } from '@/types/visit'

/** How one target of a plan is done, set by hand: what is not allowed stands there with its reason. */
type Target = Plan['targets'][number]
const props = defineProps<{ item: Target & { choices: NonNullable<Target['choices']> }; value: EntryPayloads['target'] | undefined }>()
const emit = defineEmits<{ set: [change: Partial<EntryPayloads['target']>, words: string] }>()
const id = useId()
const sizes = { short: 'Shorter', usual: 'Usual', long: 'Longer' } as const
const SIZES = ['short', 'usual', 'long'] as const
const offered = computed(() => SIZES.filter((size) => props.item.choices.sizes[size] !== undefined))
const tenth = (value: number): number => Math.round(10 * value) / 10
/** What it may feel like at most, as it is set or as the limits say. */
const most = computed(() => Math.min(props.value?.pressure ?? Infinity, props.item.choices.ceiling ?? 0))
const LEAST = 1
const sides = { too: 'Other side too', only: 'This side only' } as const
const press = (by: number) => {
  const next = most.value + by
  const free = next >= (props.item.choices.ceiling ?? 0)
  emit('set', { pressure: free ? undefined : next }, free ? 'as strong as the limits allow' : `at most ${next}`)
}
interface List {
  key: 'tool' | 'position'
  label: string
  /** what holds where nothing is set */
  none: string
  rows: { id: string; name: string; because: string | null }[]
}
const lists = computed<List[]>(() => {
  const { tools, positions } = props.item.choices
  const all: List[] = [
    { key: 'tool', label: 'With', none: 'what costs least', rows: tools.map((one) => ({ ...one, name: atlas.tools[one.id] })) },
    {
      key: 'position',
      label: 'Lying',
      none: 'as it fits the visit',
      rows: positions.map((one) => ({ ...one, name: atlas.positions[one.id] })),
    },
  ]
  return all.filter((one) => one.rows.length > 1)
})
const barred = computed(() => lists.value.flatMap((one) => one.rows.filter((row) => row.because !== null)))
const pick = ({ key, label, none, rows }: List, event: Event) => {
  const chosen = rows.find((row) => row.id === (event.target as HTMLSelectElement).value)
  emit('set', { [key]: chosen?.id }, `${label.toLowerCase()} ${chosen?.name ?? none}`)
}
</script>
<template>
  <div class="mb-2 space-y-2">
    <div class="flex gap-px" role="group" :aria-label="`How long, ${item.name}`">
      <button
        v-for="size in offered"
        :key="size"
        type="button"
        class="cell flex-1 flex-col !px-0 leading-[17px]"
        :aria-pressed="item.size === size"
        @click="
          emit(
            'set',
            { size: value?.size === size ? undefined : size },
            value?.size === size ? 'as long as it is worth' : sizes[size].toLowerCase(),
          )
        "
      >
        {{ sizes[size] }}<span class="caption">{{ tenth(item.choices.sizes[size] ?? 0) }} min</span>
      </button>
    </div>
    <div
      v-if="item.choices.ceiling !== null"
      class="flex items-center gap-px"
      role="group"
      :aria-label="`How strong at most, ${item.name}`"
    >
      <span class="flex-1 text-[14px]">At most {{ most }} of 10</span>
      <button type="button" class="cell w-11" aria-label="Lighter" :disabled="most <= LEAST" @click="press(-1)">−</button>
      <button type="button" class="cell w-11" aria-label="Stronger" :disabled="most >= item.choices.ceiling" @click="press(1)">+</button>
    </div>
    <div v-for="one in lists" :key="one.key">
      <label class="caption block" :for="`${id}-${one.key}`">{{ one.label }}</label>
      <select :id="`${id}-${one.key}`" class="field" :value="value?.[one.key] ?? ''" @change="(event) => pick(one, event)">
        <option value="">{{ one.none }}</option>
        <option v-for="row in one.rows" :key="row.id" :value="row.id" :disabled="row.because !== null">
          {{ row.name }}{{ row.because ? ' (not today)' : '' }}
        </option>
      </select>
    </div>
    <details v-if="barred.length" class="caption">
      <summary class="link cursor-pointer">Why not the others</summary>
      <ul class="mt-1 space-y-1">
        <li v-for="row in barred" :key="row.id">
          <b class="font-[650]">{{ row.name }}:</b> {{ row.because }}
        </li>
      </ul>
    </details>
    <Choices
      :label="`Other side, ${item.name}`"
      :options="sides"
      :value="value?.other_side === undefined ? undefined : value.other_side ? 'too' : 'only'"
      @choose="(side) => emit('set', { other_side: side && side === 'too' }, side ? sides[side].toLowerCase() : 'sides as the school says')"
    />
    <p v-for="one in item.refused" :key="one" class="text-[14px] leading-[19px] text-madder" role="status">{{ one }}</p>
  </div>
</template>
