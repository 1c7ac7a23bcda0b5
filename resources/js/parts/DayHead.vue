<script setup lang="ts">
import { Link, router } from '@inertiajs/vue3'
import { computed } from 'vue'
import { dateLanguage } from '@/composables/settings'
import { shifted } from '@/controls/typedValues'
import { useKeys } from '@/composables/useKeys'

/**
 * Which day it is, where; the day before and the one after are a touch away, and so is today from either. The keys of a day are the same at
 * the table and at the desk; `list` says what the list of those who are not booked is there.
 */
const props = defineProps<{ day: { date: string; today: string; clinic: string }; list: string }>()
const words = (options: Intl.DateTimeFormatOptions): string =>
  new Date(`${props.day.date}T12:00:00Z`).toLocaleDateString(dateLanguage, { ...options, timeZone: 'UTC' })
const isToday = computed(() => props.day.date === props.day.today)
const address = (day: string): string => (day === props.day.today ? '/' : `/?day=${day}`)
const turned = (by: number): string => address(shifted(props.day.date, by))
useKeys(
  {
    '[': () => router.visit(turned(-1)),
    ']': () => router.visit(turned(1)),
    t: () => router.visit('/'),
    c: () => router.visit('/clients/new'),
    n: () => router.visit('/calendar?walk_in=1'),
    k: () => router.visit('/calendar'),
    l: () => router.visit('/caseload'),
  },
  [
    ['[ ]', 'the day before, the day after'],
    ['T', 'today'],
    ['C', 'new client'],
    ['N', 'somebody at the door without a booking'],
    ['K', 'calendar'],
    ['L', props.list],
  ],
)
</script>
<template>
  <header>
    <h1 class="display text-[44px] leading-[46px] lg:max-xl:text-[36px] lg:max-xl:leading-[40px]">
      {{ words({ weekday: 'long' })
      }}<span v-if="!isToday" class="sr-only">, {{ words({ day: 'numeric', month: 'long', year: 'numeric' }) }}</span>
    </h1>
    <p class="caption own-words">
      {{ words({ day: 'numeric', month: 'long', ...(day.date.slice(0, 4) === day.today.slice(0, 4) ? {} : { year: 'numeric' }) }) }} ·
      {{ day.clinic }}
    </p>
    <nav class="no-print mt-1 flex items-center gap-px" aria-label="Days">
      <Link :href="turned(-1)" class="cell !min-h-[36px] !border-y-0" aria-label="The day before" title="The day before: [">‹</Link>
      <Link :href="turned(1)" class="cell !min-h-[36px] !border-y-0" aria-label="The day after" title="The day after: ]">›</Link>
      <Link v-if="!isToday" href="/" class="link ml-3">Back to today</Link>
    </nav>
  </header>
</template>
