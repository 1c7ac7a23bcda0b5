<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import BringFile from '@/parts/BringFile.vue'

/** The record of one client as files, in open formats: out, and in. */
defineProps<{ client: { id: string; name: string }; formats: { id: string; words: string }[]; mayBring: boolean; visited: boolean }>()
</script>
<template>
  <Head title="Files" />
  <main class="mx-auto max-w-[900px] px-6 pb-16 pt-5">
    <p class="caption">
      <Link href="/" class="link">Today</Link> · <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link>
    </p>
    <h1 class="display mb-4 text-[31px] leading-9">Files of {{ client.name }}</h1>
    <h2 class="section-head">Out</h2>
    <p v-if="!visited" class="mb-2">No visit yet, so there is nothing to tell but who they are.</p>
    <ul>
      <li
        v-for="one in visited ? formats : []"
        :key="one.id"
        class="flex min-h-[44px] items-center justify-between gap-4 border-b border-hairline"
      >
        <span>{{ one.words }}</span><a class="link whitespace-nowrap" :href="`/clients/${client.id}/files/${one.id}`" download>{{
          one.id
        }}</a>
      </li>
      <li class="flex min-h-[44px] items-center justify-between gap-4 border-b border-hairline">
        <span><b class="font-[650]">Everything</b> held about them, signed notes and the audit too, to hand over when they ask</span
        ><a class="link whitespace-nowrap" :href="`/clients/${client.id}/export`" download>one archive</a>
      </li>
    </ul>
    <template v-if="mayBring">
      <h2 class="section-head mt-8">In</h2>
      <p class="mb-3 max-w-[640px]">
        Visits made elsewhere come in as visits of their day, and stand in the course beside those made here. First you see what would
        change.
      </p>
      <BringFile :formats="formats" :to="`/clients/${client.id}/bring`" />
    </template>
  </main>
</template>
