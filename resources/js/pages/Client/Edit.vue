<script setup lang="ts">
import { Head, Link, router, useForm, usePage } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import ClientFields from '@/parts/ClientFields.vue'
import Flash from '@/parts/Flash.vue'
import FormField from '@/parts/FormField.vue'
import type { ClientDetails } from '@/types/client'

/** Who a client is, to change; and what else can be done with the whole record. */
const props = defineProps<{
  client: ClientDetails & { id: string; code: string; away: boolean }
  kinds: string[]
  mostContacts: number
  /** whether what is clinical is shown and may be said */
  clinical: boolean
  changes: { at: string; by: string; field: string; before: string; after: string }[]
  mayMerge: boolean
  mayErase: boolean
  doubles: { id: string; name: string; code: string; because: string }[]
  merges: { id: number; code: string; at: string; by: string }[]
  keptUntil: string | null
}>()
const { id, code, away, ...details } = props.client
const form = useForm<ClientDetails>({ ...details, contacts: details.contacts.map((one) => ({ ...one })) })
const keep = () => form.put(`/clients/${id}`)
const put = (what: 'archive' | 'unarchive') => router.post(`/clients/${id}/${what}`)
const merge = (other: string) => router.post(`/clients/${id}/merge`, { other }, { preserveScroll: true })
const undo = (one: number) => router.post(`/clients/${id}/unmerge`, { merge: one }, { preserveScroll: true })
const errors = computed(() => usePage<{ errors: Record<string, string> }>().props.errors)
const erasing = ref(false)
const erase = useForm({ code: '' })
</script>
<template>
  <Head :title="`${code}, details`" />
  <main class="mx-auto max-w-[1180px] px-6 pb-16 pt-5">
    <p class="caption">
      <Link href="/" class="link">Today</Link> · <Link href="/clients" class="link">Clients</Link> ·
      <Link :href="`/clients/${id}`" class="link">{{ client.name }}</Link>
    </p>
    <h1 class="display mb-4 text-[31px] leading-9">
      {{ client.name }} <span class="caption font-normal">{{ code }}</span>
    </h1>
    <Flash />
    <div class="grid gap-x-12 gap-y-10 lg:grid-cols-[minmax(0,1fr)_340px]">
      <form @submit.prevent="keep">
        <ClientFields v-model="form" :clinical="clinical" :kinds="kinds" :most-contacts="mostContacts" />
        <button type="submit" class="btn-ink mt-6" :disabled="form.processing">Keep it so</button>
        <section v-if="changes.length" class="mt-10" aria-label="Changed before">
          <h2 class="section-head mb-1">Changed before</h2>
          <ul>
            <li v-for="(one, k) in changes" :key="k" class="border-b border-hairline py-2">
              <b class="font-[650]">{{ one.field }}</b>
              <span class="mx-2"
                ><s class="text-walnut-2">{{ one.before }}</s> → {{ one.after }}</span
              >
              <span class="caption block">{{ one.at }}, {{ one.by }}</span>
            </li>
          </ul>
        </section>
      </form>
      <aside>
        <template v-if="mayMerge">
          <h2 class="section-head">The same person twice</h2>
          <p v-if="errors.other" class="text-madder" role="alert">{{ errors.other }}</p>
          <ul v-if="doubles.length">
            <li v-for="one in doubles" :key="one.id" class="border-b border-hairline py-2">
              <p>
                <Link :href="`/clients/${one.id}`" class="link">{{ one.name }}</Link> <span class="caption">{{ one.code }}</span>
              </p>
              <p class="caption">{{ one.because }}</p>
              <button type="button" class="btn mt-1" @click="merge(one.id)">Take its record into this one</button>
            </li>
          </ul>
          <p v-else class="caption">Nobody here has the same name, birthday, mail or telephone.</p>
          <ul v-if="merges.length" aria-label="Taken in before" class="mt-2">
            <li v-for="one in merges" :key="one.id" class="flex items-center justify-between gap-2 border-b border-hairline py-1">
              <span class="caption">{{ one.code }} went into this, {{ one.at }}, by {{ one.by }}</span>
              <button type="button" class="btn" @click="undo(one.id)">Undo</button>
            </li>
          </ul>
        </template>
        <h2 class="section-head mt-8">Put away</h2>
        <p class="caption mb-2">
          {{
            away ? 'Found only where those put away are asked for.' : 'Out of searches and lists; nothing is lost, and it can be undone.'
          }}
        </p>
        <button type="button" class="btn" @click="put(away ? 'unarchive' : 'archive')">{{ away ? 'Take out again' : 'Put away' }}</button>
        <template v-if="mayErase">
          <h2 class="section-head mt-8">Erase, because they asked for it</h2>
          <p class="caption mb-2">
            Name, birthday, addresses, contacts, check-ins and letters go at once and cannot be brought back.
            {{
              keptUntil
                ? `The clinical record must be kept until ${keptUntil} and stays, under the code alone.`
                : 'No law keeps the clinical record any longer: it goes too.'
            }}
            Take everything out first, if they want it: <Link :href="`/clients/${id}/files`" class="link">files</Link>.
          </p>
          <button v-if="!erasing" type="button" class="btn" @click="erasing = true">Erase…</button>
          <form v-else @submit.prevent="erase.delete(`/clients/${id}`)">
            <FormField id="erase" v-model="erase.code" :label="`Write ${code}, to be sure`" :error="erase.errors.code" />
            <p class="mt-2 flex gap-2">
              <button type="submit" class="btn border-b-4 border-madder" :disabled="erase.processing">Erase for good</button
              ><button type="button" class="btn" @click="erasing = false">Leave it</button>
            </p>
          </form>
        </template>
      </aside>
    </div>
  </main>
</template>
