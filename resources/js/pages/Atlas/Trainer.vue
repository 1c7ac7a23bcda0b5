<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { computed, nextTick, ref } from 'vue'
import { cropAround, drawnIn, viewNames, views, zoneOfView, type ViewId } from '@/chart/art'
import Figure, { type FigurePoint } from '@/chart/Figure.vue'
import SideNames from '@/chart/SideNames.vue'
import { send } from '@/composables/http'
import { useKeys } from '@/composables/useKeys'
import KnownBody, { type Progress } from '@/parts/KnownBody.vue'
import { capital } from '@/parts/words'
import type { ZoneId } from '@/types/ids.generated'

interface Question {
  card: string
  kind: 'touch' | 'proof' | 'hazard' | 'sends'
  ask: string
  choices: { id: string; label: string }[]
  right: string
  because: string
  dots: string[]
  view: ViewId | null
  zones: ZoneId[]
}
const props = defineProps<{
  region: string | null
  /** of each region */
  places: Record<string, ZoneId[]>
  questions: Question[]
  progress: Progress[]
  /** works at the table, and may learn their lean */
  leans: boolean
}>()

/** What was missed comes back after a few others, until it is right. */
const AFTER = 3
const queue = ref<Question[]>([...props.questions])
const progress = ref(props.progress)
const chosen = ref<string | null>(null)
const firstTries = ref(new Map<string, boolean>())
const unsent = ref(false)
const next = ref<HTMLButtonElement | null>(null)
const question = computed(() => queue.value[0])
const right = computed(() => chosen.value !== null && chosen.value === question.value?.right)
const score = computed(() => [...firstTries.value.values()].filter(Boolean).length)
const missed = computed(() => props.questions.filter((one) => firstTries.value.get(one.card) === false))
const done = computed(() => props.questions.length - new Set(queue.value.map((one) => one.card)).size)
const isMuscle = computed(() => question.value?.kind === 'proof' || question.value?.kind === 'sends')
/** The muscle is shown once the answer is given: before that the figure must not tell it. */
const lit = computed(() =>
  isMuscle.value && chosen.value !== null && question.value ? { muscle: question.value.right, side: 'left' as const } : null,
)
const view = computed<ViewId>(() => {
  const at = question.value
  if (at?.view) return at.view
  if (isMuscle.value && at && !at.zones.length) {
    const drawn = (one: ViewId): number => at.choices.filter((choice) => drawnIn(one, choice.id)).length + (drawnIn(one, at.right) ? 2 : 0)
    return views.reduce((best, one) => (drawn(one) > drawn(best) ? one : best))
  }
  if (lit.value) return drawnIn('front', lit.value.muscle) && !(at?.zones[0] && !zoneOfView('front', at.zones[0])) ? 'front' : 'back'
  return at?.zones[0] && !zoneOfView('front', at.zones[0]) ? 'back' : 'front'
})
const points = computed<FigurePoint[]>(() =>
  (question.value?.dots ?? []).map((id, index) => ({
    id,
    key: `${index + 1}`,
    ...(chosen.value === null
      ? {}
      : id === question.value?.right
        ? { state: 'right' as const }
        : id === chosen.value
          ? { state: 'wrong' as const }
          : {}),
  })),
)
/** About the points or the place; for a muscle, about all that are offered, so that the crop tells nothing. */
const crop = computed(() => {
  const at = question.value
  if (!at) return undefined
  const muscles = isMuscle.value ? at.choices.map((one) => one.id) : []
  return cropAround(view.value, 'left', { muscles, points: at.dots, zones: at.zones }, 120)
})
const shown = computed(() => (question.value?.zones ?? []).map((zone) => ({ zone, side: 'left' as const, now: 6 })))

const remember = async (card: string, choice: string): Promise<void> => {
  try {
    const answer = await send<{ right: boolean; progress: Progress[] }>('POST', '/atlas/trainer', { card, chosen: choice })
    progress.value = answer.progress
    unsent.value = false
  } catch {
    unsent.value = true
  }
}
const choose = (id: string) => {
  const at = question.value
  if (!at || chosen.value !== null) return
  chosen.value = id
  if (!firstTries.value.has(at.card)) firstTries.value = new Map(firstTries.value).set(at.card, id === at.right)
  void remember(at.card, id)
  void nextTick(() => next.value?.focus())
}
const goOn = () => {
  const at = queue.value[0]
  if (!at || chosen.value === null) return
  const rest = queue.value.slice(1)
  queue.value = right.value ? rest : [...rest.slice(0, AFTER), at, ...rest.slice(AFTER)]
  chosen.value = null
}
const again = (region: string | null = props.region) =>
  router.visit(region ? `/atlas/trainer?region=${region}` : '/atlas/trainer', { preserveState: false })
