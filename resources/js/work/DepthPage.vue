<script setup lang="ts">
import { computed } from 'vue'
import { atlas, hazardsBeside, muscle as muscleOf } from '@/chart/atlas'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import { isDrawn } from '@/chart/poses'
import { goalWords } from '@/parts/course/goals'
import { doseWords, toleranceWords } from '@/parts/course/traces'
import { capital } from '@/parts/words'
import type { GoalProgress, Manoeuvre, PlanStep, Response } from '@/types/visit'
import { setupOf, skinOf } from './lines'
import RoomPage from './RoomPage.vue'

/** All there is to know about what is in hand: one touch in, one touch out; the clock goes on. */
const props = defineProps<{
  step: PlanStep
  manoeuvre: Manoeuvre | undefined
  /** firm minutes of each part of the hand */
  hands: { name: string; so_far: number; minutes: number; of: number }[]
  /** how long the hands were on so far */
  on: string
  /** what the visits before say of the muscle in hand */
  soFar: Response['targets'][number] | undefined
  /** kPa·s on it today */
  dose: number
  goals: GoalProgress[]
}>()
const emit = defineEmits<{ close: []; atlas: []; room: []; found: [] }>()
const setup = computed(() => (props.manoeuvre?.setup ? atlas.setups[props.manoeuvre.setup.id] : undefined))
const poses = computed(() =>
  [
    { id: `position.${props.step.position}`, side: undefined },
    ...(props.manoeuvre?.setup ? [{ id: `setup.${props.manoeuvre.setup.id}`, side: props.manoeuvre.setup.side }] : []),
    ...(props.manoeuvre ? [{ id: `tool.${props.manoeuvre.tool}`, side: undefined }] : []),
  ].filter((one) => isDrawn(one.id)),
)
const ends = computed(() =>
  (props.manoeuvre?.ends_when ?? []).map((id) =>
    id === 'over_ceiling'
      ? 'over the ceiling'
      : id === 'quiet'
        ? 'it is quiet'
        : (atlas.answerSigns[id] ?? atlas.stopSigns.find((one) => one.id === id)?.name ?? id).toLowerCase(),
  ),
)
const rows = computed(() =>
  (
    [
      ['Do', props.manoeuvre?.do ?? ''],
      ['Lies', [`${capital(atlas.positions[props.step.position])}.`, setup.value?.bolster, setup.value?.drape].filter(Boolean).join(' ')],
      ['Set-up', props.manoeuvre ? capital(setupOf(props.manoeuvre)) : ''],
      ['To ask for it', setup.value ? `“${setup.value.say}”` : ''],
      ['Hand', props.manoeuvre?.hand ?? ''],
      ['Other hand', props.manoeuvre?.other_hand ?? ''],
      ['Skin', props.manoeuvre ? capital(skinOf(props.manoeuvre.product)) : ''],
      ['Leave', props.manoeuvre?.leave ?? ''],
      ['Ends when', capital(ends.value.join(', '))],
      [
        'Before today',
        props.soFar && props.soFar.visits > 0
          ? [props.soFar.because, toleranceWords(props.soFar.tolerance), props.dose > 0 ? `Today so far ${doseWords(props.dose)}.` : '']
              .filter(Boolean)
              .join(' ')
          : '',
      ],
      [props.goals.length > 1 ? 'Goals' : 'Goal', props.goals.map((one) => `${capital(goalWords(one))}.`).join(' ')],
      [
        'If',
        props.manoeuvre?.branch
          ? `${props.manoeuvre.branch.ask} Yes: ${props.manoeuvre.branch.yes.text} No: ${props.manoeuvre.branch.no.text}`
          : '',
      ],
      ['To find it', props.step.find.map((one) => capital(one)).join('. ')],
      ['Why', [props.manoeuvre?.because, props.step.why].filter(Boolean).join(' ')],
      ['No stronger', props.step.ceiling?.because ?? ''],
      [
        'Your hands',
        [
          `On for ${props.on}.`,
          ...props.hands.map((one) => `${capital(one.name)}: ${one.so_far} firm minutes of ${one.minutes}; ${one.of} a visit are enough.`),
        ].join(' '),
      ],
    ] as const
  ).filter(([, text]) => text !== ''),
)
const hazards = computed(() => (props.step.muscle ? hazardsBeside(props.step.muscle, props.step.side ?? 'midline', props.step.zones) : []))
const told = computed(() => props.step.cautions.filter((one) => one.kind !== 'hazard'))
</script>
<template>
  <RoomPage :title="step.label" @close="emit('close')">
    <div class="grid gap-x-10 gap-y-6 wide-room:grid-cols-[minmax(0,1fr)_380px]">
      <dl
        class="grid h-fit grid-cols-[104px_minmax(0,1fr)] gap-x-4 gap-y-3 text-[22px] leading-[28px] wide-room:grid-cols-[150px_minmax(0,1fr)] wide-room:text-[26px] wide-room:leading-[32px]"
      >
        <template v-for="[name, text] in rows" :key="name">
          <dt class="text-linen-2">{{ name }}</dt>
          <dd>{{ text }}</dd>
        </template>
      </dl>
      <div>
        <div class="flex flex-wrap gap-4">
          <PoseDrawing
            v-for="one in poses"
            :id="one.id"
            :key="one.id"
            dark
            class="!h-[150px] !w-auto"
            :side="one.side"
            :label="step.label"
          />
        </div>
        <ul class="mt-4 space-y-4 text-[22px] leading-[28px] wide-room:text-[26px] wide-room:leading-[32px]">
          <li v-for="one in hazards" :key="one.id" class="flex gap-3">
            <span class="w-[8px] shrink-0 border-y-[3px] border-l-[3px] border-room-madder" aria-hidden="true" />
            <span
              ><b class="font-[650]">{{ one.name }}</b
              >: {{ one.sign }} <b class="text-room-moss">→</b> {{ one.safe }}</span
            >
          </li>
          <li v-for="one in told" :key="one.text" class="flex gap-3">
            <span class="w-[8px] shrink-0 border-y-[3px] border-l-[3px] border-room-madder" aria-hidden="true" />{{ capital(one.text) }}
          </li>
        </ul>
      </div>
    </div>
    <div class="mt-auto flex flex-wrap gap-4">
      <button type="button" class="room-key !bg-room-fold" data-target="room" @click="emit('room')">
        This room <span class="room-hint">?</span>
      </button>
      <button type="button" class="room-key flex-1" data-target="close" @click="emit('close')">
        Back to the hands <span class="room-hint">I</span>
      </button>
      <button type="button" class="room-key !bg-room-fold" data-target="found" @click="emit('found')">
        Found something <span class="room-hint">F</span>
      </button>
      <button v-if="step.muscle" type="button" class="room-key !bg-room-fold" data-target="atlas" @click="emit('atlas')">
        {{ muscleOf(step.muscle).name }} in the atlas
      </button>
    </div>
  </RoomPage>
</template>
