<script setup lang="ts">
import { computed } from 'vue'
import { movement as movementOf, muscle as muscleOf, placeName } from '@/chart/atlas'
import { entryKey, nameOf } from '@/composables/fields'
import { said } from '@/composables/said'
import { changeOf, placeOf } from '@/composables/measuredAgain'
import { useVisit } from '@/composables/useVisit'
import AboutButton from '@/parts/AboutButton.vue'
import NumberField from '@/parts/NumberField.vue'
import RangeArcs from '@/parts/RangeArcs.vue'
import Scale from '@/parts/Scale.vue'
import StillOpen from '@/parts/StillOpen.vue'
import type { MovementId, Side } from '@/types/ids.generated'
import type { Complaint, Palpation, RangeFinding } from '@/types/visit'
import { capital } from '@/parts/words'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame() })

const visit = useVisit()
const { props, save, one, all } = visit
const words = computed(() => props.value.client.words)
const wanted = computed(
  () => new Set((props.value.agreed?.plan.steps ?? []).flatMap((step) => (step.check ? [`${step.check.kind}:${step.check.id}`] : []))),
)
const ranges = computed(() => {
  const ids = [...new Set(all('range').map((item) => item.movement))]
  return ids.sort((a, b) => Number(wanted.value.has(`range:${b}`)) - Number(wanted.value.has(`range:${a}`)))
})
const sides = (id: MovementId): Side[] => (movementOf(id).paired ? ['left', 'right'] : ['midline'])
const rangeAt = (id: MovementId, side: Side, phase: 'before' | 'after') => one('range', nameOf('range', { movement: id, side }), phase)
const setRange = (id: MovementId, side: Side, part: Partial<RangeFinding>) =>
  save(
    'range',
    nameOf('range', { movement: id, side }),
    said('range', { movement: id, side, ...rangeAt(id, side, 'after'), ...part }),
    `${movementOf(id).name} ${side}, after`,
    'after',
  )
const gain = (id: MovementId, side: Side): string => {
  const from = rangeAt(id, side, 'before')?.active
  const to = rangeAt(id, side, 'after')?.active
  return from === undefined || to === undefined ? '' : changeOf(movementOf(id), from, to)
}
/** What was tender and worked, the sorest muscle first, and of each the sorer side. */
const felt = computed(() => {
  const again = all('palpation').filter(
    (item) =>
      (item.tenderness ?? 0) > 0 &&
      (wanted.value.has(`palpate:${item.muscle}`) ||
        props.value.done.some((done) => done.muscle === item.muscle && done.side === item.side)),
  )
  const sore = (item: Palpation): number => item.tenderness ?? 0
  const most = (muscle: Palpation['muscle']): number => Math.max(...again.filter((item) => item.muscle === muscle).map(sore))
  return again.sort((a, b) => most(b.muscle) - most(a.muscle) || a.muscle.localeCompare(b.muscle) || sore(b) - sore(a))
})
const setFelt = (item: Palpation, tenderness: number | undefined) =>
  save(
    'palpation',
    nameOf('palpation', item),
    tenderness === undefined ? null : { ...placeOf(item), tenderness },
    `${muscleOf(item.muscle).name} ${item.side}, after`,
    'after',
  )
const complaints = computed(() => all('complaint'))
/** Anything that can be compared: a movement, a spot, or what hurt. */
const isAny = computed(() => ranges.value.length + felt.value.length + complaints.value.length > 0)
const setPain = (item: Complaint, now: number | undefined) =>
  save(
    'complaint',
    nameOf('complaint', item),
    now === undefined ? null : { zone: item.zone, side: item.side, now },
    `${placeName(item)}, after`,
    'after',
  )
