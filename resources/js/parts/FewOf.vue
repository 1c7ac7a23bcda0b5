<script setup lang="ts" generic="T">
import { computed } from 'vue'
import Seek from '@/controls/Seek.vue'

/** A few out of many, added and taken away one by one. `keyOf` tells one from another. */
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
const rows = computed(() => props.choices.map((one) => ({ id: props.keyOf(one), name: props.name(one) })))
const add = (key: string) => {
  const one = props.choices.find((choice) => props.keyOf(choice) === key)
  if (one !== undefined && !props.chosen.some((there) => props.keyOf(there) === key)) emit('change', [...props.chosen, one])
}
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
    <Seek :id="id" :class="wide ? 'w-[210px]' : 'w-[150px]'" :label="label" :prompt="prompt" :choices="rows" @choose="add" />
  </div>
</template>
