<script setup lang="ts">
import DayField from '@/controls/DayField.vue'
import { computed, ref, watch } from 'vue'
import { atlas, zone } from '@/chart/atlas'
import { useAnswers, type AnswerState } from '@/composables/useAnswers'
import { useKeys } from '@/composables/useKeys'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import { dayWords } from '@/composables/settings'
import type { RedFlagId } from '@/types/ids.generated'
import type { Answer } from '@/types/visit'

/** The red flags: what is new or changed first, then what is open or too old, then what stands. */
const visit = useVisit()
const { props, save, one } = visit
const { standing, answerOf, stateOf } = useAnswers()
const answers = { no: 'no', yes: 'yes', unknown: 'unknown' } as const
const heads: { states: AnswerState[]; name: string }[] = [
  { states: ['new'], name: 'New, or changed since last time' },
  { states: ['ask', 'stale'], name: 'To ask now' },
  { states: ['standing'], name: 'Answered, and still fresh' },
]
const ids = Object.keys(atlas.flags) as RedFlagId[]
const groupOf = (flag: RedFlagId): number => heads.findIndex((head) => head.states.includes(stateOf('red_flag', flag, flag)))
const complaints = computed(() => visit.all('complaint'))
/** What belongs to what hurts, or to the age, is asked first. */
const belongs = (flag: RedFlagId): boolean => {
  const { near, zones, qualities, situations, from_age } = atlas.flags[flag].firstFor
  return (
    (from_age !== undefined && props.value.client.age >= from_age) ||
    complaints.value.some(
      (one) =>
        near?.includes(zone(one.zone).group) ||
        zones?.includes(one.zone) ||
        one.qualities?.some((quality) => qualities?.includes(quality)) ||
        one.worse_with?.some((with_) => 'situation' in with_ && situations?.includes(with_.situation)),
    )
  )
}
const sorted = (): { flag: RedFlagId; group: number }[] =>
  ids
    .map((flag) => ({ flag, group: groupOf(flag) }))
    .sort(
      (a, b) =>
        a.group - b.group ||
        Number(belongs(b.flag)) - Number(belongs(a.flag)) ||
        Number(atlas.flags[b.flag].everyVisit) - Number(atlas.flags[a.flag].everyVisit),
    )
// the order holds while one answers: nothing may move under the finger
const rows = ref(sorted())
watch(
  () => props.value.check_in?.taken,
  () => (rows.value = sorted()),
  { flush: 'post' }, // by then the store has read what came
)
const firstOpen = () =>
  Math.max(
    0,
    rows.value.findIndex(({ flag }) => answer(flag) === undefined),
  )
const answer = (flag: RedFlagId) => answerOf('red_flag', flag, flag)
const current = ref(firstOpen())
const set = (flag: RedFlagId, value: Answer | undefined) =>
  save('red_flag', flag, value ?? null, `${atlas.flags[flag].ask} ${value ?? 'taken back'}`)
/** Read out and denied group by group: those of every visit, and the others. */
const groups = [
  { id: 'red_flags_every_visit', name: 'asked every visit', everyVisit: true },
  { id: 'red_flags_other', name: 'asked once a month', everyVisit: false },
] as const
const left = computed(() =>
  groups.flatMap((group) => {
    const flags = ids.filter((flag) => atlas.flags[flag].everyVisit === group.everyVisit && answer(flag) === undefined)
    return flags.length ? [{ ...group, flags }] : []
  }),
)
const deny = (group: (typeof left.value)[number]) =>
  visit.saveAll(
    [
      ...group.flags.map((identity) => ({ kind: 'red_flag' as const, identity, payload: 'no' as const })),
      { kind: 'group_asked', identity: group.id, payload: true },
    ],
    `${group.flags.length} questions ${group.name}, denied`,
  )
const since = (flag: RedFlagId) => one('red_flag_since', flag) ?? standing('red_flag_since', flag)?.payload ?? ''
const setSince = (flag: RedFlagId, day: string) => save('red_flag_since', flag, day || null, `since ${day || 'taken back'}`)
const noteOf = (flag: RedFlagId): string => {
  const before = standing('red_flag', flag)
  if (!before) return ''
  const day = dayWords(before.said_on)
  if (one('red_flag', flag) !== undefined) return before.payload === one('red_flag', flag) ? '' : `was ${String(before.payload)}, ${day}`
  return answer(flag) === undefined ? `last asked ${day}` : `answered ${day}`
}
const go = (to: number) => {
  current.value = Math.max(0, Math.min(rows.value.length - 1, to))
  document.getElementById(`flag-${rows.value[current.value]?.flag}`)?.scrollIntoView({ block: 'nearest' })
}
const answerCurrent = (value: Answer) => {
  const row = rows.value[current.value]
  if (!row) return
  set(row.flag, value)
  go(current.value + 1)
}
useKeys({
  y: () => answerCurrent('yes'),
  n: () => answerCurrent('no'),
  u: () => answerCurrent('unknown'),
  ArrowDown: () => go(current.value + 1),
  ArrowUp: () => go(current.value - 1),
})
</script>
<template>
  <section aria-label="Red flags">
    <div class="flex flex-wrap items-center justify-between gap-3">
      <h2 class="section-head">Before hands go on</h2>
      <div class="flex flex-wrap gap-2">
        <button v-for="group in left" :key="group.id" type="button" class="btn" @click="deny(group)">
          {{ group.flags.length }} {{ group.name }}: read out, all denied
        </button>
      </div>
    </div>
    <p class="caption mb-2">
      A question not answered is unknown, and unknown is never no.
      <span class="inline-flex gap-2" aria-hidden="true"
        ><span v-for="key in ['Y', 'N', 'U']" :key="key" class="key-hint">{{ key }}</span></span
      >
    </p>
    <ol>
      <template v-for="({ flag, group }, index) in rows" :key="flag">
        <li
          v-if="group !== rows[index - 1]?.group"
          class="pb-1 pt-3 first:pt-0"
          :class="group === 0 ? 'font-[650] text-madder' : 'caption'"
        >
          {{ heads[group]?.name }}
        </li>
        <li
          :id="`flag-${flag}`"
          class="flex flex-wrap items-center justify-between gap-x-4 border-b border-hairline py-1"
          :class="index === current ? 'border-l-4 border-l-walnut bg-fold/60 pl-3' : 'pl-4'"
          @click="current = index"
        >
          <span class="min-w-[240px] flex-1"
            >{{ atlas.flags[flag].ask }}
            <span v-if="atlas.flags[flag].dated && answer(flag) === 'yes'" class="caption inline-flex items-center gap-2"
              ><label :for="`since-${flag}`">when</label
              ><DayField
                :id="`since-${flag}`"
                class="w-[170px]"
                :label="`${atlas.flags[flag].ask} When?`"
                :value="since(flag)"
                :today="props.visit.date"
                :max="props.visit.date"
                @choose="(day) => setSince(flag, day ?? '')"
              /><span v-if="!since(flag)" class="text-madder">without a day it counts as this week</span></span
            >
            <span v-if="noteOf(flag)" class="note whitespace-nowrap">{{ noteOf(flag) }}</span></span
          >
          <Choices
            :label="atlas.flags[flag].ask"
            :options="answers"
            :value="answer(flag)"
            :unusual="['yes', 'unknown']"
            @choose="(value) => set(flag, value)"
          />
        </li>
      </template>
    </ol>
  </section>
</template>
