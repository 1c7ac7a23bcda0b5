<script setup lang="ts">
import { computed } from 'vue'

/** One row of whole numbers to touch; arrow keys move, a second touch takes it back. */
const props = withDefaults(
  defineProps<{ label: string; most?: number; least?: number; value: number | undefined; unusualFrom?: number }>(),
  { most: 10, least: 0, unusualFrom: 99 },
)
const emit = defineEmits<{ choose: [value: number | undefined] }>()
const numbers = computed(() => Array.from({ length: props.most - props.least + 1 }, (_, k) => props.least + k))
const move = (event: KeyboardEvent, step: number) => {
  event.preventDefault()
  const next = Math.min(props.most, Math.max(props.least, (props.value ?? props.least - Math.sign(step)) + step))
  emit('choose', next)
  const row = (event.currentTarget as HTMLElement).parentElement
  ;(row?.children[next - props.least] as HTMLElement | undefined)?.focus()
}
</script>
<template>
  <div class="flex gap-px" role="radiogroup" :aria-label="label">
    <button
      v-for="n in numbers"
      :key="n"
      type="button"
      role="radio"
      class="cell display !min-w-0 flex-1 !px-0 text-[17px]"
      :aria-checked="value === n"
      :data-unusual="value === n && n >= unusualFrom"
      :tabindex="value === n || (value === undefined && n === least) ? 0 : -1"
      @click="emit('choose', value === n ? undefined : n)"
      @keydown.right="move($event, 1)"
      @keydown.left="move($event, -1)"
    >
      {{ n }}
    </button>
  </div>
</template>
