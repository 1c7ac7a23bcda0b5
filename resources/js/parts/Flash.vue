<script setup lang="ts">
import { usePage } from '@inertiajs/vue3'
import { computed } from 'vue'

/** What the last deed came to, said once. */
const message = computed(() => usePage<{ flash: { message: string | null } }>().props.flash.message)
</script>
<template>
  <p v-if="message" class="mb-3 bg-moss-wash px-4 py-2" role="status">{{ message }}</p>
</template>
