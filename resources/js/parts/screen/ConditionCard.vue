<script setup lang="ts">
import DayField from '@/controls/DayField.vue'
import { computed, ref } from 'vue'
import { placeName, type AtlasCondition } from '@/chart/atlas'
import { useAnswers } from '@/composables/useAnswers'
import { entryKey } from '@/composables/fields'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import NumberField from '@/parts/NumberField.vue'
import { dayWords } from '@/composables/settings'
import { capital } from '@/parts/words'
import PlacePicker from '@/parts/PlacePicker.vue'
import type { ConditionAnswer } from '@/types/visit'

/** One condition: the few details that decide what it means today, the open ones first in view; what is complete folds to a line. */
const props = defineProps<{ name: string; about: AtlasCondition; condition: ConditionAnswer; saidOn: string; today: string }>()
const emit = defineEmits<{ change: [part: Partial<ConditionAnswer> | null] }>()
const { entries, judged } = useVisit()
const { asked } = useAnswers()
const id = computed(() => props.about.id)
const has = (detail: string) => props.about.details.includes(detail)
const open = (detail: string) => asked.value.has(`condition.${id.value}.${detail}`)
const days = computed(() => (new Date(props.today).getTime() - new Date(props.saidOn).getTime()) / 864e5)
const stale = computed(() => props.about.fresh_days !== null && days.value > props.about.fresh_days)
const missing = computed(() => ['severity', 'stage', 'zones', 'weeks'].some(open) || asked.value.has(`condition.${id.value}`))
const unfolded = ref(missing.value || stale.value || entries.value.has(entryKey('condition', 'before', props.name)))
/** What a doctor said is asked where the rules send to one. */
const doctor = computed(
  () =>
    props.condition.leave !== undefined ||
    judged.value.safety.limits.some((limit) => limit.effect === 'doctor_first' && limit.rules.includes(`condition.${id.value}`)),
)
const severities = { mild: 'mild', moderate: 'moderate', severe: 'severe' } as const
const stages = { acute: 'acute', subacute: 'sub-acute', late: 'late', settled: 'settled' } as const
const trends = { rising: 'rising', same: 'the same', falling: 'going down', gone: 'gone' } as const
const answers = { no: 'no', yes: 'yes', unknown: 'unknown' } as const
const summary = computed(() => {
  const { severity, stage, since, zones, swelling_trend: trend, weeks_pregnant: weeks, systolic, diastolic } = props.condition
  return [
    severity,
    stage && stages[stage],
    since && `since ${dayWords(since)}`,
    trend && `swelling ${trends[trend]}`,
    weeks && `${weeks} weeks`,
    systolic && diastolic && `${systolic} over ${diastolic}`,
    zones?.map(placeName).join(', '),
  ]
    .filter(Boolean)
    .join(' · ')
})
const setSince = (since: string | undefined) => emit('change', { since })
const entry = computed(() => entryKey('condition', 'before', props.name))
</script>
<template>
  <article class="mt-3 border-l-2 pl-3" :class="missing || stale ? 'border-madder' : 'border-iron'">
    <div class="flex items-start justify-between gap-2">
      <h3 class="font-[650]">
        {{ capital(about.label) }}
        <span class="note whitespace-nowrap font-text font-normal">{{
          stale ? `last asked ${dayWords(saidOn)}, ask again` : saidOn === today ? 'today' : `answered ${dayWords(saidOn)}`
        }}</span>
      </h3>
      <span class="flex shrink-0 gap-3">
        <button v-if="!unfolded" type="button" class="link caption" :aria-label="`Change ${about.label}`" @click="unfolded = true">
          Change
        </button>
        <button type="button" class="link caption" :aria-label="`Remove ${about.label}`" @click="emit('change', null)">Remove</button>
      </span>
    </div>
    <p v-if="!unfolded" class="caption">{{ condition.answer === 'yes' ? summary : condition.answer }}</p>
    <template v-else>
      <Choices
        :label="`${about.label}, answer`"
        :options="answers"
        :value="condition.answer"
        @choose="(value) => emit('change', { answer: value ?? 'unknown' })"
      />
      <div v-if="condition.answer === 'yes'" class="grid gap-1">
        <div v-if="has('severity')">
          <p class="caption">How bad<span v-if="open('severity')" class="text-madder">: moderate is assumed</span></p>
          <Choices
            :label="`${about.label}, how bad`"
            :options="severities"
            :value="condition.severity"
            :unusual="['severe']"
            @choose="(value) => emit('change', { severity: value })"
          />
        </div>
        <div v-if="about.staged">
          <p class="caption">How fresh<span v-if="open('stage')" class="text-madder">: sub-acute is assumed</span></p>
          <div class="flex flex-wrap items-center gap-2">
            <Choices
              :label="`${about.label}, how fresh`"
              :options="stages"
              :value="condition.stage"
              :unusual="['acute']"
              @choose="(value) => emit('change', { stage: value })"
            />
            <span class="flex items-center gap-2"
              ><label class="caption" :for="`since-${name}`">since</label
              ><DayField
                :id="`since-${name}`"
                class="w-[170px]"
                :label="`${about.label}, since`"
                :value="condition.since"
                :today="today"
                :max="today"
                @choose="setSince"
            /></span>
          </div>
        </div>
        <div v-if="has('swelling')">
          <p class="caption">Swelling; what is felt and measured counts as well</p>
          <Choices
            :label="`${about.label}, swelling`"
            :options="trends"
            :value="condition.swelling_trend"
            :unusual="['rising', 'same']"
            @choose="(value) => emit('change', { swelling_trend: value })"
          />
        </div>
        <div v-if="has('controlled')">
          <p class="caption">Controlled</p>
          <Choices
            :label="`${about.label}, controlled`"
            :options="answers"
            :value="condition.controlled"
            :unusual="['no', 'unknown']"
            @choose="(value) => emit('change', { controlled: value })"
          />
        </div>
        <div v-if="has('pressure')" class="grid max-w-[260px] grid-cols-2 gap-2">
          <NumberField
            :id="`${id}-upper`"
            label="Upper, mmHg"
            :value="condition.systolic"
            :entry="entry"
            @commit="(value) => emit('change', { systolic: value })"
          />
          <NumberField
            :id="`${id}-lower`"
            label="Lower, mmHg"
            :value="condition.diastolic"
            :entry="entry"
            @commit="(value) => emit('change', { diastolic: value })"
          />
        </div>
        <div v-if="has('weeks')" class="max-w-[130px]">
          <NumberField
            id="weeks"
            :label="open('weeks') ? 'Weeks: over 20 assumed' : 'Weeks'"
            :value="condition.weeks_pregnant"
            :entry="entry"
            @commit="(value) => emit('change', { weeks_pregnant: value })"
          />
        </div>
        <div v-if="doctor">
          <p class="caption">
            A doctor was asked, and says yes<span v-if="!condition.leave" class="text-madder">: light and short until then</span>
          </p>
          <Choices
            :label="`${about.label}, a doctor's leave`"
            :options="{ yes: 'yes', no: 'no' }"
            :value="condition.leave === undefined ? undefined : condition.leave.given ? 'yes' : 'no'"
            @choose="(value) => emit('change', { leave: value === undefined ? undefined : { given: value === 'yes', on: today } })"
          />
        </div>
        <div v-if="about.zoned || open('zones') || condition.zones?.length">
          <p class="caption">Where<span v-if="open('zones')" class="text-madder">: everywhere is assumed</span></p>
          <PlacePicker :id="`where-${id}`" :places="condition.zones ?? []" @change="(zones) => emit('change', { zones })" />
        </div>
      </div>
    </template>
  </article>
</template>
