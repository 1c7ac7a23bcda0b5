<script setup lang="ts">
import { computed } from 'vue'
import type { TestResult } from '@/types/visit'

/** What a test answered, in its own words; the number before each word chooses it and goes on, arrows choose, Enter goes on without. */
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
  } else if (event.key === 'Enter') {
    // goes on without an answer, as a row of numbers does; the space bar chooses
    event.preventDefault()
    event.stopPropagation()
    emit('next')
  } else if (event.key in STEPS) {
    event.preventDefault()
    event.stopPropagation()
    const cells = [...(event.currentTarget as HTMLElement).children] as HTMLElement[]
    const here = cells.indexOf(event.target as HTMLElement)
    const to = (here + (STEPS[event.key] ?? 0) + cells.length) % cells.length
    emit('choose', results.value[to]?.[0])
    cells[to]?.focus()
  }
}
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }
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
