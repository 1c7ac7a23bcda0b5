<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { computed, ref, useId, watch } from 'vue'
import { atlas } from '@/chart/atlas'
import Choices from '@/parts/Choices.vue'
import Fold from '@/parts/Fold.vue'
import { siteNames, tenth } from '@/parts/words'
import type { EntryPayloads } from '@/types/entries.generated'
import type { TechniqueId } from '@/types/ids.generated'
import type { Liked, Plan } from '@/types/visit'

/** How one target of a plan is done, set by hand: what is not allowed stands there with its reason. */
type Target = Plan['targets'][number]
type ByHand = EntryPayloads['target']
const props = defineProps<{
  item: Target & { choices: NonNullable<Target['choices']> }
  value: ByHand | undefined
  /** techniques that are done on it now */
  done: TechniqueId[]
  /** how this muscle is liked to be worked, whoever lies there */
  liked: Liked | undefined
}>()
const emit = defineEmits<{ set: [change: Partial<ByHand>, words: string]; like: [liked: Liked] }>()
const id = useId()
const sizes = { short: 'Shorter', usual: 'Usual', long: 'Longer' } as const
const SIZES = ['short', 'usual', 'long'] as const
const offered = computed(() => SIZES.filter((size) => props.item.choices.sizes[size] !== undefined))
/** What it may feel like at most, as it is set or as the limits say. */
const most = computed(() => Math.min(props.value?.pressure ?? Infinity, props.item.choices.ceiling ?? 0))
const LEAST = 1
const MOST_ADDED = 3
const LONGEST_WORDS = 300
const sides = { too: 'Other side too', only: 'This side only' } as const
const press = (by: number) => {
  const next = most.value + by
  const free = next >= (props.item.choices.ceiling ?? 0)
  emit('set', { pressure: free ? undefined : next }, free ? 'as strong as the limits allow' : `at most ${next}`)
}
interface Row {
  id: string
  name: string
  because: string | null
}
interface List {
  label: string
  /** what holds where nothing is set */
  none: string
  rows: Row[]
  value: string | undefined
  change: (id: string | undefined) => Partial<ByHand>
}
const found = <T extends { id: string }>(rows: T[], id: string | undefined): T | undefined => rows.find((row) => row.id === id)
const lists = computed<List[]>(() => {
  const { tools, positions, techniques, setups, sites } = props.item.choices
  const all: List[] = [
    {
      label: 'Mainly',
      none: 'as it was found',
      rows: techniques.map((one) => ({ ...one, name: atlas.techniques[one.id] })),
      value: props.value?.technique,
      change: (id) => ({ technique: found(techniques, id)?.id }),
    },
    {
      label: 'With',
      none: 'what costs least',
      rows: tools.map((one) => ({ ...one, name: atlas.tools[one.id] })),
      value: props.value?.tool,
      change: (id) => ({ tool: found(tools, id)?.id }),
    },
    {
      label: 'First at',
      none: 'where it is sorest',
      rows: sites.map((one) => ({ ...one, name: siteNames[one.id] })),
      value: props.value?.site,
      change: (id) => ({ site: found(sites, id)?.id }),
    },
    {
      label: 'Lying',
      none: 'as it fits the visit',
      rows: positions.map((one) => ({ ...one, name: atlas.positions[one.id] })),
      value: props.value?.position,
      change: (id) => ({ position: found(positions, id)?.id }),
    },
    {
      label: 'Laid',
      none: 'as the way of working asks',
      rows: setups.map((one) => ({ ...one, name: atlas.setups[one.id]?.name ?? one.id })),
      value: props.value?.setup?.id,
      change: (id) => {
        const setup = found(setups, id)
        return { setup: setup && { id: setup.id, side: setup.side } }
      },
    },
  ]
  return all.filter((one) => one.rows.length > (one.label === 'Laid' ? 0 : 1))
})
const barred = computed(() =>
  lists.value
    .flatMap((one) => one.rows.filter((row) => row.because !== null))
    .concat(props.item.choices.spots.filter((one) => one.because !== null)),
)
const shown = (rows: Row[]) =>
  rows.map((row) => ({ id: row.id, name: row.because === null ? row.name : `${row.name} (not today)`, barred: row.because !== null }))
