<script setup lang="ts">
import { computed, ref } from 'vue'
import { vTyped } from '@/composables/typed'
import FigureStage from '@/chart/FigureStage.vue'
import { atlas, placeName, zone } from '@/chart/atlas'
import { nearOf, zoneOfView, type NearId, type ViewId } from '@/chart/art'
import { useKeys } from '@/composables/useKeys'
import { given, nameOf } from '@/composables/fields'
import { isOf, useHand, useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import MovementPicker from '@/parts/MovementPicker.vue'
import PlacePicker from '@/parts/PlacePicker.vue'
import Scale from '@/parts/Scale.vue'
import type { DemandId } from '@/types/ids.generated'
import type { Complaint, EntryPayloads, Place } from '@/types/visit'
import { dayWords } from '@/composables/settings'
import { capital, listed } from '@/parts/words'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame(['1–9, 0', 'pain now of the complaint in hand']) })

const visit = useVisit()
const { props, judged, save, all, one } = visit
const words = computed(() => props.value.client.words)
const complaints = computed(() => all('complaint'))
const before = computed(() =>
  (props.value.before?.entries ?? [])
    .filter(isOf('complaint'))
    .flatMap((entry) => (entry.phase === 'before' && entry.payload ? [entry.payload] : [])),
)
const view = ref<ViewId>(complaints.value[0] && !zoneOfView('back', complaints.value[0].zone) ? 'front' : 'back')
const near = ref<NearId>(complaints.value[0] ? nearOf(zone(complaints.value[0].zone).group) : 'upper')
const held = ref<string | null>(null)
const idOf = (place: Place): string => nameOf('complaint', place)
const inHand = computed(() => complaints.value.find((item) => idOf(item) === held.value) ?? complaints.value[0])
useHand(() => (inHand.value ? { places: [inHand.value] } : null))

let erasing = false
/** One stroke paints or wipes, as its first place decides. */
const stroke = (place: Place, first: boolean) => {
  const there = one('complaint', idOf(place))
  if (first) erasing = false
  if (there && first && complaints.value.length > 0 && held.value === idOf(place)) erasing = true
  if (erasing) {
    if (there) save('complaint', idOf(place), null, `${placeName(place)} taken back`)
    return
  }
  if (!there) save('complaint', idOf(place), place, placeName(place))
  held.value = idOf(place)
}
/** What was given and cannot both be so: told, and left as it was. */
const refused = ref('')
const change = (item: Complaint, part: Partial<Complaint>, what: string) => {
  const next = given({ ...item, ...part })
  if (next.best_week !== undefined && next.worst_week !== undefined && next.best_week > next.worst_week) {
    refused.value = `Best of the week is ${next.best_week} and worst ${next.worst_week}: which of them? Nothing was changed.`
    return
  }
  refused.value = ''
  save('complaint', idOf(item), next, `${placeName(item)}, ${what}`)
}
const toggle = <T,>(list: T[] | undefined, value: T): T[] =>
  list?.includes(value) ? list.filter((entry) => entry !== value) : [...(list ?? []), value]
const qualities: readonly NonNullable<Complaint['qualities']>[number][] = [
  'ache',
  'tight',
  'sharp',
  'burning',
  'tingling',
  'numb',
  'throbbing',
  'heavy',
  'electric',
]
const since = (days: number): string =>
  new Date(new Date(`${props.value.visit.date}T12:00:00Z`).getTime() - days * 864e5).toISOString().slice(0, 10)
const demands = computed(
  () =>
    new Map(
      [...props.value.standing.filter(isOf('demand')).flatMap((entry) => entry.payload ?? []), ...all('demand')].map((entry) => [
        entry.demand,
        entry,
      ]),
    ),
)
const setDemand = (demand: DemandId) =>
  save('demand', demand, demands.value.has(demand) && one('demand', demand) ? null : { demand }, atlas.demands[demand])
