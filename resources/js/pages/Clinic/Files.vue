<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import BringFile from '@/parts/BringFile.vue'
import FilesOut, { type Format } from '@/parts/FilesOut.vue'

/** Clients and appointments of the clinic as files, in open formats: out, and in. Nothing clinical is in them. */
defineProps<{ formats: Format[] }>()
</script>
<template>
  <Head title="Files of the clinic" />
  <main class="mx-auto max-w-[1080px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link> · <Link href="/clients" class="link">Clients</Link></p>
    <h1 class="display mb-4 text-[31px] leading-9">Clients and appointments as files</h1>
    <h2 class="section-head">Out</h2>
    <FilesOut :formats="formats" from="/clinic/files" />
    <p class="caption mt-1">What was found in visits goes out with each client, from their own page.</p>
    <h2 class="section-head mt-8">In</h2>
    <p class="mb-3 max-w-[640px]">
      Somebody with a code that is known here, or with the same name and birthday, is the same person; an appointment is known by its name
      in the calendar. First you see what would change.
    </p>
    <BringFile :formats="formats" to="/clinic/bring" />
  </main>
</template>
