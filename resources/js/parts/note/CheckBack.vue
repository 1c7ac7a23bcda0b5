<script setup lang="ts">
import { router, usePage } from '@inertiajs/vue3'
import { computed } from 'vue'
import { dayWords } from '@/composables/settings'
import OneTimeLink from '@/parts/OneTimeLink.vue'
import type { VisitProps } from '@/types/visit'

/** Asks the client how it was: by mail a day and two days after, where they agree to it, or by a link to take along. */
const props = defineProps<{ visit: string; asked: NonNullable<VisitProps['check_back']> }>()
const fault = computed(() => (usePage().props.errors as Record<string, string>)['mail'])
const url = computed(() => `/visits/${props.visit}/check-backs/mail`)
const waiting = computed(() => props.asked.mails.filter((one) => !one.sent))
</script>
<template>
  <section class="no-print mb-5" aria-labelledby="check-back">
    <h2 id="check-back" class="section-head">How was it?</h2>
    <p class="mb-2">In a day or two the client says on a phone, in a minute, how it was. What worries stands on top of Today.</p>
    <ul v-if="asked.mails.length" class="mb-2">
      <li v-for="one in asked.mails" :key="one.at">
        <b class="font-[650]">{{ one.sent ? 'Asked by mail' : 'Will be asked by mail' }}</b> {{ one.at }}
      </li>
    </ul>
    <p v-if="asked.email === null" class="caption mb-2">With a mail address the client can be asked by mail, if they agree.</p>
    <p v-else class="mb-2 flex flex-wrap items-center gap-2">
      <button v-if="!asked.mails.length" type="button" class="btn" @click="router.post(url, {}, { preserveScroll: true })">
        They agree: ask by mail, {{ asked.email }}
      </button>
      <button v-else-if="waiting.length" type="button" class="btn" @click="router.delete(url, { preserveScroll: true })">Do not ask</button>
    </p>
    <p v-if="fault" class="text-madder" role="alert">{{ fault }}</p>
    <OneTimeLink id="check-back-link" :make="`/visits/${visit}/check-backs`" :until="dayWords" />
  </section>
</template>