const worseDemands = (item: Complaint): DemandId[] => (item.worse_with ?? []).flatMap((entry) => ('demand' in entry ? [entry.demand] : []))
type Moved = NonNullable<Complaint['better_with']>
const worseMoves = (item: Complaint): Moved => (item.worse_with ?? []).flatMap((entry) => ('movement' in entry ? [entry] : []))
/** Movements and demands stand in one list of the record: a change of one leaves the other as it was. */
const worse = (moves: Moved, demanded: DemandId[]): Partial<Complaint> => {
  const all = [...moves, ...demanded.map((demand) => ({ demand }))]
  return { worse_with: all.length ? all : undefined }
}
const ownWords = (item: Complaint, event: Event) => {
  const said = (event.target as HTMLTextAreaElement).value.trim()
  if (said !== (item.words ?? '')) change(item, { words: said || undefined }, 'in own words')
}
const tasks = computed(() => all('function'))
const taskName = ref('')
const addTask = () => {
  const task = taskName.value.trim()
  if (task && tasks.value.length < 3) save('function', task, { task }, task)
  taskName.value = ''
}
/** The places come again, and nothing that was measured at them: how strong it is today is asked today. */
const repeatBefore = () =>
  visit.saveAll(
    before.value.map(({ zone, side, since }) => ({
      kind: 'complaint' as const,
      identity: idOf({ zone, side }),
      payload: since ? { zone, side, since } : { zone, side },
    })),
    'the places of last time',
  )
