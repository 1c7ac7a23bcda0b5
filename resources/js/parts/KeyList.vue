<script setup lang="ts">
import { Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import { useFinder } from '@/composables/useFinder'
import { keysHere, type KeyHelp } from '@/composables/useKeys'
import { wordsIn } from './helpTexts'
import KeyTable from './KeyTable.vue'

/** The keys of what is on the screen and those that answer everywhere, and what the words on it mean. */
const { close } = useFinder()
const everywhere: KeyHelp[] = [
  ['/', 'find a client, a muscle, a test, a page'],
  ['Esc', 'out of a field, or close what is open'],
  ['?', 'the keys and words of this page'],
]
const all = computed<KeyHelp[]>(() => [...[...keysHere].reverse().flat(), ...everywhere])
/** Read off the page when this is opened: no word has to be marked to be explained. */
const words = wordsIn([...document.querySelectorAll<HTMLElement>('main, header')].map((one) => one.innerText).join(' '))
</script>
<template>
  <KeyTable :keys="all" />
  <template v-if="words.length">
    <h3 class="section-head mb-1 mt-8">Words on this page</h3>
    <dl aria-label="Words on this page">
      <div v-for="one in words" :key="one.title" class="border-b border-hairline py-2">
        <dt class="display text-[19px]">{{ one.title }}</dt>
        <dd>{{ one.text }}</dd>
      </div>
    </dl>
  </template>
  <p class="mt-6"><Link href="/help" class="link" @click="close">Help: how a visit goes, and what the words mean</Link></p>
</template>
