<script setup lang="ts">
import { Head, Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import { send } from '@/composables/http'
import { useKeptText } from '@/composables/useKeptText'
import WrittenAtOnce from '@/parts/WrittenAtOnce.vue'

/** The letter that sends somebody on: changed here, kept with the record, printed or saved. */
const props = defineProps<{
  visit: { id: string; number: number; signed: boolean }
  client: { id: string; name: string; code: string }
  draft: string
  text: string | null
  revision: number
}>()
const { text, state, theirs, keep, keepNow, choose, settled } = useKeptText(
  props.text ?? props.draft,
  props.revision,
  async (payload, seen) => {
    const { entry } = await send<{ entry: { revision: number; payload: string | null } }>(
      'PUT',
      `/visits/${props.visit.id}/entries?step=after`,
      {
        kind: 'text',
        phase: 'before',
        identity: 'letter',
        payload,
        seen,
      },
    )
    // one that was emptied comes back as nothing
    return { text: entry.payload ?? '', revision: entry.revision }
  },
  'Kept with the record.',
)
const changed = computed(() => text.value !== props.draft)
const anew = () => {
  text.value = props.draft
  void keepNow()
}
const print = () => window.print()
const pdf = async () => {
  if (props.visit.signed || (await settled())) location.assign(`/visits/${props.visit.id}/letter.pdf`)
}
</script>
<template>
  <Head title="Letter" />
  <main class="mx-auto max-w-[820px] px-6 pb-16 pt-5 print:max-w-none print:p-0">
    <p class="caption no-print">
      <Link :href="`/clients/${client.id}`" class="link">{{ client.name }}</Link> ·
      <Link :href="`/visits/${visit.id}`" class="link">visit {{ visit.number }}</Link>
    </p>
    <header class="no-print mb-4 flex flex-wrap items-end justify-between gap-3">
      <h1 class="display text-[31px] leading-9">Letter, to send on</h1>
      <div class="flex flex-wrap gap-2">
        <button v-if="changed && !visit.signed" type="button" class="btn" @click="anew">Draft anew from the record</button>
        <button type="button" class="btn" @click="pdf">Save as PDF</button>
        <button type="button" class="btn-ink" @click="print">Print</button>
      </div>
    </header>
    <label class="sr-only" for="letter">Letter</label>
    <textarea
      id="letter"
      v-model="text"
      class="field no-print min-h-[68dvh] w-full !leading-7"
      maxlength="5000"
      :readonly="visit.signed"
      @input="keep"
      @blur="!visit.signed && keepNow()"
    />
    <WrittenAtOnce v-if="theirs !== null" :theirs="theirs" @choose="choose" />
    <p class="caption no-print mt-1" role="status">
      {{
        visit.signed
          ? 'The visit is signed: the letter stands as it was.'
          : state || 'Drafted from the record. Read it through before it goes.'
      }}
    </p>
    <div class="hidden whitespace-pre-wrap text-[14px] leading-[22px] print:block">{{ text }}</div>
  </main>
</template>
