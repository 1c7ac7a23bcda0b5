<script setup lang="ts">
import { useDebounceFn, useElementSize } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, watch, watchEffect } from 'vue'
import { settings } from '@/composables/settings'
import type { MuscleId, Side } from '@/types/ids.generated'
import type { Crop } from './art'
import { atlas } from './atlas'
import { boundsOf, isOf, loadSeen, outline, partAt, partOf, regionOf, seenOf, sightsOf, spotsOf } from './dissection'
import { labelsIn, leastNamed, WIDE } from './labels'
import NameLabels from './NameLabels.vue'
import { usePainter } from './usePainter'
import { useZoom } from './useZoom'
import ZoomButtons from './ZoomButtons.vue'

/**
 * A part of the body, dissected: in each state what lies over is taken away, and its stumps stay. What is seen is touched; the muscle in
 * hand is lit, and named with the others where that is wished.
 */
const props = withDefaults(
  defineProps<{
    lit?: { muscle: MuscleId; side: Side } | null
    dark?: boolean
    /** opens about the muscle in hand */
    near?: boolean
    label?: string
  }>(),
  { lit: null, dark: false, near: false, label: 'The body, dissected.' },
)
const region = defineModel<string>('region', { required: true })
const state = defineModel<string>('state', { required: true })
/** of what is drawn on one side only, which */
const side = defineModel<'left' | 'right'>('side', { default: 'left' })
const emit = defineEmits<{ pick: [muscle: MuscleId, side: 'left' | 'right'] }>()

const here = computed(() => regionOf(region.value))
watchEffect(() => void loadSeen(region.value, state.value))
const seen = computed(() => seenOf(region.value, state.value))
const now = computed(() => here.value.states.find((one) => one.id === state.value))
const told = computed(() => now.value?.what ?? '')
const dim = computed(() => props.dark || settings().theme === 'dusk')
const flips = computed(() => here.value.midline === null)
const mirrored = computed(() => flips.value && side.value === 'right')
const centre = computed(() => here.value.box[0] + here.value.box[2] / 2)
/** From a place in the picture to the half that is drawn. */
const drawnX = (x: number): number => (mirrored.value ? 2 * centre.value - x : x)
const names = ref(false)
const nerves = ref(false)
const svg = ref<SVGSVGElement | null>(null)
const size = useElementSize(svg)
const frame = computed<Crop>(() => {
  const [x, y, w, h] = here.value.box
  const [width, height] = [size.width.value, size.height.value]
  if (!width || !height) return { x, y, w, h }
  // names stand beside the body: the window is wider by their room
  const room = w * (names.value && !props.near && width >= WIDE ? 1.5 : 1)
  const [wide, tall] = [Math.max(room, (h * width) / height), Math.max(h, (room * height) / width)]
  return { x: x + (w - wide) / 2, y: y + (h - tall) / 2, w: wide, h: tall }
})
const zoom = useZoom(svg, frame)
const shown = zoom.shown
const px = computed(() => (size.width.value || 1) / shown.value.w)

