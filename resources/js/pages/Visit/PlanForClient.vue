<script setup lang="ts">
import { computed } from 'vue'
import { atlas, muscle as muscleOf, zone } from '@/chart/atlas'
import type { FigureMark } from '@/chart/Figure.vue'
import { isOn, keyOf, sequenceOf, type On } from '@/composables/planOrder'
import FigurePair from '@/parts/FigurePair.vue'
import PaperHead from '@/parts/PaperHead.vue'
import { capital } from '@/parts/words'
import type { EntryPayloads } from '@/types/entries.generated'
import type { ConsentAreaId } from '@/types/ids.generated'
import type { Complaint, Manoeuvre, PaperOf, Plan, PlanStep } from '@/types/visit'

/** What is planned, in plain words and large, to show or to hand over before anybody is touched. */
const props = defineProps<
  PaperOf & { minutes: number; complaints: Complaint[]; consent: EntryPayloads['consent'][]; agreed: string | null; plan: Plan }
>()
const stepsOf = (on: On): PlanStep[] => props.plan.steps.filter((step) => step.kind === 'treat' && !step.other_side && isOn(step, on))
const rows = computed(() =>
  sequenceOf(props.plan).map(({ on }) => {
    const steps = stepsOf(on)
    const name = props.plan.targets.find((one) => isOn(one, on))?.name ?? steps[0]?.label ?? ''
    const plain = 'muscle' in on ? muscleOf(on.muscle).plain : null
    const done = steps.flatMap((step) => step.manoeuvres ?? [])
    const strongest = Math.max(0, ...steps.flatMap((step) => step.passes.map((pass) => pass.pressure)))
    // what it is done for is felt most; the broad strokes before it are not what is asked about
    const lasts = (one: Manoeuvre): number => one.seconds * one.repeats * Math.max(1, one.spots.length)
    const main = [...done].sort((a, b) => (b.pressure ?? 0) - (a.pressure ?? 0) || lasts(b) - lasts(a))[0]
    return {
      key: keyOf(on),
      name: plain ? `${capital(plain)}, ${on.side}` : name,
      where: [...new Set(steps.flatMap((step) => step.zones))]
        .slice(0, 2)
        .map((id) => zone(id).name)
        .join(' and '),
      what: main?.do ?? '',
      strongest,
      minutes: Math.max(1, Math.round(steps.reduce((sum, step) => sum + step.minutes, 0))),
      isGloved: done.some((one) => one.technique === 'intraoral_hold'),
    }
  }),
)
const marks = computed<FigureMark[]>(() =>
  sequenceOf(props.plan).flatMap(({ on }) => ('muscle' in on ? [{ muscle: on.muscle, side: on.side, finding: { tenderness: 2 } }] : [])),
)
const areas = computed(() => {
  const asked = new Set<ConsentAreaId>()
  for (const one of props.plan.targets) {
    const area = one.muscle ? muscleOf(one.muscle).consent : null
    if (area) asked.add(area)
  }
  for (const one of props.consent) asked.add(one.area)
  return [...asked].map((area) => ({ area, answer: props.consent.find((one) => one.area === area) }))
})
const lies = computed(() => [...new Set(props.plan.steps.map((step) => step.position))].map((one) => atlas.positions[one]))
</script>
<template>
  <main class="mx-auto max-w-[980px] px-6 pb-16 pt-5 text-[14pt] leading-[1.4] print:max-w-none print:p-0 print:leading-[1.28]">
    <PaperHead
      title="What we plan today"
      :of="props"
      :back="{ to: 'plan', words: 'back to Plan' }"
      :note="agreed ? `agreed ${agreed}` : ''"
    />
    <p v-if="plan.verdict === 'none'">{{ plan.because }}</p>
    <template v-else>
      <p>
        {{ minutes }} minutes. You lie {{ lies.join(', then ')
        }}<template v-if="plan.turns"> and turn over {{ plan.turns === 1 ? 'once' : `${plan.turns} times` }}</template
        >. Under a sheet: only the place that is worked is uncovered. You can stop anything at any time, without a reason.
      </p>
      <div class="mt-4 grid gap-x-8 gap-y-3 md:grid-cols-[minmax(0,1fr)_300px] print:grid-cols-[minmax(0,1fr)_250px] print:gap-x-5">
        <section>
          <h2 class="section-head !text-[21px]">What I would like to do</h2>
          <ol>
            <li v-for="row in rows" :key="row.key" class="border-b border-hairline py-2 print:break-inside-avoid print:py-1">
              <b class="font-[650]">{{ row.name }}</b><template v-if="row.where"> ({{ row.where }})</template>. {{ row.what }}
              <span class="whitespace-nowrap">About {{ row.minutes }} min</span
              ><template v-if="row.strongest">, up to {{ row.strongest }} of 10</template>.<template v-if="row.isGloved">
                From inside the mouth, with a fresh glove.</template
              >
            </li>
            <li v-if="!rows.length" class="py-2">Broad, light strokes only.</li>
          </ol>
        </section>
        <section aria-label="Figure" class="text-[14px]">
          <FigurePair quiet small :marks="marks" :complaints="complaints" />
          <p class="caption mt-4">Rings: where I would work. Stitched: where it hurts.</p>
        </section>
      </div>
      <section class="mt-4 print:break-inside-avoid">
        <h2 class="section-head !text-[21px]">How strong it feels is yours to say</h2>
        <p>
          0 is nothing, 5 is firm, at 7 it is strong and your breath stays easy, at 8 you would brace: tell me before. Say “lighter”, “not
          there” or “stop”, or lift your hand: I stop at once.
        </p>
        <p class="mt-2">
          You may feel a dull ache that spreads and fades within a minute, warmth, a twitch. Tell me of anything sharp, electric, numb, of
          dizziness or sickness. Sore for a day or two afterwards is usual; longer is not, and I want to know of it.
        </p>
      </section>
      <section v-if="areas.length" class="mt-4 print:break-inside-avoid">
        <h2 class="section-head !text-[21px]">Places I ask you about first</h2>
        <ul>
          <li v-for="{ area, answer } in areas" :key="area" class="border-b border-hairline py-2 print:py-1">
            “{{ answer?.said ?? atlas.consentAsks[area] }}”
            <b class="font-[650]"
              >{{ answer === undefined ? 'Not answered yet.' : answer.given ? 'You said yes' : 'You said no.'
              }}<template v-if="answer?.given">{{ answer.but ? `, but ${answer.but}.` : '.' }}</template></b
            >
          </li>
        </ul>
      </section>
      <p class="mt-4 text-[12pt]">This is massage therapy and takes the place of no doctor. What is not listed here is not done.</p>
    </template>
  </main>
</template>
