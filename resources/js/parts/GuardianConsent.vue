<script setup lang="ts">
import { computed, ref } from 'vue'
import { useVisit } from '@/composables/useVisit'
import Choices from './Choices.vue'
import Witness from './Witness.vue'

/** A minor's guardian answers at each visit: who, in which words, asked by whom. */
const { props, save, one } = useVisit()
const answer = computed(() => one('guardian', ''))
const name = ref(answer.value?.name ?? props.value.client.guardian ?? '')
const said = computed(
  () =>
    `${props.value.client.name.split(' ')[0]} is under age. Do you agree to the treatment we talked over, today, and may it be stopped at any word?`,
)
const set = (given: boolean | undefined) =>
  save(
    'guardian',
    '',
    given === undefined ? null : { given, name: name.value.trim(), said: said.value },
    `guardian ${given === undefined ? 'open' : given ? 'agrees' : 'does not agree'}`,
  )
const rename = () => answer.value && name.value.trim().length > 1 && set(answer.value.given)
</script>
<template>
  <section v-if="props.client.guardian !== null" class="mb-4 border-t-2 border-iron pt-2" aria-label="Guardian">
    <h2 class="section-head">The guardian, today</h2>
    <p class="mt-1">“{{ said }}”</p>
    <div class="mt-1 flex flex-wrap items-end gap-3">
      <label class="min-w-[180px] flex-1"
        ><span class="caption block">Who answers</span
        ><input v-model="name" class="field" minlength="2" maxlength="120" autocomplete="off" @change="rename"
      /></label>
      <Choices
        v-if="name.trim().length > 1"
        label="Guardian"
        :options="{ yes: 'agrees', no: 'no' }"
        :value="answer === undefined ? undefined : answer.given ? 'yes' : 'no'"
        :unusual="['no']"
        @choose="(value) => set(value === undefined ? undefined : value === 'yes')"
      />
      <span v-else class="caption pb-3">A name first, please.</span>
    </div>
    <Witness v-if="answer" :agreement="answer" />
  </section>
</template>
