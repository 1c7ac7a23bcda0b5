<script setup lang="ts">
import DayField from '@/controls/DayField.vue'
import { computed, ref } from 'vue'
import { vTyped } from '@/composables/typed'
import FigureStage from '@/chart/FigureStage.vue'
import { placeName, zone } from '@/chart/atlas'
import { nearOf, zoneOfView, type NearId, type ViewId } from '@/chart/art'
import { useKeys } from '@/composables/useKeys'
import { given, nameOf } from '@/composables/fields'
import { confirmed } from '@/composables/confirmed'
import { useLastTime } from '@/composables/lastTime'
import { useHand, useVisit } from '@/composables/useVisit'
import AllDay from '@/parts/ask/AllDay.vue'
import AnswersTo from '@/parts/ask/AnswersTo.vue'
import LastComplaint from '@/parts/ask/LastComplaint.vue'
import SinceLast from '@/parts/ask/SinceLast.vue'
import PlacePicker from '@/parts/PlacePicker.vue'
import Scale from '@/parts/Scale.vue'
import type { Complaint, Place } from '@/types/visit'
import { dayWords } from '@/composables/settings'
import { capital } from '@/parts/words'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({ layout: inVisitFrame(['1–9, 0', 'pain now of the complaint in hand']) })

const visit = useVisit()
const { props, save, all, one } = visit
const words = computed(() => props.value.client.words)
const complaints = computed(() => all('complaint'))
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
const HOWS = ['worse', 'better'] as const
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
const ownWords = (item: Complaint, event: Event) => {
  const said = (event.target as HTMLTextAreaElement).value.trim()
  if (said !== (item.words ?? '')) change(item, { words: said || undefined }, 'in own words')
}
const MOST_TASKS = 3
const tasks = computed(() => all('function'))
const taskName = ref('')
const addTask = () => {
  const task = taskName.value.trim()
  if (task && tasks.value.length < MOST_TASKS) save('function', task, { task }, task)
  taskName.value = ''
}
const { left } = useLastTime()
/** A complaint of last time is today's: what it is like stands, and how strong it is was asked. */
const takeOver = (item: Complaint, words: string) => {
  save('complaint', idOf(item), item, `${placeName(item)}, ${words}`)
  held.value = null
}
const complaintBefore = (item: Complaint) => visit.last('complaint', idOf(item))
const scoreBefore = (task: string) => visit.last('function', task)?.score
const strength = (value: number) => {
  if (inHand.value) return change(inHand.value, { now: value }, `now ${value}`)
  const last = left('complaint')[0]
  if (last) takeOver({ ...confirmed('complaint', last), now: value }, `now ${value}`)
}
useKeys(Object.fromEntries('0123456789'.split('').map((digit) => [digit, () => strength(digit === '0' ? 10 : Number(digit))])))
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
        <template v-if="left('complaint').length">What is new: paint it on the figure with a finger, or choose from List.</template>
        <template v-else
          >Paint it on the figure with a finger, or choose from List. A second stroke over the chosen place takes it back.</template
        >
      </p>
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
              ><DayField
                :id="`since-${idOf(item)}`"
                class="w-[170px]"
                label="Since when"
                :value="item.since"
                :today="props.visit.date"
                :max="props.visit.date"
                @choose="(day) => change(item, { since: day }, 'since')"
              />
            </div>
          </div>
          <AnswersTo
            v-for="how in HOWS"
            :id="idOf(item)"
            :key="how"
            :how="how"
            :item="item"
            @change="(said) => change(item, { [`${how}_with`]: said }, `${how} with`)"
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
      <LastComplaint
        v-for="item in left('complaint')"
        :key="`last ${idOf(item)}`"
        :item="item"
        :date="props.before!.date"
        @confirm="takeOver"
      />
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
      <template v-if="tasks.length < MOST_TASKS">
        <div v-for="item in left('function')" :key="`last ${item.task}`" class="mt-2">
          <p>
            {{ item.task }}
            <span class="caption"
              >{{ item.score === undefined ? 'not scored' : item.score }} on {{ dayWords(props.before!.date) }}; how is it today?</span
            >
          </p>
          <Scale
            :label="item.task"
            :value="undefined"
            :ghost="item.score"
            @choose="(score) => score !== undefined && save('function', item.task, { task: item.task, score }, item.task)"
          />
        </div>
      </template>
      <form v-if="tasks.length < MOST_TASKS" class="mt-2 flex gap-2" @submit.prevent="addTask">
        <label class="sr-only" for="task">A task</label
        ><input id="task" v-model="taskName" class="field" maxlength="80" aria-describedby="task-such" /><button
          type="submit"
          class="btn shrink-0"
        >
          Add
        </button>
      </form>
      <p v-if="tasks.length < MOST_TASKS" id="task-such" class="caption mt-1">such as lifting the kettle, or an hour at the desk</p>
    </section>
    <aside class="px-6 pb-6 pt-3 lg:col-start-2 xl:col-start-3 xl:pl-0">
      <SinceLast />
      <AllDay :class="props.before ? 'mt-6' : ''" />
    </aside>
  </div>
</template>
