<script setup lang="ts">
import type { AtlasHazard } from '@/chart/atlas'

/** A place never to press, in one breath: the sign that one is on it, and where the work goes instead. */
defineProps<{ hazard: AtlasHazard }>()
</script>
<template>
  <p>
    <b class="font-[650]">{{ hazard.name }}</b><template v-if="hazard.only">, {{ hazard.only }} side only</template>. You are on it:
    {{ hazard.sign }} <b class="font-[650]">Safe line.</b> {{ hazard.safe }}
  </p>
</template>
