<script setup lang="ts">
import { computed, ref } from 'vue'

/** Somebody's words, of any length: as much as is read at a glance, and all of it on a touch. */
const props = defineProps<{ text: string }>()
const GLANCE = 280
const all = ref(false)
const isLong = computed(() => props.text.length > GLANCE * 1.2)
const shown = computed(() => (isLong.value && !all.value ? `${props.text.slice(0, GLANCE).replace(/\s+\S*$/u, '')} …` : props.text))
</script>
<template>
  <p class="own-words">
    {{ shown }}
    <button v-if="isLong" type="button" class="link caption min-h-[28px]" :aria-expanded="all" @click="all = !all">
      {{ all ? 'less' : 'all of it' }}
    </button>
  </p>
</template>
