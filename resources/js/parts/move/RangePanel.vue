<script setup lang="ts">
import { t } from '@/composables/language'
import Pick from '@/controls/Pick.vue'
import { choicesOf } from '@/controls/choice'
import { shownUnit } from '@/composables/settings'
import { computed } from 'vue'
import type { AtlasMovement } from '@/chart/atlas'
import { deviceWords, readingsOf } from '@/composables/repeats'
import { entryKey, nameOf } from '@/composables/fields'
import { said } from '@/composables/said'
import { useVisit } from '@/composables/useVisit'
import DevicePanel from '@/parts/DevicePanel.vue'
import NumberField from '@/parts/NumberField.vue'
import RangeArcs from '@/parts/RangeArcs.vue'
import Scale from '@/parts/Scale.vue'
import PlacePicker from '@/parts/PlacePicker.vue'
import SidePair from '@/parts/SidePair.vue'
import type { Side } from '@/types/ids.generated'
import type { Comparison, RangeFinding } from '@/types/visit'
import ComparedWords from './ComparedWords.vue'
import GlideDrawing from './GlideDrawing.vue'

/** A range, active and passive, with pain, end-feel and where it is felt, each side about the midline. */
const props = defineProps<{ movement: AtlasMovement; sides: readonly Side[] }>()
const emit = defineEmits<{ next: [side: Side]; pick: [key: string, side: Side] }>()
const { props: page, judged, one, last, save } = useVisit()
const idOf = (side: Side) => nameOf('range', { movement: props.movement.id, side })
const range = (side: Side) => one('range', idOf(side))
const before = (side: Side) => last('range', idOf(side))
const set = (side: Side, part: Partial<RangeFinding>, what: string) => {
  // a value that is typed or dragged stands for itself: the repeats it replaces are gone
  const repeats = 'active' in part && !('repeats' in part) ? { repeats: undefined, simulated: undefined } : {}
  const entry = said('range', { movement: props.movement.id, side, ...range(side), ...part, ...repeats })
  save('range', idOf(side), entry, `${props.movement.name} ${side}, ${what}`)
}
/** Readings of a device are the active value: their mean stands, and they stand beside it. */
const read = (side: Side, repeats: number[], simulated: boolean) =>
  set(side, readingsOf('active', repeats, simulated), deviceWords(simulated))
const compared = (side: Side): Comparison | undefined =>
  ['active', 'passive']
    .map((kind) => judged.value.assessment?.compared.find((one) => one.key === `range.${props.movement.id}.${kind}` && one.side === side))
    .find((one) => one !== undefined)
const unit = computed(() => ({ deg: t('degrees'), glide: '0 stuck, 3 free' })[props.movement.unit] ?? shownUnit(props.movement.unit))
const feels: Record<NonNullable<RangeFinding['end_feel']>, string> = {
  soft: 'soft',
  firm: 'firm',
  hard: 'hard',
  springy: 'springy',
  guarded: 'guarded',
  empty: 'empty',
}
</script>
<template>
  <div>
    <RangeArcs
      v-if="movement.paired && movement.unit !== 'glide'"
      class="mx-auto mt-1 max-w-[380px]"
      editable
      :movement="movement"
      :left="range('left')?.active ?? range('left')?.passive"
      :right="range('right')?.active ?? range('right')?.passive"
      :before="{ left: before('left')?.active ?? before('left')?.passive, right: before('right')?.active ?? before('right')?.passive }"
      :compared="{ left: compared('left'), right: compared('right') }"
      @set="(side, value) => set(side, { active: value }, 'active')"
    />
    <SidePair v-slot="{ side }" class="mt-1" :sides="sides" :possessive="page.client.words.possessive">
      <template v-if="movement.unit === 'glide'">
        <GlideDrawing :id="movement.id" kind="range" :side="side" @pick="(key, on) => emit('pick', key, on)" />
        <p class="caption mt-1">{{ unit }}</p>
        <Scale
          :label="`Glide, ${side}`"
          :most="3"
          :value="range(side)?.active"
          data-first
          @choose="(value) => set(side, { active: value }, 'glide')"
          @next="emit('next', side)"
        />
      </template>
      <div v-else class="mt-1 grid grid-cols-2 gap-2">
        <NumberField
          :id="`active-${side}`"
          :key="`active-${movement.id}-${side}`"
          :label="`Active, ${unit}`"
          :unit="movement.unit"
          :value="range(side)?.active"
          :entry="entryKey('range', 'before', idOf(side))"
          data-first
          @commit="(value) => set(side, { active: value }, 'active')"
          @next="emit('next', side)"
        />
        <NumberField
          :id="`passive-${side}`"
          :key="`passive-${movement.id}-${side}`"
          label="Passive"
          :unit="movement.unit"
          :value="range(side)?.passive"
          :entry="entryKey('range', 'before', idOf(side))"
          @commit="(value) => set(side, { passive: value }, 'passive')"
          @next="emit('next', side)"
        />
      </div>
      <ComparedWords :compared="compared(side)" />
    </SidePair>
    <SidePair v-slot="{ side }" :sides="sides">
      <p class="caption mt-2">Pain</p>
      <Scale
        :label="`Pain, ${side}`"
        :value="range(side)?.pain"
        :unusual-from="2"
        @choose="(value) => set(side, { pain: value }, 'pain')"
        @next="emit('next', side)"
      />
      <div class="mt-2 flex flex-wrap items-end gap-x-4 gap-y-1">
        <div>
          <label class="caption block" :for="`end-${side}`">End-feel</label>
          <Pick
            :id="`end-${side}`"
            class="w-[140px]"
            look="cell"
            label="End-feel"
            none="not said"
            :choices="choicesOf(feels)"
            :value="range(side)?.end_feel"
            @choose="(end_feel) => set(side, { end_feel }, 'end-feel')"
          />
        </div>
        <div>
          <p class="caption">Felt in</p>
          <PlacePicker
            :id="`felt-${side}`"
            :places="range(side)?.felt_in ?? []"
            @change="(places) => set(side, { felt_in: places }, 'where felt')"
          />
        </div>
      </div>
    </SidePair>
    <DevicePanel
      v-if="movement.unit === 'deg'"
      :key="movement.id"
      device="inclinometer"
      unit="deg"
      :what="movement.id"
      :sides="sides"
      :repeats="(side) => range(side)?.repeats ?? []"
      :about="(side) => before(side)?.active"
      @change="read"
    />
  </div>
</template>
