<script setup lang="ts">
import { Head, router } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import { atlas } from '@/chart/atlas'
import { given } from '@/composables/fields'
import { Refused, send as sendTo } from '@/composables/http'
import { dayWords } from '@/composables/settings'
import AfterQuestions from '@/parts/AfterQuestions.vue'
import Scale from '@/parts/Scale.vue'
import type { EntryPayloads } from '@/types/visit'

/** How it was after a visit: one page, a minute, by touch. What is not answered is not known. */
type After = EntryPayloads['aftermath']
type Flag = NonNullable<After['worrying']>[number]
const props = defineProps<{
  link: string
  name: string
  answers: { after?: Partial<After> }
  /** the visit it asks about; tasks are what the client wanted to be able to do */
  last: { date: string; home_care: EntryPayloads['home_care'][]; tasks: string[] }
}>()
const after = ref<Partial<After>>({ ...props.answers.after })
const trouble = ref('')
let running: Promise<boolean> = Promise.resolve(true)
/** One call after the other, so that the last touch is the last that arrives. */
const keep = (send = false): Promise<boolean> => {
  running = running.then(async () => {
    try {
      await sendTo('PUT', `/check-in/${props.link}`, { answers: { after: after.value }, send })
      trouble.value = ''
      return true
    } catch (fault) {
      if (fault instanceof Refused && [404, 410].includes(fault.status)) router.reload()
      else
        trouble.value =
          fault instanceof Refused ? fault.words : 'No connection just now. Your answers stay on this page; try again in a moment.'
      return false
    }
  })
  return running
}
const say = (part: Partial<After>): void => {
  after.value = given({ ...after.value, ...part })
  void keep()
}
const score = computed(() => after.value.function?.[0]?.score ?? undefined)
/** What may come of work, or show then: the questions of every visit. */
const flags = Object.entries(atlas.flags).flatMap(([id, flag]) =>
  flag.everyVisit ? [{ id: id as Flag, ask: flag.ask, urgent: flag.urgent }] : [],
)
const worries = (id: Flag): boolean => after.value.worrying?.includes(id) ?? false
const worry = (id: Flag): void => {
  const next = worries(id) ? (after.value.worrying ?? []).filter((one) => one !== id) : [...(after.value.worrying ?? []), id]
  say({ worrying: next.length ? next : undefined })
}
const urgent = computed(() => flags.some(({ id, urgent: now }) => now && worries(id)))
const isAnswered = computed(() => Object.keys(after.value).length > 0)
const sending = ref(false)
const send = async (): Promise<void> => {
  sending.value = true
  if (await keep(true)) router.visit(`/check-in/${props.link}`, { replace: true })
  sending.value = false
}
</script>
<template>
  <Head title="After your visit" />
  <main class="mx-auto flex min-h-page max-w-[560px] flex-col px-5 pb-24 pt-4 text-[19px] leading-7">
    <p>For {{ name }}</p>
    <h1 tabindex="-1" class="display mt-2 text-[28px] leading-[34px] outline-none">How was it after your visit?</h1>
    <p class="caption">On {{ dayWords(last.date) }}. One minute; leave out what you cannot say.</p>
    <p v-if="trouble" class="mt-3 border-l-4 border-madder pl-3" role="alert">{{ trouble }}</p>
    <AfterQuestions :after="after" :given="last.home_care" @say="say">
      <p class="mt-4">How strong is the pain now? <span class="caption">0 none, 10 unbearable</span></p>
      <Scale label="Pain now" :value="after.pain" @choose="(pain) => say({ pain })" />
      <template v-for="task in last.tasks" :key="task">
        <p class="mt-4">How well does it go: {{ task }}? <span class="caption">0 not at all, 10 as ever</span></p>
        <Scale :label="task" :value="score" @choose="(now) => say({ function: now === undefined ? undefined : [{ task, score: now }] })" />
      </template>
    </AfterQuestions>
    <p class="mt-5">Is any of this new since then? <span class="caption">Touch what is.</span></p>
    <div role="group" aria-label="New since then">
      <button
        v-for="flag in flags"
        :key="flag.id"
        type="button"
        class="cell mt-px w-full !justify-start !px-3 !py-2 text-left leading-6"
        :aria-pressed="worries(flag.id)"
        :data-unusual="worries(flag.id)"
        @click="worry(flag.id)"
      >
        {{ flag.ask }}
      </button>
    </div>
    <p v-if="urgent" class="mt-3 border-l-4 border-madder pl-3" role="alert">
      Do not wait for an answer from us: call a doctor, or an ambulance if it is sudden or strong.
    </p>
    <p class="mt-6">
      <button type="button" class="btn-ink w-full" :disabled="sending || !isAnswered" @click="send">Send it</button>
    </p>
  </main>
</template>
