<script setup lang="ts">
import { atlas } from '@/chart/atlas'
import type { Manoeuvre } from '@/types/visit'

/** What the hands do in one step, in order: what and where, how the client lies, with what, the words, how often. */
defineProps<{ manoeuvres: Manoeuvre[] }>()
const often = (one: Manoeuvre): string =>
  [
    one.spot_names.length > 1 ? `${one.spot_names.length} spots` : '',
    `${one.repeats > 1 ? `${one.repeats} × ` : ''}${one.seconds} s`,
    one.pressure === null ? 'nothing pressed' : `felt ${one.pressure}`,
  ]
    .filter(Boolean)
    .join(', ')
</script>
<template>
  <ol class="border-t border-hairline">
    <li v-for="(one, k) in manoeuvres" :key="k" class="border-b border-hairline py-1.5">
      <p>
        <b class="font-[650]">{{ atlas.techniques[one.technique] }}.</b> {{ one.do }}
      </p>
      <p v-if="one.spot_names.length" class="caption">{{ one.spot_names.join(' · ') }}</p>
      <p class="caption">
        {{ often(one) }} · {{ atlas.tools[one.tool] }}<template v-if="one.setup"> · {{ atlas.setups[one.setup.id]?.name }}</template>
      </p>
      <p v-if="one.setup" class="caption">
        {{ atlas.setups[one.setup.id]?.bolster }} {{ atlas.setups[one.setup.id]?.drape }} “{{ atlas.setups[one.setup.id]?.say }}”
      </p>
      <p v-if="one.say" class="mt-0.5">“{{ one.say }}”</p>
    </li>
  </ol>
</template>
