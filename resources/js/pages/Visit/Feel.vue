<script setup lang="ts">
import { t } from '@/composables/language'
import Pick from '@/controls/Pick.vue'
import { choicesOf } from '@/controls/choice'
import { computed, nextTick, ref, watchEffect } from 'vue'
import FigureStage from '@/chart/FigureStage.vue'
import { atlas, isBare, muscle as muscleOf, other, partsOf, placeName, under, wholeOf, zone } from '@/chart/atlas'
import { nearOfZone, viewOf, zoneOfView, type NearId, type ViewId } from '@/chart/art'
import type { FigurePick } from '@/chart/Figure.vue'
import { useKeys } from '@/composables/useKeys'
import { useAtlas } from '@/composables/useAtlas'
import { meanOf } from '@/composables/repeats'
import { among, nameOf } from '@/composables/fields'
import { confirmed } from '@/composables/confirmed'
import { useLastTime } from '@/composables/lastTime'
import { said } from '@/composables/said'
import { dayWords } from '@/composables/settings'
import { useHand, useVisit } from '@/composables/useVisit'
import { standingNames, useWorklist } from '@/composables/useWorklist'
import DevicePanel from '@/parts/DevicePanel.vue'
import MuscleList from '@/parts/feel/MuscleList.vue'
import AboutButton from '@/parts/AboutButton.vue'
import LedgerRow from '@/parts/LedgerRow.vue'
import NextCheck from '@/parts/NextCheck.vue'
import WhyList from '@/parts/WhyList.vue'
import { capital, siteNames } from '@/parts/words'
import { goToCheck, handOn, keepHand } from '@/composables/goToCheck'
import type { MuscleId, Side, ZoneId } from '@/types/ids.generated'
import type { Answer, NextCheck as Check, Palpation, Place, Site } from '@/types/visit'
import { inVisitFrame } from '@/parts/inVisitFrame'

defineOptions({
  layout: inVisitFrame(
    ['L / ; or ← →', 'left or right in hand'],
    ['0–4', 'tenderness; on the list it goes on to the next'],
    ['T', 'tone'],
    ['X', 'texture'],
    ['S', 'sends it to'],
    ['F', 'own pain'],
    ['C', 'the other side the same'],
    ['P', 'as last time'],
    ['Q', 'the list of this visit, or by place'],
    ['E', 'the rest under this place, or on the list: nothing'],
    ['↑ ↓', 'muscle above, below'],
    ['D', 'read the algometer, when it is open'],
    ['N', 'next best check'],
    ['I', 'about the muscle in hand'],
  ),
})

const visit = useVisit()
const { open: openAtlas } = useAtlas()
const { props, judged, save, one, all } = visit
const words = computed(() => props.value.client.words)
const own = computed(() =>
  words.value.possessive === 'his'
    ? 'his'
    : words.value.possessive === 'her'
      ? 'hers'
      : words.value.possessive === 'their'
        ? 'theirs'
        : 'own',
)
const complaints = computed(() => all('complaint'))
const felt = computed(() => all('palpation'))
const hand = handOn(props.value.visit.id, 'feel')
const asked = atlas.muscles.find((item) => item.id === hand.muscle)
const firstPlace = (): Place => {
  const side: Side = hand.side === 'right' ? 'right' : 'left'
  if (asked) return { zone: asked.zones[0] as ZoneId, side }
  const start = complaints.value[0]
  return start ? { zone: start.zone, side: start.side } : { zone: 'shoulder_top', side: 'left' }
}
const place = ref<Place>(firstPlace())
const view = ref<ViewId>(zoneOfView('back', place.value.zone) ? 'back' : 'front')
const near = ref<NearId>(nearOfZone(view.value, place.value.zone))
const depth = ref(1)
/**
 * Muscles under the place in hand, or the list of this visit walked one by one: each digit goes on to the other side and then to the next
 * muscle.
 */
