<script setup lang="ts">
import { computed } from 'vue'
import { atlas } from '@/chart/atlas'
import { useAnswers } from '@/composables/useAnswers'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import type { ClotItemId } from '@/types/ids.generated'

/** The calf questions: shown when a leg sign is asked for or there, each item with what it counts, and how far the sum may still move. */
const { judged, save, one } = useVisit()
const { asked } = useAnswers()
const answers = { no: 'no', yes: 'yes', unknown: 'unknown' } as const
const clot = computed(() => judged.value.safety.clot)
const sign = computed(() => one('leg_signs', ''))
const shown = computed(() => clot.value !== null || sign.value !== undefined || asked.value.has('leg_signs'))
const items = computed(() => Object.entries(atlas.clot) as [ClotItemId, { ask: string; points: number }][])
const signed = (value: number): string => (value < 0 ? `−${-value}` : String(value))
const points = (value: number): string => (value < 0 ? signed(value) : `+${value}`)
</script>
<template>
  <section v-if="shown" class="mt-4 border-t-2 border-iron pt-2" aria-label="Calf">
    <div class="flex flex-wrap items-baseline justify-between gap-2">
      <h2 class="section-head">The calf</h2>
      <p v-if="clot" class="display text-[22px]" :class="clot.suspected ? 'text-madder' : ''">
        {{ clot.sum }}
        <span class="caption font-text font-normal">{{
          clot.least === clot.most
            ? 'of the calf score'
            : `now; between ${signed(clot.least)} and ${signed(clot.most)} when all is answered`
        }}</span>
      </p>
    </div>
    <div class="flex flex-wrap items-center justify-between gap-x-4 py-1">
      <span class="min-w-[220px] flex-1">New swelling, heat or deep soreness in a calf?</span>
      <Choices
        label="New swelling, heat or deep soreness in a calf?"
        :options="answers"
        :value="sign"
        :unusual="['yes', 'unknown']"
        @choose="(value) => save('leg_signs', '', value ?? null, `calf ${value ?? 'taken back'}`)"
      />
    </div>
    <template v-if="clot">
      <p class="caption">From 1 on nothing is worked on either leg, and a doctor looks the same day.</p>
      <ol>
        <li v-for="[id, item] in items" :key="id" class="flex flex-wrap items-center justify-between gap-x-3 border-b border-hairline py-1">
          <span class="min-w-[180px] flex-1"
            >{{ item.ask }} <span class="note whitespace-nowrap">{{ points(item.points) }}</span></span
          >
          <span v-if="one('clot_item', id) === undefined && clot.items[id]?.answer === 'yes'" class="note">measured</span>
          <Choices
            :label="item.ask"
            :options="answers"
            :value="one('clot_item', id)"
            :unusual="item.points > 0 ? ['yes', 'unknown'] : ['unknown']"
            @choose="(value) => save('clot_item', id, value ?? null, `${item.ask} ${value ?? 'taken back'}`)"
          />
        </li>
      </ol>
      <p class="note mt-1">
        Wells and others, N Engl J Med 2003; 349: 1227–1235. The rule itself calls 2 likely; here 1 is enough (practice default).
      </p>
    </template>
  </section>
</template>
