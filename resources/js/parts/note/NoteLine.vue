<script setup lang="ts">
import { nextTick, ref, useId } from 'vue'
import { Link } from '@inertiajs/vue3'
import { useTextareaAutosize } from '@vueuse/core'
import { stepNames } from '@/composables/useVisit'
import type { NoteSentence } from '@/types/visit'

/** One sentence of a note: touched, it opens to be changed and says where it was read. */
const props = defineProps<{
  sentence: NoteSentence
  visit: string
  /** the one of the note that Tab comes to; arrows go on from it */
  reached: boolean
}>()
const emit = defineEmits<{
  /** other words; none leaves the sentence out */
  change: [text: string]
  /** as the record says it */
  restore: []
  /** stays as it is, though the record says something else by now */
  stand: []
}>()
const open = ref(false)
const id = useId()
const { textarea, input } = useTextareaAutosize({ styleProp: 'minHeight' })
const begin = async (): Promise<void> => {
  input.value = props.sentence.text
  open.value = true
  await nextTick()
  textarea.value?.focus()
}
const face = ref<HTMLButtonElement | null>(null)
const close = async (): Promise<void> => {
  open.value = false
  await nextTick()
  face.value?.focus()
}
const done = (): void => {
  const text = input.value.trim()
  if (text !== props.sentence.text) emit('change', text)
  void close()
}
const leaveOut = (): void => {
  emit('change', '')
  void close()
}
const restore = (): void => {
  emit('restore')
  void close()
}
</script>
<template>
  <div class="relative" :data-sentence="sentence.id">
    <button
      v-if="!open"
      ref="face"
      type="button"
      class="note-line"
      :class="{ 'text-walnut-2 line-through decoration-1': !sentence.text, 'note-line-own': sentence.composed !== undefined }"
      :aria-label="`${sentence.text || `Left out: ${sentence.composed ?? ''}`} Change this sentence`"
      :tabindex="reached ? 0 : -1"
      @click="begin"
    >
      {{ sentence.text || sentence.composed }}
    </button>
    <form v-else class="mb-2 border-l-4 border-walnut bg-raised py-2 pl-3 pr-2" @submit.prevent="done" @keydown.esc.stop.prevent="close">
      <label class="sr-only" :for="id">The sentence</label>
      <textarea :id="id" ref="textarea" v-model="input" class="field !min-h-[44px] resize-none" maxlength="2000" rows="1" />
      <p v-if="sentence.composed !== undefined" class="caption mt-1">As the record says it: “{{ sentence.composed }}”</p>
      <p class="caption mt-1">
        Read from
        <template v-for="(source, k) in sentence.sources" :key="k"
          ><template v-if="k">, </template
          ><Link class="link" :href="`/visits/${visit}/${source.step}`">{{ stepNames[source.step] }}: {{ source.name }}</Link></template
        >
      </p>
      <p class="mt-2 flex flex-wrap gap-2">
        <button type="submit" class="btn">Keep it so</button><button type="button" class="btn" @click="leaveOut">Leave it out</button
        ><button v-if="sentence.composed !== undefined" type="button" class="btn" @click="restore">As the record says it</button
        ><button type="button" class="btn" @click="close">Cancel</button>
      </p>
    </form>
    <p v-if="sentence.stale && !open" class="caption mb-1 border-l-4 border-weld bg-weld-wash py-1 pl-3 pr-2 !text-walnut" role="status">
      The record says something else by now: “{{ sentence.composed }}”
      <button type="button" class="link ml-2 min-h-6" @click="emit('restore')">Take it</button>
      <button type="button" class="link ml-2 min-h-6" @click="emit('stand')">Mine stands</button>
    </p>
  </div>
</template>