const { list: worklist } = useWorklist()
const walking = ref(hand.list === true)
const list = computed(() => (walking.value ? worklist.value.muscles.map((one) => muscleOf(one.id)) : under(place.value.zone)))
const chosenId = ref<MuscleId>(asked?.id ?? (list.value[0]?.id as MuscleId))
const muscle = computed(() => muscleOf(chosenId.value))
const proofWords = computed(() => (muscle.value.proof ? t('Prove it: :proof.', { proof: muscle.value.proof }) : ''))
/** The whole way to it, of which the line shows what fits. */
const findWords = computed(() => `${muscle.value.find.join(' → ')}. ${proofWords.value}`)
/** The muscle in hand as a whole, and the parts of it that can be told apart. */
const whole = computed(() => wholeOf(chosenId.value))
const parts = computed(() => partsOf(whole.value))
const side = ref<'left' | 'right'>(place.value.side === 'right' ? 'right' : 'left')
const watch = computed(() => muscle.value.watch[side.value])
watchEffect(() => keepHand(props.value.visit.id, 'feel', { muscle: chosenId.value, side: side.value, list: walking.value }))
const site = ref<Site | ''>('')
const sites = choicesOf(siteNames)
useHand(() => ({
  places: muscle.value.zones.map((zoneId) => ({ zone: zoneId, side: zone(zoneId).midline ? 'midline' : side.value })),
  muscle: { muscle: chosenId.value, side: side.value },
}))
const choosePlace = (next: Place) => {
  place.value = next
  if (next.side !== 'midline') side.value = next.side
  const inList = under(next.zone)
  if (!inList.some((item) => item.id === whole.value)) chosenId.value = inList[0]?.id ?? chosenId.value
}
/** A muscle touched on the figure is taken in hand with its place. */
const pick = (one: FigurePick) => {
  choosePlace(one.place)
  if (!one.muscle) return
  side.value = one.side
  chosenId.value = one.muscle
  site.value = ''
}
const where = (at: Side): Palpation => ({ muscle: chosenId.value, side: at, ...(site.value ? { site: site.value } : {}) })
const idOf = (at: Side): string => nameOf('palpation', where(at))
const finding = (at: Side) => one('palpation', idOf(at))
const put = (at: 'left' | 'right', part: Partial<Palpation>, what: string) => {
  side.value = at
  save('palpation', idOf(at), said('palpation', { ...where(at), ...finding(at), ...part }), `${what}, ${at}`)
}
const standingOf = (item: { id: MuscleId }, index: number): string => {
  const [here, above] = [worklist.value.muscles[index], worklist.value.muscles[index - 1]]
  return here?.id === item.id && here.position !== above?.position ? standingNames[here.position] : ''
}
const best = (id: MuscleId, at: Side): Palpation | undefined =>
  felt.value
    .filter((item) => (item.muscle === id || wholeOf(item.muscle) === id) && item.side === at)
    .sort((a, b) => (b.tenderness ?? 0) - (a.tenderness ?? 0))[0]
const marks = computed(() =>
  felt.value.map((item) => ({
    muscle: item.muscle,
    side: item.side,
    finding: item,
    refers: item.refers_to ?? [],
    chosen: item.muscle === chosenId.value && item.side === side.value,
  })),
)
const tones = { low: 'slack', usual: 'usual', high: 'tight', spasm: 'spasm' } as const
type Tone = keyof typeof tones
const textures = { even: t('even'), taut_band: t('band'), nodule: t('nodule') }
const more = {
  ropy: 'ropy',
  gritty: 'gritty',
  stuck_layers: 'stuck',
  swollen: 'swollen',
  warm: 'warm',
  cold: 'cold',
  twitch: 'twitch',
  click: 'click',
}
const moreOpen = ref(false)
type Texture = NonNullable<Palpation['texture']>[number]
const textureOf = (at: Side): Texture[] => finding(at)?.texture ?? []
const setTexture = (at: 'left' | 'right', name: Texture | 'even') => {
  if (name === 'even') put(at, { texture: [] }, 'texture even')
  else
    put(
      at,
      { texture: textureOf(at).includes(name) ? textureOf(at).filter((item) => item !== name) : [...textureOf(at), name] },
      name.replace('_', ' '),
    )
}
const isFelt = (at: Side, name: string): boolean => textureOf(at).some((one) => one === name)
const touchTexture = (name: string, at: Hand): void => {
  const texture = among({ ...textures, ...more }, name)
  if (texture) setTexture(at, texture)
}
/** Where this muscle is known to be felt; the complaint's places first. */
const sends = computed<ZoneId[]>(() => {
  const hurts = new Set(complaints.value.map((item) => item.zone))
  return [...new Set(muscle.value.refers)].sort((a, b) => Number(hurts.has(b)) - Number(hurts.has(a))).slice(0, 2)
})
const sentTo = (at: Side): string => (finding(at)?.refers_to === undefined ? '' : (finding(at)?.refers_to?.[0]?.zone ?? 'nowhere'))
const setSends = (at: 'left' | 'right', to: string) =>
  put(
    at,
    { refers_to: to === 'nowhere' ? [] : [{ zone: to as ZoneId, side: zone(to).midline ? 'midline' : at }] },
    to === 'nowhere' ? 'sends it nowhere' : `sends it to ${zone(to).name}`,
  )
