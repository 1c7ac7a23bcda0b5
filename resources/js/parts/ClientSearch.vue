<script setup lang="ts">
import { router } from '@inertiajs/vue3'
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { useDebounceFn } from '@vueuse/core'
import { ref } from 'vue'
import { send } from '@/composables/http'

interface Found {
  id: string
  name: string
  code: string
  occupation: string | null
}
/** Leads to whoever is found; where one is to be picked for something, they are told instead. */
const props = defineProps<{ pick?: boolean }>()
const emit = defineEmits<{ choose: [one: Found] }>()
const chosen = (one: Found): void => (props.pick ? emit('choose', one) : router.visit(`/clients/${one.id}`))
const found = ref<Found[]>([])
const asked = ref('')
const failed = ref(false)
const search = useDebounceFn(async (text: string) => {
  const typed = (asked.value = text.trim())
  failed.value = false
  try {
    const all = typed ? await send<Found[]>('POST', '/clients/search', { q: typed }) : []
    // an answer to what was typed before must not replace a newer one: somebody may be choosing from it
    if (typed === asked.value) found.value = all
  } catch {
    if (typed === asked.value) [found.value, failed.value] = [[], true]
  }
}, 120)
</script>
<template>
  <div class="relative">
    <Combobox :model-value="null" @update:model-value="(one: Found | null) => one && chosen(one)">
      <ComboboxInput
        class="field"
        :class="pick ? '!pr-8' : 'h-[56px] !px-[18px] text-[17px]'"
        data-find
        aria-label="Find a client"
        :placeholder="pick ? 'Part of the name, or the code' : 'Client: name, code, telephone'"
        :display-value="() => ''"
        autocomplete="off"
        @change="search(($event.target as HTMLInputElement).value)"
      />
      <span class="key-hint pointer-events-none absolute" :class="pick ? 'right-3 top-[13px]' : 'right-5 top-[19px]'">/</span>
      <ComboboxOptions v-if="asked" class="absolute inset-x-0 z-20 bg-raised">
        <ComboboxOption v-for="one in found" :key="one.id" v-slot="{ active }" :value="one" as="template">
          <li
            class="flex min-h-[44px] cursor-pointer items-center gap-3 border-b border-hairline px-[18px]"
            :class="active ? 'bg-fold' : ''"
          >
            <b class="font-[650]">{{ one.name }}</b><span class="caption">{{ one.occupation }}</span
            ><span class="caption ml-auto">{{ one.code }}</span>
          </li>
        </ComboboxOption>
        <li v-if="failed" class="list-none px-[18px] py-3 text-madder" role="alert">
          Nobody answered. What you typed stays; one letter more tries again.
        </li>
        <li v-else-if="!found.length" class="list-none px-[18px] py-3">
          Nobody here is called that. Fewer letters find more; <a class="link" href="/clients/new">or write somebody new down</a>.
        </li>
      </ComboboxOptions>
    </Combobox>
  </div>
</template>
