<script setup lang="ts">
import type { Word } from '@/types/atlas'

/** Names with what is to be known of each, a line each. */
defineProps<{ list: readonly Word[] }>()
</script>
<template>
  <span v-for="one in list" :key="one.name" class="block"
    >{{ one.name }} <span class="caption">{{ one.says }}</span></span
  >
  <span v-if="!list.length">nothing in particular</span>
</template>
