<script setup lang="ts">
import { router, usePage } from '@inertiajs/vue3'
import { computed } from 'vue'

/** A link and a code for a client, made on a touch and shown this once. */
const props = defineProps<{ id: string; make: string; until: (said: string) => string }>()
const shared = usePage<{ flash: { check_in: { link: string; code: string; until: string } | null } }>()
const given = computed(() => shared.props.flash.check_in)
const ask = (): void => router.post(props.make, {}, { preserveScroll: true })
const host = location.host
</script>
<template>
  <div v-if="given" class="mb-2 border-l-4 border-walnut pl-4" role="status">
    <p class="display text-[32px] leading-10 tracking-[.08em]">{{ given.code }}</p>
    <p class="caption">at {{ host }}/check-in, until {{ until(given.until) }}. Shown this once.</p>
    <label class="sr-only" :for="id">Link</label>
    <input
      :id="id"
      class="field mt-2 w-full text-[14px]"
      readonly
      :value="given.link"
      @focus="($event.target as HTMLInputElement).select()"
    />
  </div>
  <button type="button" class="btn" @click="ask">{{ given ? 'Make a new one' : 'Make a link and a code' }}</button>
</template>
