<script setup lang="ts">
import { computed } from 'vue'
import { initials } from './initials'

/** Whom a line is about, seen before it is read: two letters, under which a spine stands as their role does, an owner's on both sides. */
const props = defineProps<{ name: string; role: string; faded?: boolean }>()
const letters = computed(() => initials(props.name))
const spine: Record<string, string> = {
  owner: 'M3 5h38M3 39h38',
  therapist: 'M3 39h38',
  student: 'M3 39h10M17 39h10M31 39h10',
  reception: 'M3 39h4M11 39h4M19 39h4M27 39h4M35 39h4',
}
</script>
<template>
  <svg class="shrink-0" :class="faded ? 'opacity-60' : ''" width="44" height="44" viewBox="0 0 44 44" aria-hidden="true">
    <rect width="44" height="44" rx="2" fill="var(--color-fold)" />
    <path :d="spine[role] ?? spine['reception']" stroke="var(--color-iron)" stroke-width="3" />
    <text x="22" y="28" text-anchor="middle" class="display" font-size="18" fill="var(--color-walnut)">{{ letters }}</text>
  </svg>
</template>
