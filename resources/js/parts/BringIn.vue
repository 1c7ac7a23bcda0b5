<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { computed, ref } from 'vue'
import { atlas } from '@/chart/atlas'
import type { NearId, ViewId } from '@/chart/art'
import type { FigurePick } from '@/chart/Figure.vue'
import FigureStage from '@/chart/FigureStage.vue'
import { keyOf, type On } from '@/composables/planOrder'
import { useKeys } from '@/composables/useKeys'
import Sheet from '@/parts/Sheet.vue'

/** Any muscle or joint into the plan, by a part of its name or by a touch on the figure. */
const props = defineProps<{ possessive: string; there: string[] }>()
const emit = defineEmits<{ bring: [on: On, name: string] }>()
interface Choice {
  on: On
  name: string
  /** the everyday name, and all letters small, to be searched */
  plain: string
  text: string
}
const SIDES = ['left', 'right'] as const
const SHOWN = 8
const all: Choice[] = [
  ...atlas.muscles.map(({ id, name, plain }) => ({ name, plain: plain ?? '', on: { muscle: id } })),
  ...atlas.joints.flatMap(({ kind, name, levels }) =>
    (levels.length ? levels : [undefined]).map((level) => ({
      name: level ? `${name} ${level.replace('rib', '')}` : name,
      plain: '',
      on: { joint: { kind, ...(level ? { level } : {}) } },
    })),
  ),
].flatMap(({ name, plain, on }) =>
  SIDES.map((side) => ({ name: `${name}, ${side}`, plain, on: { ...on, side }, text: `${name} ${plain} ${side}`.toLowerCase() })),
)
const asked = ref('')
const shown = computed(() => {
  const words = asked.value.trim().toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return []
  const begins = (one: Choice): number => (one.text.startsWith(words[0] ?? '') ? 0 : 1)
  return all
    .filter((one) => words.every((word) => one.text.includes(word)))
    .sort((a, b) => begins(a) - begins(b))
    .slice(0, SHOWN)
})
const isThere = (one: Choice): boolean => props.there.includes(keyOf(one.on))
const take = (one: Choice | null) => {
  asked.value = ''
  if (one) emit('bring', one.on, one.name)
}
const box = ref<HTMLElement | null>(null)
useKeys({ b: () => box.value?.querySelector('input')?.focus() })
const open = ref(false)
const view = ref<ViewId>('back')
const near = ref<NearId>('upper')
const depth = ref(1)
const touched = ref<FigurePick | null>(null)
const here = computed(() =>
  (touched.value ? [touched.value.muscle, ...touched.value.near] : [])
    .filter((id, k, ids) => id !== null && ids.indexOf(id) === k)
    .flatMap((id) => all.find((one) => 'muscle' in one.on && one.on.muscle === id && one.on.side === touched.value?.side) ?? []),
)
const fromFigure = (one: Choice) => {
  open.value = false
  touched.value = null
  take(one)
}
</script>
<template>
  <div ref="box" class="relative mt-2">
    <Combobox :model-value="null" @update:model-value="take">
      <ComboboxInput
        class="field w-full"
        aria-label="Bring in a muscle or a joint"
        placeholder="Bring in by name"
        :display-value="() => asked"
        autocomplete="off"
        @change="asked = ($event.target as HTMLInputElement).value"
      />
      <span class="key-hint pointer-events-none absolute right-3 top-[13px]">B</span>
      <ComboboxOptions v-if="asked.trim()" class="absolute left-0 z-20 w-[320px] max-w-[90vw] bg-raised">
        <ComboboxOption v-for="one in shown" :key="one.name" v-slot="{ active }" :value="one" :disabled="isThere(one)" as="template">
          <li class="min-h-[44px] cursor-pointer border-b border-hairline px-3 py-1.5" :class="active ? 'bg-fold' : ''">
            <b class="font-[650]">{{ one.name }}</b><span v-if="isThere(one)" class="caption"> in the plan</span
            ><br v-if="one.plain" /><span class="caption">{{ one.plain }}</span>
          </li>
        </ComboboxOption>
        <li v-if="!shown.length" class="list-none px-3 py-2">Nothing is called that. Fewer letters find more.</li>
      </ComboboxOptions>
    </Combobox>
    <button type="button" class="link min-h-[32px] text-[14px]" @click="open = true">Or touch it on the figure</button>
    <Sheet title="Bring in from the figure" :open="open" @close="open = false">
      <FigureStage
        v-model:view="view"
        v-model:near="near"
        v-model:depth="depth"
        layers
        :possessive="possessive"
        :lit="touched?.muscle ? { muscle: touched.muscle, side: touched.side } : null"
        :label="`Bring in, ${view} view. Touch a muscle.`"
        @pick="touched = $event"
      />
      <div class="sticky bottom-0 bg-paper py-2" role="status">
        <p v-if="!here.length" class="caption">Touch a muscle.</p>
        <button v-for="one in here" :key="one.name" type="button" class="btn mr-2 mb-1" :disabled="isThere(one)" @click="fromFigure(one)">
          {{ isThere(one) ? `${one.name}: in the plan` : `Bring in ${one.name}` }}
        </button>
      </div>
    </Sheet>
  </div>
</template>
