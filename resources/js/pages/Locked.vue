<script setup lang="ts">
import { Head } from '@inertiajs/vue3'
import UnlockForm from '@/parts/UnlockForm.vue'

/** What stands here after a reload of a locked screen; it opens where it was. */
const props = defineProps<{ back: string }>()
const go = () => location.assign(props.back)
</script>
<template>
  <Head title="Locked" />
  <main class="mx-auto max-w-[420px] px-6 pt-[18vh]"><UnlockForm @open="go" /></main>
</template>
