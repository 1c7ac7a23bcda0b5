<script setup lang="ts">
import { computed } from 'vue'
import { timeWords } from '@/composables/settings'
import type { Agreement } from '@/types/visit'

/** Who asked, and when; filled in by the server. */
const props = defineProps<{ agreement: Agreement }>()
const time = computed(() => (props.agreement.asked_at ? timeWords(props.agreement.asked_at) : ''))
</script>
<template>
  <p v-if="agreement.asked_by" class="note">Asked by {{ agreement.asked_by }}, {{ time }}</p>
</template>
