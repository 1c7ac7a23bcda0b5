<script setup lang="ts">
import { Link, usePage } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import { atlas, placeName, places } from '@/chart/atlas'
import { useKeys } from '@/composables/useKeys'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import CheckInNote from '@/parts/CheckInNote.vue'
import Gate from '@/parts/Gate.vue'
import { capital, dayWords, verdictWords } from '@/parts/words'
import type { ConditionId, RedFlagId } from '@/types/ids.generated'
import type { Answer, ConditionAnswer, Place } from '@/types/visit'

const visit = useVisit()
const { props, judged, save, one, all } = visit
const answers = { no: 'no', yes: 'yes', unknown: 'unknown' } as const
const flags = computed(() =>
  (Object.entries(atlas.flags) as [RedFlagId, { ask: string; everyVisit: boolean }][]).sort(
    (a, b) => Number(b[1].everyVisit) - Number(a[1].everyVisit),
  ),
)
const standing = (kind: string, identity: string) =>
  props.value.standing.find((entry) => entry.kind === kind && entry.identity === identity)
/** An answer of an earlier visit still stands where the gate does not ask it again. */
const asked = computed(() => new Set(judged.value.safety.questions.map((question) => question.id)))
const answerOf = (flag: RedFlagId): Answer | undefined =>
  one<Answer>('red_flag', flag) ?? (asked.value.has(flag) ? undefined : (standing('red_flag', flag)?.payload as Answer | undefined))
const current = ref(0)
const setFlag = (flag: RedFlagId, value: Answer | undefined) =>
  save('red_flag', flag, value ?? null, `${atlas.flags[flag].ask} ${value ?? 'taken back'}`)
const left = computed(() => flags.value.filter(([flag]) => answerOf(flag) === undefined))
const denyRest = () =>
  visit.saveAll(
    left.value.map(([flag]) => ({ kind: 'red_flag', identity: flag, payload: 'no' })),
    `${left.value.length} questions denied`,
  )
const conditions = computed(() => {
  const map = new Map<string, ConditionAnswer>()
  for (const entry of props.value.standing) if (entry.kind === 'condition') map.set(entry.identity, entry.payload as ConditionAnswer)
  for (const entry of visit.entries.value.values())
    if (entry.kind === 'condition') {
      if (entry.payload === null) map.delete(entry.identity)
      else map.set(entry.identity, entry.payload as ConditionAnswer)
    }
  return map
})
const label = (id: ConditionId) => atlas.conditions.find((entry) => entry.id === id)
const setCondition = (id: ConditionId, part: Partial<ConditionAnswer> | null) =>
  save(
    'condition',
    id,
    part === null
      ? null
      : Object.fromEntries(
          Object.entries({ condition: id, answer: 'yes', ...conditions.value.get(id), ...part }).filter(([, value]) => value !== undefined),
        ),
    label(id)?.label ?? id,
  )
