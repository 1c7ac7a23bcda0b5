<script setup lang="ts">
import { computed, getCurrentInstance } from 'vue'

/**
 * One row of whole numbers to touch; arrow keys move, a second touch takes it back; last time's value stands as a ghost until one is given.
 */
const props = withDefaults(
  defineProps<{
    label: string
    most?: number
    least?: number
    value: number | undefined
    unusualFrom?: number
    ghost?: number | undefined
  }>(),
  { most: 10, least: 0, unusualFrom: 99, ghost: undefined },
)
const emit = defineEmits<{ choose: [value: number | undefined]; next: [] }>()
const numbers = computed(() => Array.from({ length: props.most - props.least + 1 }, (_, k) => props.least + k))
const move = (event: KeyboardEvent, step: number) => {
  event.preventDefault()
  const next = Math.min(props.most, Math.max(props.least, (props.value ?? props.least - Math.sign(step)) + step))
  emit('choose', next)
  const row = (event.currentTarget as HTMLElement).parentElement
  ;(row?.children[next - props.least] as HTMLElement | undefined)?.focus()
}
/** A digit chooses and the walk goes on; Enter goes on without choosing. */
const typed = (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const digit = /^\d$/.test(event.key) ? Number(event.key) : null
  if (digit !== null && numbers.value.includes(digit)) {
    event.preventDefault()
    event.stopPropagation()
    emit('choose', digit)
    emit('next')
  } else if (event.key === 'Enter' && walks) {
    event.preventDefault()
    emit('next')
  }
}
const walks = getCurrentInstance()?.vnode.props?.onNext !== undefined
</script>
<template>
  <div class="flex gap-px" role="radiogroup" :aria-label="label" @keydown="typed">
    <button
      v-for="n in numbers"
      :key="n"
      type="button"
      role="radio"
      class="cell display !min-w-0 flex-1 !px-0 text-[17px]"
      :aria-checked="value === n"
      :data-unusual="value === n && n >= unusualFrom"
      :data-ghost="value === undefined && ghost === n"
      :title="value === undefined && ghost === n ? 'last time' : undefined"
      :tabindex="value === n || (value === undefined && n === least) ? 0 : -1"
      @click="emit('choose', value === n ? undefined : n)"
      @keydown.right="move($event, 1)"
      @keydown.left="move($event, -1)"
    >
      {{ n }}
    </button>
  </div>
</template>
