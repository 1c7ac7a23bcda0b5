<script setup lang="ts">
import { numberOf } from './typedValues'
import TypedField from './TypedField.vue'

/** A number that is typed; arrows up and down go by a step. */
const props = withDefaults(
  defineProps<{
    id: string
    value: number | null | undefined
    min?: number
    max?: number
    step?: number
    look?: string
    placeholder?: string | undefined
    error?: string | undefined
    label?: string | undefined
    alerts?: boolean
  }>(),
  { min: -Infinity, max: Infinity, step: 1, look: 'field', placeholder: undefined, error: undefined, label: undefined, alerts: true },
)
const emit = defineEmits<{ choose: [value: number | undefined]; next: [] }>()
const bounds = (value: number): string => {
  if (value < props.min) return `${value} is too little: ${props.min} at least.`
  return value > props.max ? `${value} is too much: ${props.max} at most.` : ''
}
const by = (direction: number) => {
  const from = props.value ?? (Number.isFinite(props.min) ? props.min : 0)
  emit('choose', Math.min(props.max, Math.max(props.min, Math.round((from + direction * props.step) * 1000) / 1000)))
}
</script>
<template>
  <TypedField
    :id="id"
    :value="value"
    :read="numberOf"
    :show="String"
    :bounds="bounds"
    :look="look"
    :mode="Number.isInteger(step) && min >= 0 ? 'numeric' : 'decimal'"
    :placeholder="placeholder"
    :error="error"
    :label="label"
    :alerts="alerts"
    refusal="That is no number."
    @choose="(said) => emit('choose', said)"
    @next="emit('next')"
    @step="by"
  />
</template>
