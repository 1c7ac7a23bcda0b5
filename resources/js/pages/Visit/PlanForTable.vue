<script setup lang="ts">
import { computed } from 'vue'
import { atlas } from '@/chart/atlas'
import { recheckHow, timed } from '@/composables/planOrder'
import PaperHead from '@/parts/PaperHead.vue'
import { capital, tableWords, tenth } from '@/parts/words'
import type { EntryPayloads } from '@/types/entries.generated'
import type { Complaint, Manoeuvre, PaperOf, Plan, PlanStep } from '@/types/visit'

/** The plan for whoever works, small and complete, to lie beside the table. */
const props = defineProps<
  PaperOf & { minutes: number; complaints: Complaint[]; consent: EntryPayloads['consent'][]; agreed: string | null; plan: Plan }
>()
interface Row {
  start: number
  minutes: number
  steps: PlanStep[]
  /** rest strokes after it, in minutes */
  rest: number
}
/** What follows each other of one kind stands in one row, and rest strokes with what they follow: one page is enough. */
const JOINED: PlanStep['kind'][] = ['feel', 'warm_up']
const rows = computed(() => {
  const all: Row[] = []
  for (const { step, start } of timed(props.plan)) {
    const last = all.at(-1)
    if (last && step.kind === 'rest_stroke') last.rest += step.minutes
    else if (last && !last.rest && JOINED.includes(step.kind) && last.steps[0]?.kind === step.kind) {
      last.steps.push(step)
      last.minutes += step.minutes
    } else all.push({ start, minutes: step.minutes, steps: [step], rest: 0 })
  }
  return all
})
/** The kind where the names stand beside it. */
const SHORT: Partial<Record<PlanStep['kind'], string>> = { feel: 'Feel', warm_up: 'Warm up' }
const labelOf = ({ steps: [step] }: Row): string => (step ? (SHORT[step.kind] ?? recheckHow(step)) : '')
/** What is left to the eye where nothing is pressed. */
const isSlight = (step: PlanStep): boolean => !['treat', 'recheck', 'position', 'feel', 'hygiene'].includes(step.kind)
const dose = (one: Manoeuvre): string =>
  [
    one.spot_names.join(', '),
    `${one.repeats > 1 ? `${one.repeats} × ` : ''}${one.seconds} s`,
    one.pressure === null ? '' : `felt ${one.pressure}`,
    atlas.tools[one.tool],
    one.setup ? (atlas.setups[one.setup.id]?.name ?? '') : '',
  ]
    .filter(Boolean)
    .join(' · ')
const dealt = (step: PlanStep): string =>
  [
    step.check?.text ?? (step.kind in SHORT ? step.label.replace(/^(Feel|Warm up) /, '') : ''),
    ['settle', 'position'].includes(step.kind) ? atlas.positions[step.position] : '',
    step.technique && step.kind !== 'feel' ? atlas.techniques[step.technique].toLowerCase() : '',
    step.passes.length ? `felt ${step.passes[0]?.pressure}` : '',
  ]
    .filter(Boolean)
    .join(', ')
const slight = ({ steps }: Row): string => capital(steps.map(dealt).filter(Boolean).join('; '))
/** Each once, however many steps it is said at. */
const watchFor = computed(() => {
  const seen = new Map<string, string>()
  for (const step of props.plan.steps) for (const one of step.cautions) if (one.kind !== 'hygiene') seen.set(one.text, one.text)
  return [...seen.values()]
})
const refused = computed(() => props.consent.filter((one) => !one.given).map((one) => atlas.consent[one.area]))
</script>
<template>
  <main
    class="mx-auto max-w-[980px] px-6 pb-16 pt-5 text-[14px] leading-[18px] print:max-w-none print:p-0 print:text-[11.5px] print:leading-[14.5px]"
  >
    <PaperHead
      title="Plan for the table"
      :of="props"
      :back="{ to: 'plan', words: 'back to Plan' }"
      :note="agreed ? `agreed ${agreed}` : 'not agreed yet'"
    />
    <p v-if="plan.verdict === 'none'">{{ plan.because }}</p>
    <template v-else>
      <p class="display text-[17px] leading-[22px] print:text-[14px] print:leading-[17px]">{{ plan.headline }}</p>
      <p v-if="plan.table" class="mt-1">{{ tableWords(plan.table) }}</p>
      <p v-if="refused.length" class="mt-1"><b class="font-[650]">Not agreed:</b> {{ refused.join(', ') }}.</p>
      <table class="mt-2 w-full border-collapse text-left">
        <thead>
          <tr class="caption border-b border-iron print:text-[11px]">
            <th scope="col" class="w-[42px] py-1 font-normal">from</th>
            <th scope="col" class="w-[42px] py-1 font-normal">min</th>
            <th scope="col" class="w-[21%] py-1 font-normal">what</th>
            <th scope="col" class="py-1 font-normal">how</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.steps[0]?.id" class="border-b border-hairline align-top print:break-inside-avoid">
            <td class="py-1 print:py-0.5">{{ Math.round(row.start) }}</td>
            <td class="py-1 print:py-0.5">{{ tenth(row.minutes) }}</td>
            <template v-for="step in row.steps.slice(0, 1)" :key="step.id">
              <th scope="row" class="py-1 pr-3 print:py-0.5" :class="isSlight(step) ? 'font-normal' : 'font-[650]'">
                {{ labelOf(row) }}<template v-if="step.kind === 'treat' && step.round && step.round > 1"> (again)</template
                ><template v-if="step.other_side"> (other side)</template>
              </th>
              <td class="py-1 print:py-0.5">
                <p v-if="step.words" class="font-[650]">{{ step.words }}</p>
                <p v-for="(one, k) in step.manoeuvres ?? []" :key="k">
                  <b class="font-[650]">{{ atlas.techniques[one.technique] }}</b> {{ dose(one)
                  }}<template v-if="one.say">. “{{ one.say }}”</template
                  ><span v-if="row.rest && k === (step.manoeuvres ?? []).length - 1"> Then {{ tenth(row.rest) }} min of rest strokes.</span>
                </p>
                <p v-if="!step.manoeuvres?.length">{{ slight(row) }}</p>
              </td>
            </template>
          </tr>
        </tbody>
      </table>
      <section v-if="watchFor.length" class="mt-3 print:break-inside-avoid">
        <h2 class="section-head print:!text-[14px]">Mind</h2>
        <ul class="columns-1 gap-x-6 md:columns-2 print:columns-2">
          <li v-for="one in watchFor" :key="one" class="break-inside-avoid">{{ capital(one) }}</li>
        </ul>
      </section>
      <p v-if="plan.left_out.length" class="caption mt-2 print:text-[11px]">
        Left out: {{ plan.left_out.map((one) => `${one.name} (${one.because.replace(/\.$/, '').toLowerCase()})`).join('; ') }}.
      </p>
    </template>
  </main>
</template>
