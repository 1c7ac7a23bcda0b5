<script setup lang="ts">
import { t } from '@/composables/language'
import { shownUnit } from '@/composables/settings'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { atlas, zone, type AtlasTest } from '@/chart/atlas'
import { deviceWords, readingsOf } from '@/composables/repeats'
import { entryKey, nameOf } from '@/composables/fields'
import { said } from '@/composables/said'
import { useVisit } from '@/composables/useVisit'
import DevicePanel from '@/parts/DevicePanel.vue'
import NumberField from '@/parts/NumberField.vue'
import Scale from '@/parts/Scale.vue'
import SidePair from '@/parts/SidePair.vue'
import type { Side, ZoneId } from '@/types/ids.generated'
import type { Comparison, Complaint, Place, TestFinding, TestResult } from '@/types/visit'
import ComparedWords from './ComparedWords.vue'
import GlideDrawing from './GlideDrawing.vue'
import HoldTimer from './HoldTimer.vue'
import ResultCells from './ResultCells.vue'
import SpineColumn from './SpineColumn.vue'

/** A special test: its answer, grade or number a side, by level of the spine where it is sprung, and against the clock where it is held. */
const props = defineProps<{ test: AtlasTest; sides: readonly Side[]; refused: string | null }>()
const emit = defineEmits<{ next: [side: Side]; pick: [key: string, side: Side] }>()
const { props: page, judged, all, one, last, save } = useVisit()
const segment = ref('')
const levelOf = (level: string) => (level ? { segment: level } : {})
const idOf = (side: Side, level = segment.value) => nameOf('test', { test: props.test.id, side, ...levelOf(level) })
const finding = (side: Side, level = segment.value) => one('test', idOf(side, level))
const set = (side: Side, part: Partial<TestFinding>, what: string) => {
  const repeats = 'value' in part && !('repeats' in part) ? { repeats: undefined } : {}
  save(
    'test',
    idOf(side),
    said('test', { test: props.test.id, side, ...levelOf(segment.value), ...finding(side), ...part, ...repeats }),
    `${props.test.name}${side === 'midline' ? '' : ` ${side}`}${segment.value ? `, ${segment.value}` : ''}, ${what}`,
  )
}
/** Levels of the spine by part of it, a row each. */
const everyLevel = computed(() => Object.keys(props.test.levels))
const ONE_ROW = 7
const levels = computed(() =>
  everyLevel.value.length <= ONE_ROW
    ? [everyLevel.value].filter((row) => row.length)
    : ['C', 'T', 'L', 'S'].map((part) => everyLevel.value.filter((level) => level.startsWith(part))).filter((row) => row.length),
)
/** The part of the spine the complaint belongs to comes first. */
const partOf = (complaint: ZoneId): string => {
  const { group } = zone(complaint)
  if (['head', 'neck', 'shoulder', 'arm'].includes(group)) return 'C'
  return group === 'trunk' && !['low_back', 'sacrum'].includes(complaint) ? 'T' : 'L'
}
const firstLevel = (): string => {
  const part = all('complaint')[0] ? partOf((all('complaint')[0] as Complaint).zone) : 'T'
  return everyLevel.value.find((level) => level.startsWith(part)) ?? everyLevel.value[0] ?? ''
}
watch(
  () => props.test.id,
  () => (segment.value = firstLevel()),
  { immediate: true },
)
/** What stands at a level, of whichever side says more. */
const atLevel = (level: string, sides: readonly Side[] = props.sides): { text: string; unusual: boolean } => {
  const found = sides.flatMap((side) => finding(side, level) ?? [])
  const values = found.flatMap(({ value }) => value ?? [])
  const pain = Math.max(0, ...found.flatMap((one) => one.pain ?? []))
  if (values.length)
    return { text: `${Math.min(...values)}${pain ? `, hurts ${pain}` : ''}`, unusual: Math.min(...values) < 2 || pain >= 2 }
  const unusual = found.some(({ result }) => result === 'positive')
  return { text: unusual ? '+' : found.some(({ result }) => result === 'negative') ? '–' : '·', unusual }
}
/** Sprung level by level, it is drawn as it lies under the hand. */
const isColumn = computed(() => everyLevel.value.length > 0 && props.test.result === 'glide')
/** A whole back is longer than the page: what is said of a level stays beside it. */
const isLong = computed(() => isColumn.value && everyLevel.value.length > 12)
const down = async (side: Side) => {
  const next = everyLevel.value[everyLevel.value.indexOf(segment.value) + 1]
  if (!next) {
    segment.value = everyLevel.value[0] ?? ''
    return emit('next', side)
  }
  segment.value = next
  await nextTick()
}
const compared = (side: Side): Comparison | undefined =>
  judged.value.assessment?.compared.find(
    (item) => item.key === `test.${props.test.id}${segment.value ? `.${segment.value}` : ''}` && item.side === side,
  )
