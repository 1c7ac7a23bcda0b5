<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'

/** Counts a hold down, and says how long it was. It closes from below on both sides of the line, as the ring of the treatment room does. */
const props = defineProps<{ most: number; label: string; seconds: number | undefined }>()
const emit = defineEmits<{ held: [seconds: number] }>()
const from = ref<number | null>(null)
const now = ref(0)
const spent = computed(() => (from.value === null ? 0 : Math.min(props.most, (now.value - from.value) / 1000)))
const clock = useIntervalFn(
  () => {
    now.value = performance.now()
    if (spent.value >= props.most) stop()
  },
  100,
  { immediate: false },
)
const start = () => {
  from.value = now.value = performance.now()
  clock.resume()
}
function stop(): void {
  if (from.value === null) return
  clock.pause()
  const seconds = Math.round(spent.value)
  from.value = null
  emit('held', seconds)
}
defineExpose({ stop })
const R = 30
const share = computed(() => (from.value === null ? (props.seconds ?? 0) : spent.value) / props.most)
const bow = (sign: number): string => {
  const turn = Math.min(0.9999, share.value) * Math.PI
  return `M0 ${R}A${R} ${R} 0 0 ${sign > 0 ? 0 : 1} ${(sign * R * Math.sin(turn)).toFixed(2)} ${(R * Math.cos(turn)).toFixed(2)}`
}
</script>
<template>
  <div class="flex items-center gap-3">
    <svg viewBox="-36 -36 72 72" width="72" height="72" role="timer" :aria-label="label">
      <circle :r="R" fill="none" stroke="var(--color-hairline)" stroke-width="5" />
      <path :d="bow(1)" fill="none" stroke="var(--color-woad)" stroke-width="5" />
      <path :d="bow(-1)" fill="none" stroke="var(--color-woad)" stroke-width="5" />
      <text y="7" text-anchor="middle" font-size="22" class="display" fill="var(--color-walnut)">
        {{ from === null ? (seconds ?? most) : Math.ceil(most - spent) }}
      </text>
    </svg>
    <button type="button" class="btn" @click="from === null ? start() : stop()">
      {{ from === null ? (seconds === undefined ? `Hold up to ${most} s` : 'Hold again') : 'Stop' }}
    </button>
  </div>
</template>
