<script setup lang="ts">
import { Link } from '@inertiajs/vue3'

/** A plan in which nothing is pressed: what it still waits for, and what one may do all the same. */
const DOORS = { ask: 'Ask', screen: 'Screen', feel: 'Feel', agree: 'Agree' } as const
defineProps<{
  visit: string
  open: { id: keyof typeof DOORS; words: string }[]
  /** something was felt, and is not worked */
  felt: boolean
}>()
defineEmits<{ protocols: [] }>()
</script>
<template>
  <section class="mt-6 max-w-[620px] border-t-2 border-iron pt-3" aria-labelledby="nothing">
    <h2 id="nothing" class="section-head">What would give hands something to do</h2>
    <ul>
      <li
        v-for="({ id, words }, index) in open"
        :key="id"
        class="flex min-h-[52px] items-center justify-between gap-4 border-b border-hairline py-1"
      >
        <span>{{ words }}</span><Link :href="`/visits/${visit}/${id}`" class="shrink-0" :class="index ? 'btn' : 'btn-ink'">{{
          DOORS[id]
        }}</Link>
      </li>
      <li v-if="felt" class="border-b border-hairline py-3">
        What was felt is not sore enough to press, or rests today: it stands under what is left out.
      </li>
      <li class="flex min-h-[52px] items-center justify-between gap-4 border-b border-hairline py-1">
        <span>What you have done before for such a complaint.</span
        ><button type="button" class="btn shrink-0" @click="$emit('protocols')">Protocols</button>
      </li>
    </ul>
    <p class="caption mt-2">
      Or bring in by name, at the left, what you mean to work all the same. Without any of it the visit is calm and warm.
    </p>
  </section>
</template>
