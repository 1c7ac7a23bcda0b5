<script setup lang="ts">
import { usePage } from '@inertiajs/vue3'
import { computed } from 'vue'

/** A demo says so on every page: nobody in it is real, and everybody knows how to sign in. */
const demo = computed(() => usePage<{ demo?: boolean }>().props?.demo === true)
</script>
<template>
  <p v-if="demo" class="demo-note" role="note">Demo: all of it is made up, and anybody can sign in.</p>
</template>
