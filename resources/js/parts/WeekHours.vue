<script setup lang="ts">
import Tick from '@/controls/Tick.vue'
import TimeField from '@/controls/TimeField.vue'

/** From when to when on each weekday; null on a day off. */
const props = defineProps<{
  id: string
  days: string[]
  value: Record<string, [string, string] | null>
  off: string
  fault: (name: string) => string | undefined
}>()
const emit = defineEmits<{ change: [value: Record<string, [string, string] | null>] }>()
const NAMES: Record<string, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
}
const put = (day: string, hours: [string, string] | null) => emit('change', { ...props.value, [day]: hours })
</script>
<template>
  <ul>
    <li v-for="day in days" :key="day" class="flex min-h-[48px] flex-wrap items-center gap-3">
      <Tick class="w-[112px]" :checked="value[day] !== null" @turn="put(day, value[day] ? null : ['09:00', '18:00'])">{{
        NAMES[day]
      }}</Tick>
      <template v-if="value[day]">
        <label class="sr-only" :for="`${id}${day}-from`">{{ NAMES[day] }}, from</label>
        <TimeField
          :id="`${id}${day}-from`"
          look="field !w-[110px]"
          :value="value[day]![0]"
          @choose="(time) => put(day, [time ?? '', value[day]![1]])"
        />
        <span aria-hidden="true">to</span>
        <label class="sr-only" :for="`${id}${day}-to`">{{ NAMES[day] }}, until</label>
        <TimeField
          :id="`${id}${day}-to`"
          look="field !w-[110px]"
          :value="value[day]![1]"
          @choose="(time) => put(day, [value[day]![0], time ?? ''])"
        />
      </template>
      <span v-else class="caption">{{ off }}</span>
      <p v-if="fault(`hours.${day}.1`)" class="w-full text-madder" role="alert">{{ fault(`hours.${day}.1`) }}</p>
    </li>
  </ul>
</template>
