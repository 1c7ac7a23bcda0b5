<script setup lang="ts">
import type { KeyHelp } from '@/composables/useKeys'

/** Keys, and what each does. */
defineProps<{ keys: readonly KeyHelp[] }>()
</script>
<template>
  <dl class="grid grid-cols-[minmax(92px,max-content)_1fr] gap-x-3 gap-y-2">
    <template v-for="[name, what] in keys" :key="name + what">
      <dt>
        <kbd class="key-hint text-[15px]">{{ name }}</kbd>
      </dt>
      <dd>{{ what }}</dd>
    </template>
  </dl>
</template>
