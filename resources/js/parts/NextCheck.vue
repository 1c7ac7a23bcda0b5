<script setup lang="ts">
import type { NextCheck } from '@/types/visit'

defineProps<{ check: NextCheck | undefined }>()
const emit = defineEmits<{ go: [check: NextCheck] }>()
</script>
<template>
  <section class="border-t-2 border-iron pt-2" aria-label="Next best check">
    <template v-if="check">
      <p class="caption">Would settle it most, about {{ check.minutes < 1 ? 'half a minute' : '1 minute' }}</p>
      <p class="display text-[20px] leading-6">{{ check.name }}</p>
      <p class="mb-2 text-[14px] leading-[19px]">{{ check.because }}</p>
      <button type="button" class="btn-ink w-full" @click="emit('go', check)">Take me there <span class="key-hint">N</span></button>
    </template>
    <p v-else class="caption">No check is offered while the client should be seen by a doctor first, or when nothing more would tell.</p>
  </section>
</template>
