<script setup lang="ts">
import { router, usePage } from '@inertiajs/vue3'
import { computed } from 'vue'

/** One's own appointments in another calendar, by an address that only its owner knows; it says codes and times. */
defineProps<{ made: boolean }>()
const given = computed(() => usePage<{ flash: { feed: string | null } }>().props.flash.feed)
const options = { preserveScroll: true, preserveState: true } as const
</script>
<template>
  <section aria-labelledby="feed">
    <h2 id="feed" class="section-head">On your telephone</h2>
    <p class="caption">
      An address your other calendar can follow: codes and times of your appointments, no names and nothing of why. Whoever has it can read
      it.
    </p>
    <template v-if="given">
      <label class="caption mt-2 block" for="feed-link">Shown this once. Copy it into the other calendar.</label>
      <input id="feed-link" class="field text-[14px]" readonly :value="given" @focus="($event.target as HTMLInputElement).select()" />
    </template>
    <p class="mt-2 flex flex-wrap gap-2">
      <button type="button" class="btn" @click="router.post('/account/calendar', {}, options)">
        {{ made || given ? 'Make a new address' : 'Make an address' }}
      </button>
      <button v-if="made" type="button" class="btn" @click="router.delete('/account/calendar', options)">Close the one there is</button>
    </p>
  </section>
</template>
