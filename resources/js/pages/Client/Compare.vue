<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { Head, Link, router } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import { cropOf, faces, musclePlace, nearViews, nears, viewIn, viewNames, viewOf, viewWords, type NearId, type ViewId } from '@/chart/art'
import { layerName, muscle as muscleOf, placeName } from '@/chart/atlas'
import Figure, { type FigureMark, type FigureShift } from '@/chart/Figure.vue'
import { dayWords } from '@/composables/settings'
import { useKeys } from '@/composables/useKeys'
import type { Side } from '@/types/ids.generated'
import type { Complaint, Palpation, Words } from '@/types/visit'

/** Two moments of a course on the same figure, and in words what changed between them. */
interface Moment {
  key: string
  number: number
  when: string
  date: string
  complaints: Complaint[]
  palpations: Palpation[]
}
const props = defineProps<{
  client: { id: string; name: string; code: string; words: Words }
  moments: Moment[]
  from: string | null
  to: string | null
}>()
const moment = (key: string | null): Moment | undefined => props.moments.find((one) => one.key === key)
const pair = computed(() => [moment(props.from), moment(props.to)].filter((one): one is Moment => one !== undefined))
const choose = (which: 'from' | 'to', key: string) =>
  router.get(
    `/clients/${props.client.id}/compare`,
    { from: props.from, to: props.to, [which]: key },
    { preserveState: true, preserveScroll: true, replace: true },
  )
const title = (one: Moment): string => `Visit ${one.number}, ${dayWords(one.date)}, ${one.when}`

const felt = computed(() => pair.value.flatMap((one) => one.palpations))
const view = ref<ViewId>(viewOf(felt.value[0]?.muscle ?? 'trapezius_upper', 'back'))
const near = ref<NearId>('upper')
const depth = ref(1)
const showNear = (next: NearId) => {
  near.value = next
  view.value = viewIn(next, view.value)
}
/** One mark a muscle and side: the strongest place of it. */
const marksOf = (one: Moment): FigureMark[] => {
  const strongest = new Map<string, Palpation>()
  for (const item of one.palpations) {
    const key = `${item.muscle}:${item.side}`
    if ((item.tenderness ?? -1) > (strongest.get(key)?.tenderness ?? -2)) strongest.set(key, item)
  }
  return [...strongest.values()].map((item) => ({ muscle: item.muscle, side: item.side, finding: item, refers: item.refers_to ?? [] }))
}
const sides = computed(() => (faces(view.value) ? ['right', 'left'] : ['left', 'right']))

interface Change {
  key: string
  what: string
  side: Side
  /** where it stands on the figure */
  at: { muscle: string } | { zone: string }
  from: number | undefined
  to: number | undefined
  height: number
}
const changes = computed<Change[]>(() => {
  const rows = new Map<string, Change>()
  const put = (which: 'from' | 'to', at: Change['at'], what: string, side: Side, value: number | undefined, height: number) => {
    const key = `${JSON.stringify(at)}:${side}`
    const row = rows.get(key) ?? { key, what, side, at, from: undefined, to: undefined, height }
    row[which] = Math.max(value ?? -1, row[which] ?? -1)
    if (row[which] === -1) row[which] = undefined
    rows.set(key, row)
  }
  for (const [which, key] of [
    ['from', props.from],
    ['to', props.to],
  ] as const) {
    const one = moment(key)
    one?.complaints.forEach((item) => put(which, { zone: item.zone }, `Pain, ${placeName(item)}`, item.side, item.now, -1))
    one?.palpations.forEach((item) => {
      const place = musclePlace('front', item.muscle) ?? musclePlace('back', item.muscle)
      put(which, { muscle: item.muscle }, `${muscleOf(item.muscle).name}, ${item.side}`, item.side, item.tenderness, place?.c[1] ?? 1000)
    })
  }
  return [...rows.values()].sort((a, b) => a.height - b.height || a.what.localeCompare(b.what))
})
const word = (one: Change): string =>
  one.from === undefined
    ? 'not looked at before'
    : one.to === undefined
      ? 'not looked at again'
      : one.to < one.from
        ? 'less'
        : one.to > one.from
          ? 'more'
          : 'the same'
