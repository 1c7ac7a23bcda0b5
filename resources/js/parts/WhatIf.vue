<script setup lang="ts">
import { ref } from 'vue'
import { useVisit } from '@/composables/useVisit'
import { Refused, send } from '@/composables/http'
import type { NextCheck, Supposed, SupposedCase } from '@/types/visit'

/** A check that is only supposed: how the leaders would stand if it answered, and if it were clean. Nothing is recorded. */
const props = defineProps<{ check: NextCheck; hint?: string }>()
const { props: page, readOnly } = useVisit()
const result = ref<{ answers: SupposedCase; clean: SupposedCase } | null>(null)
const trouble = ref('')
const toggle = async () => {
  trouble.value = ''
  if (result.value) {
    result.value = null
    return
  }
  const { kind, id, side } = props.check
  try {
    result.value = await send('POST', `/visits/${page.value.visit.id}/what-if`, { kind, id, side })
  } catch (failure) {
    trouble.value = failure instanceof Refused ? failure.words : 'No connection just now; try again in a moment.'
  }
}
const columns = [
  ['answers', 'If it answers'],
  ['clean', 'If it is clean'],
] as const
const moved = (one: Supposed, place: number): string => {
  if (one.was === place) return ''
  return one.was > place ? `up from ${one.was}` : `down from ${one.was}`
}
defineExpose({ toggle })
</script>
<template>
  <div>
    <button
      v-if="!readOnly && check.kind !== 'ask'"
      type="button"
      class="link caption min-h-[28px]"
      :aria-expanded="!!result"
      @click="toggle"
    >
      {{ result ? 'Close' : 'What if' }}<span class="sr-only">: {{ check.name }}</span>
      <span v-if="hint" class="key-hint ml-1">{{ hint }}</span>
    </button>
    <p v-if="trouble" class="text-madder" role="alert">{{ trouble }}</p>
    <div v-if="result" class="mb-2 mt-1 grid grid-cols-2 gap-x-4" role="group" :aria-label="`Supposed: ${check.name}`">
      <section v-for="[key, name] in columns" :key="key" class="border-t-2 pt-1" :class="key === 'answers' ? 'border-weld' : 'border-moss'">
        <h3 class="caption">{{ name }}</h3>
        <ol>
          <li v-for="(one, index) in result[key].first" :key="one.key" class="py-0.5 text-[14px] leading-[18px]">
            <b :class="index === 0 ? 'font-[650]' : 'font-normal'">{{ one.name }}</b>
            <span class="note block"
              >{{ one.words }}<template v-if="moved(one, index + 1)">, {{ moved(one, index + 1) }}</template></span
            >
          </li>
        </ol>
        <p class="note mt-1">{{ result[key].plan.length ? `The plan ${result[key].plan.join(', and ')}.` : 'The plan stays as it is.' }}</p>
      </section>
      <p class="note col-span-2">Worth {{ check.bits.toFixed(2) }} bits: so much would it narrow down, on average, what the source is.</p>
    </div>
  </div>
</template>