const pick = ({ label, none, rows, change }: List, id: string | undefined) => {
  const chosen = found(rows, id)
  emit('set', change(chosen?.id), `${label.toLowerCase()} ${chosen?.name ?? none}`)
}
const spots = computed(() => props.value?.spots ?? [])
const touchSpot = (spot: { id: string; name: string }) => {
  const on = !spots.value.includes(spot.id)
  const next = on ? [...spots.value, spot.id] : spots.value.filter((one) => one !== spot.id)
  emit('set', { spots: next.length ? next : undefined }, `${spot.name} ${on ? 'chosen' : 'left to the plan'}`)
}
const added = computed(() => props.value?.added ?? [])
const addable = computed(() => props.item.choices.techniques.filter((one) => !props.done.includes(one.id) && !added.value.includes(one.id)))
const add = (id: string | undefined) => {
  const one = found(addable.value, id)
  if (one) emit('set', { added: [...added.value, one.id] }, `${atlas.techniques[one.id]} added`)
}
const away = (one: TechniqueId) => {
  const left = added.value.filter((there) => there !== one)
  emit('set', { added: left.length ? left : undefined }, `${atlas.techniques[one]} taken out`)
}
/** What was chosen here and is not remembered yet; what is remembered can be forgotten again. */
const likes = computed<Liked>(() => ({
  ...(props.value?.technique ? { technique: props.value.technique } : {}),
  ...(props.value?.tool ? { tool: props.value.tool } : {}),
}))
const isNew = computed(
  () =>
    (likes.value.technique !== undefined && likes.value.technique !== props.liked?.technique) ||
    (likes.value.tool !== undefined && likes.value.tool !== props.liked?.tool),
)
const likedWords = (one: Liked): string =>
  [one.technique ? atlas.techniques[one.technique].toLowerCase() : '', one.tool ? `with ${atlas.tools[one.tool]}` : '']
    .filter(Boolean)
    .join(', ')
const words = ref('')
watch(
  () => props.value?.words,
  (now) => (words.value = now ?? ''),
  { immediate: true },
)
const keepWords = () => {
  const text = words.value.trim()
  if (text !== (props.value?.words ?? '')) emit('set', { words: text || undefined }, text ? 'own words' : 'own words taken out')
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
    <div v-for="(one, k) in lists" :key="one.label" class="flex items-center gap-2">
      <label class="caption w-[54px] shrink-0" :for="`${id}-${k}`">{{ one.label }}</label>
      <Pick
        :id="`${id}-${k}`"
        class="min-w-0 flex-1"
        :label="one.label"
        :none="one.none"
        :choices="shown(one.rows)"
        :value="one.value"
        @choose="(chosen) => pick(one, chosen)"
      />
    </div>
    <p v-if="isNew || liked" class="text-[14px] leading-[19px]">
      <button v-if="isNew" type="button" class="link min-h-[32px] text-left" @click="emit('like', { ...liked, ...likes })">
        Always on this muscle: {{ likedWords(likes) }}
      </button>
      <template v-else-if="liked"
        >Yours here: {{ likedWords(liked) }}.
        <button type="button" class="link caption min-h-[32px]" @click="emit('like', {})">Forget it</button></template
      >
    </p>
    <div v-if="item.choices.spots.length > 1" role="group" :aria-label="`Spots, ${item.name}`">
      <p class="caption">Spots{{ spots.length ? '' : ': as it was found' }}</p>
      <div class="flex flex-wrap gap-px">
        <button
          v-for="one in item.choices.spots"
          :key="one.id"
          type="button"
          class="cell !w-auto !px-[7px] text-left text-[14px] leading-[17px]"
          :aria-pressed="spots.includes(one.id)"
          :disabled="one.because !== null"
          @click="touchSpot(one)"
        >
          {{ one.name }}
        </button>
      </div>
    </div>
    <div>
      <p v-for="one in added" :key="one" class="flex items-center justify-between gap-2 text-[14px]">
        <span>Also {{ atlas.techniques[one].toLowerCase() }}</span>
        <button type="button" class="link caption min-h-[28px]" @click="away(one)">take out</button>
      </p>
      <div v-if="addable.length && added.length < MOST_ADDED" class="flex items-center gap-2">
        <label class="caption w-[54px] shrink-0" :for="`${id}-add`">Also</label>
        <Pick
          :id="`${id}-add`"
          class="min-w-0 flex-1"
          label="Also"
          none="nothing more"
          :choices="shown(addable.map((one) => ({ ...one, name: atlas.techniques[one.id] })))"
          :value="undefined"
          @choose="add"
        />
      </div>
    </div>
    <Fold v-if="barred.length" class="caption">
      <template #head>Why not the others</template>
      <ul class="mt-1 space-y-1" aria-label="Why not the others">
        <li v-for="row in barred" :key="row.id">
          <b class="font-[650]">{{ row.name }}:</b> {{ row.because }}
        </li>
      </ul>
    </Fold>
    <Choices
      :label="`Other side, ${item.name}`"
      :options="sides"
      :value="value?.other_side === undefined ? undefined : value.other_side ? 'too' : 'only'"
      @choose="(side) => emit('set', { other_side: side && side === 'too' }, side ? sides[side].toLowerCase() : 'sides as the school says')"
    />
    <div>
      <label class="caption block" :for="`${id}-words`">Own words, read at the table</label>
      <input
        :id="`${id}-words`"
        v-model="words"
        class="field w-full"
        :maxlength="LONGEST_WORDS"
        autocomplete="off"
        @change="keepWords"
        @keydown.enter="keepWords"
      />
    </div>
    <p v-for="one in item.refused" :key="one" class="text-[14px] leading-[19px] text-madder" role="status">{{ one }}</p>
  </div>
</template>
