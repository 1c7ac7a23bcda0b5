<script setup lang="ts">
import { computed } from 'vue'
import type { TestResult } from '@/types/visit'

/** What a test answered, in its own words; the number before each word chooses it. */
const props = defineProps<{ label: string; answers: Partial<Record<TestResult, string>>; value: TestResult | undefined }>()
const emit = defineEmits<{ choose: [value: TestResult | undefined]; next: [] }>()
const results = computed(() => Object.entries({ ...props.answers, not_done: 'not done' }) as [TestResult, string][])
const typed = (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const result = results.value[Number(event.key)]?.[0]
  if (/^\d$/.test(event.key) && result) {
    event.preventDefault()
    event.stopPropagation()
    emit('choose', result)
    emit('next')
  }
}
</script>
<template>
  <div class="grid grid-cols-2 gap-px" role="radiogroup" :aria-label="label" @keydown="typed">
    <button
      v-for="([result, name], index) in results"
      :key="result"
      type="button"
      role="radio"
      class="cell"
      :aria-checked="value === result"
      :data-unusual="value === result && result === 'positive'"
      :tabindex="value === result || (value === undefined && index === 0) ? 0 : -1"
      @click="emit('choose', value === result ? undefined : result)"
    >
      {{ name }}&nbsp;<span class="key-hint">{{ index }}</span>
    </button>
  </div>
</template>