const denied = computed(
  () =>
    one<boolean>('others_denied', '') ??
    (asked.value.has('conditions.nerves') ? undefined : (standing('others_denied', '')?.payload as boolean | undefined)),
)
const medicines = computed(
  () =>
    new Set([
      ...props.value.standing.filter((entry) => entry.kind === 'medicine').map((entry) => entry.identity),
      ...all<{ medicine: string }>('medicine').map((entry) => entry.medicine),
    ]),
)
const group = ref(Object.keys(atlas.groups)[0] ?? '')
const inGroup = computed(() => atlas.conditions.filter((entry) => entry.group === group.value))
const addPlace = (id: ConditionId, event: Event) => {
  const [zone, side] = (event.target as HTMLSelectElement).value.split(':')
  if (zone) setCondition(id, { zones: [...(conditions.value.get(id)?.zones ?? []), { zone, side } as Place] })
  ;(event.target as HTMLSelectElement).value = ''
}
const answerCurrent = (value: Answer) => {
  const flag = flags.value[current.value]?.[0]
  if (!flag) return
  setFlag(flag, value)
  current.value = Math.min(flags.value.length - 1, current.value + 1)
  document.getElementById(`flag-${flags.value[current.value]?.[0]}`)?.scrollIntoView({ block: 'nearest' })
}
useKeys({
  y: () => answerCurrent('yes'),
  n: () => answerCurrent('no'),
  u: () => answerCurrent('unknown'),
  ArrowDown: () => (current.value = Math.min(flags.value.length - 1, current.value + 1)),
  ArrowUp: () => (current.value = Math.max(0, current.value - 1)),
})
/** Every reason, the strongest first; open questions are told by the questions themselves. */
const because = computed(() =>
  judged.value.safety.because.filter((one) => !one.rule.startsWith('open.') || judged.value.safety.because.length === 1),
)
const override = ref('')
const licensed = computed(() => usePage<{ user: { licensed: boolean } }>().props.user.licensed)
const canOverride = computed(() => licensed.value && ['refer', 'defer'].includes(judged.value.safety.verdict))
const writeOverride = () => {
  save(
    'override',
    'today',
    { verdict: judged.value.safety.verdict, by_licensed: true, reason: override.value.trim(), on: props.value.visit.date },
    'decision in writing',
  )
  override.value = ''
}
</script>
<template>
  <div class="grid flex-1 gap-x-10 px-6 pb-6 pt-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,460px)]">
    <CheckInNote />
    <section aria-label="Red flags">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h2 class="section-head">Before hands go on</h2>
        <button v-if="left.length" type="button" class="btn" @click="denyRest">All {{ left.length }} read out, all denied</button>
      </div>
      <p class="caption mb-2">A question not answered is unknown, and unknown is never no.</p>
      <ol>
        <li
          v-for="([flag, about], index) in flags"
          :id="`flag-${flag}`"
          :key="flag"
          class="flex flex-wrap items-center justify-between gap-x-4 border-b border-hairline py-1"
          :class="index === current ? 'border-l-4 border-l-walnut bg-fold/60 pl-3' : 'pl-4'"
          @click="current = index"
        >
          <span class="min-w-[240px] flex-1"
            >{{ about.ask }}
            <span v-if="standing('red_flag', flag) && one('red_flag', flag) === undefined && answerOf(flag) !== undefined" class="note"
              >answered {{ dayWords(standing('red_flag', flag)?.said_on ?? '') }}</span
            ></span
          >
          <Choices
            :label="about.ask"
            :options="answers"
            :value="answerOf(flag)"
            :unusual="['yes', 'unknown']"
            @choose="(value) => setFlag(flag, value)"
          />
        </li>
      </ol>
    </section>
    <aside>
      <div class="mb-4 border-t-2 border-iron pt-2">
        <p class="flex items-center gap-3">
          <Gate :verdict="judged.safety.verdict" /><span class="display text-[23px] leading-7">{{
            verdictWords[judged.safety.verdict]
          }}</span>
        </p>
        <ul v-if="because.length" class="mt-1">
          <li v-for="reason in because" :key="reason.rule" class="py-0.5">
            {{ reason.reason
            }}<span v-if="reason.verdict !== judged.safety.verdict" class="caption">
              ({{ verdictWords[reason.verdict].toLowerCase() }})</span
            >
          </li>
        </ul>
        <p v-if="['emergency', 'refer'].includes(judged.safety.verdict)" class="mt-3">
          <Link :href="`/visits/${props.visit.id}/letter`" class="btn">Write the letter</Link>
        </p>
        <template v-if="canOverride">
          <label class="caption mt-3 block" for="override"
            >Treat all the same? A licensed person says why, in writing. Every limit stays.</label
          >
          <textarea id="override" v-model="override" class="field" rows="2" minlength="10" />
          <button type="button" class="btn mt-1" :disabled="override.trim().length < 10" @click="writeOverride">
            Write it on the record
          </button>
        </template>
      </div>
      <h2 class="section-head">Conditions</h2>
      <p class="caption mb-2">A name alone decides nothing: how bad and how fresh does.</p>
      <div class="mb-2 flex flex-wrap gap-px" role="group" aria-label="Groups of conditions">
        <button
          v-for="(name, id) in atlas.groups"
          :key="id"
          type="button"
          class="cell !min-h-[36px] text-[14px]"
          :aria-pressed="group === id"
          @click="group = id"
        >
          {{ name }}
        </button>
      </div>
      <div class="flex flex-wrap gap-px" role="group" :aria-label="atlas.groups[group]">
        <button
          v-for="entry in inGroup"
          :key="entry.id"
          type="button"
          class="cell !px-3"
          :aria-pressed="conditions.has(entry.id)"
          :data-unusual="conditions.has(entry.id)"
          @click="setCondition(entry.id, conditions.has(entry.id) && one('condition', entry.id) ? null : {})"
        >
          {{ entry.label }}
        </button>
      </div>
      <article v-for="[id, condition] in conditions" :key="id" class="mt-3 border-l-2 border-iron pl-3">
        <div class="flex justify-between gap-2">
          <h3 class="font-[650]">
            {{ capital(label(condition.condition)?.label ?? id) }}
          </h3>
          <button type="button" class="link caption" @click="setCondition(condition.condition, null)">Remove</button>
        </div>
        <Choices
          :label="`${id}, answer`"
          :options="answers"
          :value="condition.answer"
          @choose="(value) => setCondition(condition.condition, { answer: value ?? 'unknown' })"
        />
        <template v-if="condition.answer === 'yes'">
          <Choices
            class="mt-px"
            :label="`${id}, how bad`"
            :options="{ mild: 'mild', moderate: 'moderate', severe: 'severe' }"
            :value="condition.severity"
            :unusual="['severe']"
            @choose="(value) => setCondition(condition.condition, { severity: value })"
          />
          <Choices
            v-if="label(condition.condition)?.staged"
            class="mt-px"
            :label="`${id}, how fresh`"
            :options="{ acute: 'acute', subacute: 'sub-acute', late: 'late', settled: 'settled' }"
            :value="condition.stage"
            :unusual="['acute']"
            @choose="(value) => setCondition(condition.condition, { stage: value })"
          />
          <div v-if="condition.condition === 'pregnancy'" class="mt-1">
            <label class="caption" for="weeks">Weeks</label>
            <input
              id="weeks"
              type="number"
              min="1"
              max="43"
              class="field !w-[90px]"
              :value="condition.weeks_pregnant"
              @change="setCondition('pregnancy', { weeks_pregnant: Number(($event.target as HTMLInputElement).value) || undefined })"
            />
          </div>
          <div v-if="label(condition.condition)?.zoned" class="mt-1 flex flex-wrap items-center gap-2">
            <span v-for="place in condition.zones ?? []" :key="place.zone + place.side" class="caption">{{ placeName(place) }}</span>
            <label class="sr-only" :for="`where-${id}`">Where</label>
            <select :id="`where-${id}`" class="cell !w-[130px]" @change="addPlace(condition.condition, $event)">
              <option value="">Where?</option>
              <option v-for="place in places" :key="place.zone + place.side" :value="`${place.zone}:${place.side}`">
                {{ placeName(place) }}
              </option>
            </select>
          </div>
        </template>
      </article>
      <h2 class="section-head mt-5">Medicines</h2>
      <div class="flex flex-wrap gap-px" role="group" aria-label="Medicines">
        <button
          v-for="(ask, id) in atlas.medicines"
          :key="id"
          type="button"
          class="cell !min-h-[36px] text-[14px]"
          :aria-pressed="medicines.has(id)"
          :data-unusual="medicines.has(id)"
          @click="save('medicine', id, medicines.has(id) ? null : { medicine: id, answer: 'yes' }, ask)"
        >
          {{ ask.replace('?', '') }}
        </button>
      </div>
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
