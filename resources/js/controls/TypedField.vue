<script setup lang="ts" generic="T extends string | number">
import { computed, ref, watch } from 'vue'

/**
 * A field in which something is typed as people write it. It is kept when the field is left; what cannot be read stays in it, with the
 * reason under it, and keeps nothing. What is being typed is never written over by an answer that arrives meanwhile.
 */
defineOptions({ inheritAttrs: false })
const props = withDefaults(
  defineProps<{
    id: string
    value: T | null | undefined
    read: (text: string) => T | null
    show: (value: T) => string
    /** what is said of what cannot be read */
    refusal: string
    /** what is said of what is out of bounds; empty where it may be */
    bounds?: (value: T) => string
    look?: string
    mode?: 'numeric' | 'decimal' | 'text'
    placeholder?: string | undefined
    /** a fault found elsewhere */
    error?: string | undefined
    label?: string | undefined
    /** whether a fault found elsewhere is called out here; what calls it out itself says no */
    alerts?: boolean
  }>(),
  { bounds: () => '', look: 'field', mode: 'text', placeholder: undefined, error: undefined, label: undefined, alerts: true },
)
const emit = defineEmits<{ choose: [value: T | undefined]; next: []; step: [by: number] }>()
const here = computed(() => (props.value === null || props.value === undefined || props.value === '' ? '' : props.show(props.value)))
const text = ref(here.value)
const typing = ref(false)
const fault = ref('')
/** Enter is a change too, and so is leaving: what was kept once is not kept twice. */
let kept: string | null = null
watch(here, (now) => {
  fault.value = ''
  kept = null
  if (!typing.value) text.value = now
})
const commit = () => {
  if (text.value === kept || (text.value.trim() === here.value && !fault.value)) return
  fault.value = ''
  kept = text.value
  if (text.value.trim() === '') return emit('choose', undefined)
  const said = props.read(text.value)
  fault.value = said === null ? props.refusal : props.bounds(said)
  if (said !== null && !fault.value) {
    kept = text.value = props.show(said)
    emit('choose', said)
  }
}
const enterField = () => {
  typing.value = true
  kept = null
}
const leave = () => {
  typing.value = false
  if (!fault.value) text.value = here.value || text.value
}
/** Enter keeps it, by leaving the field, and goes on to what comes next where something does. */
const enter = (event: KeyboardEvent) => {
  commit()
  if (fault.value) event.preventDefault()
  else emit('next')
}
const told = computed(() => fault.value || props.error || '')
</script>
<template>
  <input
    :id="id"
    v-bind="$attrs"
    v-model="text"
    type="text"
    autocomplete="off"
    :class="look"
    :inputmode="mode"
    :placeholder="placeholder"
    :aria-label="label"
    :aria-invalid="told ? true : undefined"
    :aria-describedby="told ? `${id}-told` : undefined"
    @focus="enterField"
    @change="commit"
    @blur="leave"
    @keydown.enter="enter"
    @keydown.up.prevent="emit('step', 1)"
    @keydown.down.prevent="emit('step', -1)"
  />
  <p v-if="told" :id="`${id}-told`" class="text-madder" :role="fault || alerts ? 'alert' : undefined">{{ told }}</p>
</template>