const setOwn = (at: 'left' | 'right', value: Answer) =>
  put(at, { familiar: value }, value === 'yes' ? `${own.value}` : value === 'no' ? t('not :own', { own: own.value }) : 'to ask')
type Hand = 'left' | 'right'
interface Row {
  label: string
  hint?: string
  name: string
  cells: { id: string; name: string; scale?: boolean }[]
  chosen: (cell: string, at: Hand) => boolean
  unusual: (cell: string, at: Hand) => boolean
  touch: (cell: string, at: Hand) => void
  ghost?: (cell: string, at: Hand) => boolean
}
const cells = (names: Record<string, string>) => Object.entries(names).map(([id, name]) => ({ id, name }))
/** The last visit's, as long as nobody has said anything today of that side. */
const ghostOf = (at: Hand): Palpation | undefined => (finding(at) ? undefined : last(at))
/** The ledger, row by row: what is usual is only chosen, what deviates is washed. */
const rows = computed<Row[]>(() => [
  {
    label: 'Tenderness',
    hint: '0–4',
    name: 'Tenderness',
    cells: [0, 1, 2, 3, 4].map((grade) => ({ id: String(grade), name: String(grade), scale: true })),
    chosen: (cell, at) => finding(at)?.tenderness === Number(cell),
    ghost: (cell, at) => ghostOf(at)?.tenderness === Number(cell),
    unusual: (cell, at) => (finding(at)?.tenderness ?? -1) > Number(cell),
    touch: (cell, at) => put(at, { tenderness: finding(at)?.tenderness === Number(cell) ? undefined : Number(cell) }, `tenderness ${cell}`),
  },
  {
    label: 'Tone',
    hint: 'T',
    name: 'Tone',
    cells: cells(tones),
    chosen: (cell, at) => finding(at)?.tone === cell,
    ghost: (cell, at) => ghostOf(at)?.tone === cell,
    unusual: (cell, at) => finding(at)?.tone === cell && cell !== 'usual',
    touch: (cell, at) => put(at, { tone: finding(at)?.tone === cell ? undefined : (cell as Tone) }, `tone ${tones[cell as Tone]}`),
  },
  {
    label: 'Texture',
    hint: 'X',
    name: 'Texture',
    cells: [...cells(textures), { id: 'more', name: 'more' }],
    chosen: (cell, at) => (cell === 'more' ? moreOpen.value : cell === 'even' ? finding(at)?.texture?.length === 0 : isFelt(at, cell)),
    unusual: (cell, at) => (cell === 'more' ? textureOf(at).some((item) => item in more) : cell !== 'even' && isFelt(at, cell)),
    ghost: (cell, at) => ghostOf(at)?.texture?.some((one) => one === cell) ?? false,
    touch: (cell, at) => (cell === 'more' ? (moreOpen.value = !moreOpen.value) : touchTexture(cell, at)),
  },
  ...(moreOpen.value
    ? [
        {
          label: '',
          name: 'More texture',
          cells: cells(more),
          chosen: (cell: string, at: Hand) => isFelt(at, cell),
          unusual: (cell: string, at: Hand) => isFelt(at, cell),
          touch: touchTexture,
        },
      ]
    : []),
  {
    label: 'Sends it to',
    hint: 'S',
    name: 'Sends it to',
    cells: ['nowhere', ...sends.value].map((to) => ({ id: to, name: to === 'nowhere' ? t('nowhere') : zone(to).name })),
    chosen: (cell, at) => sentTo(at) === cell,
    unusual: (cell, at) => sentTo(at) === cell && cell !== 'nowhere',
    touch: (cell, at) => setSends(at, cell),
  },
  {
    label: `${capital(words.value.possessive)} own pain?`,
    hint: 'F',
    name: 'Own pain',
    cells: cells({ no: t('not :own', { own: own.value }), yes: own.value, unknown: t('ask :them', { them: words.value.object }) }),
    chosen: (cell, at) => finding(at)?.familiar === cell,
    ghost: (cell, at) => ghostOf(at)?.familiar === cell,
    unusual: (cell, at) => finding(at)?.familiar === cell && cell === 'yes',
    touch: (cell, at) => setOwn(at, cell as Answer),
  },
])
/** The same finding on the other side, its referral mirrored. */
const copyAcross = () => {
  const [from, to] = [finding(side.value), other(side.value)]
  if (!from) return
  const across = (from.refers_to ?? []).map((at) => ({ ...at, side: at.side === 'midline' ? at.side : to }))
  save(
    'palpation',
    idOf(to),
    { ...from, side: to, ...(from.refers_to ? { refers_to: across } : {}) },
    `${muscle.value.name}, ${to} as ${side.value}`,
  )
}
const last = (at: Hand) => visit.last('palpation', idOf(at))
const { left: leftOfLast, confirm } = useLastTime()
/** What the last visit felt of this part and nobody has felt today; what only an instrument read is read again. */
const lastHere = computed(() =>
  leftOfLast('palpation', (one) => one.muscle === chosenId.value && (one.site ?? '') === site.value).filter(
    (one) => said('palpation', confirmed('palpation', one)) !== null,
  ),
)
const asLastTime = () => confirm('palpation', lastHere.value, `${muscle.value.name} as last time`)
/**
 * What lies under this place, or stands on the list, and was not felt yet is recorded as felt and not tender, which counts as evidence;
 * nothing else was said of it.
 */
