<script setup lang="ts">
import { Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import { useVisit } from '@/composables/useVisit'
import type { StepId } from '@/types/visit'
import { stillOpen } from './stillOpen'

/** What the visit has nothing of yet, each line a way to where it is recorded; nothing where all of it is there. */
const { of } = defineProps<{ of: readonly StepId[] }>()
const { props, judged } = useVisit()
const open = computed(() => stillOpen(judged.value.line, of))
</script>
<template>
  <ul v-if="open.length">
    <li v-for="{ id, words } in open" :key="id" class="border-b border-hairline">
      <Link :href="`/visits/${props.visit.id}/${id}`" class="link inline-block min-h-[44px] content-center">{{ words }}</Link>
    </li>
  </ul>
</template>
