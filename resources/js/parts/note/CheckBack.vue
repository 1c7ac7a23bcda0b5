<script setup lang="ts">
import { router, usePage } from '@inertiajs/vue3'
import { computed } from 'vue'
import { dayWords } from '@/composables/settings'

/** A link for the client to say how it was: made here once the visit has ended, and shown this once. */
const props = defineProps<{ visit: string }>()
const shared = usePage<{ flash: { check_in: { link: string; code: string; until: string } | null } }>()
const given = computed(() => shared.props.flash.check_in)
const ask = (): void => router.post(`/visits/${props.visit}/check-backs`, {}, { preserveScroll: true })
const host = location.host
</script>
<template>
  <section class="no-print mb-5" aria-labelledby="check-back">
    <h2 id="check-back" class="section-head">How was it?</h2>
    <p class="mb-2">In a day or two the client says on a phone, in a minute, how it was. What worries stands on top of Today.</p>
    <div v-if="given" class="mb-2 border-l-4 border-walnut pl-4" role="status">
      <p class="display text-[28px] leading-9 tracking-[.08em]">{{ given.code }}</p>
      <p class="caption">at {{ host }}/check-in, until {{ dayWords(given.until) }}. Shown this once.</p>
      <label class="sr-only" for="check-back-link">Link</label>
      <input
        id="check-back-link"
        class="field mt-2 w-full text-[14px]"
        readonly
        :value="given.link"
        @focus="($event.target as HTMLInputElement).select()"
      />
    </div>
    <button type="button" class="btn" @click="ask">{{ given ? 'Make a new one' : 'Make a link and a code' }}</button>
  </section>
</template>
