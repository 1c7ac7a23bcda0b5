<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { muscle as muscleOf } from '@/chart/atlas'
import type { MuscleId } from '@/types/ids.generated'
import type { NextCheck, Pattern } from '@/types/visit'
import AboutButton from './AboutButton.vue'
import { explaining, type Explaining } from './explaining'

const props = withDefaults(defineProps<{ pattern: Pattern; most?: number; openFirst?: boolean }>(), { most: 5, openFirst: true })
const emit = defineEmits<{ choose: [check: Pick<NextCheck, 'kind' | 'id' | 'side'>] }>()
const opened = ref<string | null>(null)
/** Where nothing was found yet, all stand alike: none of them is offered before another. */
const isOpenField = computed(() => props.pattern.candidates.every((one) => one.evidence.length === 0))
const all = computed(() => (isOpenField.value ? [] : explaining(props.pattern)))
const shown = computed(() => all.value.slice(0, props.most))
const isOpen = (one: Explaining, index: number): boolean =>
  opened.value === null ? props.openFirst && index === 0 : opened.value === one.key
/** What came in with the last entry: it is what one looks for, however little it weighs. */
const textsOf = (list: Explaining[]) => new Set(list.flatMap((one) => one.evidence.map((item) => `${one.key} ${item.text}`)))
const fresh = ref(new Set<string>())
watch(all, (now, before) => {
  const had = textsOf(before)
  fresh.value = new Set([...textsOf(now)].filter((text) => !had.has(text)))
})
const isFresh = (one: Explaining, text: string): boolean => fresh.value.has(`${one.key} ${text}`)
const few = computed(() => (props.most > 6 ? 20 : 2))
const parts = (one: Explaining) => {
  const first = (a: { text: string }, b: { text: string }): number => Number(isFresh(one, b.text)) - Number(isFresh(one, a.text))
  return {
    for: one.evidence
      .filter((item) => item.weight > (isFresh(one, item.text) ? 0 : 0.05))
      .sort((a, b) => first(a, b) || b.weight - a.weight)
      .slice(0, few.value),
    against: one.evidence
      .filter((item) => item.weight < (isFresh(one, item.text) ? 0 : -0.05))
      .sort((a, b) => first(a, b) || a.weight - b.weight)
      .slice(0, few.value),
  }
}
const named = (muscles: MuscleId[]): string => muscles.map((id) => muscleOf(id).name.toLowerCase()).join(', ')
const top = computed(() => Math.max(0.05, shown.value[0]?.support ?? 0.05))
</script>
<template>
  <p v-if="isOpenField" class="caption">Nothing points to a muscle or joint yet: ask where it hurts, measure, feel.</p>
  <ol v-else class="flex flex-col gap-3">
    <li v-for="(one, index) in shown" :key="one.key">
      <button
        type="button"
        class="block w-full text-left"
        :aria-expanded="isOpen(one, index)"
        @click="opened = isOpen(one, index) ? '' : one.key"
      >
        <span class="text-[16px] leading-5" :class="index === 0 ? 'font-[650]' : ''">{{ one.name }}</span>
        <span class="relative mt-1 block h-[4px]" aria-hidden="true">
          <span class="absolute inset-x-0 top-[3px] border-t border-hairline" />
          <span
            class="absolute left-0 h-[4px] bg-iron"
            :style="{ width: `${Math.max(2, Math.min(1, one.support / Math.max(top, 0.5)) * 100)}%` }"
          />
        </span>
        <span class="caption">{{ one.words }} · {{ one.part }}</span>
      </button>
      <dl v-if="isOpen(one, index)" class="mt-1 grid grid-cols-[70px_1fr] gap-x-2 gap-y-1 text-[14px] leading-[19px]">
        <dt class="text-walnut-2">for</dt>
        <dd>
          <span v-for="item in parts(one).for" :key="item.text" class="block" :class="isFresh(one, item.text) ? 'font-[650]' : ''">{{
            item.text
          }}</span><span v-if="!parts(one).for.length">nothing yet</span>
        </dd>
        <dt class="text-walnut-2">against</dt>
        <dd>
          <span v-for="item in parts(one).against" :key="item.text" class="block" :class="isFresh(one, item.text) ? 'font-[650]' : ''">{{
            item.text
          }}</span><span v-if="!parts(one).against.length">nothing</span>
        </dd>
        <dt v-if="one.unfelt" class="text-walnut-2">unchecked</dt>
        <dd v-if="one.unfelt">not felt yet</dd>
        <dt v-if="one.around.length" class="text-walnut-2">around it</dt>
        <dd v-if="one.around.length">may keep tense, or be kept stiff by: {{ named(one.around) }}</dd>
        <dd class="col-span-2 flex gap-5">
          <button type="button" class="link min-h-[28px]" @click="emit('choose', one.check)">Go to it</button>
          <AboutButton v-if="one.muscle" :id="one.muscle" kind="muscle" :name="one.name" :side="one.side" />
        </dd>
      </dl>
    </li>
    <li :class="pattern.none.leads ? 'order-first bg-weld-wash px-2 py-2' : 'caption'">
      None of these: {{ pattern.none.support < 0.05 ? 'slight' : pattern.none.support < 0.25 ? 'some' : 'strong'
      }}<template v-for="one in pattern.none.evidence" :key="one.code">. {{ one.text }}</template>
    </li>
  </ol>
</template>
