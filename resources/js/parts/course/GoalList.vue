<script setup lang="ts">
import { dayWords, shown, shownUnit } from '@/composables/settings'
import type { GoalProgress } from '@/types/visit'

/** What somebody wants, and how far it is: nothing where it was never measured. */
defineProps<{ goals: GoalProgress[] }>()
const nameOf = (goal: GoalProgress): string =>
  `${(goal.name ?? goal.measure.split('.')[1] ?? '').replace(/^Pain: /, 'pain, ')}${goal.side === 'midline' ? '' : `, ${goal.side}`}`
const valueOf = (goal: GoalProgress): string => {
  const unit = goal.unit ?? ''
  return `${Math.round(shown(goal.value, unit) * 10) / 10}${unit === 'deg' ? '°' : unit === '0–10' || !unit ? '' : ` ${shownUnit(unit)}`}`
}
const stateOf = (goal: GoalProgress): string =>
  goal.share === null
    ? 'not measured yet'
    : goal.reached
      ? `reached${goal.kept > 1 ? `, and kept on ${goal.kept} visits` : ''}`
      : `${Math.round(100 * goal.share)} % of the way${goal.overdue ? ', and the day has passed' : ''}`
</script>
<template>
  <ul aria-label="Goals">
    <li v-for="goal in goals" :key="goal.measure + goal.side" class="border-b border-hairline py-2">
      <div class="flex items-baseline justify-between gap-4">
        <span
          ><b class="font-[650]">{{ nameOf(goal) }}</b> to {{ valueOf(goal)
          }}<template v-if="goal.by"> by {{ dayWords(goal.by) }}</template></span
        >
        <span class="caption whitespace-nowrap">{{ stateOf(goal) }}</span>
      </div>
      <div class="mt-1 h-[5px] bg-fold" aria-hidden="true">
        <div
          class="h-full"
          :class="goal.reached ? 'bg-moss' : goal.overdue ? 'bg-madder' : 'bg-iron'"
          :style="{ width: `${100 * (goal.share ?? 0)}%` }"
        />
      </div>
      <slot :goal="goal" />
    </li>
  </ul>
</template>
