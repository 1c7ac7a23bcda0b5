<script setup lang="ts">
import { computed } from 'vue'
import NumberInput from '@/controls/NumberInput.vue'
import { kept, shown } from '@/composables/settings'
import { useVisit } from '@/composables/useVisit'

/**
 * A number that is typed. What is being typed is never overwritten by an answer that arrives meanwhile, and what was
 * refused stays in the field, with the reason under it, until it is changed.
 */
const props = defineProps<{
  id: string
  label: string
  value: number | undefined
  entry: string
  /** as it is kept; it may be shown in another */ unit?: string
}>()
const emit = defineEmits<{ commit: [value: number | undefined]; next: [] }>()
const { problem } = useVisit()
const refused = computed(() => (problem.value?.key === props.entry && problem.value.words ? problem.value.words : ''))
const here = computed(() => (props.value === undefined ? undefined : shown(props.value, props.unit ?? '')))
</script>
<template>
  <div>
    <label class="caption block" :for="id">{{ label }}</label>
    <NumberInput
      :id="id"
      look="field display text-[22px]"
      :value="here"
      :error="refused"
      :alerts="false"
      @choose="(value) => emit('commit', value === undefined ? undefined : kept(value, unit ?? ''))"
      @next="emit('next')"
    />
  </div>
</template>
