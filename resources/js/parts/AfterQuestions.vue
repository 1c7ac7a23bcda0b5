<script setup lang="ts">
import { computed } from 'vue'
import { atlas } from '@/chart/atlas'
import ExerciseDrawing from '@/chart/ExerciseDrawing.vue'
import type { EntryPayloads } from '@/types/visit'
import Choices from './Choices.vue'
import Scale from './Scale.vue'

/** How it was after a visit, as a client is asked on a phone: sore, worse, what the page adds, and what was done at home. */
type After = Partial<EntryPayloads['aftermath']>
type Given = EntryPayloads['home_care']
const props = defineProps<{ after: After; given: Given[] }>()
const emit = defineEmits<{ say: [part: After] }>()
const HOURS = { '0': 'no', '12': 'half a day', '36': 'a day or two', '72': 'longer' } as const
const hours = computed(() =>
  props.after.soreness_hours === undefined ? undefined : (String(props.after.soreness_hours) as keyof typeof HOURS),
)
const SHARE = { none: 0, some: 0.5, all: 1 } as const
const share = computed(() => (Object.keys(SHARE) as (keyof typeof SHARE)[]).find((one) => SHARE[one] === props.after.home_care_done))
const words = (one: Given): string => {
  const about = atlas.self_care[one.exercise]
  const side = one.side && one.side !== 'midline' ? `, ${one.side}` : ''
  return `${about?.name ?? ''}${side}: ${one.dose ?? about?.dose ?? ''}, ${one.how_often ?? about?.how_often ?? ''}`
}
</script>
<template>
  <p>Were you sore afterwards?</p>
  <Choices
    label="Were you sore afterwards?"
    :options="HOURS"
    :value="hours"
    @choose="(one) => emit('say', { soreness_hours: one === undefined ? undefined : Number(one), soreness: one === '0' ? 0 : undefined })"
  />
  <template v-if="after.soreness_hours">
    <p class="mt-4">How sore, at most? <span class="caption">0 not, 10 unbearable</span></p>
    <Scale label="How sore" :value="after.soreness" @choose="(soreness) => emit('say', { soreness })" />
  </template>
  <p class="mt-4">Was it worse than before?</p>
  <Choices
    label="Was it worse than before?"
    :options="{ no: 'no', yes: 'yes, worse' }"
    :value="after.worse === undefined ? undefined : after.worse ? 'yes' : 'no'"
    @choose="(one) => emit('say', { worse: one === undefined ? undefined : one === 'yes' })"
  />
  <slot />
  <template v-if="given.length">
    <p class="mt-4">You were given for home:</p>
    <div v-for="one in given" :key="one.exercise" class="flex items-center gap-3 border-b border-hairline py-2">
      <span class="h-[72px] w-[150px] shrink-0"><ExerciseDrawing :exercise="one.exercise" /></span>
      <span>{{ words(one) }}</span>
    </div>
    <p class="mt-3">How much of it did you do?</p>
    <Choices
      label="How much of it did you do?"
      :options="{ none: 'none', some: 'some', all: 'all of it' }"
      :value="share"
      @choose="(one) => emit('say', { home_care_done: one === undefined ? undefined : SHARE[one] })"
    />
  </template>
</template>
