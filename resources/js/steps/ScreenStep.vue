<script setup lang="ts">
import { computed, ref } from 'vue'
import { atlas } from '@/chart/atlas'
import { useAnswers } from '@/composables/useAnswers'
import { useVisit } from '@/composables/useVisit'
import CheckInNote from '@/parts/CheckInNote.vue'
import GuardianConsent from '@/parts/GuardianConsent.vue'
import CalfScore from '@/parts/screen/CalfScore.vue'
import ConditionCard from '@/parts/screen/ConditionCard.vue'
import FlagList from '@/parts/screen/FlagList.vue'
import PlacePicker from '@/parts/screen/PlacePicker.vue'
import VerdictBox from '@/parts/screen/VerdictBox.vue'
import { capital } from '@/parts/words'
import type { ConditionId, MedicineId } from '@/types/ids.generated'
import type { Answer, ConditionAnswer, Place } from '@/types/visit'

const { props, save, one, entries } = useVisit()
const { standing, asked, stateOf } = useAnswers()
const about = (id: ConditionId) => atlas.conditions.find((entry) => entry.id === id)
/** Today's word on a condition, or the last that was said; today's null takes it back. */
const conditions = computed(() => {
  const map = new Map<ConditionId, { condition: ConditionAnswer; saidOn: string }>()
  for (const entry of [...props.value.standing, ...entries.value.values()])
    if (entry.kind === 'condition') {
      const id = entry.identity as ConditionId
      if (entry.payload === null) map.delete(id)
      else map.set(id, { condition: entry.payload as ConditionAnswer, saidOn: entry.said_on })
    }
  return map
})
const rank = (id: ConditionId): number => ['new', 'ask', 'stale', 'standing'].indexOf(stateOf('condition', id, `condition.${id}`))
/** New and changed first, as they were when the page was opened; what is added meanwhile comes last. */
const order = [...conditions.value.keys()].sort((a, b) => rank(a) - rank(b))
const place = (id: ConditionId): number => order.indexOf(id) + 1 || order.length + 1
const cards = computed(() =>
  [...conditions.value]
    .sort(([a], [b]) => place(a) - place(b))
    .flatMap(([id, { condition, saidOn }]) => {
      const rule = about(id)
      return rule ? [{ id, rule, condition, saidOn }] : []
    }),
)
const kept = (answer: object) => Object.fromEntries(Object.entries(answer).filter(([, value]) => value !== undefined))
const setCondition = (id: ConditionId, part: Partial<ConditionAnswer> | null) =>
  save(
    'condition',
    id,
    part === null
      ? // what an earlier visit said is not forgotten by taking it off the list: today it is denied
        standing('condition', id)
        ? { condition: id, answer: 'no' }
        : null
      : kept({ condition: id, answer: 'yes', ...conditions.value.get(id)?.condition, ...part }),
    about(id)?.label ?? id,
  )