const rest = computed(() => {
  const sides: Hand[] = walking.value || place.value.side === 'midline' ? ['left', 'right'] : [side.value]
  return list.value.flatMap((item) => sides.flatMap((at) => (best(item.id, at) ? [] : [{ muscle: item.id, side: at }])))
})
const restQuiet = () =>
  rest.value.length &&
  visit.saveAll(
    rest.value.map((at) => ({
      kind: 'palpation' as const,
      identity: nameOf('palpation', at),
      payload: { ...at, tenderness: 0 },
    })),
    `${walking.value ? 'the list' : placeName(place.value)}: ${rest.value.length} felt, not tender`,
  )
const walk = async (offset: number) => {
  const index = list.value.findIndex((item) => item.id === whole.value)
  inHand(list.value[Math.min(list.value.length - 1, Math.max(0, index + offset))]?.id ?? chosenId.value)
  await nextTick()
  document.querySelector('[role=option][aria-selected=true]')?.scrollIntoView({ block: 'nearest' })
}
const toggleList = () => {
  walking.value = !walking.value
  const first = list.value.find((item) => !best(item.id, 'left') || !best(item.id, 'right')) ?? list.value[0]
  if (!walking.value || !first) return
  inHand(first.id)
  side.value = best(first.id, 'left') ? 'right' : 'left'
}
/** A digit is the tenderness of what is in hand; on the list it goes on: the other side, then the next. */
const grade = (value: number) => {
  put(side.value, { tenderness: value }, `tenderness ${value}`)
  if (!walking.value) return
  if (side.value === 'left') side.value = 'right'
  else if (list.value.at(-1)?.id !== whole.value) {
    void walk(1)
    side.value = 'left'
  }
}
/** Pressure threshold by algometer, of the whole muscle or the part in hand. */
const pressing = ref(false)
const readPressure = (at: Side, repeats: number[], simulated: boolean) =>
  put(
    at === 'right' ? 'right' : 'left',
    repeats.length
      ? { ppt_repeats_kpa: repeats, ppt_kpa: meanOf(repeats), simulated: simulated || undefined }
      : { ppt_repeats_kpa: undefined, ppt_kpa: undefined, simulated: undefined },
    'pressure threshold',
  )
