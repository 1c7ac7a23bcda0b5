<script setup lang="ts">
import { shown, shownUnit } from '@/composables/settings'
import { computed, useTemplateRef } from 'vue'
import { errorOf, meanOf } from '@/composables/repeats'
import { useDevice } from '@/composables/useDevice'
import { useKeys } from '@/composables/useKeys'
import { useVisit } from '@/composables/useVisit'
import { capital } from '@/parts/words'
import type { Side } from '@/types/ids.generated'
import type { DeviceId } from '@/types/visit'

/**
 * Reads a measuring device: each repeat is kept the moment it is held, one that slipped is discarded, and the mean stands in the record.
 * The repeats themselves are the record, so a reload shows them again.
 */
const props = defineProps<{
  device: DeviceId
  /** movement, test or muscle it is held to */
  what: string
  unit: string
  sides: readonly Side[]
  repeats: (side: Side) => readonly number[]
  /** what was measured there before, for the simulated device to stay near */
  about: (side: Side) => number | undefined
}>()
const emit = defineEmits<{ change: [side: Side, repeats: number[], simulated: boolean] }>()
const { props: page, readOnly } = useVisit()
const { live, busy, trouble, read, stop } = useDevice()
const panel = useTemplateRef<HTMLElement>('panel')
const source = computed(() => page.value.devices[props.device])
const asked = 3
const most = 10
let side: Side | null = null
const measure = async (at: Side) => {
  if (!source.value || busy.value || readOnly.value) return
  side = at
  panel.value?.scrollIntoView({ block: 'nearest' })
  const had = [...props.repeats(at)]
  const about = source.value.simulated ? props.about(at) : undefined
  const value = await read(source.value.address, {
    what: props.what,
    side: at,
    repeat: String(had.length + 1),
    ...(about === undefined ? {} : { about: String(about) }),
  })
  if (value !== null) emit('change', at, [...props.repeats(at), value], source.value.simulated)
}
const discard = (at: Side, index: number) =>
  emit(
    'change',
    at,
    props.repeats(at).filter((_, k) => k !== index),
    source.value?.simulated ?? false,
  )
const next = computed<Side>(() => props.sides.find((one) => props.repeats(one).length < asked) ?? (props.sides[0] as Side))
useKeys({ d: () => void measure(next.value) })
const sign = computed(() => (props.unit === 'deg' ? '°' : shownUnit(props.unit)))
const nameOf = (at: Side) => (at === 'midline' ? '' : `${page.value.client.words.possessive} ${at}`)
</script>
<template>
  <section v-if="source" ref="panel" class="mt-3 scroll-mb-16 border-t border-hairline pt-2" :aria-label="`${capital(device)}`">
    <p class="caption flex flex-wrap items-baseline gap-x-3">
      <b class="font-[650] text-walnut">{{ source?.simulated ? `Simulated ${device}` : capital(device) }}</b>
      <span>three readings a side; the mean is kept</span>
    </p>
    <div class="mt-1 grid gap-x-6" :class="sides.length > 1 ? 'grid-cols-2' : ''">
      <div v-for="at in sides" :key="at">
        <div class="flex flex-wrap items-center gap-2">
          <button type="button" class="btn" :disabled="busy || repeats(at).length >= most || readOnly" @click="measure(at)">
            {{ repeats(at).length ? 'Again' : 'Read' }}<span class="sr-only">, {{ at }}</span>
            <span v-if="at === next" class="key-hint">D</span>
          </button>
          <span v-if="busy && side === at" class="display text-[24px]" role="status" aria-live="off"
            >{{ live === null ? '…' : shown(live, unit) }} {{ sign }}</span
          >
          <button v-if="busy && side === at" type="button" class="link min-h-[44px]" @click="stop">stop</button>
          <span v-if="repeats(at).length" class="display text-[19px]"
            >{{ shown(meanOf(repeats(at)), unit) }} {{ sign
            }}<span v-if="errorOf(repeats(at)) !== null" class="caption font-normal">
              ± {{ shown(errorOf(repeats(at)) ?? 0, unit).toFixed(1) }}</span
            ></span
          >
        </div>
        <ul v-if="repeats(at).length" class="mt-1 flex flex-wrap gap-px" :aria-label="`Repeats ${nameOf(at)}`">
          <li v-for="(value, index) in repeats(at)" :key="index">
            <button
              type="button"
              class="cell"
              :aria-label="`Discard ${shown(value, unit)} ${sign}, ${at}`"
              :disabled="readOnly"
              @click="discard(at, index)"
            >
              {{ shown(value, unit) }}<span class="note ml-1" aria-hidden="true">×</span>
            </button>
          </li>
        </ul>
      </div>
    </div>
    <p v-if="trouble" class="mt-1 text-madder" role="alert">{{ trouble }}</p>
  </section>
</template>
