<script setup lang="ts">
import { send } from '@/composables/http'
import { useKeptText } from '@/composables/useKeptText'
import WrittenAtOnce from './WrittenAtOnce.vue'

/** What the therapist adds to a report: kept while it is written, printed on top of it. */
const props = defineProps<{
  client: string
  reader: 'client' | 'referrer'
  own: { visit: string; words: string; revision: number; writable: boolean; before: { words: string; date: string } | null }
}>()
const { text, state, theirs, keep, keepNow, choose, settled } = useKeptText(
  props.own.words,
  props.own.revision,
  async (words, seen) => {
    const answer = await send<{ words: string; revision: number }>('PUT', `/clients/${props.client}/report`, {
      visit: props.own.visit,
      for: props.reader,
      words,
      seen,
    })
    return { text: answer.words, revision: answer.revision }
  },
  'Kept. It stands on top of what is printed, and in the PDF.',
)
const takeOver = (): void => {
  text.value = props.own.before?.words ?? ''
  void keepNow()
}
defineExpose({ settled })
</script>
<template>
  <section class="note-part !border-t-0" aria-labelledby="own">
    <h2 id="own" class="section-head print:invisible">In your words</h2>
    <div>
      <template v-if="own.writable">
        <div v-if="own.before && text === ''" class="no-print mb-2 text-iron">
          <p class="caption">Added to the report of {{ own.before.date }}:</p>
          <p class="whitespace-pre-wrap italic">{{ own.before.words }}</p>
          <button type="button" class="link caption" @click="takeOver">Say it again</button>
        </div>
        <label class="sr-only" for="own-words">In your words</label>
        <textarea
          id="own-words"
          v-model="text"
          class="field no-print min-h-[76px] w-full"
          rows="3"
          maxlength="2000"
          :placeholder="reader === 'client' ? 'What you would say with it' : 'What you would write above it, such as what you ask of them'"
          @input="keep"
          @blur="keepNow"
        />
        <p class="caption no-print min-h-5" role="status">{{ state }}</p>
        <WrittenAtOnce v-if="theirs !== null" :theirs="theirs" @choose="choose" />
      </template>
      <div v-if="text" :class="{ 'hidden print:block': own.writable }" data-own-words>
        <p v-for="(one, k) in text.split(/\n{2,}/)" :key="k" class="note-said whitespace-pre-line">{{ one }}</p>
      </div>
    </div>
  </section>
</template>
