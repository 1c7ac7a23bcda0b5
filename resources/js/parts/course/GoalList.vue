<script setup lang="ts">
import { dayWords } from '@/composables/settings'
import type { GoalProgress } from '@/types/visit'
import { goalName, goalState, goalValue } from './goals'

/** What somebody wants, and how far it is. */
defineProps<{ goals: GoalProgress[] }>()
</script>
<template>
  <ul aria-label="Goals">
    <li v-for="goal in goals" :key="goal.measure + goal.side" class="border-b border-hairline py-2">
      <div class="flex items-baseline justify-between gap-4">
        <span
          ><b class="font-[650]">{{ goalName(goal) }}</b> to {{ goalValue(goal)
          }}<template v-if="goal.by"> by {{ dayWords(goal.by) }}</template></span
        >
        <span class="caption whitespace-nowrap">{{ goalState(goal) }}</span>
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
