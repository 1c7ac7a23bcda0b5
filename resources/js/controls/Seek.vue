<script setup lang="ts" generic="T extends string | number">
import { Combobox, ComboboxButton, ComboboxInput, ComboboxLabel, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { computed, ref, useTemplateRef } from 'vue'
import { opensUp, type Choice } from './choice'

/** One out of many, found by typing any part of its name; it is handed on and the field is empty again. */
const props = withDefaults(
  defineProps<{
    id: string
    label: string
    prompt: string
    choices: readonly Choice<T>[]
    look?: 'field' | 'cell'
    /** the list stands open, as in a panel of its own */
    open?: boolean
  }>(),
  { look: 'cell', open: false },
)
const emit = defineEmits<{ choose: [value: T]; leave: [] }>()
const asked = ref('')
const words = computed(() => asked.value.trim().toLowerCase().split(/\s+/).filter(Boolean))
const begins = (one: Choice<T>): number => (one.name.toLowerCase().startsWith(words.value[0] ?? '') ? 0 : 1)
const found = computed(() =>
  words.value.length
    ? props.choices
        .filter((one) => words.value.every((word) => `${one.name} ${one.group ?? ''}`.toLowerCase().includes(word)))
        .sort((a, b) => begins(a) - begins(b))
    : props.choices,
)
/** Headings only where all of it stands in its own order. */
const heading = (k: number): string | undefined => {
  const group = words.value.length ? undefined : found.value[k]?.group
  return group !== found.value[k - 1]?.group ? group : undefined
}
const box = useTemplateRef<HTMLElement>('box')
const up = ref(false)
const measure = () => (up.value = box.value !== null && opensUp(box.value))
/** A touch on the field shows all of it, as the arrow beside it does. */
const show = () => box.value?.querySelector<HTMLElement>('[data-opens]')?.click()
const take = (chosen: T | null) => {
  asked.value = ''
  if (chosen !== null) emit('choose', chosen)
}
defineExpose({ focus: () => box.value?.querySelector('input')?.focus() })
</script>
<template>
  <Combobox v-slot="{ open: isOpen }" :model-value="null" nullable @update:model-value="take">
    <div ref="box" class="relative" :title="prompt" @pointerdown="measure" @focusin="measure" @keydown.esc="emit('leave')">
      <ComboboxLabel as="span" class="sr-only">{{ label }}</ComboboxLabel>
      <ComboboxInput
        :id="id"
        class="w-full !justify-start text-left placeholder:text-walnut"
        :style="open ? undefined : { paddingRight: '30px' }"
        :class="look"
        :placeholder="prompt"
        :display-value="() => asked"
        autocomplete="off"
        @change="asked = ($event.target as HTMLInputElement).value"
        @click="!isOpen && show()"
      />
      <ComboboxButton
        v-if="!open"
        class="absolute inset-y-0 right-0 flex w-[30px] items-center justify-center"
        data-opens
        tabindex="-1"
        aria-hidden="true"
        ><svg width="11" height="7" viewBox="0 0 11 7" aria-hidden="true">
          <path d="M1 1l4.5 4.5L10 1" fill="none" stroke="currentColor" stroke-width="1.8" />
        </svg>
      </ComboboxButton>
      <ComboboxOptions
        :static="open"
        :class="open ? 'max-h-[340px] overflow-y-auto' : ['option-list', up ? 'bottom-full' : 'top-full']"
        data-options
      >
        <template v-for="(one, k) in found" :key="one.id">
          <li v-if="heading(k)" class="caption px-3 pb-1 pt-2" role="presentation">{{ heading(k) }}</li>
          <ComboboxOption v-slot="{ active }" :value="one.id" :disabled="one.barred ?? false" as="template">
            <li class="option" :class="[active ? 'bg-fold' : '', one.barred ? 'text-walnut-2' : '']" :data-value="one.id">
              {{ one.name }}
            </li>
          </ComboboxOption>
        </template>
        <li v-if="!found.length" class="list-none px-3 py-2" role="presentation">Nothing is called that. Fewer letters find more.</li>
      </ComboboxOptions>
    </div>
  </Combobox>
</template>