const isNamed = (id: ConditionId) => conditions.value.has(id) && conditions.value.get(id)?.condition.answer !== 'no'
const denied = computed(
  () =>
    one<boolean>('others_denied', '') ??
    (asked.value.has('conditions.nerves') ? undefined : (standing('others_denied', '')?.payload as boolean | undefined)),
)
interface Medicine {
  medicine: string
  answer: Answer
  since?: string
  places?: Place[]
}
const medicineNow = (id: string) => one<Medicine>('medicine', id) ?? (standing('medicine', id)?.payload as Medicine | undefined)
const takes = (id: string): boolean => medicineNow(id)?.answer === 'yes'
/** What an earlier visit said is denied today, not forgotten; what was only said today is taken back. */
const setMedicine = (id: MedicineId, part: Partial<Medicine>) => {
  const next = { medicine: id, answer: 'yes' as Answer, ...medicineNow(id), ...part }
  const gone = next.answer === 'no' && !standing('medicine', id)
  save('medicine', id, gone ? null : kept(next), atlas.medicines[id].label)
}
const openGroups = computed(() => new Set([...asked.value].flatMap((id) => (id.startsWith('conditions.') ? [id.slice(11)] : []))))
const group = ref(Object.keys(atlas.groups)[0] ?? '')
const inGroup = computed(() => atlas.conditions.filter((entry) => entry.group === group.value))
</script>
<template>
  <div class="grid flex-1 content-start gap-x-10 px-6 pb-6 pt-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,460px)]">
    <CheckInNote />
    <FlagList />
    <aside>
      <VerdictBox />
      <GuardianConsent />
      <CalfScore />
      <h2 class="section-head">Conditions</h2>
      <p class="caption mb-2">A name alone decides nothing: how bad and how fresh does.</p>
      <ConditionCard
        v-for="card in cards.filter(({ id }) => isNamed(id))"
        :key="card.id"
        class="mb-3"
        :about="card.rule"
        :condition="card.condition"
        :said-on="card.saidOn"
        :today="props.visit.date"
        @change="(part) => setCondition(card.id, part)"
      />
      <div class="mb-2 flex flex-wrap gap-px" role="group" aria-label="Groups of conditions">
        <button
          v-for="(name, id) in atlas.groups"
          :key="id"
          type="button"
          class="cell !min-h-[36px] text-[14px]"
          :aria-pressed="group === id"
          @click="group = id"
        >
          {{ name }}<span v-if="openGroups.has(id)" class="note pl-1">open</span>
        </button>
      </div>
      <div class="flex flex-wrap gap-px" role="group" :aria-label="atlas.groups[group]">
        <button
          v-for="entry in inGroup"
          :key="entry.id"
          type="button"
          class="cell !px-3"
          :aria-pressed="isNamed(entry.id)"
          :data-unusual="isNamed(entry.id)"
          @click="setCondition(entry.id, isNamed(entry.id) ? null : { answer: 'yes' })"
        >
          {{ entry.label }}
        </button>
      </div>
      <h2 class="section-head mt-5">Medicines</h2>
      <div class="flex flex-wrap gap-px" role="group" aria-label="Medicines">
        <button
          v-for="(medicine, id) in atlas.medicines"
          :key="id"
          type="button"
          class="cell !min-h-[36px] text-[14px]"
          :aria-pressed="takes(id)"
          :data-unusual="takes(id)"
          @click="setMedicine(id, { answer: takes(id) ? 'no' : 'yes' })"
        >
          {{ medicine.label }}
        </button>
      </div>
      <template v-for="(medicine, id) in atlas.medicines" :key="id">
        <div v-if="takes(id) && (medicine.local || medicine.within_days)" class="mt-2 border-l-2 border-iron pl-3">
          <p class="caption">
            {{ capital(medicine.label) }}: where, and when<template v-if="medicine.within_days">
              (it counts for {{ medicine.within_days }} days)</template
            >
          </p>
          <div class="flex flex-wrap items-center gap-2">
            <input
              type="date"
              class="field !w-[150px] !px-2"
              :aria-label="`${medicine.label}, since`"
              :max="props.visit.date"
              :value="medicineNow(id)?.since ?? ''"
              @change="setMedicine(id, { since: ($event.target as HTMLInputElement).value || undefined })"
            />
            <PlacePicker
              v-if="medicine.local"
              :id="`where-${id}`"
              :places="medicineNow(id)?.places ?? []"
              @change="(places) => setMedicine(id, { places })"
            />
          </div>
        </div>
      </template>
      <label class="mt-4 flex min-h-[44px] items-center gap-3"
        ><input
          type="checkbox"
          class="size-6 accent-walnut"
          :checked="denied === true"
          @change="save('others_denied', '', ($event.target as HTMLInputElement).checked, 'everything else asked and denied')"
        />
        Everything else was asked and denied</label
      >
    </aside>
  </div>
</template>
