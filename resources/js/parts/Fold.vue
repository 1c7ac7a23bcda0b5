<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'

/** What is read by who asks for it: a line of words, and what they hold beneath. `wide`: it takes the whole row when it is open. */
defineProps<{ wide?: boolean; headClass?: string }>()
defineOptions({ inheritAttrs: false })
</script>
<template>
  <Disclosure v-slot="{ open }" as="template">
    <div v-bind="$attrs" :class="wide && open ? 'basis-full' : ''">
      <DisclosureButton class="flex min-h-[44px] items-center gap-2 text-left" :class="headClass">
        <svg width="12" height="12" viewBox="0 0 12 12" class="shrink-0" aria-hidden="true">
          <path :d="open ? 'M1 6H11' : 'M6 1V11M1 6H11'" stroke="currentColor" stroke-width="1.8" />
        </svg>
        <span class="link"><slot name="head" /></span>
      </DisclosureButton>
      <DisclosurePanel><slot /></DisclosurePanel>
    </div>
  </Disclosure>
</template>
