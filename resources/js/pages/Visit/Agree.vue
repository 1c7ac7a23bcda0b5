<script setup lang="ts">
import { computed, ref } from 'vue'
import { vTyped } from '@/composables/typed'
import { atlas, muscle as muscleOf } from '@/chart/atlas'
import { dayWords } from '@/composables/settings'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import GuardianConsent from '@/parts/GuardianConsent.vue'
import Witness from '@/parts/Witness.vue'
import { capital, listed } from '@/parts/words'
import type { ConsentAreaId, PositionId } from '@/types/ids.generated'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame() })

const visit = useVisit()
const { props, judged, save, one, last } = visit
const words = computed(() => props.value.client.words)
/** Areas that today's muscles ask for come first, with the muscles they open. */
const wanted = computed(() => {
  const map = new Map<ConsentAreaId, string[]>()
  for (const left of judged.value.plan?.left_out ?? []) {
    const area = left.kind === 'consent' ? (left.id as ConsentAreaId) : null
    if (area) map.set(area, [...(map.get(area) ?? []), left.name])
  }
  for (const target of judged.value.plan?.targets ?? []) {
    const area = target.muscle ? muscleOf(target.muscle).consent : null
    if (area) map.set(area, [...(map.get(area) ?? []), target.name])
  }
  return map
})
const areas = computed(() =>
  (Object.keys(atlas.consent) as ConsentAreaId[]).sort((a, b) => Number(wanted.value.has(b)) - Number(wanted.value.has(a))),
)
const agreement = (area: ConsentAreaId) => one('consent', area)
const given = (area: ConsentAreaId): 'yes' | 'no' | undefined => {
  const answer = agreement(area)
  return answer === undefined ? undefined : answer.given ? 'yes' : 'no'
}
const answer = (area: ConsentAreaId, value: 'yes' | 'no' | undefined, but = agreement(area)?.but) =>
  save(
    'consent',
    area,
    value === undefined
      ? null
      : { area, given: value === 'yes', said: atlas.consentAsks[area], ...(value === 'yes' && but ? { but } : {}) },
    `${atlas.consent[area]}: ${value ?? 'open'}`,
  )
/** The words are in view for what today's work asks for, and for what was answered; the rest opens when it is touched. */
const opened = ref<ConsentAreaId | null>(null)
const speaks = (area: ConsentAreaId) => wanted.value.has(area) || given(area) !== undefined || opened.value === area
const all = Object.keys(atlas.positions) as PositionId[]
const possible = computed(() => one('positions', '') ?? all)
/** How it was at the last visit, where nobody has said anything of it today. */
const before = computed(() => (one('positions', '') ? [] : all.filter((item) => !(last('positions', '') ?? all).includes(item))))
const asLastTime = () => save('positions', '', last('positions', '') ?? null, 'as last time')
const toggle = (position: PositionId) => {
  const next = possible.value.includes(position)
    ? possible.value.filter((item) => item !== position)
    : all.filter((item) => item === position || possible.value.includes(item))
  save('positions', '', next.length === all.length ? null : next, atlas.positions[position])
}
</script>
<template>
  <div class="grid flex-1 gap-x-12 px-6 pb-6 pt-4 lg:grid-cols-[minmax(0,1fr)_360px]">
    <section aria-label="Areas">
      <h2 class="display text-[25px] leading-[31px]">What {{ words.subject }} agrees to, area by area</h2>
      <p class="caption mb-3">
        In plain words, today only. {{ capital(words.subject) }} can stop anything at any time; a “no” takes the steps out at once.
      </p>
      <p v-if="!wanted.size" class="mb-2 border-l-4 border-moss pl-3">
        Today’s plan asks for none of these. Ask where you mean to go there all the same.
      </p>
      <GuardianConsent />
      <div v-for="area in areas" :key="area" class="border-b border-hairline py-1">
        <div class="flex flex-wrap items-center justify-between gap-x-4">
          <button type="button" class="min-h-[44px] min-w-[240px] flex-1 text-left" :aria-expanded="speaks(area)" @click="opened = area">
            <b :class="wanted.has(area) ? 'font-[650]' : 'font-normal'">{{ capital(atlas.consent[area]) }}</b><span
              v-if="wanted.has(area)"
              class="caption block"
              >for {{ [...new Set(wanted.get(area))].slice(0, 3).join('; ') }}</span
            >
          </button>
          <Choices
            :label="atlas.consent[area]"
            :options="{ yes: 'agrees', no: 'no' }"
            :value="given(area)"
            :unusual="['no']"
            @choose="(value) => answer(area, value)"
          />
        </div>
        <div v-if="speaks(area)" class="pb-2">
          <p class="border-l-2 border-iron pl-3">“{{ agreement(area)?.said ?? atlas.consentAsks[area] }}”</p>
          <div v-if="agreement(area)" class="mt-1 flex flex-wrap items-end justify-between gap-x-6 pl-3">
            <label v-if="given(area) === 'yes'" class="flex min-w-[260px] flex-1 items-center gap-3"
              ><span class="caption shrink-0">Yes, but</span
              ><input
                v-typed="agreement(area)?.but"
                class="field"
                maxlength="200"
                autocomplete="off"
                @change="answer(area, 'yes', ($event.target as HTMLInputElement).value.trim())"
            /></label>
            <Witness :agreement="agreement(area)!" class="py-2" />
          </div>
        </div>
      </div>
    </section>
    <aside>
      <h2 class="section-head">How {{ words.subject }} can lie</h2>
      <p class="caption mb-1">Take away what does not work today.</p>
      <p v-if="before.length" class="mb-2 flex flex-wrap items-center gap-x-3 border-l-2 border-dashed border-walnut pl-3">
        <span class="caption min-w-0 flex-1"
          >On {{ dayWords(props.before!.date) }} not {{ listed(before.map((item) => atlas.positions[item])) }}.</span
        >
        <button type="button" class="btn" @click="asLastTime">Unchanged</button>
      </p>
      <div class="flex flex-wrap gap-px" role="group" aria-label="Positions">
        <button
          v-for="position in all"
          :key="position"
          type="button"
          class="cell !px-3"
          :aria-pressed="possible.includes(position)"
          :data-unusual="!possible.includes(position)"
          @click="toggle(position)"
        >
          {{ atlas.positions[position] }}
        </button>
      </div>
      <h2 class="section-head mt-6">Say it like this</h2>
      <p class="mt-1">
        You undress as far as you like; what is not worked on stays covered. Ten is pain and never wanted; tell me a number whenever I ask,
        and “stop” works at once.
      </p>
    </aside>
  </div>
</template>
