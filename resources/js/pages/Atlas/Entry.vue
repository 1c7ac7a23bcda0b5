<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { ref } from 'vue'
import AtlasEntry from '@/parts/AtlasEntry.vue'
import type { AtlasEntry as Entry, EntryKind } from '@/types/atlas'
import type { Side } from '@/types/ids.generated'

defineProps<{ entry: Entry }>()
const side = ref<Side>('left')
const follow = (kind: EntryKind, id: string) => router.visit(`/atlas/${kind}/${id}`)
</script>
<template>
  <Head :title="entry.name" />
  <main class="mx-auto max-w-[1180px] px-6 pb-12 pt-5">
    <header class="mb-3 flex flex-wrap items-end justify-between gap-4">
      <h1 class="display text-[34px] leading-[38px]">{{ entry.name }}</h1>
      <nav class="no-print flex gap-2">
        <span v-if="entry.kind === 'muscle' || entry.kind === 'landmark'" class="flex gap-px" role="group" aria-label="Side shown">
          <button
            v-for="one in ['left', 'right'] as Side[]"
            :key="one"
            type="button"
            class="cell"
            :aria-pressed="side === one"
            @click="side = one"
          >
            {{ one === 'left' ? 'Left' : 'Right' }}
          </button>
        </span>
        <Link href="/atlas" class="btn">Atlas</Link>
        <Link href="/" class="btn">Today</Link>
      </nav>
    </header>
    <AtlasEntry :key="entry.kind + entry.id" :entry="entry" :side="side" @follow="follow" />
  </main>
</template>
