<script setup lang="ts">
import { computed } from 'vue'
import { atlas, movement, placeName, zone } from '@/chart/atlas'
import { confirmed } from '@/composables/confirmed'
import { dayWords } from '@/composables/settings'
import Scale from '@/parts/Scale.vue'
import { capital, listed } from '@/parts/words'
import type { Complaint } from '@/types/visit'

/** A complaint of the last visit, not asked today: a number or "unchanged" makes it today's. */
const props = defineProps<{ item: Complaint; date: string }>()
const emit = defineEmits<{ confirm: [today: Complaint, words: string] }>()
type Aggravator = NonNullable<Complaint['worse_with']>[number]
const nameOf = (one: Aggravator): string =>
  'demand' in one
    ? atlas.demands[one.demand]
    : 'situation' in one
      ? atlas.situations[one.situation].name
      : movement(one.movement).name.toLowerCase() + (one.side === 'midline' ? '' : ` ${one.side}`)
const said = computed(() => {
  const { now, qualities, since, worse_with, better_with, spreads_to, words } = props.item
  return [
    now === undefined ? 'not asked how strong' : `${now} of 10`,
    qualities?.length ? listed(qualities) : '',
    since ? `since ${dayWords(since)}` : '',
    worse_with?.length ? `worse with ${listed(worse_with.map(nameOf))}` : '',
    better_with?.length ? `better with ${listed(better_with.map(nameOf))}` : '',
    spreads_to?.length ? `spreads to ${listed(spreads_to.map(placeName))}` : '',
    words ? `“${words}”` : '',
  ].filter(Boolean)
})
const take = (part: Partial<Complaint>, words: string) => emit('confirm', { ...confirmed('complaint', props.item), ...part }, words)
</script>
<template>
  <article class="border-b border-dashed border-hairline py-2" :aria-label="`${capital(placeName(item))}, as on ${dayWords(date)}`">
    <div class="flex items-center justify-between gap-3">
      <h3 class="display caption text-[20px] leading-6">
        {{ capital(zone(item.zone).name) }} <span v-if="item.side !== 'midline'" class="side-name">{{ item.side }}</span>
      </h3>
      <button type="button" class="btn !px-3" :aria-label="`${capital(placeName(item))}: unchanged`" @click="take({}, 'unchanged')">
        {{ item.now === undefined ? 'Still there' : `Unchanged, ${item.now}` }}
      </button>
    </div>
    <p class="caption">On {{ dayWords(date) }}: {{ said.join('; ') }}. How strong today? 0 is gone.</p>
    <Scale
      :label="`Pain now, ${placeName(item)}, 0 to 10`"
      :value="undefined"
      :ghost="item.now"
      :unusual-from="1"
      @choose="(now) => take({ now }, `now ${now}`)"
    />
  </article>
</template>
