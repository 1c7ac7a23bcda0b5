<script setup lang="ts">
import type { Response } from '@/types/visit'
import { doseWords } from './traces'

/** What the visits so far say of one muscle: how it goes on there and why, what was borne, from where it made sore. */
defineProps<{ target: Response['targets'][number] }>()
</script>
<template>
  <span
    >{{ target.because
    }}<template v-if="target.tolerance.sore_from !== null && !target.tolerance.varies">
      Sore from about {{ doseWords(target.tolerance.sore_from)
      }}<template v-if="target.tolerance.borne !== null">; {{ doseWords(target.tolerance.borne) }} was borne</template>.</template
    ></span
  >
</template>
