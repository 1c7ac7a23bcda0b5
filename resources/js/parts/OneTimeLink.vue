<script setup lang="ts">
import { router, usePage } from '@inertiajs/vue3'
import { useClipboard, useShare } from '@vueuse/core'
import { computed } from 'vue'

/** A link and a code for a client, made on a touch and shown this once. */
const props = defineProps<{ id: string; make: string; until: (said: string) => string }>()
const shared = usePage<{ flash: { check_in: { link: string; code: string; until: string } | null } }>()
const given = computed(() => shared.props.flash.check_in)
const ask = (): void => router.post(props.make, {}, { preserveScroll: true })
const host = location.host
const { copy, copied, isSupported: copies } = useClipboard({ legacy: true })
const { share, isSupported: shares } = useShare()
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
    <p class="mt-2 flex flex-wrap gap-2">
      <button v-if="copies" type="button" class="btn" @click="copy(given.link)">{{ copied ? 'Copied' : 'Copy the link' }}</button>
      <button v-if="shares" type="button" class="btn" @click="share({ url: given.link })">Send the link…</button>
    </p>
  </div>
  <button type="button" class="btn" @click="ask">{{ given ? 'Make a new one' : 'Make a link and a code' }}</button>
</template>
