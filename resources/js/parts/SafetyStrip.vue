<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import type { Safety } from '@/types/visit'
import { useKeys } from '@/composables/useKeys'
import Gate from './Gate.vue'
import Sheet from './Sheet.vue'
import { limitLines, speaksOf, verdictOf, verdictWords, whenWords, type InHand } from './words'

const props = defineProps<{ safety: Safety; hand: InHand | null }>()
const open = ref(false)
/** What touches the thing in hand comes first, then the rest. */
const here = computed(() => {
  const hand = props.hand
  return hand ? limitLines(props.safety.limits.filter((limit) => speaksOf(limit, hand))) : []
})
const lines = computed(() => {
  const hand = props.hand
  const rest = limitLines(hand ? props.safety.limits.filter((limit) => !speaksOf(limit, hand)) : props.safety.limits)
  // what only waits for a check comes last
  return [...here.value, ...rest.filter((line) => !line.waits), ...rest.filter((line) => line.waits)]
})
/** Pixels of the strip that are no limit, between two of them, and of a letter on average. */
const TAKEN = 350
const GAP = 38
const LETTER = 6.9
/** Two lines fit into the strip; a word that does not fit takes its room with it. */
const FITS = 2 * 0.9
const { width } = useElementSize(useTemplateRef<HTMLElement>('strip'))
const room = (of: number): number => (width.value - TAKEN) / of - GAP
/** As many as are read whole, one at least: none ends in dots, and the rest is told by number. */
const shown = computed(() => {
  const fit = [3, 2].find(
    (of) =>
      lines.value.length >= of && lines.value.slice(0, of).every((line) => LETTER * `${line.where} ${line.what}`.length <= FITS * room(of)),
  )
  return lines.value.slice(0, fit ?? 1)
})
const blocking = computed(() => props.safety.questions.filter((question) => question.blocks).length)
useKeys({ r: () => (open.value = true) })
</script>
<template>
  <section ref="strip" class="flex min-h-[44px] items-center gap-x-6 bg-fold px-6 max-sm:flex-wrap max-sm:py-2" aria-label="Safety">
    <div class="flex shrink-0 items-center gap-3" role="status">
      <Gate :verdict="safety.verdict" :open="blocking > 0" />
      <span class="display text-[17px] leading-5">{{ verdictOf(safety) }}</span>
      <span v-if="blocking" class="text-walnut-2">{{ blocking }} to ask</span>
    </div>
    <p
      v-for="(line, index) in shown"
      :key="line.where + line.what"
      class="flex min-w-0 items-stretch gap-2 text-[14px] leading-[18px] max-sm:order-last max-sm:basis-full"
      :style="shown.length > 1 ? { maxWidth: `${room(shown.length) + GAP}px` } : {}"
    >
      <span
        class="w-[6px] shrink-0 border-y-2 border-l-2"
        :class="index < here.length ? 'border-madder' : 'border-iron'"
        aria-hidden="true"
      />
      <span
        ><b class="font-[650]">{{ line.where }}</b> {{ line.what }}</span
      >
    </p>
    <span v-if="lines.length > shown.length" class="caption shrink-0">and {{ lines.length - shown.length }} more</span>
    <button type="button" class="ml-auto flex min-h-[44px] shrink-0 items-center gap-2" @click="open = true">
      Reasons and answers <span class="key-hint">R</span>
    </button>
    <Sheet title="Why, and what to do instead" :open="open" @close="open = false">
      <p class="mb-4 flex items-center gap-3 text-[17px]">
        <Gate :verdict="safety.verdict" /> <b class="display">{{ verdictOf(safety) }}</b>
        <span v-if="safety.when">{{ whenWords(safety.when) }}</span>
      </p>
      <p class="caption mb-4">This supports a licensed judgement and never replaces it. Local rules come first.</p>
      <h3 v-if="safety.because.length" class="section-head mb-1">Behind it</h3>
      <ul class="mb-5">
        <li v-for="one in safety.because" :key="one.rule" class="border-b border-hairline py-2">
          {{ one.reason }} <span class="note">({{ verdictWords[one.verdict].toLowerCase() }})</span>
        </li>
      </ul>
      <h3 v-if="lines.length" class="section-head mb-1">Limits</h3>
      <ul class="mb-5">
        <li v-for="line in lines" :key="line.where + line.what + line.reason" class="border-b border-hairline py-2">
          <b class="font-[650]">{{ line.where }}</b> {{ line.what }}<br />
          <span class="caption"
            >{{ line.reason }}<template v-if="line.instead"> Instead: {{ line.instead }}.</template></span
          >
        </li>
      </ul>
      <h3 v-if="safety.questions.length" class="section-head mb-1">Still to ask</h3>
      <ul>
        <li v-for="question in safety.questions" :key="question.id" class="border-b border-hairline py-2">
          {{ question.ask }}<br /><span class="caption">{{ question.because }}</span>
        </li>
      </ul>
    </Sheet>
  </section>
</template>