/** What stops a held test at once. */
type Alarm = NonNullable<TestFinding['symptoms']>[number]
const signs = computed(() =>
  (props.test.alarms as Alarm[]).map((id) => ({ id, name: atlas.stopSigns.find((sign) => sign.id === id)?.name ?? id })),
)
const timers = useTemplateRef<InstanceType<typeof HoldTimer>[]>('timers')
const tellSign = (side: Side, sign: Alarm) => {
  const had = finding(side)?.symptoms ?? []
  const now = had.includes(sign) ? had.filter((item) => item !== sign) : [...had, sign]
  timers.value?.forEach((timer) => timer.stop())
  set(side, { symptoms: now.length ? now : undefined, result: now.length ? 'positive' : undefined }, 'sign')
}
/** What a test says only together with others of its joint. */
const testSet = computed(() => atlas.testSets.find(({ tests }) => tests.includes(props.test.id)))
const together = (side: Side): string => {
  const of = testSet.value
  if (!of) return ''
  const results = all('test').filter((item) => item.side === side && of.tests.includes(item.test))
  const done = results.filter(({ result }) => result === 'positive' || result === 'negative').length
  const answer = results.filter(({ result }) => result === 'positive').length
  if (answer >= of.least) return `${answer} of ${of.tests.length} answer: together they speak for the ${of.name}.`
  if (of.tests.length - done + answer < of.least) return `${answer} of ${done} answer: together they speak against the ${of.name}.`
  return `${answer} of ${done} done answer; ${of.least} of ${of.tests.length} speak for the ${of.name}.`
}
/** Where it runs: of a test in the middle, on either side. */
const runsOn = (side: Side): Side[] => (side === 'midline' ? ['left', 'right'] : [side])
const runsTo = (side: Side, to: Place): boolean =>
  finding(side)?.refers_to?.some((one) => one.zone === to.zone && one.side === to.side) ?? false
const tellWhere = (side: Side, to: Place) => {
  const had = finding(side)?.refers_to ?? []
  const now = runsTo(side, to) ? had.filter((one) => one.zone !== to.zone || one.side !== to.side) : [...had, to]
  set(side, { refers_to: now.length ? now : undefined }, 'where')
}
const device = computed(() => (props.test.result === 'kg' ? 'dynamometer' : props.test.result === 'deg' ? 'inclinometer' : null))
const read = (side: Side, repeats: number[], simulated: boolean) =>
  set(side, readingsOf('value', repeats, simulated), deviceWords(simulated))
