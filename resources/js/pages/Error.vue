<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { computed } from 'vue'

/** What went wrong, in words, and the way on. */
const props = defineProps<{ status: number }>()
const said: Record<number, [string, string]> = {
  403: [
    'This is not yours to open',
    'It belongs to another clinic, or to somebody with other rights. If you need it, ask whoever keeps the clinic.',
  ],
  404: ['There is nothing here', 'The address is mistyped, or what stood here has moved.'],
  419: ['This page has been open too long', 'Go back, read the page anew, and do it once more. What was saved is saved.'],
  429: ['Too many tries', 'Wait a minute, and try once more.'],
  500: [
    'Something broke, on our side',
    'Nothing that was saved is lost. Try once more; if it stays so, whoever keeps this installation finds it in the log.',
  ],
  503: [
    'Closed for a moment',
    'The clinic’s installation is being looked after. Try again in a few minutes; what you have not sent is kept in your window.',
  ],
}
const words = computed(() => said[props.status] ?? (said[500] as [string, string]))
const back = () => history.back()
</script>
<template>
  <Head :title="words[0]" />
  <main class="mx-auto max-w-[560px] px-6 pt-[18vh]">
    <h1 class="display text-[31px] leading-9">{{ words[0] }}</h1>
    <p class="mt-2">{{ words[1] }}</p>
    <p class="mt-6 flex gap-2"><Link href="/" class="btn-ink">Today</Link><button type="button" class="btn" @click="back">Back</button></p>
    <p class="caption mt-6">{{ status }}</p>
  </main>
</template>
