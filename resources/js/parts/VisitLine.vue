<script setup lang="ts">
import { Link } from '@inertiajs/vue3'
import { computed } from 'vue'
import { stepNames } from '@/composables/useVisit'
import StepMark from './StepMark.vue'
import type { Judged, StepId } from '@/types/visit'

const props = defineProps<{ line: Judged['line']; step: StepId; visit: string }>()
const now = computed(() => props.line.findIndex((one) => one.id === props.step))
</script>
<template>
  <nav aria-label="Steps of the visit" class="line grid h-[76px] min-w-0 flex-1" :style="{ '--steps': line.length }">
    <Link
      v-for="(one, index) in line"
      :key="one.id"
      :href="`/visits/${visit}/${one.id}`"
      class="relative flex h-[76px] flex-col items-center sm:min-w-[36px] sm:px-1"
      :aria-current="one.id === step ? 'step' : undefined"
      :aria-label="`${stepNames[one.id]}, ${one.state === 'blocked' ? 'blocked' : one.state === 'part' ? 'part done' : one.state}${one.note ? ': ' + one.note : ''}`"
    >
      <!-- each draws its own stretch, since a long name takes more of the way -->
      <span
        v-for="half in [0, 0.5]"
        :key="half"
        class="absolute top-[50px] h-0 w-1/2 border-t-2 border-iron"
        :class="[half ? 'right-0' : 'left-0', index + half < now + 0.5 ? '' : 'border-dashed']"
        aria-hidden="true"
      />
      <span
        class="whitespace-nowrap max-sm:absolute"
        :class="[
          one.id === step ? 'display mt-[9px] text-[22px] leading-[26px]' : one.state === 'open' ? 'mt-[13px] text-walnut-2' : 'mt-[13px]',
          // where there is no room for all, the ends and the one in hand are named; the marks stay, and say their name aloud
          index === now || (Math.abs(index - now) > 1 && (index === 0 || index === line.length - 1))
            ? index === 0
              ? 'max-sm:left-0'
              : index === line.length - 1
                ? 'max-sm:right-0'
                : ''
            : 'max-sm:hidden',
        ]"
        >{{ stepNames[one.id] }}</span
      >
      <StepMark class="absolute top-[38px]" :state="one.id === step ? 'here' : one.state" />
      <span
        class="note absolute top-[59px] z-10 max-w-[118px] truncate whitespace-nowrap bg-paper px-0.5"
        :class="{ 'hidden xl:block': one.id !== step && one.state === 'blocked' && one.id !== 'work' }"
        >{{ one.note }}</span
      >
    </Link>
  </nav>
</template>
<style scoped>
.line {
  grid-template-columns: repeat(var(--steps), minmax(max-content, 1fr));
}
@media (max-width: 639px) {
  .line {
    grid-template-columns: repeat(var(--steps), minmax(0, 1fr));
  }
}
</style>
