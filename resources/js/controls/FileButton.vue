<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'

/** A file to bring in: chosen, or dropped here. The browser's own field is not seen; its name is what the button says. */
defineProps<{ id?: string; label: string; accept: string; disabled?: boolean }>()
const emit = defineEmits<{ choose: [file: File] }>()
const field = useTemplateRef<HTMLInputElement>('field')
const over = ref(false)
const take = (files: FileList | null | undefined) => {
  const file = files?.[0]
  over.value = false
  if (file) emit('choose', file)
  // the same file may be brought again once it was mended
  if (field.value) field.value.value = ''
}
</script>
<template>
  <span class="inline-flex" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="take($event.dataTransfer?.files)">
    <button
      :id="id"
      type="button"
      class="btn"
      :class="over ? 'outline-2 outline-dashed outline-walnut' : ''"
      :disabled="disabled"
      @click="field?.click()"
    >
      {{ label }}
    </button>
    <input ref="field" type="file" class="hidden" :accept="accept" tabindex="-1" @change="take(field?.files)" />
  </span>
</template>
