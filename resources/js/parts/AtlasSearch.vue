<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { send } from '@/composables/http'
import type { SearchHit } from '@/types/atlas'

/** The field that asks the atlas; what it finds is handed up as it is typed. */
const props = defineProps<{ asked: string }>()
const emit = defineEmits<{ found: [asked: string, hits: SearchHit[]] }>()
const text = ref(props.asked)
const failed = ref(false)
const search = useDebounceFn(async () => {
  const asked = text.value.trim()
  failed.value = false
  try {
    const hits = asked ? await send<SearchHit[]>('GET', `/atlas/search?q=${encodeURIComponent(asked)}`) : []
    // an answer to what was typed before must not replace a newer one
    if (asked === text.value.trim()) emit('found', asked, hits)
  } catch {
    failed.value = true
  }
}, 150)
</script>
<template>
  <div class="relative">
    <input
      v-model="text"
      data-find
      type="search"
      class="field h-[56px] !px-[18px] text-[17px]"
      aria-label="Search the atlas"
      placeholder="A name, a movement, or what people say: pain beside the eye"
      autocomplete="off"
      maxlength="120"
      @input="search"
    />
    <span class="key-hint pointer-events-none absolute right-5 top-[19px]">/</span>
    <p v-if="failed" class="mt-1 text-madder" role="alert">The atlas did not answer. What you typed stays; try again.</p>
  </div>
</template>
