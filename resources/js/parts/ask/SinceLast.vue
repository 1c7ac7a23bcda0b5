<script setup lang="ts">
import { computed } from 'vue'
import { atlas } from '@/chart/atlas'
import { given, nameOf } from '@/composables/fields'
import { dayWords } from '@/composables/settings'
import { useVisit } from '@/composables/useVisit'
import Choices from '@/parts/Choices.vue'
import Scale from '@/parts/Scale.vue'
import LongWords from '@/parts/LongWords.vue'
import { listed } from '@/parts/words'
import type { EntryPayloads } from '@/types/visit'

/** What the last visit left to look at first, and how it was afterwards. */
const { props, judged, save, all, one, entries } = useVisit()
type After = EntryPayloads['aftermath']
const after = computed((): After => all('aftermath')[0] ?? { hours: 48 })
const setAfter = (part: Partial<After>, what: string) => {
  const next = given({ ...after.value, ...part })
  next.hours = Math.max(48, next.soreness_hours ?? 0)
  // the hours name the entry: a longer soreness moves it
  if (next.hours !== after.value.hours && one('aftermath', nameOf('aftermath', after.value)))
    save('aftermath', nameOf('aftermath', after.value), null, what)
  save('aftermath', nameOf('aftermath', next), next, `after the last visit, ${what}`)
}
const course = computed(() => judged.value.response)
/** Between the visits, on a phone. */
const answeredOn = computed(() => {
  const said = [...entries.value.values()].find((each) => each.kind === 'aftermath' && each.payload !== null)?.said_on
  return said && said < props.value.visit.date ? said : null
})
</script>
<template>
  <section v-if="props.before" aria-label="Since the last visit">
    <h2 class="section-head">Since the last visit</h2>
    <p class="caption mb-2">Visit {{ props.before.number }}, {{ dayWords(props.before.date) }}.</p>
    <p v-if="answeredOn" class="mb-2">
      Answered by {{ props.client.words.object }} on {{ dayWords(answeredOn) }}; asked again here it is changed.
    </p>
    <div v-if="props.before.to_look_at.length" class="mb-3 border-l-4 border-walnut bg-fold py-2 pl-3 pr-2">
      <h3 class="caption">To look at first</h3>
      <LongWords v-for="text in props.before.to_look_at" :key="text" :text="text" />
    </div>
    <p v-if="course" class="mb-3 border-l-2 border-iron pl-3">
      {{ course.course.because }} <span class="caption">{{ course.course.sureness }}</span>
    </p>
    <p class="caption">Sore afterwards, for how long?</p>
    <Choices
      label="Soreness"
      :options="{ '0': 'not', '12': 'half a day', '36': 'a day or two', '72': 'longer' }"
      :value="after.soreness_hours === undefined ? undefined : (String(after.soreness_hours) as '0' | '12' | '36' | '72')"
      :unusual="['72']"
      @choose="
        (value) =>
          setAfter(
            {
              soreness_hours: value === undefined ? undefined : Number(value),
              soreness: value === '0' ? 0 : after.soreness === 0 ? undefined : after.soreness,
            },
            'soreness',
          )
      "
    />
    <template v-if="after.soreness_hours">
      <p class="caption mt-2">How sore, at most?</p>
      <Scale label="How sore" :value="after.soreness" :unusual-from="5" @choose="(value) => setAfter({ soreness: value }, 'how sore')" />
    </template>
    <p class="caption mt-2">Was it worse?</p>
    <Choices
      label="Worse afterwards"
      :options="{ no: 'no', yes: 'worse' }"
      :value="after.worse === undefined ? undefined : after.worse ? 'yes' : 'no'"
      :unusual="['yes']"
      @choose="(value) => setAfter({ worse: value === undefined ? undefined : value === 'yes' }, 'worse')"
    />
    <p class="caption mt-2">
      <template v-if="props.before.home_care.length"
        >Done at home: {{ listed(props.before.home_care.map(({ exercise }) => atlas.self_care[exercise]?.name ?? exercise)) }}?</template
      ><template v-else>Home care?</template>
    </p>
    <Choices
      label="Home care"
      :options="{ none: 'no', some: 'some', all: 'all' }"
      :value="
        after.home_care_done === undefined ? undefined : after.home_care_done === 0 ? 'none' : after.home_care_done === 1 ? 'all' : 'some'
      "
      @choose="
        (value) => setAfter({ home_care_done: value === undefined ? undefined : { none: 0, some: 0.5, all: 1 }[value] }, 'home care')
      "
    />
  </section>
</template>
