<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import DayField from '@/controls/DayField.vue'
import { choicesOf } from '@/controls/choice'
import { Head, Link, router } from '@inertiajs/vue3'
import { computed, reactive } from 'vue'
import { dayWords } from '@/composables/settings'

/** Who looked at or changed what, when and from where: nobody can change a line, nor take one away. */
interface Line {
  id: number
  day: string
  time: string
  person: string | null
  kind: string
  /** "opened the record", and how of whom it was follows: "of" */
  done: string
  of: string
  refused: boolean
  detail: string
  client: { id: string; code: string } | null
  visit: { id: string; number: number } | null
  from: string
}
const props = defineProps<{
  lines: Line[]
  older: number | null
  people: { id: number; name: string }[]
  kinds: Record<string, string>
  filter: { person: string; client: string; kind: string; from: string; to: string }
}>()
const asked = reactive({ ...props.filter })
const query = computed(() => Object.fromEntries(Object.entries(asked).filter(([, value]) => value !== '')))
const find = () => router.get('/clinic/audit', query.value, { preserveState: true, preserveScroll: true })
const put = (part: Partial<Record<keyof typeof asked, string>>) => {
  Object.assign(asked, Object.fromEntries(Object.entries(part).map(([key, value]) => [key, value ?? ''])))
  find()
}
const address = (path: string, more: Record<string, string> = {}) =>
  `${path}?${new URLSearchParams({ ...query.value, ...more }).toString()}`
/** What was changed and what was taken out stand out from what was only looked at. */
const edges: Record<string, string> = { changed: 'border-l-weld', took: 'border-l-walnut', keeping: 'border-l-moss' }
const who: Record<string, string> = { keeping: 'At the console:' }
const days = computed(() =>
  [...new Set(props.lines.map((one) => one.day))].map((day) => ({ day, lines: props.lines.filter((one) => one.day === day) })),
)
</script>
<template>
  <Head title="Access log" />
  <main class="mx-auto max-w-[1180px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display mb-4 text-[31px] leading-9">Access log</h1>
    <form class="mb-4 flex flex-wrap items-end gap-3" @submit.prevent="find">
      <div>
        <label class="caption block" for="person">Person</label>
        <Pick
          id="person"
          class="w-[180px]"
          label="Person"
          none="everybody"
          :choices="people.map((one) => ({ id: String(one.id), name: one.name }))"
          :value="asked.person"
          @choose="(person) => put({ person })"
        />
      </div>
      <div>
        <label class="caption block" for="kind">What was done</label>
        <Pick
          id="kind"
          class="w-[180px]"
          label="What was done"
          none="anything"
          :choices="choicesOf(kinds)"
          :value="asked.kind"
          @choose="(kind) => put({ kind })"
        />
      </div>
      <div>
        <label class="caption block" for="client">Client’s code</label
        ><input id="client" v-model="asked.client" class="field !w-[120px]" maxlength="12" @change="find" />
      </div>
      <div>
        <label class="caption block" for="from">From</label
        ><DayField id="from" class="w-[170px]" label="From" :value="asked.from" @choose="(from) => put({ from })" />
      </div>
      <div>
        <label class="caption block" for="to">To</label
        ><DayField id="to" class="w-[170px]" label="To" :value="asked.to" @choose="(to) => put({ to })" />
      </div>
      <button type="submit" class="btn">Find</button>
      <a class="btn ml-auto" :href="address('/clinic/audit.csv')" download>As a table</a>
    </form>
    <section v-for="one in days" :key="one.day" :aria-label="dayWords(one.day)">
      <h2 class="section-head mt-4">{{ dayWords(one.day) }}</h2>
      <ol>
        <li
          v-for="line in one.lines"
          :key="line.id"
          class="log-line border-b border-l-4 border-b-hairline py-[7px] pl-3"
          :class="line.refused ? 'border-l-madder' : (edges[line.kind] ?? 'border-l-transparent')"
        >
          <span class="caption">{{ line.time }}</span>
          <p class="own-words">
            <b class="font-[650]">{{ line.person ?? who[line.kind] ?? 'Somebody not signed in' }}</b> {{ line.done
            }}<template v-if="line.client"
              >{{ line.of ? ` ${line.of}` : '' }}&#32;<template v-if="line.visit"
                ><Link :href="`/visits/${line.visit.id}`" class="link">visit {{ line.visit.number }}</Link> of </template
              ><Link :href="`/clients/${line.client.id}`" class="link">{{ line.client.code }}</Link></template
            ><span v-if="line.detail" class="caption"> ({{ line.detail.replaceAll('_', ' ') }})</span>
          </p>
          <span class="caption col-start-2 [overflow-wrap:anywhere] md:col-start-3">{{ line.from }}</span>
        </li>
      </ol>
    </section>
    <p v-if="!lines.length" class="py-4">Nothing of the kind was written down.</p>
    <p v-if="older" class="mt-4"><Link :href="address('/clinic/audit', { before: String(older) })" class="btn">Earlier</Link></p>
    <p class="caption mt-6">
      What goes on for a while, such as one finding after the other, is one line in five minutes; each change of a record is kept with the
      record.
    </p>
  </main>
</template>
