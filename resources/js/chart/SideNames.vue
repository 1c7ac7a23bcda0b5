<script setup lang="ts">
import { faces, type ViewId } from './art'

/** The client's sides over a view of nobody in particular: they change hands between front and back. */
defineProps<{ view: ViewId }>()
</script>
<template>
  <div class="flex justify-between pb-1">
    <p class="side-name">{{ faces(view) ? 'client’s right' : 'client’s left' }}</p>
    <p class="side-name text-right">{{ faces(view) ? 'client’s left' : 'client’s right' }}</p>
  </div>
</template>