</script>
<template>
  <div class="grid flex-1 gap-x-12 px-6 pb-6 pt-4" :class="ranges.length ? 'lg:grid-cols-2' : 'max-w-[720px] content-start'">
    <section aria-label="Movement again">
      <h2 class="display text-[25px] leading-[31px]">Same movement, same spot, same side</h2>
      <p class="caption mb-2">This is how you learn which muscle mattered. A change within measuring error is not a change.</p>
      <article v-for="id in ranges" :key="id" class="border-b border-hairline py-3">
        <h3 class="section-head">
          {{ movementOf(id).name }}<span v-if="wanted.has(`range:${id}`)" class="caption font-text"> · in the plan</span>
          <AboutButton :id="id" class="ml-3 font-text" kind="movement" :name="movementOf(id).name">How</AboutButton>
        </h3>
        <RangeArcs
          v-if="movementOf(id).paired"
          tick="before the work"
          class="mx-auto max-w-[360px]"
          :movement="movementOf(id)"
          :left="rangeAt(id, 'left', 'after')?.active"
          :right="rangeAt(id, 'right', 'after')?.active"
          :before="{ left: rangeAt(id, 'left', 'before')?.active, right: rangeAt(id, 'right', 'before')?.active }"
        />
        <div class="grid grid-cols-2 gap-4">
          <div v-for="side in sides(id)" :key="side">
            <NumberField
              :id="`after-${id}-${side}`"
              :label="`${side === 'midline' ? 'After' : `${words.possessive} ${side}, after`} (before ${rangeAt(id, side, 'before')?.active ?? '–'})`"
              :value="rangeAt(id, side, 'after')?.active"
              :entry="entryKey('range', 'after', nameOf('range', { movement: id, side }))"
              @commit="(active) => setRange(id, side, { active })"
            />
            <p class="caption">{{ gain(id, side) }}</p>
            <template v-if="rangeAt(id, side, 'before')?.pain !== undefined">
              <p class="caption mt-1">Pain on it (before {{ rangeAt(id, side, 'before')?.pain }})</p>
              <Scale
                :label="`Pain on ${movementOf(id).name.toLowerCase()}, ${side}, after`"
                :value="rangeAt(id, side, 'after')?.pain"
                :ghost="rangeAt(id, side, 'before')?.pain"
                :unusual-from="2"
                @choose="(pain) => setRange(id, side, { pain })"
              />
            </template>
          </div>
        </div>
      </article>
      <p v-if="!ranges.length && isAny" class="mb-4">
        No movement was measured before the work, so none can be compared. What was pressed and what hurt can:
      </p>
      <template v-if="!isAny">
        <p class="mb-2">Nothing is there to compare yet. What is looked at, pressed or told before the work is asked for here again.</p>
        <StillOpen :of="['ask', 'move', 'feel', 'work']" />
      </template>
    </section>
    <section v-if="isAny" aria-label="The same spots again">
      <h2 class="section-head">Press again</h2>
      <article v-for="item in felt" :key="nameOf('palpation', item)" class="border-b border-hairline py-2">
        <p>
          <b class="font-[650]">{{ muscleOf(item.muscle).name }}, {{ item.side }}</b
          ><span class="caption ml-2">before {{ item.tenderness }}</span>
          <AboutButton :id="item.muscle" class="ml-3" kind="muscle" :name="muscleOf(item.muscle).name" :side="item.side"
            >Find it</AboutButton
          >
        </p>
        <Scale
          :most="4"
          :label="`Tenderness of ${muscleOf(item.muscle).name} ${item.side}, after`"
          :value="one('palpation', nameOf('palpation', item), 'after')?.tenderness"
          :unusual-from="1"
          @choose="(value) => setFelt(item, value)"
        />
      </article>
      <p v-if="!felt.length" class="caption">Nothing was worked that had been felt before.</p>
      <h2 v-if="complaints.length" class="section-head mt-5">Pain now</h2>
      <article v-for="item in complaints" :key="item.zone + item.side" class="py-2">
        <p>
          <b class="font-[650]">{{ capital(placeName(item)) }}</b><span class="caption ml-2">{{
            item.now === undefined ? 'not asked before' : `before ${item.now}`
          }}</span>
        </p>
        <Scale
          :label="`Pain in ${placeName(item)}, after`"
          :value="one('complaint', nameOf('complaint', item), 'after')?.now"
          :unusual-from="1"
          @choose="(value) => setPain(item, value)"
        />
      </article>
    </section>
  </div>
</template>