useKeys(
  {
    ...Object.fromEntries(
      [1, 2, 3, 4, 5].map((n) => [`${n}`, () => question.value?.choices[n - 1] && choose(question.value.choices[n - 1]!.id)]),
    ),
    Enter: () => (question.value ? goOn() : again()),
    ' ': () => (question.value ? goOn() : again()),
  },
  [
    ['1–5', 'choose an answer'],
    ['Enter', 'go on'],
  ],
)
</script>
<template>
  <Head title="Practise landmarks" />
  <main class="mx-auto grid max-w-[1280px] gap-x-7 px-6 pb-8 pt-5 lg:grid-cols-[minmax(0,1fr)_300px]">
    <header class="mb-4 flex flex-wrap items-end justify-between gap-4 lg:col-span-2">
      <div>
        <h1 class="display text-[34px] leading-[38px]">Practise</h1>
        <p class="caption">Landmarks, proofs, places not to press. What was missed is asked again before what is known.</p>
      </div>
      <nav class="flex gap-2">
        <Link v-if="leans" href="/atlas/trainer/lean" class="btn">Lean</Link><Link href="/atlas" class="btn">Atlas</Link
        ><Link href="/" class="btn">Today</Link>
      </nav>
    </header>
    <section aria-label="Question" class="min-w-0">
      <template v-if="question">
        <p class="caption" aria-live="polite">
          {{ done }} of {{ questions.length }} done<template v-if="firstTries.has(question.card) && chosen === null"> · once more</template>
        </p>
        <h2 class="display mb-3 text-[25px] leading-[31px]">{{ question.ask }}</h2>
        <div class="grid gap-5 md:grid-cols-[minmax(0,440px)_minmax(0,1fr)]">
          <div>
            <SideNames :view="view" />
            <div class="h-[min(560px,calc(100dvh-230px))] min-h-[300px] overflow-hidden bg-fold/50 max-md:h-[40dvh]">
              <Figure
                :key="question.card"
                :view="view"
                :crop="crop"
                :points="points"
                :lit="lit"
                :complaints="question.kind === 'sends' ? shown : []"
                :hatched="question.kind === 'hazard' ? shown : []"
                :label="`The body, ${viewNames[view]}, with ${points.length || 'no'} numbered points`"
                @point="choose"
              />
            </div>
          </div>
          <div>
            <div role="group" aria-label="Answers" class="flex gap-px" :class="question.dots.length ? '' : 'flex-col'">
              <button
                v-for="(one, index) in question.choices"
                :key="one.id"
                type="button"
                class="cell text-[16px]"
                :class="[
                  question.dots.length ? 'flex-1 flex-col' : '!justify-start gap-3 !px-4 text-left',
                  chosen === null ? '' : one.id === question.right ? '!bg-moss-wash' : one.id === chosen ? '!bg-madder-wash' : '',
                ]"
                :aria-label="`${index + 1}: ${one.label}`"
                :aria-pressed="chosen === one.id"
                :disabled="chosen !== null"
                @click="choose(one.id)"
              >
                <span :class="question.dots.length ? 'display text-[21px]' : 'key-hint'">{{ index + 1 }}</span><span
                  v-if="!question.dots.length"
                  class="flex-1"
                  >{{ capital(one.label) }}</span
                ><span v-if="chosen !== null && one.id === question.right" class="caption">this one</span
                ><span v-else-if="chosen === one.id" class="caption">yours</span>
              </button>
            </div>
            <p v-if="question.dots.length && chosen === null" class="caption mt-2">Touch a point on the figure, or its number.</p>
            <div v-if="chosen !== null" class="mt-4" role="status">
              <p class="display text-[20px] leading-6">{{ right ? 'Right.' : 'Not this one.' }}</p>
              <p class="mt-1">{{ question.because }}</p>
              <button ref="next" type="button" class="btn-ink mt-4" @click="goOn">
                {{ right ? 'Next' : 'Next, and this again later' }} <span class="key-hint">Enter</span>
              </button>
            </div>
          </div>
        </div>
      </template>
      <template v-else>
        <h2 class="display text-[25px] leading-[31px]">{{ score }} of {{ questions.length }} at the first try.</h2>
        <p class="mt-1">{{ missed.length ? 'These came twice, and are asked again from today on:' : 'Nothing was missed.' }}</p>
        <ul class="mt-2 max-w-[640px]">
          <li v-for="one in missed" :key="one.card" class="border-b border-hairline py-2">
            {{ one.ask }}<br /><span class="caption">{{ one.because }}</span>
          </li>
        </ul>
        <button type="button" class="btn-ink mt-5" @click="again()">Another round <span class="key-hint">Enter</span></button>
      </template>
      <p v-if="unsent" class="mt-3 text-madder" role="alert">This answer could not be kept: there is no connection. The round goes on.</p>
    </section>
    <KnownBody class="max-lg:mt-6" :progress="progress" :places="places" :region="region" @choose="again" />
  </main>
</template>
