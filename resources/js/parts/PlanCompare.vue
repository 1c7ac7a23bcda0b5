<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { computed, ref, watch } from 'vue'
import { Refused, send } from '@/composables/http'
import { leanOf, thumbsOf } from '@/composables/consequence'
import { isOn, keyOf, onOf, type On } from '@/composables/planOrder'
import type { EntryPayloads } from '@/types/entries.generated'
import type { Plan } from '@/types/visit'
import { schoolWords, tenth } from './words'

/** What a plan would be otherwise: in other minutes, after another school, or as it was kept. */
export interface Version {
  name: string
  minutes: number
  school: Record<string, string>
  targets: EntryPayloads['target'][]
  dropped: EntryPayloads['dropped'][]
}
const props = defineProps<{ visit: string; now: Version; plan: Plan; school: Record<string, string>; versions: Version[] }>()
const emit = defineEmits<{ take: [version: Version]; keep: [] }>()
const MINUTES = [30, 45, 60, 75, 90]
/** minutes, versions, or the question of a school */
const by = ref('minutes')
const columns = computed<Version[]>(() => {
  if (by.value === 'minutes') return MINUTES.map((minutes) => ({ ...props.now, minutes, name: `${minutes} minutes` }))
  if (by.value === 'versions') return [{ ...props.now, name: 'As it is now' }, ...props.versions]
  const choices = schoolWords[by.value]?.choices ?? {}
  return Object.entries(choices).map(([choice, name]) => ({ ...props.now, name, school: { ...props.now.school, [by.value]: choice } }))
})
const plans = ref<Plan[] | null>(null)
const problem = ref('')
let asked = 0
watch(
  [by, () => props.plan, () => props.versions.length],
  async () => {
    const own = ++asked
    plans.value = null
    problem.value = ''
    try {
      const answer = await send<{ plans: Plan[] }>('POST', `/visits/${props.visit}/plan/tries`, {
        tries: columns.value.map(({ minutes, school, targets, dropped }) => ({ minutes, school, targets, dropped })),
      })
      if (own === asked) plans.value = answer.plans
    } catch (failure) {
      if (own === asked) problem.value = failure instanceof Refused ? failure.words : 'The server did not answer. Nothing was changed.'
    }
  },
  { immediate: true },
)
const isNow = (one: Version): boolean =>
  one.minutes === props.now.minutes &&
  Object.keys({ ...one.school, ...props.now.school }).every(
    (question) => (one.school[question] ?? props.school[question]) === (props.now.school[question] ?? props.school[question]),
  ) &&
  one.targets === props.now.targets &&
  one.dropped === props.now.dropped
/** Every target that is in one of them, in the order of the first that has it. */
const rows = computed(() => {
  const seen = new Map<string, { on: On; name: string }>()
  for (const plan of plans.value ?? []) {
    for (const one of plan.targets) {
      const on = onOf(one)
      if (on && !seen.has(keyOf(on))) seen.set(keyOf(on), { on, name: one.name })
    }
  }
  return [...seen.values()].map(({ on, name }) => ({
    name,
    minutes: (plans.value ?? []).map((plan) => plan.targets.find((one) => isOn(one, on))?.minutes),
  }))
})
const worked = (plan: Plan): number => plan.targets.reduce((sum, one) => sum + one.minutes, 0)
/** Against the most that any of them brings. */
const best = computed(() => Math.max(1e-9, ...(plans.value ?? []).map((plan) => plan.benefit)))
const sums = computed<{ name: string; of: (plan: Plan) => string }[]>(() => [
  { name: 'Work with the hands', of: (plan) => `${tenth(worked(plan))} min` },
  { name: 'Turns', of: (plan) => String(plan.turns) },
  { name: 'Thumbs at 5 or more', of: (plan) => `${tenth(thumbsOf(plan))} min` },
  { name: 'Most lean', of: (plan) => `${leanOf(plan)} %` },
  { name: 'Left out', of: (plan) => String(plan.left_out.length) },
  { name: 'Brings, of the most here', of: (plan) => `${Math.round((100 * plan.benefit) / best.value)} %` },
])
const ways = computed(() => [
  { id: 'minutes', name: '30 to 90 minutes' },
  ...Object.entries(schoolWords).map(([id, one]) => ({ id, name: one.about })),
  ...(props.versions.length ? [{ id: 'versions', name: 'Versions kept by hand' }] : []),
])
</script>
<template>
  <section aria-label="Plans beside each other" class="mb-4 border-y-2 border-iron py-3">
    <div class="flex flex-wrap items-end gap-3">
      <div>
        <label class="caption block" for="compare-by">Beside each other</label>
        <Pick
          id="compare-by"
          class="w-[230px]"
          label="Beside each other"
          :choices="ways"
          :value="by"
          @choose="(way) => (by = way ?? 'minutes')"
        />
      </div>
      <button type="button" class="btn" @click="emit('keep')">Keep this one to compare</button>
      <p v-if="versions.length" class="caption">{{ versions.length }} kept until you leave this page.</p>
    </div>
    <p v-if="problem" class="mt-2 text-madder" role="alert">{{ problem }}</p>
    <p v-else-if="!plans" class="caption mt-2" role="status">Planning {{ columns.length }} of them.</p>
    <div v-else class="mt-2 overflow-x-auto" tabindex="0" role="region" aria-label="Table of the plans">
      <table class="w-full border-collapse text-[14px] leading-[18px]">
        <thead>
          <tr class="border-b border-iron align-bottom">
            <th scope="col" class="w-[190px] py-1 pr-2 text-left font-normal"><span class="sr-only">What</span></th>
            <th v-for="(one, k) in columns" :key="k" scope="col" class="px-2 py-1 text-left">
              <span class="display text-[17px] leading-[20px]">{{ one.name }}</span><br v-if="isNow(one)" /><span
                v-if="isNow(one)"
                class="caption"
                >as it is now</span
              >
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.name" class="border-b border-hairline">
            <th scope="row" class="py-1 pr-2 text-left font-[650]">{{ row.name }}</th>
            <td v-for="(value, k) in row.minutes" :key="k" class="px-2 py-1">
              <template v-if="value !== undefined">{{ tenth(value) }}</template><span v-else class="text-walnut-2" aria-label="not worked"
                >–</span
              >
            </td>
          </tr>
          <tr v-for="one in sums" :key="one.name" class="border-b border-hairline">
            <th scope="row" class="caption py-1 pr-2 text-left font-normal">{{ one.name }}</th>
            <td v-for="(its, k) in plans" :key="k" class="px-2 py-1">{{ its.verdict === 'planned' ? one.of(its) : '–' }}</td>
          </tr>
          <tr>
            <td />
            <td v-for="(one, k) in columns" :key="k" class="px-2 pt-2">
              <button v-if="!isNow(one)" type="button" class="btn" :aria-label="`Take ${one.name}`" @click="emit('take', one)">Take</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
