<script setup lang="ts">
import ChangeTable from './ChangeTable.vue'
import NoteLine from './NoteLine.vue'
import { computed, ref } from 'vue'
import type { NoteDocument, NotePart, NoteSentence } from '@/types/visit'

/** A note as it is read, heads in the margin; changed sentence by sentence where it may be, own words where they belong. */
const props = defineProps<{
  note: NoteDocument
  visit: string
  /** whether its sentences may be changed */
  editable: boolean
  /** own words by the part they stand in */
  own: Partial<Record<NotePart, string>>
}>()
const emit = defineEmits<{
  change: [sentence: NoteSentence, text: string]
  restore: [sentence: NoteSentence]
  stand: [sentence: NoteSentence]
}>()
const order: [NotePart, string][] = [
  ['reason', 'Reason'],
  ['safety', 'Safety'],
  ['found', 'Findings'],
  ['reasoning', 'Reasoning'],
  ['agreed', 'Agreed'],
  ['done', 'Treatment'],
  ['home_care', 'Home care'],
  ['next', 'Next time'],
]
const parts = computed(() =>
  order
    .map(([id, heading]) => ({ id, heading, sentences: props.note.parts.find((part) => part.id === id)?.sentences ?? [] }))
    .filter(({ id, sentences }) => sentences.length || props.own[id] || (props.editable && (id === 'home_care' || id === 'next'))),
)
/** One stop of Tab for all the sentences: thirty would stand between the note and its signature. */
const last = ref('')
const reached = computed(() => {
  const ids = parts.value.flatMap(({ sentences }) => sentences.map(({ id }) => id))
  return ids.includes(last.value) ? last.value : ids[0]
})
const lineOf = (target: EventTarget | null): HTMLElement | null =>
  target instanceof HTMLElement && target.matches('button.note-line') ? target : null
const reach = ({ target }: FocusEvent): void => {
  const id = lineOf(target)?.closest<HTMLElement>('[data-sentence]')?.dataset['sentence']
  if (id) last.value = id
}
const step = (event: KeyboardEvent, by: 1 | -1): void => {
  const line = lineOf(event.target)
  if (!line) return
  const lines = [...(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('button.note-line')]
  lines[lines.indexOf(line) + by]?.focus()
  event.preventDefault()
}
</script>
<template>
  <div @focusin="reach" @keydown.down="step($event, 1)" @keydown.up="step($event, -1)">
    <template v-for="part in parts" :key="part.id">
      <section class="note-part" :aria-labelledby="`part-${part.id}`">
        <h3 :id="`part-${part.id}`" class="section-head">{{ part.heading }}</h3>
        <div class="min-w-0">
          <template v-if="editable">
            <NoteLine
              v-for="one in part.sentences"
              :key="one.id"
              :sentence="one"
              :visit="visit"
              :reached="one.id === reached"
              @change="(text) => emit('change', one, text)"
              @restore="emit('restore', one)"
              @stand="emit('stand', one)"
            />
          </template>
          <template v-else>
            <p v-for="one in part.sentences" :key="one.id" class="note-said">{{ one.text }}</p>
          </template>
          <slot :name="part.id">
            <p v-if="own[part.id]" class="note-said whitespace-pre-wrap">{{ own[part.id] }}</p>
          </slot>
        </div>
      </section>
      <section v-if="part.id === 'done' && note.changes.length" class="note-part" aria-labelledby="part-changes">
        <h3 id="part-changes" class="section-head">Before and after</h3>
        <ChangeTable :changes="note.changes" />
      </section>
    </template>
  </div>
</template>
