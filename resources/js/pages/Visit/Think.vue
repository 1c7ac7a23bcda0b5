<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import ChainFigure from '@/chart/ChainFigure.vue'
import { useKeys } from '@/composables/useKeys'
import { useVisit } from '@/composables/useVisit'
import StillOpen from '@/parts/StillOpen.vue'
import WhatIf from '@/parts/WhatIf.vue'
import WhyList from '@/parts/WhyList.vue'
import { explaining } from '@/parts/explaining'
import { goToCheck } from '@/composables/goToCheck'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame(['N', 'next best check'], ['W', 'what if it were done'], ['H', 'the next chain']) })

const { props, judged, all } = useVisit()
const pattern = computed(() => judged.value.pattern)
const lead = computed(() => pattern.value && explaining(pattern.value)[0])
const headline = computed(() => {
  if (pattern.value?.none.leads) return 'None of these explains it.'
  if (!lead.value || lead.value.words === 'slight') return 'Nothing stands out yet.'
  return `${lead.value.name} explains it best, with ${lead.value.words} support.`
})
const supposed = useTemplateRef<InstanceType<typeof WhatIf>[]>('supposed')
const chains = computed(() => judged.value.chains ?? [])
const shown = ref(0)
const chain = computed(() => chains.value[shown.value])
const kinds = {
  short_pulls: 'short against overstretched',
  stiff: 'stiff and overworked',
  busy_side: 'the busy side',
  whole: 'the whole body',
  whole_open: 'the whole body, not enough yet',
} as const
useKeys({
  w: () => void supposed.value?.[0]?.toggle(),
  h: () => (shown.value = (shown.value + 1) % Math.max(1, chains.value.length)),
  n: () => pattern.value?.next_checks[0] && goToCheck(props.value.visit.id, pattern.value.next_checks[0]),
})
</script>
<template>
  <div
    v-if="pattern"
    class="grid flex-1 gap-x-10 px-6 pb-6 pt-4 lg:grid-cols-[minmax(0,1fr)_340px] xl:grid-cols-[360px_minmax(0,1fr)_300px]"
  >
    <section class="lg:order-3 lg:col-span-2 xl:order-none xl:col-span-1" aria-label="Patterns">
      <h2 class="section-head">Patterns</h2>
      <ChainFigure class="mt-1" :complaints="all('complaint')" :chain="chain" :possessive="props.client.words.possessive" />
      <ul v-if="chains.length" class="mt-1">
        <li v-for="(one, index) in chains" :key="one.title" class="border-b border-hairline">
          <button
            type="button"
            class="block min-h-[44px] w-full py-1 text-left leading-[18px]"
            :class="index === shown ? 'font-[650]' : ''"
            :aria-pressed="index === shown"
            @click="shown = index"
          >
            <span class="note block font-normal"
              >{{ kinds[one.kind] }} <span v-if="index === (shown + 1) % chains.length && chains.length > 1" class="key-hint">H</span></span
            >
            {{ one.title }}
          </button>
          <div v-if="index === shown" class="caption pb-1">
            <p v-if="one.because.length">{{ one.because.join('. ') }}.</p>
            <p v-if="one.against.length">Against it: {{ one.against.join('. ') }}.</p>
            <p v-if="one.ask.length">{{ one.kind === 'whole' ? 'Would confirm it' : 'Look at' }}: {{ one.ask.join('; ') }}.</p>
            <p v-if="one.again.length">Measure again after: {{ one.again.join('; ') }}.</p>
          </div>
        </li>
      </ul>
      <p v-else class="caption mt-1">
        No chain shows yet: nothing measured is short where its opposite aches, and no stiff region lies beside a complaint.
      </p>
    </section>
    <section aria-label="Ranking">
      <div class="flex items-start justify-between gap-4">
        <h2 v-if="lead" class="display mb-1 text-[25px] leading-[31px]">
          {{ headline }}
        </h2>
        <a class="btn shrink-0" :href="`/visits/${props.visit.id}/summary`">Summary to print</a>
      </div>
      <StillOpen v-if="lead?.words === 'slight'" class="mb-3" :of="['ask', 'move', 'feel']" />
      <p class="caption mb-4">
        What was found speaks for and against each muscle and joint. It is support for a judgement, not a diagnosis.
      </p>
      <WhyList :pattern="pattern" :most="10" @choose="(check) => goToCheck(props.visit.id, check)" />
    </section>
    <aside>
      <h2 class="section-head mb-1">What would tell most</h2>
      <ol>
        <li v-for="(check, index) in pattern.next_checks" :key="check.kind + check.id + check.side" class="border-b border-hairline py-2">
          <button type="button" class="block min-h-[44px] w-full text-left" @click="goToCheck(props.visit.id, check)">
            <b class="font-[650]">{{ check.name }}</b> <span v-if="index === 0" class="key-hint">N</span><br /><span class="caption"
              >{{ check.because }} {{ index === 0 ? 'Would settle it most' : 'The next best' }}, about
              {{ check.minutes < 1 ? 'half a minute' : 'a minute' }}.</span
            >
          </button>
          <WhatIf ref="supposed" :check="check" :hint="index === 0 ? 'W' : undefined" />
        </li>
        <li v-if="!pattern.next_checks.length" class="py-2">No check is offered: the client is seen by a doctor first.</li>
      </ol>
    </aside>
  </div>
</template>
