<script setup lang="ts">
import { dayWords } from '@/composables/settings'
import OneTimeLink from '@/parts/OneTimeLink.vue'

/** Asks the client how it was: a link for the days after the visit. */
defineProps<{ visit: string }>()
</script>
<template>
  <section class="no-print mb-5" aria-labelledby="check-back">
    <h2 id="check-back" class="section-head">How was it?</h2>
    <p class="mb-2">In a day or two the client says on a phone, in a minute, how it was. What worries stands on top of Today.</p>
    <OneTimeLink id="check-back-link" :make="`/visits/${visit}/check-backs`" :until="dayWords" />
  </section>
</template>
