<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { dayWords, timeWords } from '@/composables/settings'

/** What the simulated mail service carried; it is read only on this machine. */
defineProps<{ mails: { id: number; to: string; subject: string; text: string; sent_at: string }[] }>()
const parts = (text: string): { words: string; link: boolean }[] =>
  text.split(/(https?:\/\/\S+)/).map((words) => ({ words, link: /^https?:/.test(words) }))
</script>
<template>
  <Head title="Outbox" />
  <main class="mx-auto max-w-[760px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display text-[31px] leading-9">Outbox</h1>
    <p class="mb-4">
      No mail leaves this machine: the simulated service keeps here what it was given. A clinic that names its own mail service does not
      have this page.
    </p>
    <article v-for="mail in mails" :key="mail.id" class="border-b border-hairline py-3" :aria-label="`To ${mail.to}`">
      <h2 class="font-[650]">{{ mail.subject }}</h2>
      <p class="caption">to {{ mail.to }}, {{ dayWords(mail.sent_at) }}, {{ timeWords(mail.sent_at) }}</p>
      <p class="mt-1 whitespace-pre-line break-words">
        <template v-for="(part, k) in parts(mail.text)" :key="k"
          ><a v-if="part.link" class="link" :href="part.words">{{ part.words }}</a
          ><template v-else>{{ part.words }}</template></template
        >
      </p>
    </article>
    <p v-if="!mails.length">Nothing was sent yet.</p>
  </main>
</template>
