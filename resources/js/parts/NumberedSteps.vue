<script setup lang="ts">
/** What to do, one after another. */
defineProps<{ steps: readonly string[] }>()
</script>
<template>
  <ol class="mt-1">
    <li v-for="(text, index) in steps" :key="text" class="grid grid-cols-[28px_1fr] items-baseline border-b border-hairline py-2">
      <span class="display text-[17px]">{{ index + 1 }}</span><span>{{ text }}.</span>
    </li>
  </ol>
</template>
