<script setup lang="ts">
import { router } from '@inertiajs/vue3'
import { computed, useTemplateRef } from 'vue'
import { useKeys } from '@/composables/useKeys'
import { useVisit } from '@/composables/useVisit'
import WhatIf from '@/parts/WhatIf.vue'
import WhyList from '@/parts/WhyList.vue'
import { goToCheck } from './goToCheck'

const { props, judged } = useVisit()
const pattern = computed(() => judged.value.pattern)
const lead = computed(() => pattern.value?.candidates[0])
const supposed = useTemplateRef<InstanceType<typeof WhatIf>[]>('supposed')
useKeys({
  w: () => void supposed.value?.[0]?.toggle(),
  n: () => pattern.value?.next_checks[0] && goToCheck(props.value.visit.id, pattern.value.next_checks[0]),
})
</script>
<template>
  <div v-if="pattern" class="grid flex-1 gap-x-12 px-6 pb-6 pt-4 lg:grid-cols-[minmax(0,1fr)_340px]">
    <section aria-label="Ranking">
      <h2 v-if="lead" class="display mb-1 text-[25px] leading-[31px]">
        {{ lead.words === 'slight' ? 'Nothing stands out yet.' : `${lead.name} explains it best, with ${lead.words} support.` }}
      </h2>
      <p class="caption mb-4">What was found speaks for and against each muscle. It is support for a judgement, not a diagnosis.</p>
      <WhyList
        :pattern="pattern"
        :most="10"
        @choose="(candidate) => router.visit(`/visits/${props.visit.id}/feel?muscle=${candidate.muscle}&side=${candidate.side}`)"
      />
    </section>
    <aside>
      <h2 class="section-head mb-1">What would tell most</h2>
      <ol>
        <li v-for="(check, index) in pattern.next_checks" :key="check.kind + check.id + check.side" class="border-b border-hairline py-2">
          <button type="button" class="block min-h-[44px] w-full text-left" @click="goToCheck(props.visit.id, check)">
            <b class="font-[650]">{{ check.name }}</b> <span v-if="index === 0" class="key-hint">N</span><br /><span class="caption"
              >{{ check.because }} {{ check.bits.toFixed(2) }} bits in about {{ check.minutes < 1 ? 'half a minute' : 'a minute' }}.</span
            >
          </button>
          <WhatIf ref="supposed" :check="check" :hint="index === 0 ? 'W' : undefined" />
        </li>
        <li v-if="!pattern.next_checks.length" class="py-2">No check is offered: the client is seen by a doctor first.</li>
      </ol>
    </aside>
  </div>
</template>
