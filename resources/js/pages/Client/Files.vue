<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import BringFile from '@/parts/BringFile.vue'
import WholeArchive from '@/parts/WholeArchive.vue'
import FilesOut, { type Format } from '@/parts/FilesOut.vue'

/** The record of one client as files, in open formats: out, and in. */
defineProps<{ client: { id: string; name: string; code: string }; formats: Format[]; mayBring: boolean; visited: boolean }>()
</script>
<template>
  <Head title="Files" />
  <main class="mx-auto max-w-[1080px] px-6 pb-16 pt-5">
    <p class="caption">
      <Link href="/" class="link">Today</Link> · <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link>
    </p>
    <h1 class="display mb-4 text-[31px] leading-9">Files of {{ client.name }}</h1>
    <h2 class="section-head">Out</h2>
    <p v-if="!visited" class="mb-2">No visit yet, so there is nothing to tell but who they are.</p>
    <FilesOut v-if="visited" :formats="formats" :from="`/clients/${client.id}/files`" />
    <div class="mt-4 flex flex-wrap items-center justify-between gap-x-6 gap-y-2 bg-fold px-4 py-3">
      <p>
        <b class="font-[650]">Everything</b> that is held about {{ client.name }}, signed notes and the access log too: what they get when
        they ask for it.
      </p>
      <WholeArchive :from="`/clients/${client.id}/export`" :name="`${client.code}.zip`" />
    </div>
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
