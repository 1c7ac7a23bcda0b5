<script setup lang="ts">
import { computed } from 'vue'
import { dayWords, shown, shownUnit, type UserSettings } from '@/composables/settings'

/** A finding as it would be written with these choices. */
const props = defineProps<{ choices: Pick<UserSettings, 'pressure_unit' | 'length_unit' | 'date_form' | 'note_words'> }>()
const EXAMPLE = { plain: 'Turning the head', clinical: 'cervical rotation', kpa: 245, cm: 12 }
const movement = computed(
  () =>
    ({
      plain: EXAMPLE.plain,
      clinical: `${EXAMPLE.clinical.charAt(0).toUpperCase()}${EXAMPLE.clinical.slice(1)}`,
      both: `${EXAMPLE.plain} (${EXAMPLE.clinical})`,
    })[props.choices.note_words],
)
const measured = (value: number, unit: string): string => `${shown(value, unit, props.choices)} ${shownUnit(unit, props.choices)}`
/** A day whose numbers tell which is the month. */
const day = computed(() => dayWords(`${new Date().getFullYear() - 1}-03-29`, props.choices.date_form))
</script>
<template>
  <p class="display text-[18px] leading-6">{{ day }}</p>
  <p>{{ movement }}: left 62°, right 44°</p>
  <p>Bears {{ measured(EXAMPLE.kpa, 'kPa') }}</p>
  <p>Hand to the wall: {{ measured(EXAMPLE.cm, 'cm') }}</p>
</template>
