<script setup lang="ts">
import { t } from '@/composables/language'
import { faces, type ViewId } from './art'

/** The client's sides over a view of nobody in particular: they change hands between front and back. */
withDefaults(defineProps<{ view: ViewId; whose?: string }>(), { whose: () => t('client’s') })
</script>
<template>
  <div class="flex justify-between pb-1">
    <p class="side-name">{{ whose }} {{ faces(view) ? 'right' : 'left' }}</p>
    <p class="side-name text-right">{{ whose }} {{ faces(view) ? 'left' : 'right' }}</p>
  </div>
</template>
