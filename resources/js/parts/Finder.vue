<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions, Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { router, usePage } from '@inertiajs/vue3'
import { useDebounceFn, useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { send } from '@/composables/http'
import { useAtlas } from '@/composables/useAtlas'
import { useFinder } from '@/composables/useFinder'
import { useKeys } from '@/composables/useKeys'
import type { SearchHit } from '@/types/atlas'
import { destinations } from './destinations'
import Sheet from './Sheet.vue'
import KeyList from './KeyList.vue'

/** Finds anything from anywhere: a client by name, code or telephone, a muscle, a test, a page; and tells the keys of the page. */
interface Hit {
  key: string
  group: string
  name: string
  beside: string
  go: () => void
}
interface FoundClient {
  id: string
  name: string
  code: string
  occupation: string | null
}
const user = computed(() => usePage<{ user?: { rights: string[] } | null }>().props?.user ?? null)
const { open, find, keys, close } = useFinder()
useKeys({ '/': () => user.value && find(), '?': () => user.value && keys() })
const { open: openAtlas } = useAtlas()
const asked = ref('')
const clients = ref<FoundClient[]>([])
const atlas = ref<SearchHit[]>([])
const failed = ref(false)
const MOST = 6
const ask = useDebounceFn(async () => {
  const typed = asked.value.trim()
  failed.value = false
  const [people, entries] = typed
    ? await Promise.allSettled([
        send<FoundClient[]>('POST', '/clients/search', { q: typed }),
        send<SearchHit[]>('GET', `/atlas/search?q=${encodeURIComponent(typed)}`),
      ])
    : []
  // an answer to what was typed before must not replace a newer one
  if (typed !== asked.value.trim()) return
  clients.value = people?.status === 'fulfilled' ? people.value : []
  atlas.value = entries?.status === 'fulfilled' ? entries.value : []
  failed.value = people?.status === 'rejected' && entries?.status === 'rejected'
}, 120)
/** Hands that type on while it opens lose nothing. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const typed = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey
  if (open.value !== 'finder' || !typed || (event.target as HTMLElement | null)?.closest('input') || event.defaultPrevented) return
  event.preventDefault()
  asked.value += event.key
  void ask()
})
const words = computed(() => asked.value.trim().toLowerCase().split(/\s+/).filter(Boolean))
const pages = computed(() =>
  destinations.filter(
    ({ name, also, right }) =>
      (!right || user.value?.rights.includes(right)) && words.value.every((word) => `${name} ${also}`.toLowerCase().includes(word)),
  ),
)
const hits = computed<Hit[]>(() => [
  ...clients.value.slice(0, MOST).map((one) => ({
    key: `client ${one.id}`,
    group: 'Clients',
    name: one.name,
    beside: [one.code, one.occupation].filter(Boolean).join(' · '),
    go: () => router.visit(`/clients/${one.id}`),
  })),
  ...pages.value.slice(0, words.value.length ? MOST : destinations.length).map((one) => ({
    key: `page ${one.href}`,
    group: 'Go to',
    name: one.name,
    beside: '',
    go: () => router.visit(one.href),
  })),
  ...atlas.value.slice(0, MOST + 2).map((one) => ({
    key: `${one.kind} ${one.id}`,
    group: 'Atlas',
    name: one.name,
    beside: [one.kind, one.plain].filter(Boolean).join(' · '),
    go: () => openAtlas(one.kind, one.id),
  })),
])
const take = (hit: Hit | null) => {
  if (!hit) return
  close()
  hit.go()
}
/** Where nothing is chosen yet, Enter means the first. */
const enter = (event: KeyboardEvent) => {
  if (!(event.target as HTMLElement).getAttribute('aria-activedescendant')) take(hits.value[0] ?? null)
}
watch(open, (now) => {
  if (now !== 'finder') return
  asked.value = ''
  ;[clients.value, atlas.value, failed.value] = [[], [], false]
})
</script>
<template>
  <Dialog :open="open === 'finder'" class="relative z-50" @close="close">
    <div class="fixed inset-0 bg-walnut/40" aria-hidden="true" />
    <div class="fixed inset-0 flex justify-center px-4 pt-[8vh]">
      <DialogPanel class="flex max-h-[80vh] w-full max-w-[640px] flex-col self-start bg-paper" @keydown.esc.capture="close">
        <DialogTitle class="sr-only">Find anything</DialogTitle>
        <Combobox :model-value="null" nullable @update:model-value="take">
          <ComboboxInput
            class="field h-[60px] shrink-0 !px-[18px] text-[19px]"
            aria-label="Find anything"
            placeholder="A client, a telephone number, a muscle, a test, a page"
            :display-value="() => asked"
            autocomplete="off"
            maxlength="120"
            @keydown.enter="enter"
            @change="
              (event: Event) => {
                asked = (event.target as HTMLInputElement).value
                void ask()
              }
            "
          />
          <ComboboxOptions static class="min-h-0 overflow-y-auto pb-2">
            <template v-for="(hit, k) in hits" :key="hit.key">
              <li v-if="hit.group !== hits[k - 1]?.group" class="side-name list-none px-[18px] pt-3" role="presentation">
                {{ hit.group }}
              </li>
              <ComboboxOption v-slot="{ active }" :value="hit" as="template">
                <li
                  class="flex min-h-[44px] cursor-pointer items-center gap-3 border-b border-hairline px-[18px] py-1"
                  :class="active ? 'bg-fold' : ''"
                >
                  <b class="font-[650]">{{ hit.name }}</b><span class="caption ml-auto text-right">{{ hit.beside }}</span>
                </li>
              </ComboboxOption>
            </template>
            <li v-if="failed" class="list-none px-[18px] py-3 text-madder" role="alert">
              Nobody answered. What you typed stays; one letter more tries again.
            </li>
            <li v-else-if="!hits.length" class="list-none px-[18px] py-3">
              Nothing here is called that. Fewer letters find more; a number is found however it is grouped.
            </li>
          </ComboboxOptions>
        </Combobox>
        <p class="caption border-t border-hairline px-[18px] py-2">
          <span class="key-hint">↑ ↓</span> choose · <span class="key-hint">Enter</span> opens · <span class="key-hint">Esc</span> closes
        </p>
      </DialogPanel>
    </div>
  </Dialog>
  <Sheet title="Keys and words on this page" :open="open === 'keys'" @close="close"><KeyList /></Sheet>
</template>
