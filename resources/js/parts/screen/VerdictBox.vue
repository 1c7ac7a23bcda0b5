<script setup lang="ts">
import { Link, usePage } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import Gate from '@/parts/Gate.vue'
import Fold from '@/parts/Fold.vue'
import { verdictOf, verdictWords, whenWords } from '@/parts/words'
import type { Verdict } from '@/types/visit'

/** What follows from the answers, with every reason; and where a licensed person may decide otherwise, in writing. */
interface Decision {
  verdict: 'refer' | 'defer' | 'modify'
  by_licensed: boolean
  reason: string
  on: string
  pressure_cap?: number
}
const { props, judged, save, all } = useVisit()
const safety = computed(() => judged.value.safety)
/** Every reason, the strongest first; open questions are told by the questions themselves. */
const because = computed(() => safety.value.because.filter((one) => !one.rule.startsWith('open.') || safety.value.because.length === 1))
const when = computed(() => whenWords(safety.value.when))
const licensed = computed(() => usePage<{ user: { licensed: boolean } }>().props.user.licensed)
const decisions = computed(() => all('override'))
/** What may be decided on here: the verdict in force, or the cap that age alone sets. Nothing lowers an emergency. */
const open = computed<Decision['verdict'] | null>(() => {
  const verdict = safety.value.verdict
  if (verdict === 'refer' || verdict === 'defer') return verdict
  const capped = verdict === 'modify' && safety.value.because.some((one) => one.rule === 'age.older')
  return capped && !decisions.value.some((one) => one.verdict === 'modify') ? 'modify' : null
})
const asks: Record<Decision['verdict'], string> = {
  refer: 'Treat all the same? A licensed person says why, in writing. Every limit stays.',
  defer: 'Treat all the same? A licensed person says why, in writing. Every limit stays.',
  modify: 'Age alone caps pressure at 5. A licensed person may raise it to 6, in writing; every other limit stays.',
}
const reason = ref('')
const caps = { none: 'as the limits say', cap_3: 'at most 3', cap_4: 'at most 4', cap_5: 'at most 5' } as const
const cap = ref<keyof typeof caps>('none')
const decide = () => {
  if (!open.value) return
  const pressure = open.value === 'modify' ? 6 : cap.value === 'none' ? undefined : Number(cap.value.slice(4))
  save(
    'override',
    open.value,
    {
      verdict: open.value,
      by_licensed: true,
      reason: reason.value.trim(),
      on: props.value.visit.date,
      ...(pressure === undefined ? {} : { pressure_cap: pressure }),
    },
    'decision in writing',
  )
  reason.value = ''
}
const unless = (verdict: Verdict) => (verdict === safety.value.verdict ? '' : ` (${verdictWords[verdict].toLowerCase()})`)
</script>
<template>
  <section class="mb-4 border-t-2 border-iron pt-2" aria-label="What follows">
    <p class="flex flex-wrap items-center gap-x-3">
      <Gate :verdict="safety.verdict" /><span class="display text-[23px] leading-7">{{ verdictOf(safety) }}</span>
      <span v-if="when">{{ when }}</span>
    </p>
    <ul v-if="because.length" class="mt-1">
      <li v-for="one in because" :key="one.rule" class="py-0.5">
        {{ one.reason }}<span class="caption">{{ unless(one.verdict) }}</span>
      </li>
    </ul>
    <p v-if="safety.verdict === 'emergency'" class="mt-2">Nothing lowers this. Call, stay, write down the time.</p>
    <p v-if="['emergency', 'refer'].includes(safety.verdict)" class="mt-3">
      <Link :href="`/visits/${props.visit.id}/letter`" class="btn">Write the letter</Link>
    </p>
    <p v-for="one in decisions" :key="one.verdict" class="mt-2 border-l-2 border-iron pl-3">
      Decided in writing{{ one.verdict === 'modify' ? ', pressure up to 6' : `, over “${verdictWords[one.verdict].toLowerCase()}”` }}:
      {{ one.reason }}
      <button type="button" class="link caption" @click="save('override', one.verdict, null, 'decision taken back')">Take back</button>
    </p>
    <Fold v-if="open && licensed" class="mt-2">
      <template #head>{{ open === 'modify' ? 'Raise the cap of age, in writing' : 'Decide otherwise, in writing' }}</template>
      <form @submit.prevent="decide">
        <label class="caption block" for="override">{{ asks[open] }}</label>
        <textarea id="override" v-model="reason" class="field" rows="2" minlength="10" />
        <Choices
          v-if="open !== 'modify'"
          class="mt-1"
          label="Pressure under this decision"
          :options="caps"
          :value="cap"
          @choose="(value) => (cap = value ?? 'none')"
        />
        <button type="submit" class="btn mt-1" :disabled="reason.trim().length < 10">
          {{ open === 'modify' ? 'Raise it to 6, on the record' : 'Write it on the record' }}
        </button>
      </form>
    </Fold>
    <p v-else-if="open && open !== 'modify'" class="caption mt-2">Only somebody licensed may decide otherwise.</p>
  </section>
</template>
