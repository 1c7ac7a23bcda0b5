<script setup lang="ts">
import { computed } from 'vue'
import { dateLanguage } from '@/composables/settings'
import type { Booked, Day } from './grid'

/** A month, week by week: who comes, as many as there is room for, and how many more. A day leads to itself. */
const props = defineProps<{ days: Day[]; booked: Booked[]; month: string; today: string; at: string }>()
const emit = defineEmits<{ open: [day: string] }>()
const SHOWN = 3
const weeks = computed(() => Array.from({ length: props.days.length / 7 }, (_, k) => props.days.slice(7 * k, 7 * k + 7)))
const of = computed(() => {
  const by = new Map<string, Booked[]>()
  for (const one of props.booked) by.set(one.day, [...(by.get(one.day) ?? []), one])
  return by
})
const said = (day: Day): string => {
  const all = of.value.get(day.date) ?? []
  const words = new Date(`${day.date}T12:00:00Z`).toLocaleDateString(dateLanguage, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: 'UTC',
  })
  return `${words}, ${all.length ? `${all.length} booked` : day.hours ? 'nobody booked' : 'closed'}`
}
</script>
<template>
  <div>
    <div class="grid grid-cols-7" aria-hidden="true">
      <p
        v-for="name in ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']"
        :key="name"
        class="note truncate px-2 pb-1"
      >
        {{ name }}
      </p>
    </div>
    <div v-for="week in weeks" :key="week[0]!.date" class="grid grid-cols-7 border-t border-hairline">
      <button
        v-for="day in week"
        :key="day.date"
        type="button"
        tabindex="-1"
        class="flex min-h-[92px] min-w-0 flex-col items-stretch border-l border-hairline px-2 pb-2 pt-1 text-left hover:bg-fold"
        :class="[day.date === at ? 'outline outline-[2.5px] -outline-offset-2 outline-walnut' : '', day.hours ? '' : 'bg-fold/50']"
        :data-day="day.date"
        :aria-label="said(day)"
        @click="emit('open', day.date)"
      >
        <span
          class="display self-start text-[19px] leading-6"
          :class="[day.date.startsWith(month) ? '' : 'font-[400] text-walnut-2', day.date === today ? 'border-b-[3px] border-walnut' : '']"
          >{{ Number(day.date.slice(8)) }}</span
        >
        <span
          v-for="one in (of.get(day.date) ?? []).slice(0, SHOWN)"
          :key="one.id"
          class="block truncate text-[13px] leading-[17px]"
          :title="one.client.name"
          ><span class="text-walnut-2">{{ one.time }}</span> {{ one.client.name }}</span
        >
        <span v-if="(of.get(day.date) ?? []).length > SHOWN" class="note">and {{ of.get(day.date)!.length - SHOWN }} more</span>
      </button>
    </div>
  </div>
</template>
