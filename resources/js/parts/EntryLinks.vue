<script setup lang="ts">
import type { EntryKind, SidedLink } from '@/types/atlas'

/** Names that lead to their entries: links on a page, and the same place in the sheet. */
withDefaults(defineProps<{ list: readonly (Omit<SidedLink, 'side'> & { side?: string })[]; none?: string }>(), { none: 'none' })
const emit = defineEmits<{ follow: [kind: EntryKind, id: string] }>()
</script>
<template>
  <span v-if="!list.length">{{ none }}</span>
  <span v-for="(one, index) in list" :key="one.kind + one.id + one.side">
    <a
      class="link"
      :class="one.prime ? 'font-[650]' : ''"
      :href="`/atlas/${one.kind}/${one.id}`"
      @click.prevent="emit('follow', one.kind, one.id)"
      >{{ one.name }}</a><template v-if="one.side">{{ ` ${one.side}` }}</template
    ><template v-if="index < list.length - 1">, </template></span
  >
</template>
