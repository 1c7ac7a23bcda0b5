<script setup lang="ts">
/** How far one is, on the line that a visit has at the table: what is behind is a stroke, where one is a knob, what is ahead a dot. */
defineProps<{ at: number; of: number }>()
</script>
<template>
  <p class="min-w-0 flex-1">
    <span class="sr-only" aria-live="polite">{{ at }} of {{ of }}</span>
    <svg class="block h-[20px] w-full max-w-[260px]" :viewBox="`0 0 ${of * 20} 20`" preserveAspectRatio="xMaxYMid" aria-hidden="true">
      <line x1="10" :x2="of * 20 - 10" y1="10" y2="10" stroke="var(--color-hairline)" stroke-width="1.4" />
      <line x1="10" :x2="at * 20 - 10" y1="10" y2="10" stroke="var(--color-iron)" stroke-width="2" />
      <template v-for="k in of" :key="k">
        <line v-if="k < at" :x1="k * 20 - 10" :x2="k * 20 - 10" y1="4" y2="16" stroke="var(--color-iron)" stroke-width="3" />
        <circle v-else-if="k === at" :cx="k * 20 - 10" cy="10" r="6" fill="var(--color-walnut)" />
        <circle v-else :cx="k * 20 - 10" cy="10" r="3" fill="var(--color-paper)" stroke="var(--color-iron)" stroke-width="1.4" />
      </template>
    </svg>
  </p>
</template>
