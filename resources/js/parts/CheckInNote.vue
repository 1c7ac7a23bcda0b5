<script setup lang="ts">
import { router } from '@inertiajs/vue3'
import { ref } from 'vue'
import { useVisit } from '@/composables/useVisit'

/** What the client answered alone, yes first; taken over into the record by one touch. */
const { props } = useVisit()
const busy = ref(false)
const take = () => {
  busy.value = true
  router.post(`/visits/${props.value.visit.id}/check-in`, {}, { preserveScroll: true, onFinish: () => (busy.value = false) })
}
</script>
<template>
  <section v-if="props.check_in" class="mb-4 border-t-2 border-iron pt-2 lg:col-span-2" aria-label="From the check-in">
    <div class="flex flex-wrap items-start justify-between gap-3">
      <div class="min-w-0">
        <h2 class="section-head">
          From the check-in <span class="caption font-normal">{{ props.check_in.at }}</span>
        </h2>
        <ul v-if="props.check_in.raised.length" class="mt-1">
          <li v-for="one in props.check_in.raised" :key="one.words" class="flex gap-3">
            <b class="w-[64px] shrink-0 font-[650]" :class="one.answer === 'yes' ? 'text-madder' : ''">{{
              one.answer === 'yes' ? 'yes' : 'not sure'
            }}</b><span>{{ one.words }}</span>
          </li>
        </ul>
        <p v-else>Nothing raised: every question was answered with no.</p>
      </div>
      <button v-if="!props.check_in.taken" type="button" class="btn" :disabled="busy" @click="take">Take it into the record</button>
      <span v-else class="caption">in the record</span>
    </div>
  </section>
</template>
