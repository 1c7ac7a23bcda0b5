<script setup lang="ts">
import { Head } from '@inertiajs/vue3'
import { computed } from 'vue'

const props = defineProps<{
  why: 'invalid' | 'expired' | 'elsewhere' | 'sent'
  /** it asked how it was after a visit */
  after: boolean
}>()
const words = computed(
  () =>
    ({
      invalid: ['This link opens nothing', 'It may have been cut short or changed on the way. Ask for a new one at reception.'],
      expired: ['This link has run out', 'It worked for some days only, or a newer one has been made. Ask for a new one at reception.'],
      elsewhere: ['This link is open on another device', 'It works on one device only: go on there, or ask for a new one at reception.'],
      sent: [
        'Thank you, your answers are with us',
        props.after
          ? 'Your therapist reads them, and rings if something should not wait. You can close this page.'
          : 'Your therapist reads them before you begin and will talk them over with you. You can close this page.',
      ],
    })[props.why],
)
</script>
<template>
  <Head title="Check in" />
  <main class="mx-auto grid min-h-page max-w-[480px] content-center px-6 text-[19px] leading-7">
    <h1 class="display mb-3 text-[34px] leading-[40px]">{{ words[0] }}</h1>
    <p>{{ words[1] }}</p>
    <p v-if="why === 'sent'" class="mt-6 border-t-2 border-iron pt-3">
      Do you feel very ill right now: chest pain, short of breath, a drooping face, sudden weakness? Do not wait for your visit. Say so at
      the desk, or call an ambulance.
    </p>
  </main>
</template>
