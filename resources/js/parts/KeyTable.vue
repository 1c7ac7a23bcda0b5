<script setup lang="ts">
import type { KeyHelp } from '@/composables/useKeys'

/** Keys, and what each does. */
defineProps<{ keys: readonly KeyHelp[] }>()
</script>
<template>
  <dl class="grid grid-cols-[92px_1fr] gap-y-2">
    <template v-for="[name, what] in keys" :key="name + what">
      <dt>
        <kbd class="key-hint text-[15px]">{{ name }}</kbd>
      </dt>
      <dd>{{ what }}</dd>
    </template>
  </dl>
</template>
