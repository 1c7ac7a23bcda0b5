<script setup lang="ts" generic="T extends string | number">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { computed, ref, useTemplateRef } from 'vue'
import { opensUp, type Choice } from './choice'

/** One out of a few, in a list that opens; with `none` also nothing, which then says what holds instead. Letters and arrows find. */
const props = withDefaults(
  defineProps<{
    id: string
    /** what is chosen here, as a screen reader says it; the visible label stands beside it */
    label: string
    choices: readonly Choice<T>[]
    value: T | null | undefined
    none?: string | undefined
    look?: 'field' | 'cell' | 'word'
    invalid?: boolean
  }>(),
  { none: undefined, look: 'field' },
)
const emit = defineEmits<{ choose: [value: T | undefined] }>()
const NOTHING = ''
const rows = computed<Choice<T | typeof NOTHING>[]>(() => [
  ...(props.none === undefined ? [] : [{ id: NOTHING, name: props.none } as const]),
  ...props.choices,
])
const now = computed(() => props.value ?? NOTHING)
const name = computed(() => rows.value.find((row) => row.id === now.value)?.name ?? '')
const box = useTemplateRef<HTMLElement>('box')
const up = ref(false)
const measure = () => (up.value = box.value !== null && opensUp(box.value))
const OPENS = ['ArrowDown', 'ArrowUp', 'Enter', ' ']
/** What opens the list or walks in it is no key of the page. */
const hold = (event: KeyboardEvent, open: boolean) => {
  measure()
  if (open || OPENS.includes(event.key)) event.stopPropagation()
}
</script>
<template>
  <Listbox
    v-slot="{ open }"
    :model-value="now"
    @update:model-value="(chosen: T | typeof NOTHING) => emit('choose', chosen === NOTHING ? undefined : (chosen as T))"
  >
    <div ref="box" class="relative" @keydown="hold($event, open)" @pointerdown="measure">
      <ListboxButton
        :id="id"
        :aria-label="label"
        :aria-invalid="invalid || undefined"
        :aria-describedby="`${id}-now`"
        :data-value="now"
        class="!flex w-full items-center justify-between gap-2 text-left leading-[18px]"
        :class="look === 'word' ? 'display min-h-[36px] border-b border-walnut' : look"
        ><span
          :id="`${id}-now`"
          class="min-w-0"
          :class="now === NOTHING && none !== undefined && look === 'field' ? 'text-walnut-2' : ''"
          >{{ name }}</span
        ><svg width="11" height="7" viewBox="0 0 11 7" class="shrink-0" aria-hidden="true">
          <path d="M1 1l4.5 4.5L10 1" fill="none" stroke="currentColor" stroke-width="1.8" />
        </svg>
      </ListboxButton>
      <ListboxOptions class="option-list" :class="up ? 'bottom-full' : 'top-full'" data-options>
        <template v-for="(row, k) in rows" :key="row.id">
          <li v-if="row.group && row.group !== rows[k - 1]?.group" class="caption px-3 pb-1 pt-2" role="presentation">{{ row.group }}</li>
          <ListboxOption v-slot="{ active, selected }" :value="row.id" :disabled="row.barred ?? false" as="template">
            <li
              class="option"
              :class="[active ? 'bg-fold' : '', selected ? 'font-[650]' : '', row.barred ? 'text-walnut-2' : '']"
              :data-value="row.id"
            >
              {{ row.name }}
            </li>
          </ListboxOption>
        </template>
      </ListboxOptions>
    </div>
  </Listbox>
</template>
