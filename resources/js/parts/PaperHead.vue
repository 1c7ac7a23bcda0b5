<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import type { PaperOf } from '@/types/visit'

/** The head of a paper of a visit: what it is, of whom, when and by whom; the way back and the printer are not printed. */
defineProps<{
  title: string
  of: PaperOf
  back: { to: string; words: string }
  note?: string
  /** where it is had as a PDF */
  pdf?: string
}>()
const print = () => window.print()
</script>
<template>
  <Head :title="`${title}, ${of.client.code}`" />
  <p class="caption no-print">
    <Link :href="`/clients/${of.client.id}`" class="link">{{ of.client.name }}</Link> ·
    <Link :href="`/visits/${of.visit.id}/${back.to}`" class="link">visit {{ of.visit.number }}, {{ back.words }}</Link>
  </p>
  <header class="mb-4 mt-2 flex items-end justify-between gap-6 border-b-2 border-iron pb-2 print:mb-2">
    <div>
      <h1 class="text-[27px] leading-8">{{ title }}</h1>
      <p class="caption">
        {{ of.client.name }} · {{ of.visit.date }} · visit {{ of.visit.number }} · {{ of.therapist }}, {{ of.clinic
        }}<template v-if="note"> · {{ note }}</template>
      </p>
    </div>
    <p class="no-print flex gap-2">
      <a v-if="pdf" class="btn" :href="pdf" download>PDF</a><button type="button" class="btn-ink" @click="print">Print</button>
    </p>
  </header>
</template>
