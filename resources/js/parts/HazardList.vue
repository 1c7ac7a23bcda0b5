<script setup lang="ts">
import type { HazardWords } from '@/types/atlas'

defineProps<{ hazards: readonly HazardWords[] }>()
</script>
<template>
  <ul>
    <li v-for="one in hazards" :key="one.name" class="flex gap-3 py-2">
      <span class="w-[6px] shrink-0 border-y-2 border-l-2 border-iron" aria-hidden="true" />
      <div>
        <p>
          <b class="font-[650]">{{ one.name }}</b><template v-if="one.only">, {{ one.only }} side only</template>. {{ one.where }}
        </p>
        <p class="text-[14px] leading-[19px]">{{ one.what }} You are on it: {{ one.sign }}</p>
        <p class="text-[14px] leading-[19px]"><b class="font-[650]">Safe line.</b> {{ one.safe_line }}</p>
      </div>
    </li>
  </ul>
</template>