const complaintBefore = (item: Complaint) => visit.last('complaint', idOf(item))
const scoreBefore = (task: string) => visit.last('function', task)?.score
/** Tasks of last time that nobody has named today: one touch asks them again. */
const tasksBefore = computed(() =>
  (props.value.before?.entries ?? [])
    .filter(isOf('function'))
    .flatMap((entry) => (entry.phase === 'before' && entry.payload ? [entry.payload.task] : []))
    .filter((task) => !tasks.value.some((item) => item.task === task)),
)
type After = EntryPayloads['aftermath']
const after = computed((): After => all('aftermath')[0] ?? { hours: 48 })
const setAfter = (part: Partial<After>, what: string) => {
  const next = given({ ...after.value, ...part })
  next.hours = Math.max(48, next.soreness_hours ?? 0)
  // the hours name the entry: a longer soreness moves it
  if (next.hours !== after.value.hours && one('aftermath', nameOf('aftermath', after.value)))
    save('aftermath', nameOf('aftermath', after.value), null, what)
  save('aftermath', nameOf('aftermath', next), next, `after the last visit, ${what}`)
}
const course = computed(() => judged.value.response)
useKeys(
  Object.fromEntries(
    '0123456789'
      .split('')
      .map((digit) => [
        digit,
        () => inHand.value && change(inHand.value, { now: digit === '0' ? 10 : Number(digit) }, `now ${digit === '0' ? 10 : digit}`),
      ]),
  ),
)
</script>
<template>
  <div class="grid flex-1 gap-x-7 lg:grid-cols-[400px_1fr] xl:grid-cols-[500px_minmax(0,1fr)_256px]">
    <FigureStage
      v-model:view="view"
      v-model:near="near"
      paint
      :possessive="words.possessive"
      :complaints="complaints"
      :chosen="inHand && zoneOfView(view, inHand.zone) ? { zone: inHand.zone, side: inHand.side } : null"
      :label="`Where it hurts, ${view} view. Drag to paint; the list below does the same.`"
      title="Where it hurts"
      @stroke="stroke"
    />
    <section class="min-w-0 px-6 pb-6 pt-3 lg:pl-0" aria-label="What hurts">
      <h2 class="section-head">Where does it hurt?</h2>
      <p v-if="!complaints.length" class="mb-3">
        Paint it on the figure with a finger, or choose from Places. A second stroke over the chosen place takes it back.
      </p>
      <button v-if="before.length && !complaints.length" type="button" class="btn mb-3" @click="repeatBefore">
        The same places as last time: {{ before.map(placeName).join('; ') }}
      </button>
      <article v-for="item in complaints" :key="idOf(item)" class="border-b border-hairline py-2">
        <div class="flex items-center justify-between gap-3">
          <button
            type="button"
            class="display min-h-[36px] text-left text-[20px] leading-6"
            :aria-expanded="inHand === item"
            @click="held = idOf(item)"
          >
            {{ capital(zone(item.zone).name) }}
            <span v-if="item.side !== 'midline'" class="side-name">{{ item.side }}</span>
          </button>
          <span class="display text-[24px]" :class="item.now === undefined && 'caption'">{{ item.now ?? 'not asked' }}</span>
          <button
            type="button"
            class="btn !px-3"
            :aria-label="`Take back ${placeName(item)}`"
            @click="save('complaint', idOf(item), null, `${placeName(item)} taken back`)"
          >
            Remove
          </button>
        </div>
        <template v-if="inHand && idOf(inHand) === idOf(item)">
          <p class="caption mt-1">
            Now<template v-if="item.now === undefined && complaintBefore(item)?.now !== undefined"
              >; {{ complaintBefore(item)?.now }} on {{ dayWords(props.before!.date) }}, not asked today</template
            >
          </p>
          <Scale
            label="Pain now, 0 to 10"
            :value="item.now"
            :unusual-from="1"
            :ghost="complaintBefore(item)?.now"
            @choose="(value) => change(item, { now: value }, `now ${value ?? 'open'}`)"
          />
          <div class="mt-2 grid gap-y-2">
            <div>
              <p class="caption">Worst in the week</p>
              <Scale
                label="Worst in the week"
                :value="item.worst_week"
                :unusual-from="1"
                @choose="(value) => change(item, { worst_week: value }, `worst ${value ?? 'open'}`)"
              />
            </div>
            <div>
              <p class="caption">Best in the week</p>
              <Scale
                label="Best in the week"
                :value="item.best_week"
                @choose="(value) => change(item, { best_week: value }, `best ${value ?? 'open'}`)"
              />
            </div>
          </div>
          <p v-if="refused" class="mt-1 border-l-2 border-madder pl-2" role="alert">{{ refused }}</p>
          <p class="caption mt-2">How does it feel?</p>
          <div class="flex flex-wrap gap-px" role="group" aria-label="How it feels">
            <button
              v-for="quality in qualities"
              :key="quality"
              type="button"
              class="cell !px-3"
              :aria-pressed="item.qualities?.includes(quality) ?? false"
              @click="change(item, { qualities: toggle(item.qualities, quality) }, quality)"
            >
              {{ quality }}
            </button>
          </div>
          <div class="mt-2 grid gap-x-5 md:grid-cols-[1fr_auto]">
            <div>
              <p class="caption">Since when?</p>
              <div class="flex flex-wrap gap-px" role="group" aria-label="Since when">
                <button
                  v-for="[name, days] in [
                    ['3 days', 3],
                    ['2 weeks', 14],
                    ['6 weeks', 42],
                    ['3 months', 91],
                    ['a year', 365],
                  ] as [string, number][]"
                  :key="name"
                  type="button"
                  class="cell !px-3"
                  :aria-pressed="item.since === since(days)"
                  @click="change(item, { since: since(days) }, `since ${name}`)"
                >
                  {{ name }}
                </button>
              </div>
            </div>
            <div>
              <label class="caption block" :for="`since-${idOf(item)}`">or the day</label
              ><input
                :id="`since-${idOf(item)}`"
                v-typed="item.since"
                type="date"
                class="field !w-[160px]"
                :max="props.visit.date"
                @change="change(item, { since: ($event.target as HTMLInputElement).value || undefined }, 'since')"
              />
            </div>
          </div>
          <p class="caption mt-2">Worse with</p>
          <div class="flex flex-wrap gap-px" role="group" aria-label="Worse with">
            <button
              v-for="(name, demand) in atlas.demands"
              :key="demand"
              type="button"
              class="cell !min-h-[36px] !px-2 text-[14px]"
              :aria-pressed="worseDemands(item).includes(demand)"
              @click="change(item, worse(worseMoves(item), toggle(worseDemands(item), demand)), name)"
            >
              {{ name }}
            </button>
          </div>
          <MovementPicker
            :id="`worse-${idOf(item)}`"
            class="mt-1"
            label="A movement that makes it worse"
            :moved="worseMoves(item)"
            @change="(moved) => change(item, worse(moved ?? [], worseDemands(item)), 'worse with a movement')"
          />
          <p class="caption mt-2">Better with</p>
          <MovementPicker
            :id="`better-${idOf(item)}`"
            label="A movement that eases it"
            :moved="item.better_with ?? []"
            @change="(moved) => change(item, { better_with: moved }, 'better with a movement')"
          />
          <p class="caption mt-2">Spreads to</p>
          <PlacePicker
            :id="`spreads-${idOf(item)}`"
            label="Where it spreads to"
            prompt="Where to?"
            :places="item.spreads_to ?? []"
            @change="(spread) => change(item, { spreads_to: spread }, 'where it spreads to')"
          />
          <label class="caption mt-2 block" :for="`words-${idOf(item)}`">In {{ words.possessive }} own words</label>
          <textarea
            :id="`words-${idOf(item)}`"
            v-typed="item.words"
            class="field"
            rows="2"
            maxlength="500"
            @change="ownWords(item, $event)"
          />
        </template>
      </article>
      <h2 class="section-head mt-5">Which everyday tasks does it spoil?</h2>
      <p class="caption">Up to three. 0 cannot do it, 10 as before.</p>
      <div v-for="item in tasks" :key="item.task" class="mt-2">
        <p class="flex justify-between">
          <b class="font-[650]">{{ item.task }}</b><button
            type="button"
            class="link caption"
            @click="save('function', item.task, null, `${item.task} taken back`)"
          >
            Remove
          </button>
        </p>
        <Scale
          :label="item.task"
          :value="item.score"
          :ghost="scoreBefore(item.task)"
          @choose="(value) => save('function', item.task, { task: item.task, ...(value === undefined ? {} : { score: value }) }, item.task)"
        />
      </div>
      <p v-if="tasksBefore.length && tasks.length < 3" class="mt-2 flex flex-wrap items-center gap-2">
        <span class="caption">Last time:</span>
        <button v-for="task in tasksBefore" :key="task" type="button" class="cell !px-3" @click="save('function', task, { task }, task)">
          {{ task }}
        </button>
      </p>
      <form v-if="tasks.length < 3" class="mt-2 flex gap-2" @submit.prevent="addTask">
        <label class="sr-only" for="task">A task</label
        ><input id="task" v-model="taskName" class="field" maxlength="80" placeholder="Hold the rod up for a whole scene" /><button
          type="submit"
          class="btn shrink-0"
        >
          Add
        </button>
      </form>
    </section>
    <aside class="px-6 pb-6 pt-3 lg:col-start-2 xl:col-start-3 xl:pl-0">
      <template v-if="props.before">
        <h2 class="section-head">Since the last visit</h2>
        <p class="caption mb-2">Visit {{ props.before.number }}, {{ dayWords(props.before.date) }}.</p>
        <div v-if="props.before.to_look_at.length" class="mb-3 border-l-4 border-walnut bg-fold py-2 pl-3 pr-2">
          <h3 class="caption">To look at first</h3>
          <p v-for="text in props.before.to_look_at" :key="text">{{ text }}</p>
        </div>
        <p v-if="course" class="mb-3 border-l-2 border-iron pl-3">
          {{ course.course.because }} <span class="caption">{{ course.course.sureness }}</span>
        </p>
        <p class="caption">Sore afterwards, for how long?</p>
        <Choices
          label="Soreness"
          :options="{ '0': 'not', '12': 'half a day', '36': 'a day or two', '72': 'longer' }"
          :value="after.soreness_hours === undefined ? undefined : (String(after.soreness_hours) as '0' | '12' | '36' | '72')"
          :unusual="['72']"
          @choose="
            (value) =>
              setAfter(
                {
                  soreness_hours: value === undefined ? undefined : Number(value),
                  soreness: value === '0' ? 0 : after.soreness === 0 ? undefined : after.soreness,
                },
                'soreness',
              )
          "
        />
        <template v-if="after.soreness_hours">
          <p class="caption mt-2">How sore, at most?</p>
          <Scale
            label="How sore"
            :value="after.soreness"
            :unusual-from="5"
            @choose="(value) => setAfter({ soreness: value }, 'how sore')"
          />
        </template>
        <p class="caption mt-2">Was it worse?</p>
        <Choices
          label="Worse afterwards"
          :options="{ no: 'no', yes: 'worse' }"
          :value="after.worse === undefined ? undefined : after.worse ? 'yes' : 'no'"
          :unusual="['yes']"
          @choose="(value) => setAfter({ worse: value === undefined ? undefined : value === 'yes' }, 'worse')"
        />
        <p class="caption mt-2">
          Home care?<template v-if="props.before.home_care.length">
            {{ listed(props.before.home_care.map(({ exercise }) => atlas.self_care[exercise]?.name ?? exercise)) }}</template
          >
        </p>
        <Choices
          label="Home care"
          :options="{ none: 'no', some: 'some', all: 'all' }"
          :value="
            after.home_care_done === undefined
              ? undefined
              : after.home_care_done === 0
                ? 'none'
                : after.home_care_done === 1
                  ? 'all'
                  : 'some'
          "
          @choose="
            (value) => setAfter({ home_care_done: value === undefined ? undefined : { none: 0, some: 0.5, all: 1 }[value] }, 'home care')
          "
        />
      </template>
      <h2 class="section-head" :class="props.before ? 'mt-6' : ''">All day long</h2>
      <p class="caption mb-1">What the days ask of {{ words.object }}.</p>
      <div class="flex flex-wrap gap-px" role="group" aria-label="What the days ask">
        <button
          v-for="(name, demand) in atlas.demands"
          :key="demand"
          type="button"
          class="cell !min-h-[36px] !px-2 text-[14px]"
          :aria-pressed="demands.has(demand)"
          @click="setDemand(demand)"
        >
          {{ name }}
        </button>
      </div>
    </aside>
  </div>
</template>
