<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Candidate, Pattern } from '@/types/visit'
import AboutButton from './AboutButton.vue'

const props = withDefaults(defineProps<{ pattern: Pattern; most?: number; openFirst?: boolean }>(), { most: 5, openFirst: true })
const emit = defineEmits<{ choose: [candidate: Candidate] }>()
const opened = ref<string | null>(null)
/** Where nothing was found yet, all stand alike: none of them is offered before another. */
const isOpenField = computed(() => props.pattern.candidates.every((one) => one.evidence.length === 0))
const shown = computed(() => (isOpenField.value ? [] : props.pattern.candidates.slice(0, props.most)))
const idOf = (one: Candidate): string => `${one.muscle}:${one.side}`
const isOpen = (one: Candidate, index: number): boolean =>
  opened.value === null ? props.openFirst && index === 0 : opened.value === idOf(one)
const parts = (one: Candidate) => ({
  for: one.evidence.filter((item) => item.weight > 0.05).sort((a, b) => b.weight - a.weight),
  against: one.evidence.filter((item) => item.weight < -0.05).sort((a, b) => a.weight - b.weight),
})
const top = computed(() => Math.max(0.05, shown.value[0]?.support ?? 0.05))
</script>
<template>
  <p v-if="isOpenField" class="caption">Nothing points to a muscle yet: ask where it hurts, measure, feel.</p>
  <ol v-else class="flex flex-col gap-3">
    <li v-for="(one, index) in shown" :key="idOf(one)">
      <button
        type="button"
        class="block w-full text-left"
        :aria-expanded="isOpen(one, index)"
        @click="opened = isOpen(one, index) ? '' : idOf(one)"
      >
        <span class="text-[16px] leading-5" :class="index === 0 ? 'font-[650]' : ''">{{ one.name }}</span>
        <span class="relative mt-1 block h-[4px]" aria-hidden="true">
          <span class="absolute inset-x-0 top-[3px] border-t border-hairline" />
          <span
            class="absolute left-0 h-[4px] bg-iron"
            :style="{ width: `${Math.max(2, Math.min(1, one.support / Math.max(top, 0.5)) * 100)}%` }"
          />
        </span>
        <span class="caption"
          >{{ one.words }} · {{ one.role
          }}<template v-if="one.trigger_point === 'active' || one.trigger_point === 'latent'">
            · {{ one.trigger_point }} point</template
          ></span
        >
      </button>
      <dl v-if="isOpen(one, index)" class="mt-1 grid grid-cols-[70px_1fr] gap-x-2 gap-y-1 text-[14px] leading-[19px]">
        <dt class="text-walnut-2">for</dt>
        <dd>
          <span v-for="(item, k) in parts(one).for.slice(0, most > 6 ? 20 : 2)" :key="k" class="block">{{ item.text }}</span><span
            v-if="!parts(one).for.length"
            >nothing yet</span
          >
        </dd>
        <dt class="text-walnut-2">against</dt>
        <dd>
          <span v-for="(item, k) in parts(one).against.slice(0, most > 6 ? 20 : 2)" :key="k" class="block">{{ item.text }}</span><span
            v-if="!parts(one).against.length"
            >nothing</span
          >
        </dd>
        <dt v-if="one.trigger_point === 'unknown'" class="text-walnut-2">unchecked</dt>
        <dd v-if="one.trigger_point === 'unknown'">not felt yet</dd>
        <dd class="col-span-2 flex gap-5">
          <button type="button" class="link min-h-[28px]" @click="emit('choose', one)">Go to it</button>
          <AboutButton :id="one.muscle" kind="muscle" :name="one.name" :side="one.side" />
        </dd>
      </dl>
    </li>
    <li :class="pattern.none.leads ? 'order-first bg-weld-wash px-2 py-2' : 'caption'">
      None of these: {{ pattern.none.support < 0.05 ? 'slight' : pattern.none.support < 0.25 ? 'some' : 'strong'
      }}<template v-for="one in pattern.none.evidence" :key="one.code">. {{ one.text }}</template>
    </li>
  </ol>
</template>
