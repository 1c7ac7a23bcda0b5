<script setup lang="ts">
import DayField from '@/controls/DayField.vue'
import { computed, ref } from 'vue'
import { atlas } from '@/chart/atlas'
import { useAnswers } from '@/composables/useAnswers'
import { useKeys } from '@/composables/useKeys'
import { dayWords } from '@/composables/settings'
import { entryKey, given } from '@/composables/fields'
import { isOf, useVisit } from '@/composables/useVisit'
import NumberField from '@/parts/NumberField.vue'
import CheckInNote from '@/parts/CheckInNote.vue'
import GuardianConsent from '@/parts/GuardianConsent.vue'
import CalfScore from '@/parts/screen/CalfScore.vue'
import ConditionCard from '@/parts/screen/ConditionCard.vue'
import FlagList from '@/parts/screen/FlagList.vue'
import Seek from '@/controls/Seek.vue'
import PlacePicker from '@/parts/PlacePicker.vue'
import VerdictBox from '@/parts/screen/VerdictBox.vue'
import { capital } from '@/parts/words'
import type { ConditionId, MedicineId } from '@/types/ids.generated'
import type { ConditionAnswer, Medicine } from '@/types/visit'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame(['Y', 'yes'], ['N', 'no'], ['U', 'unknown'], ['↑ ↓', 'question before, next question']) })

