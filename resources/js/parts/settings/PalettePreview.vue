<script setup lang="ts">
/** A corner of a page in the palette that is chosen, whichever the page itself is in. */
defineProps<{ theme: string; figure: string }>()
</script>
<template>
  <div :class="theme === 'dusk' ? 'as-dusk' : 'as-linen'" class="bg-paper p-3 text-walnut">
    <p class="display text-[18px] leading-6">Levator scapulae</p>
    <svg width="120" height="40" viewBox="0 0 120 40" aria-hidden="true">
      <path
        d="M8 34C30 8 66 4 112 8L108 20C70 16 40 20 20 36Z"
        :fill="figure === 'outlines' ? 'none' : 'var(--color-madder-wash)'"
        stroke="var(--color-walnut)"
        stroke-width="1.4"
      />
      <template v-if="figure !== 'outlines'">
        <path
          v-for="k in 4"
          :key="k"
          :d="`M${10 + k * 3} ${34 - k}C${34 + k * 2} ${14 + k * 2} ${66} ${8 + k * 2} 110 ${8 + k * 2.4}`"
          fill="none"
          stroke="var(--color-madder)"
          stroke-width=".7"
          opacity=".7"
        />
      </template>
    </svg>
    <p class="caption">tender, 3 of 4 · <span class="text-madder">familiar</span></p>
  </div>
</template>