// the painter works beside the page; until it is done, what was painted last is moved and stretched to where it belongs
const canvas = ref<HTMLCanvasElement | null>(null)
const painted = shallowRef<{ window: Crop; of: string; done: boolean } | null>(null)
const lost = ref(false)
let paint: ReturnType<typeof usePainter> | null = null
const subject = computed(() => [region.value, state.value, side.value, dim.value, nerves.value].join('|'))
const ask = () => {
  const ratio = Math.min(2, window.devicePixelRatio || 1)
  const [width, height] = [Math.round(size.width.value * ratio), Math.round(size.height.value * ratio)]
  if (!paint || width < 2 || height < 2) return
  lost.value = false
  paint({
    region: region.value,
    state: state.value,
    tones: dim.value ? 'dark' : 'linen',
    other: mirrored.value,
    overlays: nerves.value,
    window: { x: shown.value.x, y: shown.value.y, w: shown.value.w, h: shown.value.h },
    width,
    height,
  })
}
const soon = useDebounceFn(ask, 160)
onMounted(() => {
  paint = usePainter(
    (bitmap, of, done) => {
      // the body is seen as it is put together the first time; later what was painted before stays until the next is whole
      if (!done && painted.value?.done) {
        bitmap.close()
        return
      }
      if (canvas.value) [canvas.value.width, canvas.value.height] = [of.width, of.height]
      canvas.value?.getContext('2d')?.drawImage(bitmap, 0, 0)
      if (!done) bitmap.close()
      painted.value = { window: of.window, of: subject.value, done }
    },
    () => (lost.value = true),
  )
  ask()
})
watch(subject, ask)
watch([shown, size.width, size.height], () => void soon())
/** Where the painting belongs while the window moves on. */
const placed = computed(() => {
  const of = painted.value?.window
  if (!of) return {}
  const k = of.w / shown.value.w
  const [x, y] = [(of.x - shown.value.x) * px.value, (of.y - shown.value.y) * px.value]
  return {
    transform: `translate(${x}px,${y}px) scale(${k})`,
    transformOrigin: '0 0',
    opacity: painted.value?.of === subject.value ? 1 : 0.55,
  }
})

// what is lit or under the pointer is drawn round the same cells a touch is answered from
const hovered = ref('')
const sideOf = (name: string): 'left' | 'right' => {
  const { other } = partOf(here.value, name)
  return flips.value ? side.value : other ? 'right' : 'left'
}
const isLit = (name: string): boolean =>
  props.lit !== null && isOf(here.value, name, props.lit.muscle) && (props.lit.side === 'midline' || sideOf(name) === props.lit.side)
const sideNames = computed(() => (flips.value ? null : here.value.view === 'back' ? ['left', 'right'] : ['right', 'left']))
const litShown = computed(() => (seen.value ? Object.keys(seen.value.seen).filter(isLit) : []))
const contourOf = (wanted: (name: string) => boolean): string => {
  const map = seen.value
  return map ? outline(map, here.value.box, wanted) : ''
}
const litContour = computed(() => (litShown.value.length ? contourOf(isLit) : ''))
const hoverContour = computed(() => {
  const name = hovered.value
  return name && !isLit(name) ? contourOf((one) => one === name) : ''
})

/** The muscle in hand with what lies about it. */
const about = (): void => {
  if (!props.near || !seen.value || !size.width.value) return
  const bounds = boundsOf(seen.value, here.value.box, isLit)
  if (!bounds) {
    zoom.reset()
    return
  }
  const [x, y, w, h] = bounds
  const room = Math.max(220, 1.7 * Math.max(w, h))
  zoom.show({ x: drawnX(x + w / 2) - room / 2, y: y + h / 2 - room / 2, w: room, h: room })
}
watch([seen, frame, () => props.lit], about, { immediate: true, flush: 'post' })

const muscleNames = new Map<string, string>(atlas.muscles.map((one) => [one.id, one.name]))
/** What the atlas does not treat is named as anatomy does. */
const nameOf = (name: string): string => {
  const { id, part, bone } = partOf(here.value, name)
  return (
    muscleNames.get(part ?? id) ??
    (bone
      ? ''
      : id
          .replaceAll('_', ' ')
          .replace(/ \d$/, '')
          .replace(/^./, (c) => c.toUpperCase()))
  )
}
const labels = computed(() => {
  const map = seen.value
  if (!names.value || !map) return []
  const least = leastNamed(size.width.value) / (map.size * px.value) ** 2
  const turned = ([x, y]: [number, number]): [number, number] => [mirrored.value ? -x : x, y]
  const list = spotsOf(here.value, map, (id) => muscleNames.get(id), centre.value, least, true).map(({ text, at, over }) => ({
    text,
    at: turned(at),
    over: turned(over),
  }))
  return labelsIn(list, { ...shown.value, x: shown.value.x - centre.value }, 1 / px.value, { top: 8, right: 52, bottom: 8 })
})