const { props, save, one, entries } = useVisit()
const { standing, asked, stateOf } = useAnswers()
const about = (name: string) => atlas.conditions.find((entry) => entry.id === name.split(':')[0])
/** Today's word on a condition, or the last that was said; today's null takes it back. The same one at two places has two names. */
const conditions = computed(() => {
  const map = new Map<string, { condition: ConditionAnswer; saidOn: string }>()
  for (const entry of [...props.value.standing, ...entries.value.values()])
    if (isOf('condition')(entry)) {
      if (entry.payload === null) map.delete(entry.identity)
      else map.set(entry.identity, { condition: entry.payload, saidOn: entry.said_on })
    }
  return map
})
const rank = (name: string): number => ['new', 'ask', 'stale', 'standing'].indexOf(stateOf('condition', name, `condition.${name}`))
/** New and changed first, as they were when the page was opened; what is added meanwhile comes last. */
const order = [...conditions.value.keys()].sort((a, b) => rank(a) - rank(b))
const place = (name: string): number => order.indexOf(name) + 1 || order.length + 1
const cards = computed(() =>
  [...conditions.value]
    .sort(([a], [b]) => place(a) - place(b))
    .flatMap(([name, { condition, saidOn }]) => {
      const rule = about(name)
      return rule && condition.answer !== 'no' ? [{ name, rule, condition, saidOn }] : []
    }),
)
const setCondition = (name: string, part: Partial<ConditionAnswer> | null) => {
  const rule = about(name)
  if (!rule) return
  // what an earlier visit said is not forgotten by taking it off the list: today it is denied
  const gone: ConditionAnswer | null = standing('condition', name) ? { condition: rule.id, answer: 'no' } : null
  const said: ConditionAnswer = { condition: rule.id, answer: 'yes', ...conditions.value.get(name)?.condition, ...part }
  save('condition', name, part === null ? gone : given(said), rule.label)
}
const namesOf = (id: ConditionId) => cards.value.filter((card) => card.rule.id === id).map((card) => card.name)
const isNamed = (id: ConditionId) => namesOf(id).length > 0
const toggleCondition = (id: ConditionId) => {
  const names = namesOf(id)
  if (!names.length) return setCondition(id, { answer: 'yes' })
  for (const name of names) setCondition(name, null)
}
const medicineNow = (id: string) => one('medicine', id) ?? standing('medicine', id)?.payload
const takes = (id: string): boolean => medicineNow(id)?.answer === 'yes'
/** What an earlier visit said is denied today, not forgotten; what was only said today is taken back. */
const setMedicine = (id: MedicineId, part: Partial<Medicine>) => {
  const next: Medicine = { medicine: id, answer: 'yes', ...medicineNow(id), ...part }
  const gone = next.answer === 'no' && !standing('medicine', id)
  save('medicine', id, gone ? null : given(next), atlas.medicines[id].label)
}
/** Every name that is known, once; one of two kinds, such as a painkiller that is a patch, is both. */
const byName = computed(() => {
  const kinds = new Map<string, MedicineId[]>()
  for (const id of Object.keys(atlas.medicines) as MedicineId[])
    for (const name of atlas.medicines[id].names) kinds.set(name, [...(kinds.get(name) ?? []), id])
  return [...kinds]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([name, ids]) => ({ id: name, name: `${name}: ${ids.map((id) => atlas.medicines[id].label).join(', ')}`, ids }))
})
const MOST_NAMED = 6
const takeNamed = (name: string) => {
  for (const id of byName.value.find((one) => one.id === name)?.ids ?? [])
    setMedicine(id, { answer: 'yes', named: [...new Set([...(medicineNow(id)?.named ?? []), name])].slice(0, MOST_NAMED) })
}
const leaveNamed = (id: MedicineId, name: string) => {
  const left = (medicineNow(id)?.named ?? []).filter((one) => one !== name)
  setMedicine(id, { named: left.length ? left : undefined })
}
const MEDICINES = 'allergies_medicines'
/** The seven groups, each read out by itself: one touch denies what was not named in it. */
const groups = computed(() =>
  Object.entries(atlas.groups).map(([id, name]) => {
    const members = atlas.conditions.filter((entry) => entry.group === id)
    const before = standing('group_asked', id)
    const open = asked.value.has(`conditions.${id}`) || (id === MEDICINES && asked.value.has('medicines'))
    const said = one('group_asked', id) ? 'asked today' : before ? `${open ? 'last asked' : 'asked'} ${dayWords(before.said_on)}` : ''
    return {
      id,
      name,
      members,
      open,
      named: members.some((entry) => isNamed(entry.id)) || (id === MEDICINES && (Object.keys(atlas.medicines) as MedicineId[]).some(takes)),
      when: said || (open ? 'not asked yet' : ''),
    }
  }),
)
const firstOpen = computed(() => groups.value.find((group) => group.open)?.id)
const unfolded = ref(new Set<string>())
const isOpen = (id: string) => unfolded.value.has(id) || firstOpen.value === id
const unfold = (id: string) => {
  const next = new Set(unfolded.value)
  if (!next.delete(id)) next.add(id)
  unfolded.value = next
}
const denyGroup = (id: string) => {
  save('group_asked', id, true, `${atlas.groups[id]}: read out`)
  unfolded.value = new Set([...unfolded.value].filter((open) => open !== id))
}
useKeys({ d: () => firstOpen.value && denyGroup(firstOpen.value) })
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
        v-for="card in cards"
        :key="card.name"
        :name="card.name"
        class="mb-3"
        :about="card.rule"
        :condition="card.condition"
        :said-on="card.saidOn"
        :today="props.visit.date"
        @change="(part) => setCondition(card.name, part)"
      />
      <ol aria-label="Groups of conditions">
        <li
          v-for="group in groups"
          :key="group.id"
          class="border-b border-hairline py-1"
          :class="group.open ? 'border-l-4 border-l-walnut pl-3' : 'pl-4'"
        >
          <div class="flex flex-wrap items-center justify-between gap-x-3">
            <button
              type="button"
              class="flex min-h-[44px] flex-1 flex-wrap items-center gap-x-2 text-left"
              :aria-expanded="isOpen(group.id)"
              @click="unfold(group.id)"
            >
              <span class="font-[650]">{{ group.name }}</span><span class="note" :class="group.open ? 'text-madder' : ''">{{
                group.when
              }}</span>
            </button>
            <button
              v-if="group.open"
              type="button"
              class="btn"
              :aria-label="`${group.name}: ${group.named ? 'none of the others' : 'none of these'}`"
              @click="denyGroup(group.id)"
            >
              {{ group.named ? 'None of the others' : 'None of these' }}
              <span v-if="group.id === firstOpen" class="key-hint">D</span>
            </button>
          </div>
          <div v-if="isOpen(group.id)" class="flex flex-wrap gap-px pb-2" role="group" :aria-label="group.name">
            <button
              v-for="entry in group.members"
              :key="entry.id"
              type="button"
              class="cell !px-3"
              :aria-pressed="isNamed(entry.id)"
              :data-unusual="isNamed(entry.id)"
              @click="toggleCondition(entry.id)"
            >
              {{ entry.label }}
            </button>
            <template v-if="group.id === MEDICINES">
              <button
                v-for="(medicine, id) in atlas.medicines"
                :key="id"
                type="button"
                class="cell !px-3"
                :aria-pressed="takes(id)"
                :data-unusual="takes(id)"
                @click="setMedicine(id, { answer: takes(id) ? 'no' : 'yes' })"
              >
                {{ medicine.label }}
              </button>
            </template>
          </div>
          <Seek
            v-if="isOpen(group.id) && group.id === MEDICINES"
            id="medicine-by-name"
            class="mb-2 max-w-[340px]"
            look="field"
            label="A medicine by its name"
            prompt="A medicine by its name"
            :choices="byName"
            @choose="takeNamed"
          />
          <template v-if="group.id === MEDICINES">
            <template v-for="(medicine, id) in atlas.medicines" :key="`named ${id}`">
              <p v-if="takes(id) && medicineNow(id)?.named?.length" class="pb-1">
                {{ capital(medicine.label) }}:
                <span v-for="name in medicineNow(id)?.named ?? []" :key="name" class="mr-2"
                  >{{ name }}
                  <button type="button" class="link caption" :aria-label="`${name}: take away`" @click="leaveNamed(id, name)">
                    away
                  </button></span
                >
              </p>
            </template>
          </template>
        </li>
      </ol>
      <template v-for="(medicine, id) in atlas.medicines" :key="id">
        <div
          v-if="takes(id) && (medicine.local || medicine.within_days || medicine.asks_weeks || medicine.asks_dose)"
          class="mt-2 border-l-2 border-iron pl-3"
        >
          <p class="caption">
            {{ capital(medicine.label) }}: {{ medicine.local ? 'where, and since when' : 'since when'
            }}<template v-if="medicine.within_days"> (it counts for {{ medicine.within_days }} days)</template>
          </p>
          <div class="flex flex-wrap items-end gap-2">
            <DayField
              :id="`since-${id}`"
              class="w-[170px]"
              :label="`${medicine.label}, since`"
              :name="`${medicine.label}, since`"
              :value="medicineNow(id)?.since"
              :today="props.visit.date"
              :max="props.visit.date"
              @choose="(since) => setMedicine(id, { since })"
            />
            <PlacePicker
              v-if="medicine.local"
              :id="`where-${id}`"
              :places="medicineNow(id)?.places ?? []"
              @change="(places) => setMedicine(id, { places })"
            />
            <div v-if="medicine.asks_weeks" class="w-[150px]">
              <NumberField
                :id="`weeks-${id}`"
                label="Weeks; unknown counts as long"
                :value="medicineNow(id)?.weeks"
                :entry="entryKey('medicine', 'before', id)"
                @commit="(weeks) => setMedicine(id, { weeks })"
              />
            </div>
            <div v-if="medicine.asks_dose" class="w-[150px]">
              <NumberField
                :id="`dose-${id}`"
                label="Last dose, hours ago"
                :value="medicineNow(id)?.last_dose_hours"
                :entry="entryKey('medicine', 'before', id)"
                @commit="(last_dose_hours) => setMedicine(id, { last_dose_hours })"
              />
            </div>
          </div>
        </div>
      </template>
    </aside>
  </div>
</template>
