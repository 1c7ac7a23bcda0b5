<script setup lang="ts">
import { Head, Link, router } from '@inertiajs/vue3'
import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { dayWords } from '@/composables/settings'
import { useKeys } from '@/composables/useKeys'
import Flash from '@/parts/Flash.vue'

/** Everybody who comes here: found, sorted, leafed through. */
const props = defineProps<{
  clients: {
    id: string
    name: string
    code: string
    occupation: string | null
    born: string | null
    phone: string | null
    seen: string | null
    next: string | null
    erased: boolean
  }[]
  sort: 'name' | 'code' | 'seen' | 'new'
  q: string
  away: boolean
  total: number
  page: number
  pages: number
}>()
const asked = ref(props.q)
const address = (change: { sort?: string; away?: boolean; page?: number }): string => {
  const { sort, away, page } = { sort: props.sort as string, away: props.away, page: 1, ...change }
  return `/clients?sort=${sort}${away ? '&away=1' : ''}${page > 1 ? `&page=${page}` : ''}`
}
/** What is looked for goes in the body: a name never stands in an address. */
const find = useDebounceFn(() => router.post('/clients/find', { q: asked.value }, { preserveState: true, preserveScroll: true }), 200)
useKeys({ c: () => router.visit('/clients/new') }, [['C', 'new client']])
const sorts = { seen: 'last seen', name: 'name', code: 'code', new: 'newest first' } as const
</script>
<template>
  <Head title="Clients" />
  <main class="mx-auto max-w-[1180px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <header class="mb-4 flex flex-wrap items-end justify-between gap-4">
      <h1 class="display text-[31px] leading-9">
        {{ away ? 'Put away' : 'Clients' }} <span class="caption font-normal">{{ total }}</span>
      </h1>
      <p class="flex gap-2">
        <Link href="/clinic/files" class="btn">Files, out and in</Link>
        <Link href="/clients/new" class="btn-ink">New client <span class="key-hint">C</span></Link>
      </p>
    </header>
    <Flash />
    <div class="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
      <div class="relative min-w-[280px] flex-1">
        <label class="sr-only" for="find">Find</label>
        <input
          id="find"
          v-model="asked"
          data-find
          class="field"
          placeholder="Any part of the name, or the code"
          autocomplete="off"
          @input="find"
        />
        <span class="key-hint pointer-events-none absolute right-4 top-[13px]">/</span>
      </div>
      <nav class="flex gap-px" aria-label="Sorted by">
        <Link
          v-for="(name, key) in sorts"
          :key="key"
          :href="address({ sort: key })"
          class="cell"
          :aria-current="sort === key ? 'true' : undefined"
          preserve-scroll
          >{{ name }}</Link
        >
      </nav>
      <Link :href="address({ away: !away })" class="link">{{ away ? 'those who come' : 'those put away' }}</Link>
    </div>
    <table class="w-full border-collapse text-left">
      <thead>
        <tr class="caption border-b border-hairline">
          <th class="py-1 font-normal">Name</th>
          <th class="py-1 font-normal max-md:hidden">Code</th>
          <th class="py-1 font-normal max-md:hidden">Does</th>
          <th class="py-1 font-normal max-md:hidden">Born</th>
          <th class="py-1 font-normal max-md:hidden">Telephone</th>
          <th class="py-1 font-normal">Seen</th>
          <th class="py-1 font-normal">Next</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in clients" :key="one.id" class="h-[44px] border-b border-hairline hover:bg-fold">
          <th scope="row" class="pr-4 font-[650] md:min-w-[150px]">
            <Link :href="`/clients/${one.id}`" class="block py-2">
              <span class="own-words">{{ one.erased ? 'erased' : one.name }}</span>
              <span class="caption block font-normal md:hidden">{{ one.code }}</span>
            </Link>
          </th>
          <td class="whitespace-nowrap pr-4 max-md:hidden">{{ one.code }}</td>
          <td class="caption min-w-[120px] pr-4 max-md:hidden">
            <span class="own-words">{{ one.occupation }}</span>
          </td>
          <td class="whitespace-nowrap pr-4 max-md:hidden">{{ one.born ? dayWords(one.born) : '' }}</td>
          <td class="whitespace-nowrap pr-4 max-md:hidden">{{ one.phone }}</td>
          <td class="pr-4 md:whitespace-nowrap">{{ one.seen ? dayWords(one.seen) : '–' }}</td>
          <td class="md:whitespace-nowrap">{{ one.next ? dayWords(one.next) : '' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="!clients.length" class="py-4">
      {{
        q
          ? 'Nobody here is called that. Fewer letters find more.'
          : away
            ? 'Nobody is put away.'
            : 'Nobody yet. Write somebody down, or bring a list in from a file.'
      }}
    </p>
    <nav v-if="pages > 1" class="mt-4 flex items-center gap-4" aria-label="Pages">
      <Link v-if="page > 1" :href="address({ page: page - 1 })" class="btn">Before</Link>
      <span class="caption">{{ page }} of {{ pages }}</span>
      <Link v-if="page < pages" :href="address({ page: page + 1 })" class="btn">After</Link>
    </nav>
  </main>
</template>