const before = (side: Side) => last('test', idOf(side))
const units: Partial<Record<AtlasTest['result'], string>> = {
  deg: t('degrees'),
  glide: '0 stuck, 3 free',
  grade: '0 none, 3 marked',
  s: 'seconds',
  times: 'times',
}
const alarmed = computed(() => props.sides.some((side) => (finding(side)?.symptoms ?? []).length > 0))
</script>
<template>
  <div class="mt-3">
    <p v-if="refused" class="mb-3 flex gap-2" role="note">
      <span class="w-[5px] shrink-0 border-y-2 border-l-2 border-madder" aria-hidden="true" /><span>{{ refused }}</span>
    </p>
    <div :class="isLong ? 'grid gap-x-7 lg:grid-cols-[300px_minmax(0,1fr)]' : ''">
      <SpineColumn
        v-if="isColumn"
        class="mb-3"
        :levels="everyLevel"
        :sides="sides"
        :chosen="segment"
        :at="(level, side) => atLevel(level, [side])"
        @pick="(level) => (segment = level)"
      />
      <div v-else-if="everyLevel.length" class="mb-3" role="group" aria-label="Level of the spine">
        <div v-for="row in levels" :key="row[0]" class="mb-px flex gap-px">
          <button
            v-for="level in row"
            :key="level"
            type="button"
            class="cell !min-w-[40px] flex-1 !px-0"
            :aria-pressed="segment === level"
            :data-unusual="atLevel(level).unusual"
            @click="segment = level"
          >
            <span class="note block">{{ test.levels[level] }}<br />{{ atLevel(level).text }}</span>
          </button>
        </div>
      </div>
      <p v-if="alarmed" class="mb-2 border-t-2 border-madder pt-1 font-[650]" role="alert">
        Stop. Back to straight, nothing at end range today, and read the safety strip.
      </p>
      <SidePair
        v-if="!refused || sides.some((side) => finding(side))"
        v-slot="{ side }"
        :class="isLong ? 'self-start lg:sticky lg:top-2' : ''"
        :sides="sides"
        :possessive="page.client.words.possessive"
      >
        <GlideDrawing v-if="test.result === 'glide'" :id="test.id" kind="test" :side="side" @pick="(key, on) => emit('pick', key, on)" />
        <HoldTimer
          v-if="test.seconds"
          ref="timers"
          class="mt-1"
          :most="test.seconds"
          :label="`${test.name}, ${side}`"
          :seconds="test.result === 's' ? finding(side)?.value : finding(side)?.seconds"
          @held="(seconds) => set(side, test.result === 's' ? { value: seconds } : { seconds }, `${seconds} s`)"
        />
        <div v-if="signs.length" class="mb-2 mt-2 flex flex-wrap gap-px" role="group" :aria-label="`Signs, ${side}`">
          <button
            v-for="sign in signs"
            :key="sign.id"
            type="button"
            class="cell"
            :aria-pressed="finding(side)?.symptoms?.includes(sign.id) ?? false"
            :data-unusual="finding(side)?.symptoms?.includes(sign.id) ?? false"
            @click="tellSign(side, sign.id)"
          >
            {{ sign.name }}
          </button>
        </div>
        <ResultCells
          v-if="test.result === 'result'"
          class="mt-1"
          :label="`${test.name}, ${side}`"
          :answers="test.answers"
          :value="finding(side)?.result"
          data-first
          @choose="(result: TestResult | undefined) => set(side, { result }, 'answer')"
          @next="emit('next', side)"
        />
        <p v-if="testSet" class="caption mt-1" aria-live="polite">{{ together(side) }}</p>
        <div v-if="test.where.length && finding(side)?.result === 'positive'" class="mt-2">
          <p class="caption">Where does it run?</p>
          <div :class="side === 'midline' ? 'grid grid-cols-2 gap-x-6' : ''">
            <div v-for="at in runsOn(side)" :key="at" role="group" :aria-label="`${test.name} runs to, ${at}`">
              <p v-if="side === 'midline'" class="side-name" :class="at === 'right' ? 'text-right' : ''">
                {{ page.client.words.possessive }} {{ at }}
              </p>
              <div class="flex flex-wrap gap-px">
                <button
                  v-for="id in test.where"
                  :key="id"
                  type="button"
                  class="cell"
                  :aria-pressed="runsTo(side, { zone: id, side: at })"
                  :data-unusual="runsTo(side, { zone: id, side: at })"
                  @click="tellWhere(side, { zone: id, side: at })"
                >
                  {{ zone(id).name }}
                </button>
              </div>
            </div>
          </div>
        </div>
        <template v-if="test.result === 'glide' || test.result === 'grade'">
          <p class="caption mt-1">{{ units[test.result] }}{{ segment ? `, ${segment}` : '' }}</p>
          <Scale
            :label="`${test.name}, ${side}`"
            :most="3"
            :value="finding(side)?.value"
            data-first
            @choose="(value) => set(side, { value }, String(value ?? 'taken back'))"
            @next="down(side)"
          />
          <template v-if="isColumn">
            <p class="caption mt-2">Does it hurt?</p>
            <Scale
              :label="`Pain of ${segment}, ${side}`"
              :most="10"
              :value="finding(side)?.pain"
              @choose="(pain) => set(side, { pain }, 'pain')"
              @next="down(side)"
            />
          </template>
        </template>
        <NumberField
          v-else-if="test.result !== 'result'"
          :id="`value-${side}`"
          :key="`${test.id}-${side}`"
          class="mt-1 max-w-[220px]"
          :label="units[test.result] ?? shownUnit(test.result)"
          :unit="test.result"
          :value="finding(side)?.value"
          :entry="entryKey('test', 'before', idOf(side))"
          data-first
          @commit="(value) => set(side, { value }, 'value')"
          @next="emit('next', side)"
        />
        <ComparedWords :compared="compared(side)" />
      </SidePair>
    </div>
    <DevicePanel
      v-if="device && !refused"
      :key="test.id"
      :device="device"
      :unit="test.result"
      :what="test.id"
      :sides="sides"
      :repeats="(side) => finding(side)?.repeats ?? []"
      :about="(side) => before(side)?.value"
      @change="read"
    />
    <p class="caption mt-3">Usual: {{ test.usual }}.</p>
  </div>
</template>
