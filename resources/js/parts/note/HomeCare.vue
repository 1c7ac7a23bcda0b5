<script setup lang="ts">
import { computed } from 'vue'
import { atlas } from '@/chart/atlas'
import ExerciseDrawing from '@/chart/ExerciseDrawing.vue'
import { vTyped } from '@/composables/typed'
import Seek from '@/controls/Seek.vue'
import { useVisit } from '@/composables/useVisit'
import type { EntryPayloads, HomeAdvice } from '@/types/visit'

/** What is given for home: proposed with its reason, handed out on a touch, its dose as it was agreed. Nothing is given unasked. */
const { props, judged, all, save } = useVisit()
type Given = EntryPayloads['home_care']
const given = computed(() => all('home_care'))
const offers = computed(() => (judged.value.home ?? []).filter((one) => !given.value.some(({ exercise }) => exercise === one.exercise)))
const about = (id: Given['exercise']) => atlas.self_care[id]
/** What is as usual is not written: it follows the atlas; what heals is given less, and that is. */
const unusual = (exercise: Given['exercise'], dose: string) => (dose === about(exercise)?.dose ? {} : { dose })
const hand = ({ exercise, side, name, dose }: HomeAdvice): void =>
  save('home_care', exercise, { exercise, side, ...unusual(exercise, dose) }, `For home: ${name}`)
const takeBack = ({ exercise }: Given): void => save('home_care', exercise, null, 'Not for home')
const change = (one: Given, field: 'dose' | 'how_often', event: Event): void => {
  const text = (event.target as HTMLInputElement).value.trim()
  const { dose, how_often, ...what } = { ...one, [field]: text }
  const usual = about(one.exercise)
  const other = { ...(dose && unusual(one.exercise, dose)), ...(how_often && how_often !== usual?.how_often && { how_often }) }
  save('home_care', one.exercise, { ...what, ...other }, 'The dose for home')
}
const MOST = 3
/** All there is; what may not be given today stands there with the reason. */
const choices = computed(() =>
  (judged.value.home_choices ?? [])
    .filter(({ exercise }) => !given.value.some((one) => one.exercise === exercise))
    .map(({ exercise, because }) => ({
      id: exercise,
      name: because ? `${about(exercise)?.name}. ${because}` : (about(exercise)?.name ?? exercise),
      barred: because !== null,
    })),
)
/** By hand it is for both sides, or for the one on which it may be done. */
const choose = (exercise: Given['exercise']): void => {
  const choice = judged.value.home_choices?.find((one) => one.exercise === exercise)
  if (!choice) return
  const [side, other] = choice.sides
  const on = side && !other ? { side } : {}
  save('home_care', exercise, { exercise, ...on, ...unusual(exercise, choice.dose) }, `For home: ${about(exercise)?.name}`)
}
const sided = ({ side }: { side?: string | undefined }): string => (side && side !== 'midline' ? `, ${side}` : '')
</script>
<template>
  <div class="mt-1 pl-3">
    <ul v-if="given.length" aria-label="Handed out">
      <li v-for="one in given" :key="one.exercise" class="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline py-2">
        <span class="h-[56px] w-[104px] shrink-0"><ExerciseDrawing :exercise="one.exercise" /></span>
        <b class="min-w-[96px] flex-1 font-[650]">{{ about(one.exercise)?.name }}{{ sided(one) }}</b>
        <label class="w-[108px]"
          ><span class="sr-only">How much of {{ about(one.exercise)?.name }}</span
          ><input
            v-typed="one.dose ?? about(one.exercise)?.dose"
            class="field"
            maxlength="120"
            @change="(event) => change(one, 'dose', event)" /></label
        ><label class="w-[164px]"
          ><span class="sr-only">How often {{ about(one.exercise)?.name }}</span
          ><input
            v-typed="one.how_often ?? about(one.exercise)?.how_often"
            class="field"
            maxlength="120"
            @change="(event) => change(one, 'how_often', event)"
        /></label>
        <button type="button" class="btn" :aria-label="`Take back ${about(one.exercise)?.name}`" @click="takeBack(one)">Take back</button>
      </li>
    </ul>
    <p v-if="given.length" class="no-print mt-2">
      <a class="btn" :href="`/visits/${props.visit.id}/home-care`">The sheet, to print</a>
    </p>
    <p v-if="!offers.length && !given.length && props.done.length" class="caption">
      Nothing that fits what was worked keeps within today’s limits.
    </p>
    <template v-if="offers.length && given.length < MOST">
      <p class="caption mt-2">For what was worked</p>
      <ul aria-label="Proposed for home">
        <li v-for="one in offers" :key="one.exercise" class="flex items-center gap-3 border-b border-hairline py-2">
          <span class="h-[56px] w-[104px] shrink-0"><ExerciseDrawing :exercise="one.exercise" /></span>
          <span class="flex-1">
            <b class="font-[650]">{{ one.name }}</b>, {{ one.dose }}, {{ one.how_often }}<br /><span class="caption"
              >{{ one.because }} {{ one.stage }}</span
            >
          </span>
          <button type="button" class="btn shrink-0" :aria-label="`Hand out ${one.name}`" @click="hand(one)">Hand out</button>
        </li>
      </ul>
    </template>
    <Seek
      v-if="given.length < MOST && choices.length"
      id="home-by-hand"
      class="no-print mt-2 max-w-[340px]"
      look="field"
      label="Something else for home"
      prompt="Something else, by name"
      :choices="choices"
      @choose="choose"
    />
  </div>
</template>
