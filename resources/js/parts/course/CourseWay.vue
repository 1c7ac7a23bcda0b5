<script setup lang="ts">
import { computed } from 'vue'
import type { Response } from '@/types/visit'
import { t } from '@/composables/language'
import { dayWords } from '@/composables/settings'

/** The way of a course: four phases on one line, and what must hold before the next. */
const props = defineProps<{ plan: Response['plan'] }>()
const now = computed(() => props.plan.phases.findIndex(({ state }) => state === 'now'))
const tell = computed(() => props.plan.phases[now.value]?.expect ?? '')
const holds = (gate: { holds: boolean | null }): string => (gate.holds === null ? 'not known' : gate.holds ? t('holds') : 'not yet')
</script>
<template>
  <div>
    <ol class="relative grid gap-x-6 gap-y-5 sm:grid-cols-2 lg:grid-cols-4">
      <li
        v-for="phase in plan.phases"
        :key="phase.id"
        class="relative pt-[26px]"
        :aria-current="phase.state === 'now' ? 'step' : undefined"
        :data-phase="phase.id"
        :data-state="phase.state"
      >
        <svg class="absolute left-0 top-0 h-[24px] w-full" aria-hidden="true">
          <line
            x1="8"
            x2="100%"
            y1="12"
            y2="12"
            :stroke="phase.state === 'ahead' ? 'var(--color-ash)' : 'var(--color-iron)'"
            stroke-width="2"
            :stroke-dasharray="phase.state === 'passed' ? undefined : '5 4'"
          />
          <line v-if="phase.state === 'passed'" x1="8" x2="8" y1="5" y2="19" stroke="var(--color-iron)" stroke-width="3.5" />
          <circle v-else-if="phase.state === 'now'" cx="8" cy="12" r="6.5" fill="var(--color-walnut)" />
          <circle v-else cx="8" cy="12" r="4" fill="var(--color-paper)" stroke="var(--color-ash)" stroke-width="1.6" />
        </svg>
        <h3 class="display text-[19px] leading-6" :class="phase.state === 'ahead' ? 'text-walnut-2' : ''">{{ phase.name }}</h3>
        <p class="sr-only">{{ { passed: 'passed', now: 'now', ahead: 'lies ahead' }[phase.state] }}</p>
        <ul class="mt-1">
          <li v-for="gate in phase.gates" :key="gate.id" class="flex gap-2 py-0.5 leading-[19px]" :data-gate="gate.id">
            <svg class="mt-[3px] shrink-0" width="13" height="13" viewBox="0 0 13 13" aria-hidden="true">
              <path v-if="gate.holds" d="M1.5 7l3.5 4l6.5-9" fill="none" stroke="var(--color-moss)" stroke-width="2.4" />
              <path v-else-if="gate.holds === false" d="M1.5 6.5h10" fill="none" stroke="var(--color-madder)" stroke-width="2.6" />
              <circle v-else cx="6.5" cy="6.5" r="4.2" fill="none" stroke="var(--color-ash)" stroke-width="1.5" />
            </svg>
            <span
              ><span class="sr-only">{{ holds(gate) }}: </span>{{ gate.words }}<br /><span class="caption">{{ gate.because }}</span></span
            >
          </li>
        </ul>
      </li>
    </ol>
    <p class="mt-4 max-w-[720px]"><span class="caption">To tell the client: </span>{{ tell }}</p>
    <ul class="caption mt-2 max-w-[820px]">
      <li v-if="plan.look_again">Looked at again from the start by {{ dayWords(plan.look_again) }}.</li>
      <li v-for="end in plan.ends" :key="end">{{ end }}</li>
    </ul>
  </div>
</template>
