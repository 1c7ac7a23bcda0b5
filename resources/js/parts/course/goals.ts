import { dayWords, shown, shownUnit } from '@/composables/settings'
import type { GoalProgress } from '@/types/visit'

/** A goal as it is said: what is hoped for, and how far it is; nothing where it was never measured. */
export const goalName = (goal: GoalProgress): string =>
  `${(goal.name ?? goal.measure.split('.')[1] ?? '').replace(/^Pain: /, 'pain, ')}${goal.side === 'midline' ? '' : `, ${goal.side}`}`
export const goalValue = (goal: GoalProgress): string => {
  const unit = goal.unit ?? ''
  return `${Math.round(shown(goal.value, unit) * 10) / 10}${unit === 'deg' ? '°' : unit === '0–10' || !unit ? '' : ` ${shownUnit(unit)}`}`
}
export const goalState = (goal: GoalProgress): string =>
  goal.share === null
    ? 'not measured yet'
    : goal.reached
      ? `reached${goal.kept > 1 ? `, and kept on ${goal.kept} visits` : ''}`
      : `${Math.round(100 * goal.share)} % of the way${goal.overdue ? ', and the day has passed' : ''}`
export const goalWords = (goal: GoalProgress): string =>
  `${goalName(goal)} to ${goalValue(goal)}${goal.by ? ` by ${dayWords(goal.by)}` : ''}: ${goalState(goal)}`
