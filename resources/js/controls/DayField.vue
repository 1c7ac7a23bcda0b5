<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { settings } from '@/composables/settings'
import { opensUp } from './choice'
import { dayOf, dayText, isoOf, monthsOn, shifted } from './typedValues'
import TypedField from './TypedField.vue'

/** A day, typed in any usual way or touched in the month; shown in the form the clinic writes. Kept as Y-m-d. */
const props = withDefaults(
  defineProps<{
    id: string
    /** what day it is, for a screen reader and the month */
    label: string
    value: string | null | undefined
    min?: string | undefined
    max?: string | undefined
    /** the day it is; a visit has its own */
    today?: string
    /** without a year, the next such day is meant */
    ahead?: boolean
    look?: string
    error?: string | undefined
  }>(),
  { min: undefined, max: undefined, today: () => new Date().toLocaleDateString('sv'), look: 'field', error: undefined },
)
const emit = defineEmits<{ choose: [value: string | undefined] }>()
/** How a day is written here; it must not look like one that was given. */
const EXAMPLES = { words: 'day month year', day_month: 'dd/mm/yyyy', month_day: 'mm/dd/yyyy', iso: 'yyyy-mm-dd' } as const
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']
const WEEK = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su']
const bounds = (day: string): string => {
  if (props.min && day < props.min) return `${dayText(day)} is too early: ${dayText(props.min)} at least.`
  return props.max && day > props.max ? `${dayText(day)} is too late: ${dayText(props.max)} at most.` : ''
}
/** The day the hand or the arrows are on. */
const at = ref('')
const month = computed(() => at.value.slice(0, 7))
const title = computed(() => `${MONTHS[Number(at.value.slice(5, 7)) - 1] ?? ''} ${at.value.slice(0, 4)}`)
/** Weeks from Monday; null before the first and after the last. */
const weeks = computed(() => {
  const [year = 0, number = 1] = month.value.split('-').map(Number)
  const lead = (new Date(Date.UTC(year, number - 1, 1)).getUTCDay() + 6) % 7
  const days: (string | null)[] = Array.from({ length: lead }, () => null)
  for (let day = 1; isoOf(year, number, day); day++) days.push(isoOf(year, number, day))
  while (days.length % 7) days.push(null)
  return Array.from({ length: days.length / 7 }, (_, k) => days.slice(k * 7, k * 7 + 7))
})
const grid = useTemplateRef<HTMLElement>('grid')
const box = useTemplateRef<HTMLElement>('box')
const up = ref(false)
const fromLeft = ref(false)
const MONTH_HEIGHT = 380
const MONTH_WIDTH = 330
const atFocus = async () => {
  await nextTick()
  grid.value?.querySelector<HTMLElement>('[tabindex="0"]')?.focus()
}
const begin = () => {
  at.value = props.value || (props.max && props.max < props.today ? props.max : props.today)
  up.value = box.value !== null && opensUp(box.value, MONTH_HEIGHT)
  // the month is wider than most fields: it grows to the side where it is seen
  fromLeft.value = (box.value?.getBoundingClientRect().right ?? 0) < MONTH_WIDTH
}
// the month is there a moment after it was asked for
watch(grid, (there) => there && void atFocus())
const go = (to: string) => {
  at.value = to
  void atFocus()
}
const walk: Record<string, (from: string) => string> = {
  ArrowLeft: (from) => shifted(from, -1),
  ArrowRight: (from) => shifted(from, 1),
  ArrowUp: (from) => shifted(from, -7),
  ArrowDown: (from) => shifted(from, 7),
  PageUp: (from) => monthsOn(from, -1),
  PageDown: (from) => monthsOn(from, 1),
  Home: (from) => shifted(from, -((new Date(`${from}T12:00:00Z`).getUTCDay() + 6) % 7)),
  End: (from) => shifted(from, 6 - ((new Date(`${from}T12:00:00Z`).getUTCDay() + 6) % 7)),
}
const key = (event: KeyboardEvent) => {
  const to =
    (event.shiftKey && event.key === 'PageUp' ? (from: string) => monthsOn(from, -12) : undefined) ??
    (event.shiftKey && event.key === 'PageDown' ? (from: string) => monthsOn(from, 12) : undefined) ??
    walk[event.key]
  if (!to) return
  event.preventDefault()
  go(to(at.value))
}
const take = (day: string, close: () => void) => {
  emit('choose', day)
  close()
}
/** Arrows in the field go a day on or back. */
const by = (direction: number) => {
  const next = props.value ? shifted(props.value, direction) : props.today
  if (!bounds(next)) emit('choose', next)
}
</script>
<template>
  <Popover v-slot="{ open, close }" as="div" class="relative">
    <div ref="box" class="relative" :title="value ? undefined : EXAMPLES[settings().date_form]" @keydown="open && $event.stopPropagation()">
      <TypedField
        :id="id"
        :value="value"
        :read="(text: string) => dayOf(text, today, ahead)"
        :show="dayText"
        :bounds="bounds"
        :look="`${look} !pr-[44px]`"
        :placeholder="EXAMPLES[settings().date_form]"
        :error="error"
        :refusal="`That is no day. Write it like ${dayText(today)}.`"
        @choose="(day) => emit('choose', day)"
        @step="by"
      />
      <PopoverButton
        class="absolute right-0 top-0 flex h-[44px] w-[40px] items-center justify-center"
        aria-label="Choose in the month"
        @click="!open && begin()"
      >
        <svg width="17" height="17" viewBox="0 0 17 17" aria-hidden="true">
          <path d="M1.5 3.5h14v12h-14zM1.5 7.5h14M5 1v4M12 1v4" fill="none" stroke="currentColor" stroke-width="1.6" />
        </svg>
      </PopoverButton>
    </div>
    <PopoverPanel
      class="absolute z-40 w-[318px] max-w-[92vw] border border-walnut bg-raised p-2"
      :class="[up ? 'bottom-full' : 'top-full', fromLeft ? 'left-0' : 'right-0']"
      @keydown.stop="key"
    >
      <div class="flex items-center justify-between">
        <button type="button" class="cell" aria-label="Month before" @click="at = monthsOn(at, -1)">‹</button>
        <b class="font-[650]" aria-live="polite">{{ title }}</b>
        <button type="button" class="cell" aria-label="Month after" @click="at = monthsOn(at, 1)">›</button>
      </div>
      <table ref="grid" class="mt-1 w-full border-collapse" role="grid" :aria-label="`${label}, ${title}`">
        <thead>
          <tr>
            <th v-for="day in WEEK" :key="day" class="caption font-normal" scope="col">{{ day }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(week, k) in weeks" :key="k">
            <td v-for="(day, i) in week" :key="day ?? i" class="p-px" role="gridcell" :aria-selected="day !== null && day === value">
              <button
                v-if="day"
                type="button"
                class="cell !min-h-[40px] !min-w-0 w-full !px-0"
                :aria-label="dayText(day)"
                :aria-pressed="day === value"
                :aria-current="day === today ? 'date' : undefined"
                :class="day === today ? 'underline' : ''"
                :disabled="bounds(day) !== ''"
                :tabindex="day === at ? 0 : -1"
                @click="take(day, close)"
              >
                {{ Number(day.slice(8)) }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </PopoverPanel>
  </Popover>
</template>