const pressureWords = computed(() =>
  (['left', 'right'] as const).flatMap((at) => {
    const one = judged.value.assessment?.compared.find(
      (item) => item.key === `palpation.${chosenId.value}.${site.value || 'whole'}.ppt` && item.side === at,
    )
    return one?.with.filter((item) => item.what !== 'usual').map((item) => `${at}: ${item.words}`) ?? []
  }),
)
const cycle = <T,>(values: readonly T[], now: T | undefined): T => values[(values.indexOf(now as T) + 1) % values.length] as T
/** Takes a muscle in hand; on the list its place and near view come with it. */
function inHand(id: MuscleId): void {
  if (walking.value) take({ kind: 'palpate', id, side: side.value })
  else chosenId.value = id
}
const take = (check: Pick<Check, 'kind' | 'id' | 'side'> | undefined) => {
  if (!check) return
  if (check.kind !== 'palpate') return goToCheck(props.value.visit.id, check)
  const id = check.id as MuscleId
  choosePlace({ zone: muscleOf(id).zones[0] as ZoneId, side: check.side })
  chosenId.value = id
  site.value = ''
  view.value = viewOf(id, 'back')
  near.value = nearOfZone(view.value, place.value.zone)
}
useKeys({
  ...Object.fromEntries([0, 1, 2, 3, 4].map((value) => [String(value), () => grade(value)])),
  q: toggleList,
  l: () => (side.value = 'left'),
  ';': () => (side.value = 'right'),
  t: () => put(side.value, { tone: cycle(['usual', 'high', 'spasm', 'low'] as Tone[], finding(side.value)?.tone) }, 'tone'),
  x: () =>
    setTexture(
      side.value,
      cycle(
        ['taut_band', 'nodule', 'even'],
        textureOf(side.value).includes('nodule') ? 'nodule' : textureOf(side.value).includes('taut_band') ? 'taut_band' : undefined,
      ),
    ),
  s: () => setSends(side.value, cycle(['nowhere', ...sends.value], (sentTo(side.value) || undefined) as 'nowhere' | undefined)),
  f: () => setOwn(side.value, cycle(['yes', 'no', 'unknown'] as Answer[], finding(side.value)?.familiar)),
  c: copyAcross,
  p: asLastTime,
  e: restQuiet,
  // neighbours: by depth up and down, by side left and right
  ArrowLeft: () => (side.value = 'left'),
  ArrowRight: () => (side.value = 'right'),
  ArrowDown: () => void walk(1),
  ArrowUp: () => void walk(-1),
  n: () => take(judged.value.pattern?.next_checks[0]),
  i: () => openAtlas('muscle', chosenId.value, side.value),
})
</script>
<template>
  <div class="grid flex-1 gap-x-4 lg:grid-cols-[400px_minmax(0,1fr)] xl:grid-cols-[500px_minmax(0,456px)_minmax(0,1fr)]">
    <FigureStage
      v-model:view="view"
      v-model:near="near"
      v-model:depth="depth"
      layers
      :possessive="words.possessive"
      :complaints="complaints"
      :marks="marks"
      :chosen="zoneOfView(view, place.zone) ? place : null"
      :lit="{ muscle: chosenId, side }"
      :label="`Findings, ${view} view. Touch a place to list the muscles under it.`"
      title="Findings"
      @pick="pick"
    />
    <section class="min-w-0 px-6 pb-3 pt-3 lg:pl-0 xl:pr-0" aria-label="Under this place">
      <div class="flex items-baseline justify-between gap-3">
        <h2 v-if="!walking" class="section-head min-w-0 truncate" :title="capital(placeName(place))">{{ capital(placeName(place)) }}</h2>
        <h2 v-else class="section-head">The {{ worklist.full ? 'full' : 'quick' }} list</h2>
        <button type="button" class="link ml-auto shrink-0 min-h-[28px]" :aria-pressed="walking" @click="toggleList">
          {{ walking ? 'by place' : `list of ${worklist.muscles.length}` }} <span class="key-hint">Q</span>
        </button>
        <button type="button" class="link shrink-0 min-h-[28px]" :disabled="!rest.length" @click="restQuiet">
          {{ rest.length ? `the other ${rest.length}: nothing` : 'all felt' }} <span class="key-hint">E</span>
        </button>
      </div>
      <p v-if="!walking && isBare(place.zone)" class="caption">
        No muscle lies right under the {{ zone(place.zone).name }}: those with a part there come first, then those around it.
      </p>
      <MuscleList
        :muscles="list"
        :chosen="whole"
        :side="side"
        :core="!walking"
        :aside="standingOf"
        :best="best"
        :label="walking ? 'Muscles of the list' : 'Muscles under this place'"
        @choose="inHand"
      />
      <div class="mt-3 flex items-end justify-between">
        <span class="side-name whitespace-nowrap">{{ words.possessive }} left</span>
        <h2 class="display min-w-0 px-2 text-center" :class="muscle.name.length > 22 ? 'text-[20px] leading-6' : 'text-[26px] leading-8'">
          <template v-if="!parts.length">{{ muscle.name }}</template>
          <Pick
            v-else
            id="part"
            look="word"
            label="As a whole, or one of its parts"
            :choices="[muscleOf(whole), ...parts]"
            :value="chosenId"
            @choose="(id) => id && (chosenId = id)"
          />
        </h2>
        <span class="side-name whitespace-nowrap">{{ words.possessive }} right</span>
      </div>
      <p class="caption flex items-baseline justify-center gap-3">
        <span class="truncate" :title="findWords"
          ><span>{{ muscle.find[0] }}</span
          >. <span>{{ proofWords }}</span></span
        >
        <AboutButton :id="muscle.id" class="shrink-0 !min-h-[20px]" kind="muscle" :name="muscle.name" :side="side" hint="I"
          >More</AboutButton
        >
      </p>
      <p v-if="watch.length" class="flex justify-center gap-2 text-[14px] leading-[19px]" :title="watch.join('; ')">
        <span class="w-[5px] shrink-0 border-y-2 border-l-2 border-iron" aria-hidden="true" /><span class="truncate">{{ watch[0] }}</span>
      </p>
      <div class="relative mt-1">
        <div class="absolute bottom-0 left-1/2 top-0 border-l border-walnut" aria-hidden="true" />
        <LedgerRow
          v-for="row in rows"
          :key="row.name"
          v-bind="row"
          :chosen="(cell, at) => row.chosen(cell, at)"
          :unusual="(cell, at) => row.unusual(cell, at)"
          @touch="(at, cell) => row.touch(cell, at)"
        />
      </div>
      <div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <label class="caption" for="site">Where in it</label
        ><Pick
          id="site"
          class="w-[170px]"
          look="cell"
          label="Where in it"
          :choices="sites"
          :value="site || 'whole'"
          @choose="(part) => (site = part === undefined || part === 'whole' ? '' : part)"
        /><span class="caption whitespace-nowrap">in hand: {{ side }} <span class="key-hint">L</span> <span class="key-hint">;</span></span>
        <button type="button" class="cell" :aria-pressed="pressing" @click="pressing = !pressing">pressure threshold</button>
        <span class="ml-auto flex flex-wrap gap-px" role="group" aria-label="At one touch">
          <button type="button" class="cell" :disabled="!finding(side)" @click="copyAcross">
            {{ other(side) }} the same&nbsp;<span class="key-hint">C</span>
          </button>
          <button v-if="props.before" type="button" class="cell" :disabled="!lastHere.length" @click="asLastTime">
            as on {{ dayWords(props.before.date) }}&nbsp;<span class="key-hint">P</span>
          </button>
        </span>
      </div>
      <DevicePanel
        v-if="pressing"
        :key="chosenId + site"
        device="algometer"
        unit="kPa"
        :what="chosenId"
        :sides="['left', 'right']"
        :repeats="(at) => finding(at)?.ppt_repeats_kpa ?? []"
        :about="(at) => (at === 'midline' ? undefined : last(at)?.ppt_kpa)"
        @change="readPressure"
      />
      <p v-for="line in pressing ? pressureWords : []" :key="line" class="caption">{{ capital(line) }}</p>
    </section>
    <aside class="flex min-w-0 flex-col gap-3 px-6 pb-3 pt-3 lg:col-start-2 xl:col-start-3 xl:pl-3">
      <NextCheck :check="judged.pattern?.next_checks[0]" @go="take" />
      <h2 class="section-head">What could explain it</h2>
      <WhyList v-if="judged.pattern" :pattern="judged.pattern" :most="3" @choose="take" />
    </aside>
  </div>
</template>