const nameOn = ([x, y]: readonly [number, number]): string => (seen.value ? partAt(here.value, seen.value, drawnX(x), y) : '')
const nameAt = (event: PointerEvent): string => nameOn(zoom.toFigure(event.clientX, event.clientY))
const move = (event: PointerEvent) => {
  if (!zoom.move(event, true) && event.pointerType !== 'touch') hovered.value = nameAt(event)
}
const up = async (event: PointerEvent) => {
  const tap = zoom.touching() === 1 && zoom.wasTap() && event.type === 'pointerup'
  const place = zoom.toFigure(event.clientX, event.clientY)
  const touched = [region.value, state.value]
  zoom.up(event)
  if (!tap) return
  // what is seen may be on its way yet: the touch waits for it, and is of what it was meant for
  await loadSeen(region.value, state.value)
  if (touched[0] !== region.value || touched[1] !== state.value) return
  const name = nameOn(place)
  hovered.value = name
  const { id, part = id } = partOf(here.value, name)
  if (muscleNames.has(part)) emit('pick', part as MuscleId, sideOf(name))
}
const pointed = computed(() => {
  const name = hovered.value && nameOf(hovered.value)
  return name ? (flips.value ? name : `${name}, ${sideOf(hovered.value)}`) : ''
})
watch([region, state], () => (hovered.value = ''))
watch(region, (id) => {
  const now = regionOf(id)
  if (!now.states.some((one) => one.id === state.value)) state.value = now.states[0]?.id ?? ''
})
const key = (event: KeyboardEvent) => {
  const at = Number(event.key)
  const wished = here.value.states[at - 1]
  if (!event.ctrlKey && !event.metaKey && !event.altKey && at && wished) {
    state.value = wished.id
    event.preventDefault()
  } else zoom.key(event)
}
/** Where the muscle in hand is seen, here and elsewhere. */
const sights = computed(() => (props.lit ? sightsOf(props.lit.muscle) : []))
const turnTo = (id: string) => {
  const sight = sights.value.find((one) => one.region.id === id)
  region.value = id
  state.value = sight?.state ?? regionOf(id).states[0]?.id ?? ''
}
const MOST_BESIDE = 7
const beside = computed(() => {
  const all = new Set([...sights.value.map((one) => one.region.id), ...here.value.next])
  all.delete(region.value)
  return [...all].slice(0, MOST_BESIDE).map(regionOf)
})
</script>
<template>
  <figure class="relative m-0 flex h-full w-full flex-col" :aria-label="here.name">
    <div class="relative min-h-0 flex-1 overflow-hidden" :class="dim ? 'bg-room' : ''">
      <canvas
        ref="canvas"
        class="absolute left-0 top-0 h-full w-full transition-opacity duration-200 motion-reduce:transition-none"
        :style="placed"
        aria-hidden="true"
      />
      <svg
        ref="svg"
        class="absolute inset-0 h-full w-full touch-none select-none outline-walnut -outline-offset-3 focus-visible:outline-3"
        :viewBox="`${shown.x} ${shown.y} ${shown.w} ${shown.h}`"
        preserveAspectRatio="none"
        role="img"
        tabindex="0"
        :aria-label="`${label} ${here.name}: ${told}. Figures choose the state, plus and minus come nearer and go back.`"
        :data-region="region"
        :data-state="state"
        :data-painted="painted?.of === subject && painted.done ? 'yes' : 'no'"
        :data-lit="lit && litShown.length ? lit.muscle : undefined"
        :style="{ '--mark-halo': dim ? 'var(--color-room)' : 'var(--color-paper)' }"
        @pointerdown="zoom.down"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @pointerleave="hovered = ''"
        @wheel="zoom.wheel"
        @keydown="key"
      >
        <g :transform="mirrored ? `translate(${2 * centre},0) scale(-1,1)` : undefined" pointer-events="none">
          <path
            v-if="litContour"
            :d="litContour"
            fill-rule="evenodd"
            :fill="dim ? 'var(--color-room-weld)' : 'var(--color-weld)'"
            fill-opacity="0.34"
            :stroke="dim ? 'var(--color-room-weld)' : 'var(--color-walnut)'"
            :stroke-width="2.2 / px"
          />
          <path
            v-if="hoverContour"
            :d="hoverContour"
            fill="none"
            :stroke="dim ? 'var(--color-linen)' : 'var(--color-walnut)'"
            :stroke-width="1.6 / px"
          />
        </g>
        <g :transform="`translate(${centre},0)`" pointer-events="none">
          <NameLabels :list="labels" :px="px" :dark="dim" />
        </g>
      </svg>
      <div v-if="sideNames" class="pointer-events-none absolute left-0 right-[60px] top-1 flex justify-between px-1" aria-hidden="true">
        <span v-for="one in sideNames" :key="one" class="side-name px-1" :class="dim ? 'bg-room/80 !text-linen-2' : 'bg-paper/80'"
          >client’s {{ one }}</span
        >
      </div>
      <p v-if="lost" class="absolute inset-x-6 top-1/2 text-center" role="alert">
        The picture could not be painted. <button type="button" class="link" @click="ask">Try again</button>
      </p>
      <p v-if="pointed" class="caption pointer-events-none absolute inset-x-0 bottom-2 text-center">
        <span class="px-2 py-0.5" :class="dim ? 'bg-room/85 text-linen' : 'bg-paper/85'">{{ pointed }}</span>
      </p>
      <div class="absolute right-2 top-2 flex flex-col gap-px print:hidden">
        <ZoomButtons :farthest="zoom.near.value === 1" @by="zoom.by" />
        <button
          type="button"
          class="cell tool"
          aria-label="Names on the figure"
          title="Names"
          :aria-pressed="names"
          @click="names = !names"
        >
          Aa
        </button>
        <button
          v-if="now?.nerves"
          type="button"
          class="cell tool"
          aria-label="Nerves and vessels"
          title="Nerves and vessels"
          :aria-pressed="nerves"
          @click="nerves = !nerves"
        >
          <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
            <path
              d="M3 4C8 5 8 9 10 11S14 15 17 17M9.500 10C13 9 14 6 17 5"
              fill="none"
              stroke="currentColor"
              stroke-width="2"
              stroke-linecap="round"
            />
          </svg>
        </button>
      </div>
    </div>
    <figcaption class="flex flex-wrap items-center gap-x-4 gap-y-1 pt-2" :class="dim ? 'text-linen' : ''">
      <div class="flex gap-px" role="group" aria-label="State of the dissection">
        <button
          v-for="(one, k) in here.states"
          :key="one.id"
          type="button"
          class="cell !w-[44px] !px-0"
          :aria-pressed="one.id === state"
          :title="one.what"
          @click="state = one.id"
        >
          {{ k + 1 }}
        </button>
      </div>
      <p class="caption h-[44px] min-w-[180px] flex-1 content-center overflow-y-auto">{{ told.replace(/^./, (c) => c.toUpperCase()) }}</p>
      <div v-if="flips" class="flex gap-px print:hidden" role="group" aria-label="Side">
        <button
          v-for="one in ['left', 'right'] as const"
          :key="one"
          type="button"
          class="cell !px-3"
          :aria-pressed="side === one"
          @click="side = one"
        >
          {{ one }}
        </button>
      </div>
    </figcaption>
    <!-- always as tall: a picture that moved under the finger would take the next touch for another's -->
    <nav class="flex h-[76px] flex-wrap content-start gap-x-4 overflow-y-auto print:hidden" aria-label="Beside it">
      <button v-for="one in beside" :key="one.id" type="button" class="link min-h-[36px]" @click="turnTo(one.id)">{{ one.short }}</button>
    </nav>
  </figure>
</template>
