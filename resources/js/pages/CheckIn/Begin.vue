<script setup lang="ts">
import { Head, router } from '@inertiajs/vue3'
import { ref } from 'vue'

/** Before it is opened it says who asks, and nothing about anybody. */
const props = defineProps<{ link: string; clinic: string }>()
const busy = ref(false)
const begin = () => {
  busy.value = true
  router.post(`/check-in/${props.link}`)
}
</script>
<template>
  <Head title="Check in" />
  <main class="mx-auto grid min-h-page max-w-[480px] content-center px-6 text-[19px] leading-7">
    <p class="caption own-words">{{ clinic }}</p>
    <h1 class="display mb-3 text-[34px] leading-[40px]">Before your visit</h1>
    <p class="mb-3">
      A few questions about where it hurts and about your health, so that the work on your body is safe. It takes about four minutes.
    </p>
    <p class="mb-3">Only your therapist reads the answers. You can stop and go on later, on this device.</p>
    <p class="mb-8">Not sure is an answer too: you talk it over together.</p>
    <button type="button" class="btn-ink !min-h-[64px] w-full !text-[21px]" :disabled="busy" @click="begin">Begin</button>
  </main>
</template>
