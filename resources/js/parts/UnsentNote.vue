<script setup lang="ts">
import { router, usePage } from '@inertiajs/vue3'
import { onScopeDispose, ref } from 'vue'
import { discardUnsent, unsentOfAll, type Unsent } from '@/composables/unsent'
import { plural } from './words'

/** What whoever has just signed in had not sent from this device: their visits send it as soon as they are open. */
const left = ref<Unsent[]>([])
const page = usePage<{ user?: unknown }>()
const look = () => {
  const here = /\/visits\/(\w+)/.exec(location.pathname)?.[1]
  left.value = page.props?.user ? unsentOfAll().filter((one) => one.visit !== here) : []
}
look()
onScopeDispose(router.on('navigate', () => look()))
const discard = () => {
  discardUnsent()
  look()
}
</script>
<template>
  <div v-if="left.length" class="no-print flex flex-wrap items-center gap-x-5 gap-y-1 bg-weld-wash px-6 py-1" role="status">
    <p>
      {{
        plural(
          left.reduce((sum, one) => sum + one.count, 0),
          'finding',
          'findings',
        )
      }}
      of yours could not be sent from this device.
    </p>
    <a v-for="(one, k) in left" :key="one.visit" class="link min-h-[44px] content-center" :href="`/visits/${one.visit}`"
      >Open {{ left.length === 1 ? 'the visit' : `visit ${k + 1} of ${left.length}` }}: it is sent then</a
    >
    <button type="button" class="link min-h-[44px]" @click="discard">Discard</button>
  </div>
</template>
