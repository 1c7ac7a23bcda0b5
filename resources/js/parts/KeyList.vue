<script setup lang="ts">
import { Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import { useFinder } from '@/composables/useFinder'
import { keysHere, type KeyHelp } from '@/composables/useKeys'
import KeyTable from './KeyTable.vue'

/** The keys of what is on the screen, and those that answer everywhere. */
const { close } = useFinder()
const everywhere: KeyHelp[] = [
  ['/', 'find a client, a muscle, a test, a page'],
  ['Esc', 'out of a field, or close what is open'],
  ['?', 'this list'],
]
const all = computed<KeyHelp[]>(() => [...[...keysHere].reverse().flat(), ...everywhere])
</script>
<template>
  <KeyTable :keys="all" />
  <p class="mt-6"><Link href="/help" class="link" @click="close">Help: how a visit goes, and what the words mean</Link></p>
</template>
