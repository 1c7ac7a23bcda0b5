<script setup lang="ts">
import { timeOf } from './typedValues'
import TypedField from './TypedField.vue'

/** A time of the day, HH:MM; arrows up and down go by a quarter of an hour. */
const props = withDefaults(
  defineProps<{ id: string; value: string | null | undefined; error?: string | undefined; label?: string | undefined; look?: string }>(),
  { error: undefined, label: undefined, look: 'field' },
)
const emit = defineEmits<{ choose: [value: string | undefined] }>()
const QUARTER = 15
const DAY = 24 * 60
const by = (direction: number) => {
  const [hour = 9, minute = 0] = (props.value || '09:00').split(':').map(Number)
  const next = (hour * 60 + minute + direction * QUARTER + DAY) % DAY
  emit('choose', timeOf(`${Math.floor(next / 60)}:${String(next % 60).padStart(2, '0')}`) ?? undefined)
}
</script>
<template>
  <TypedField
    :id="id"
    :value="value"
    :read="timeOf"
    :show="(time: string) => time.slice(0, 5)"
    :look="look"
    :error="error"
    :label="label"
    mode="numeric"
    placeholder="hh:mm"
    refusal="That is no time. Write it like 14:30."
    @choose="(said) => emit('choose', said)"
    @step="by"
  />
</template>
