<script setup lang="ts">
import type { Side } from '@/types/ids.generated'

/**
 * What is said of each side, left and right of the midline; or once, where there is only the middle. Without a possessive the sides go
 * unnamed: they are named above.
 */
withDefaults(defineProps<{ sides: readonly Side[]; possessive?: string }>(), { possessive: '' })
</script>
<template>
  <div class="grid gap-x-6" :class="sides.length > 1 ? 'grid-cols-2' : ''">
    <div v-for="side in sides" :key="side" :data-side="side">
      <p v-if="side !== 'midline' && possessive" class="side-name" :class="side === 'right' ? 'text-right' : ''">
        {{ possessive }} {{ side }}
      </p>
      <slot :side="side" />
    </div>
  </div>
</template>
