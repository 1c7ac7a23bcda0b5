<script setup lang="ts">
import { connection, connectionWords, saidOnThePage } from '@/composables/connection'

/** Said while the server does not answer, on pages that do not say it themselves; it goes by itself. */
</script>
<template>
  <p
    v-if="connection !== 'there' && !saidOnThePage"
    class="no-print fixed bottom-3 left-1/2 z-[90] -translate-x-1/2 border-l-4 border-iron bg-fold px-4 py-2"
    role="status"
    data-testid="connection"
  >
    {{ connectionWords[connection] }}
  </p>
</template>
