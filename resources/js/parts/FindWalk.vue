<script setup lang="ts">
import { computed, ref } from 'vue'
import { cropAround, drawnIn, landmarkIn, viewNames, viewWords, views as allViews, zoneOfView, type ViewId } from '@/chart/art'
import Figure, { type FigureComplaint } from '@/chart/Figure.vue'
import SideNames from '@/chart/SideNames.vue'
import type { MuscleEntry } from '@/types/atlas'
import type { Side, ZoneId } from '@/types/ids.generated'

/** The muscle on the figure, and the touches that lead to it: each lights its landmark. */
const props = defineProps<{ entry: MuscleEntry; side: Side; narrow?: boolean; dark?: boolean }>()
const step = ref(0)
const referral = ref(false)
/** From in front and from behind always; the others for what is drawn there. */
const views = allViews.filter((one) => one === 'front' || one === 'back' || drawnIn(one, props.entry.id))
const points = computed(() => props.entry.find.flatMap((one) => (one.landmark ? [one.landmark.id] : [])))
const seen = (view: ViewId): number => (drawnIn(view, props.entry.id) ? 10 : 0) + points.value.filter((id) => landmarkIn(view, id)).length
const home = computed<ViewId>(() => views.reduce((best, one) => (seen(one) > seen(best) ? one : best)))
const now = computed(() => props.entry.find[step.value]?.landmark?.id ?? null)
/** The view where the landmark in hand lies, if it is not on this one. */
const view = computed<ViewId>(() => {
  if (now.value === null || landmarkIn(home.value, now.value)) return home.value
  return views.find((one) => landmarkIn(one, now.value!)) ?? home.value
})
const shownView = ref<ViewId | null>(null)
const drawn = computed(() => shownView.value ?? view.value)
const felt = computed(() => [...props.entry.core, ...props.entry.spill_over] as ZoneId[])
const crop = computed(() =>
  cropAround(drawn.value, props.side, {
    muscles: [props.entry.id],
    ...(referral.value ? { zones: felt.value } : { points: points.value }),
  }),
)
const lit = computed(() => ({ muscle: props.entry.id, side: props.side }))
const painted = computed<FigureComplaint[]>(() =>
  referral.value
    ? [
        ...props.entry.core.map((zone) => ({ zone: zone as ZoneId, side: props.side, now: 10 })),
        ...props.entry.spill_over.map((zone) => ({ zone: zone as ZoneId, side: props.side, now: 1 })),
      ]
    : [],
)
/** The view that shows most of where it is felt, what is typical counting double. */
const feltView = computed<ViewId>(() => {
  const shows = (view: ViewId): number =>
    props.entry.core.filter((zone) => zoneOfView(view, zone as ZoneId)).length * 2 +
    props.entry.spill_over.filter((zone) => zoneOfView(view, zone as ZoneId)).length
  return views.reduce((best, one) => (shows(one) > shows(best) ? one : best))
})
const showFelt = () => {
  referral.value = !referral.value
  shownView.value = referral.value ? feltView.value : null
}
const go = (to: number) => {
  step.value = (to + props.entry.find.length) % props.entry.find.length
  shownView.value = null
  referral.value = false
}
</script>
<template>
  <section
    class="grid gap-5"
    :class="narrow ? 'grid-cols-[300px_1fr] max-sm:grid-cols-1' : 'md:grid-cols-[minmax(0,440px)_1fr]'"
    aria-label="How to find it"
  >
    <div>
      <SideNames :view="drawn" />
      <div class="overflow-hidden bg-fold/50" :class="narrow ? 'h-[320px]' : 'h-[460px]'">
        <Figure
          :dark="dark"
          :view="drawn"
          :crop="crop"
          :lit="lit"
          :points="referral ? [] : points.map((id) => ({ id, now: id === now }))"
          :point-side="side"
          :complaints="painted"
          :label="`${entry.name} on the figure, ${viewNames[drawn]}`"
        />
      </div>
      <div class="mt-1 flex flex-wrap gap-px">
        <button v-for="one in views" :key="one" type="button" class="cell flex-1" :aria-pressed="drawn === one" @click="shownView = one">
          {{ viewWords[one] }}</button><button type="button" class="cell flex-[2]" :aria-pressed="referral" @click="showFelt">
          Where it is felt
        </button>
      </div>
      <p v-if="referral" class="caption mt-1">Dense stitches: typical. Wide ones: sometimes.</p>
    </div>
    <div>
      <h3 class="section-head">Find it</h3>
      <ol class="mt-1">
        <li v-for="(one, index) in entry.find" :key="index">
          <button
            type="button"
            class="grid min-h-[44px] w-full grid-cols-[28px_1fr] items-baseline gap-1 border-b border-hairline py-2 text-left"
            :class="index === step ? 'bg-fold' : ''"
            :aria-current="index === step ? 'step' : undefined"
            @click="go(index)"
          >
            <span class="display pl-2 text-[17px]">{{ index + 1 }}</span><span
              >{{ one.do }}<span v-if="one.landmark" class="caption block">{{ one.landmark.name }}</span></span
            >
          </button>
        </li>
      </ol>
      <p v-if="entry.proof" class="mt-2"><b class="font-[650]">Prove it:</b> {{ entry.proof }}.</p>
      <button type="button" class="btn mt-3" @click="go(step + 1)">Next touch</button>
      <div class="mt-6"><slot /></div>
    </div>
  </section>
</template>
