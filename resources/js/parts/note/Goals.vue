<script setup lang="ts">
import { computed, ref } from 'vue'
import DayField from '@/controls/DayField.vue'
import NumberInput from '@/controls/NumberInput.vue'
import Pick from '@/controls/Pick.vue'
import { useVisit } from '@/composables/useVisit'
import GoalList from '@/parts/course/GoalList.vue'
import type { EntryPayloads, GoalProgress } from '@/types/visit'

/** What the client wants to reach, as something that is measured: set here, followed over the visits, given up by a touch. */
const { props, judged, save } = useVisit()
type Goal = EntryPayloads['goal']
const goals = computed(() => judged.value.response?.goals ?? [])
/** What was measured and may be hoped for: pain, tasks, movements. */
const choices = computed(() =>
  (judged.value.response?.measures ?? [])
    .filter(({ key }) => /^(complaint|function)\.|^range\..+\.active$/.test(key))
    .filter(({ key, side }) => !goals.value.some((goal) => goal.measure === key && goal.side === side))
    .map((one) => ({
      id: `${one.key}|${one.side}`,
      name: `${one.name.replace(/^Pain: /, 'Pain, ')}${one.side === 'midline' ? '' : `, ${one.side}`}: now ${one.series.at(-1)?.[1]}`,
    })),
)
const chosen = ref<string>()
const value = ref<number>()
const by = ref<string | undefined>()
const identityOf = ({ measure, side }: { measure: string; side: Goal['side'] }): string => `${measure}:${side}`
const set = (): void => {
  const [measure, side] = (chosen.value ?? '').split('|') as [string, Goal['side']]
  if (!measure || value.value === undefined) return
  const goal: Goal = { measure, side, value: value.value, ...(by.value ? { by: by.value } : {}) }
  save('goal', identityOf(goal), goal, 'A goal')
  chosen.value = value.value = by.value = undefined
}
const giveUp = ({ measure, side, value: hoped }: GoalProgress): void =>
  save('goal', identityOf({ measure, side }), { measure, side, value: hoped, over: true }, 'A goal given up')
</script>
<template>
  <section v-if="goals.length || (props.visit.writable && choices.length)" class="mb-5" aria-labelledby="goals">
    <h2 id="goals" class="section-head">Goals</h2>
    <GoalList v-if="goals.length" v-slot="{ goal }" :goals="goals">
      <button v-if="props.visit.writable" type="button" class="link caption no-print" @click="giveUp(goal)">Given up</button>
    </GoalList>
    <form v-if="props.visit.writable && choices.length" class="no-print mt-2 grid grid-cols-2 gap-x-3 gap-y-2" @submit.prevent="set">
      <div class="col-span-2">
        <label class="caption block" for="goal-what">What should change</label>
        <Pick
          id="goal-what"
          label="What should change"
          :choices="choices"
          :value="chosen"
          none="Choose"
          @choose="(one) => (chosen = one)"
        />
      </div>
      <div>
        <label class="caption block" for="goal-value">To</label>
        <NumberInput id="goal-value" :min="0" :value="value" @choose="(one) => (value = one)" />
      </div>
      <div>
        <label class="caption block" for="goal-by">By, if there is a day</label>
        <DayField id="goal-by" label="By" ahead :today="props.visit.date" :value="by" @choose="(one) => (by = one)" />
      </div>
      <p class="col-span-2"><button type="submit" class="btn" :disabled="!chosen || value === undefined">Set the goal</button></p>
    </form>
  </section>
</template>
