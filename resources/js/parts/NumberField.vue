<script setup lang="ts">
import { computed, ref, watch } from 'vue'
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
const here = (value: number | undefined): number | string => (value === undefined ? '' : shown(value, props.unit ?? ''))
const emit = defineEmits<{ commit: [value: number | undefined]; next: [] }>()
const { problem } = useVisit()
const text = ref<number | string>(here(props.value))
const typing = ref(false)
watch(
  () => props.value,
  (value) => {
    if (!typing.value) text.value = here(value)
  },
)
const refused = computed(() => (problem.value?.key === props.entry && problem.value.words ? problem.value.words : ''))
const commit = () => emit('commit', text.value === '' ? undefined : kept(Number(text.value), props.unit ?? ''))
/** Enter keeps the number, by leaving the field, and goes on to what comes next. */
const onward = (event: KeyboardEvent) => {
  event.preventDefault()
  ;(event.target as HTMLElement).blur()
  emit('next')
}
</script>
<template>
  <div>
    <label class="caption block" :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="text"
      type="number"
      step="any"
      class="field display text-[22px]"
      :aria-invalid="refused ? true : undefined"
      :aria-describedby="refused ? `${id}-refused` : undefined"
      @focus="typing = true"
      @blur="typing = false"
      @change="commit"
      @keydown.enter="onward"
    />
    <p v-if="refused" :id="`${id}-refused`" class="text-madder">{{ refused }}</p>
  </div>
</template>
