<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { computed, onMounted } from 'vue'
import { arrivedLately } from '@/composables/unsent'
import { useFinder } from '@/composables/useFinder'
import { useKeys, type KeyHelp } from '@/composables/useKeys'
import { useOutbox } from '@/composables/useOutbox'
import { provideVisit, stepNames, stepOrder } from '@/composables/useVisit'
import Fold from './Fold.vue'
import type { StepId, VisitProps } from '@/types/visit'
import SafetyStrip from './SafetyStrip.vue'
import VisitLine from './VisitLine.vue'
import { plural } from './words'

const props = defineProps<{ page: VisitProps; keys: KeyHelp[] }>()
/** What the room still had when it was left: sent from here, and this page, which knows nothing of it yet, is read anew. */
const room = useOutbox(props.page.visit.id, [], () => router.reload())
onMounted(() => arrivedLately(props.page.visit.id) && router.reload())
const store = provideVisit(
  computed(() => props.page),
  () => room.waiting.value.size,
)
const { judged, said, conflict, problem } = store
const { keys: showKeys } = useFinder()
const go = (offset: number) => {
  const to = stepOrder[stepOrder.indexOf(props.page.visit.step) + offset]
  if (to) router.visit(`/visits/${props.page.visit.id}/${to}`)
}
useKeys(
  {
    z: (event) => (event.shiftKey ? store.redo() : store.undo()),
    ',': () => go(-1),
    '.': () => go(1),
  },
  [...props.keys, ['R', 'reasons and answers'], ['Z', 'undo'], ['⇧Z', 'do again'], [',', 'step before'], ['.', 'next step']],
)
/** The way on. Feel and Move offer a check, and Plan its agreement, as the one filled button of the page. */
const onward: Partial<Record<StepId, string>> = {
  ask: 'Screen for safety',
  screen: 'Look and move',
  move: 'Feel',
  feel: 'Think it over',
  think: 'Agree what may be touched',
  agree: 'See the plan',
  recheck: 'Write it down',
}
const quiet: StepId[] = ['move', 'feel']
const treats = computed(() => ['proceed', 'modify'].includes(judged.value.safety.verdict))
/** Where nobody is treated today there is one way on: write it down and send on. */
const way = computed(() => {
  const step = props.page.visit.step
  if (treats.value || step === 'ask') return { words: onward[step], act: () => go(1), quiet: quiet.includes(step) }
  return {
    words: step === 'after' ? undefined : 'Write it down and send on',
    act: () => router.visit(`/visits/${props.page.visit.id}/after`),
    quiet: false,
  }
})
const stop = () => router.post(`/visits/${props.page.visit.id}/stop`)
const show = (payload: unknown): string => {
  if (payload === null) return 'taken back'
  if (typeof payload !== 'object') return String(payload)
  return Object.entries(payload as Record<string, unknown>)
    .filter(([name]) => !['zone', 'side', 'muscle', 'movement', 'sign', 'site', 'condition'].includes(name))
    .map(([name, value]) => `${name.replaceAll('_', ' ')} ${Array.isArray(value) ? value.length : String(value ?? 'empty')}`)
    .join(', ')
}
</script>
<template>
  <Head :title="`${stepNames[page.visit.step]}, ${page.client.code}`" />
  <div class="flex min-h-page flex-col">
    <header class="no-print flex items-start gap-x-6 px-6 max-md:flex-wrap max-md:justify-between">
      <div class="w-[180px] shrink-0 pt-3 xl:w-[270px]">
        <h1 class="display truncate text-[23px] leading-7 [unicode-bidi:isolate]" :title="page.client.name">
          <Link :href="`/clients/${page.client.id}`">{{ page.client.name }}</Link>
        </h1>
        <p class="caption truncate" :title="page.client.occupation ?? undefined">
          {{ page.client.code }} · visit {{ page.visit.number
          }}<span v-if="page.client.occupation" class="max-xl:hidden"> · {{ page.client.occupation }}</span>
        </p>
      </div>
      <VisitLine class="max-md:order-last max-md:basis-full" :line="judged.line" :step="page.visit.step" :visit="page.visit.id" />
      <div class="w-[92px] shrink-0 pt-3 text-right">
        <p class="display text-[22px] leading-[26px]">{{ page.visit.minutes }}</p>
        <p class="caption">minutes</p>
      </div>
    </header>
    <SafetyStrip :safety="judged.safety" :hand="store.hand.value" />
    <p v-if="page.visit.origin === 'elsewhere'" class="bg-fold px-6 py-2">
      Made elsewhere and brought in: it stands in the course, and is only read here.
    </p>
    <p v-else-if="page.visit.status === 'stopped'" class="bg-weld-wash px-6 py-2">
      This visit was stopped unfinished.
      <Link v-if="page.visit.writable" class="link" as="button" method="post" :href="`/visits/${page.visit.id}/take-up`"
        >Take it up again</Link
      >
    </p>
    <p v-if="page.visit.status === 'signed'" class="bg-moss-wash px-6 py-2">
      Signed and frozen. What you see is what was signed<template v-if="page.visit.step !== 'after'"
        >; <Link :href="`/visits/${page.visit.id}/after`" class="link">a correction is written on After</Link></template
      >.
    </p>
    <div v-if="conflict" class="flex flex-wrap items-center gap-3 bg-weld-wash px-6 py-2" role="alert">
      <p>
        Another window wrote here first: <b class="font-[650]">{{ show(conflict.theirs) }}</b>. This window said:
        <b class="font-[650]">{{ show(conflict.mine) }}</b>.
      </p>
      <button type="button" class="btn" @click="store.keepMine">Keep this window’s</button>
      <button type="button" class="btn" @click="store.takeTheirs">Take the other’s</button>
    </div>
    <Fold v-if="page.unreadable.length" class="bg-weld-wash px-6 py-2">
      <template #head
        >{{ plural(page.unreadable.length, 'thing stored in this visit', 'things stored in this visit') }} cannot be read and count in
        nothing. They stand as they were written.</template
      >
      <ul class="mt-1">
        <li v-for="(one, k) in page.unreadable" :key="k">
          <b class="font-[650]">{{ one.what }}</b> <span class="caption">{{ one.fault }}</span>
        </li>
      </ul>
    </Fold>
    <p v-if="problem" class="bg-madder-wash px-6 py-2" role="alert">
      Not kept: {{ problem.words }} What you entered: {{ show(problem.payload) }}.
    </p>
    <p v-if="room.trouble.value" class="bg-madder-wash px-6 py-2" role="alert">Of the treatment room: {{ room.trouble.value }}</p>
    <main class="relative flex min-h-0 flex-1 flex-col"><slot /></main>
    <footer class="no-print sticky bottom-0 z-10 flex flex-wrap items-center gap-x-5 gap-y-1 bg-paper px-6 py-1">
      <p class="caption" aria-live="polite">{{ said || 'Every touch is saved.' }}</p>
      <button v-if="store.canUndo.value" type="button" class="link caption min-h-[28px]" @click="store.undo">
        Undo <span class="key-hint">Z</span>
      </button>
      <button v-if="store.canRedo.value" type="button" class="link caption min-h-[28px]" @click="store.redo">
        Redo <span class="key-hint">⇧Z</span>
      </button>
      <span class="ml-auto flex items-center gap-5">
        <button type="button" class="caption min-h-[28px]" @click="showKeys">Keys, words <span class="key-hint">?</span></button>
        <button v-if="page.visit.status === 'open'" type="button" class="caption min-h-[28px] link" @click="stop">
          Stop here, keep it unfinished
        </button>
        <button v-if="way.words" type="button" :class="way.quiet ? 'btn' : 'btn-ink !min-h-[44px]'" @click="way.act">
          {{ way.words }} <span v-if="treats" class="key-hint">.</span>
        </button>
      </span>
    </footer>
  </div>
</template>
