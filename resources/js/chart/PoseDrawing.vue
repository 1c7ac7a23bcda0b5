<script setup lang="ts">
import { computed, ref, shallowRef, watchEffect } from 'vue'
import { settings } from '@/composables/settings'
import type { Side } from '@/types/ids.generated'
import { FILLED, isDrawn, isTurned, loadPose, POSE_TONES, type Pose } from './poses'

/** How somebody lies, a hand or an exercise, as a small line drawing; nothing where none is drawn. */
const props = defineProps<{
  /** position, setup, tool or home, a dot, and what it is */
  id: string
  /** whose limb it is, or where the head goes */
  side?: Side | undefined
  label: string
  dark?: boolean
}>()
const pose = shallowRef<Pose | null>(null)
const lost = ref(false)
watchEffect(() => {
  const { id } = props
  pose.value = null
  lost.value = false
  void loadPose(id)
    .then((one) => id === props.id && (pose.value = one))
    .catch(() => (lost.value = true))
})
const tones = computed(() => POSE_TONES[props.dark || settings().theme === 'dusk' ? 'dark' : 'light'])
const turned = computed(() => isTurned(props.id, props.side))
/** Small drawings want a heavier line. */
const HEAVIER = 2.4
</script>
<template>
  <svg
    v-if="isDrawn(id) && !lost"
    :viewBox="pose ? `0 0 ${pose.w} ${pose.h}` : '0 0 4 3'"
    class="block h-full w-full"
    role="img"
    :aria-label="label"
    :data-pose="id"
    :data-turned="turned"
  >
    <g
      v-if="pose"
      :transform="turned ? `translate(${pose.w},0) scale(-1,1)` : undefined"
      fill="none"
      stroke-linecap="round"
      stroke-linejoin="round"
    >
      <path v-if="pose.ghost" :d="pose.ghost" :stroke="tones.ghost" stroke-width="3" />
      <template v-for="part in FILLED" :key="part">
        <path v-if="pose[part]" :d="pose[part]" :fill="tones[part]" fill-rule="evenodd" :stroke="tones[part]" stroke-width="2" />
      </template>
      <path v-if="pose.soft" :d="pose.soft" :stroke="tones.soft" :stroke-width="pose.sw + 1" />
      <path v-if="pose.hair" :d="pose.hair" :stroke="tones.line" :stroke-width="pose.sw + 1" />
      <path v-if="pose.line" :d="pose.line" :fill="tones.line" :stroke="tones.line" :stroke-width="HEAVIER" />
      <path v-if="pose.arrow" :d="pose.arrow" :fill="tones.arrow" :stroke="tones.arrow" :stroke-width="HEAVIER" />
    </g>
  </svg>
</template>