/** Side by side, or one figure with what changed on it. */
const apart = ref(false)
const shifts = computed<FigureShift[]>(() =>
  changes.value.flatMap((one) =>
    one.from === undefined || one.to === undefined ? [] : [{ ...one.at, side: one.side, by: Math.round((one.to - one.from) * 10) / 10 }],
  ),
)
const counted = computed(() => {
  const of = (test: (by: number) => boolean) => shifts.value.filter((one) => test(one.by)).length
  return `${of((by) => by < 0)} less, ${of((by) => by > 0)} more, ${of((by) => by === 0)} the same`
})
useKeys({ d: () => (apart.value = !apart.value) }, [['D', 'side by side, or the difference']])
const nearChoices = (Object.keys(nears) as NearId[]).map((id) => ({ id, name: nears[id].name }))
</script>
<template>
  <Head :title="`${client.code}, before and after`" />
  <main class="mx-auto max-w-[1320px] px-6 pb-12 pt-4">
    <p class="caption no-print">
      <Link href="/" class="link">Today</Link> · <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link>
    </p>
    <header class="flex flex-wrap items-end justify-between gap-4">
      <div>
        <h1 class="display text-[31px] leading-9">Before and after</h1>
        <p class="caption">{{ client.code }} · {{ viewNames[view] }}, {{ nears[near].name.toLowerCase() }}, {{ layerName(depth) }} layer</p>
      </div>
      <div v-if="pair.length" class="no-print flex flex-wrap items-center gap-2">
        <div v-if="pair.length > 1" class="flex gap-px" role="group" aria-label="How">
          <button type="button" class="cell" :aria-pressed="!apart" @click="apart = false">Side by side</button
          ><button type="button" class="cell" :aria-pressed="apart" @click="apart = true">
            Difference <span class="key-hint ml-1">D</span>
          </button>
        </div>
        <div class="flex gap-px" role="group" aria-label="View">
          <button v-for="one in nearViews(near)" :key="one" type="button" class="cell" :aria-pressed="view === one" @click="view = one">
            {{ viewWords[one] }}
          </button>
        </div>
        <label class="sr-only" for="near">How near</label>
        <Pick
          id="near"
          class="w-[170px]"
          look="cell"
          label="How near"
          :choices="nearChoices"
          :value="near"
          @choose="(id) => id && showNear(id)"
        />
        <label class="sr-only" for="depth">Layer</label>
        <Pick
          id="depth"
          class="w-[120px]"
          look="cell"
          label="Layer"
          :choices="[1, 2, 3, 4].map((id) => ({ id, name: layerName(id) }))"
          :value="depth"
          @choose="(layer) => layer && (depth = layer)"
        />
      </div>
    </header>
    <p v-if="!pair.length" class="mt-8 max-w-[640px]">
      Nothing felt or painted yet. After the first visit with a finding both pictures stand here, and what changed between them.
    </p>
    <div v-else class="mt-5 grid gap-x-7 gap-y-6 lg:grid-cols-[1fr_1fr_300px] print:grid-cols-2">
      <section v-for="(one, k) in pair" :key="k" :aria-label="k === 0 ? 'Before' : 'After'">
        <label class="sr-only" :for="`moment-${k}`">{{ k === 0 ? 'Before' : 'After' }}</label>
        <Pick
          :id="`moment-${k}`"
          class="no-print"
          :label="k === 0 ? 'Before' : 'After'"
          :choices="moments.map((item) => ({ id: item.key, name: title(item) }))"
          :value="one.key"
          @choose="(key) => key && choose(k === 0 ? 'from' : 'to', key)"
        />
        <h2 class="section-head hidden print:block">{{ title(one) }}</h2>
        <div v-if="!apart" class="mt-2 flex justify-between">
          <p class="side-name">{{ client.words.possessive }} {{ sides[0] }}</p>
          <p class="side-name text-right">{{ client.words.possessive }} {{ sides[1] }}</p>
        </div>
        <div v-if="!apart" class="h-[560px] overflow-hidden max-lg:h-[420px] print:h-[380px]">
          <Figure
            :view="view"
            :crop="cropOf(view, near)"
            :depth="depth"
            :marks="marksOf(one)"
            :complaints="one.complaints"
            muscles
            :label="`${title(one)}: ${one.palpations.length} findings, ${one.complaints.length} places that hurt`"
          />
        </div>
      </section>
      <section v-if="apart" aria-label="Difference" class="lg:col-span-2 lg:col-start-1 print:col-span-2">
        <div class="flex justify-between">
          <p class="side-name">{{ client.words.possessive }} {{ sides[0] }}</p>
          <p class="side-name text-right">{{ client.words.possessive }} {{ sides[1] }}</p>
        </div>
        <div class="h-[520px] overflow-hidden max-lg:h-[420px] print:h-[400px]">
          <Figure
            :view="view"
            :crop="cropOf(view, near)"
            :depth="depth"
            :shifts="shifts"
            :complaints="pair[1]?.complaints ?? []"
            muscles
            :label="`What changed: ${counted}`"
          />
        </div>
        <p class="note mt-1">A wedge down is less, up is more, a bar the same; only what was looked at both times. {{ counted }}.</p>
      </section>
      <section aria-label="What changed" class="lg:col-start-3 lg:row-span-2 lg:row-start-1 print:col-span-2">
        <h2 class="section-head">What changed</h2>
        <table class="mt-2 w-full">
          <thead class="sr-only">
            <tr>
              <th>What</th>
              <th>Before and after</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in changes" :key="one.key" class="border-b border-hairline align-baseline">
              <td class="py-1.5 pr-2 print:py-0.5">
                {{ one.what }}<span class="caption block print:ml-2 print:inline">{{ word(one) }}</span>
              </td>
              <td class="display whitespace-nowrap py-1.5 text-right text-[19px] print:py-0.5">
                {{ one.from ?? '–' }} →
                <b class="font-[650]" :class="(one.to ?? 0) < (one.from ?? 0) ? 'text-moss' : ''">{{ one.to ?? '–' }}</b>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="caption mt-3">Tenderness counts 0 to 4, pain 0 to 10. One grade of tenderness may be the hand, not the muscle.</p>
      </section>
    </div>
  </main>
</template>
