<script setup lang="ts" generic="T">
import { ref } from 'vue'
import { useList } from '@/composables/useList'

/** A few out of many, added and taken away one by one. `key` tells one from another. */
const props = withDefaults(
  defineProps<{
    id: string
    label: string
    prompt: string
    chosen: readonly T[]
    choices: readonly T[]
    name: (one: T) => string
    keyOf: (one: T) => string
    wide?: boolean
  }>(),
  { wide: false },
)
const emit = defineEmits<{ change: [chosen: T[] | undefined] }>()
/** A page may have several of these: the hundred and more choices are put in when one is first reached. */
const reached = ref(false)
const add = (event: Event) => {
  const select = event.target as HTMLSelectElement
  const one = props.choices.find((choice) => props.keyOf(choice) === select.value)
  if (one !== undefined && !props.chosen.some((there) => props.keyOf(there) === select.value)) emit('change', [...props.chosen, one])
  select.value = ''
}
const list = useList(add)
const drop = (one: T) => {
  const left = props.chosen.filter((there) => there !== one)
  emit('change', left.length ? left : undefined)
}
</script>
<template>
  <div class="flex flex-wrap items-center gap-2">
    <span v-for="one in chosen" :key="keyOf(one)"
      >{{ name(one) }}
      <button type="button" class="link caption" :aria-label="`${name(one)}: take away`" @click="drop(one)">away</button></span
    >
    <label class="sr-only" :for="id">{{ label }}</label>
    <select
      :id="id"
      class="cell"
      :class="wide ? '!w-[210px]' : '!w-[130px]'"
      @focus="reached = true"
      @pointerdown="reached = true"
      @change="list.change"
      @keydown="list.keydown"
      @blur="list.blur"
    >
      <option value="">{{ prompt }}</option>
      <option v-for="one in reached ? choices : []" :key="keyOf(one)" :value="keyOf(one)">{{ name(one) }}</option>
    </select>
  </div>
</template>
