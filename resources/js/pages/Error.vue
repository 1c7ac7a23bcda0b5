<script setup lang="ts">
import { Head, Link, usePage } from '@inertiajs/vue3'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { dateLanguage } from '@/composables/settings'
import ClientSearch from '@/parts/ClientSearch.vue'

/** What went wrong, in words, and what to do now. */
const props = defineProps<{
  status: number
  /** seconds after which it may be tried again */
  retry: number | null
  /** when it happened: by that it is found in the log */
  at: string
  /** who gives rights here */
  keepers: string[]
}>()
const user = computed(() => usePage<{ user?: { rights: string[] } | null }>().props.user)
const asked = computed(() =>
  props.keepers.length
    ? `ask ${new Intl.ListFormat(dateLanguage, { type: 'disjunction' }).format(props.keepers)}`
    : 'ask whoever keeps the clinic',
)
const said = computed<Record<number, [string, string]>>(() => ({
  403: [
    'This is not yours to open',
    user.value
      ? `It belongs to another clinic, or to somebody with other rights. If you need it, ${asked.value}.`
      : 'The link has run out, or was meant for somebody else. Ask for a new one where you got it.',
  ],
  404: [
    'There is nothing here',
    user.value
      ? 'The address is mistyped, or what stood here has moved. Find the client here, or anything else with the key /.'
      : 'The address is mistyped, or what stood here has moved.',
  ],
  419: ['This page has been open too long', 'Nothing that was saved is lost. Read it anew, and do it once more.'],
  429: ['Too many tries', 'That is more often than a person would. It goes on after a short wait.'],
  500: [
    'Something broke, on our side',
    'Nothing that was saved is lost. Try once more. If it stays so, tell whoever keeps this installation the line below.',
  ],
  503: ['Closed for a moment', 'The installation is being looked after, or has much to do. What you have not sent is kept in your window.'],
}))
const words = computed(() => said.value[props.status] ?? (said.value[500] as [string, string]))
const left = ref(props.retry ?? (props.status === 429 ? 60 : props.status === 503 ? 10 : 0))
useIntervalFn(() => left.value > 0 && left.value--, 1000)
const again = () => window.location.reload()
const anew = () => window.location.assign(document.referrer || '/')
const back = () => history.back()
</script>
<template>
  <Head :title="words[0]" />
  <main class="mx-auto grid max-w-[760px] grid-cols-[28px_minmax(0,1fr)] gap-x-6 px-6 pt-[14vh]">
    <!-- a spine with one vertebra out of line -->
    <svg width="28" height="168" viewBox="0 0 28 168" aria-hidden="true">
      <rect
        v-for="k in 7"
        :key="k"
        :x="k === 4 ? 10 : 2"
        :y="(k - 1) * 24"
        width="18"
        height="14"
        :fill="k === 4 ? 'var(--color-madder)' : 'var(--color-ash)'"
      />
    </svg>
    <div>
      <h1 class="display text-[31px] leading-9">{{ words[0] }}</h1>
      <p class="mt-2 max-w-[56ch]">{{ words[1] }}</p>
      <div v-if="user && status === 404" class="mt-4"><ClientSearch /></div>
      <p class="mt-6 flex flex-wrap gap-2">
        <button v-if="status === 419" type="button" class="btn-ink" @click="anew">Read the page anew</button>
        <button v-else-if="status >= 429" type="button" class="btn-ink" :disabled="left > 0" @click="again">
          {{ left > 0 ? `Try again in ${left} s` : 'Try again' }}
        </button>
        <Link href="/" :class="status < 419 ? 'btn-ink' : 'btn'">{{ user ? 'Today' : 'Sign in' }}</Link>
        <button type="button" class="btn" @click="back">Back</button>
      </p>
      <p class="caption mt-6">{{ status }} · {{ at }}</p>
    </div>
  </main>
</template>
