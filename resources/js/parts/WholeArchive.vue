<script setup lang="ts">
import { ref } from 'vue'
import { saveBlob } from '@/chart/saveFigure'
import { fetchFile, Refused } from '@/composables/http'
import { useProgress } from '@/composables/progress'
import ProgressLine from './ProgressLine.vue'

/** Everything that is held about somebody, as one file: a long course takes a while, visit by visit. */
const { from, name } = defineProps<{ from: string; name: string }>()
const { progress, followed } = useProgress()
const busy = ref(false)
const trouble = ref('')
const fetchIt = async () => {
  if (busy.value) return
  busy.value = true
  trouble.value = ''
  try {
    saveBlob(await followed((token) => fetchFile(`${from}?progress=${token}`, 'goes-on')), name)
  } catch (failure) {
    trouble.value = failure instanceof Refused ? failure.words : 'No connection just now. Try once more in a minute.'
  }
  busy.value = false
}
</script>
<template>
  <div class="text-right">
    <a class="btn-ink inline-flex whitespace-nowrap" :href="from" download :aria-disabled="busy" @click.prevent="fetchIt">one archive</a>
    <ProgressLine v-if="busy" class="mt-2" :progress="progress" words="Putting it together…" />
    <p v-if="trouble" class="mt-2 text-madder" role="alert">{{ trouble }}</p>
  </div>
</template>
