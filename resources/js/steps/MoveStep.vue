<script setup lang="ts">
import { router } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import { atlas, movement as movementOf, under } from '@/chart/atlas'
import { useKeys } from '@/composables/useKeys'
import { useAtlas } from '@/composables/useAtlas'
import { useVisit } from '@/composables/useVisit'
import AboutButton from '@/parts/AboutButton.vue'
import NumberField from '@/parts/NumberField.vue'
import NextCheck from '@/parts/NextCheck.vue'
import RangeArcs from '@/parts/RangeArcs.vue'
import Scale from '@/parts/Scale.vue'
import WhyList from '@/parts/WhyList.vue'
import { goToCheck } from './goToCheck'
import type { MovementId, PostureSignId, Side } from '@/types/ids.generated'
import type { Complaint, Posture, RangeFinding, Resisted } from '@/types/visit'

const visit = useVisit()
const { props, judged, save, one, all } = visit
const words = computed(() => props.value.client.words)
const neck: MovementId[] = ['cervical.rotation', 'cervical.side_bend', 'cervical.flexion', 'cervical.extension']
/** What the region of the complaint asks for first: every movement that lengthens a muscle lying there. */
const asked = computed<MovementId[]>(() => {
  const count = new Map<MovementId, number>()
  for (const complaint of all<Complaint>('complaint'))
    for (const muscle of under(complaint.zone)) for (const [id] of muscle.lengthened) count.set(id, (count.get(id) ?? 0) + 1)
  const region = [...count]
    .sort((a, b) => b[1] - a[1])
    .map(([id]) => id)
    .slice(0, 7)
  const measured = all<RangeFinding>('range').map((item) => item.movement)
  return [...new Set([...measured, ...region, ...(region.length ? [] : neck)])]
})
const query = new URLSearchParams(location.search)
const chosen = ref<MovementId>(
  atlas.movements.find((item) => item.id === query.get('movement'))?.id ?? asked.value[0] ?? 'cervical.rotation',
)
const mode = ref<'range' | 'resisted'>(query.get('kind') === 'resisted' ? 'resisted' : 'range')
const list = computed(() => (asked.value.includes(chosen.value) ? asked.value : [chosen.value, ...asked.value]))
const movement = computed(() => movementOf(chosen.value))
const sides = computed<Side[]>(() => (movement.value.paired ? ['left', 'right'] : ['midline']))
const range = (side: Side) => one<RangeFinding>('range', `${chosen.value}:${side}`)
const before = (side: Side) =>
  (props.value.before?.entries ?? []).find((entry) => entry.kind === 'range' && entry.identity === `${chosen.value}:${side}`)?.payload as
    RangeFinding | undefined
const clean = <T extends object>(value: T): T =>
  Object.fromEntries(Object.entries(value).filter(([, part]) => part !== undefined && part !== '')) as T
const setRange = (side: Side, part: Partial<RangeFinding>, what: string) =>
  save(
    'range',
    `${chosen.value}:${side}`,
    clean({ movement: chosen.value, side, ...range(side), ...part }),
    `${movement.value.name} ${side}, ${what}`,
  )
const resisted = (side: Side) => one<Resisted>('resisted', `${chosen.value}:${side}`)
const setResisted = (side: Side, part: Partial<Resisted>, what: string) =>
  save(
    'resisted',
    `${chosen.value}:${side}`,
    clean({ movement: chosen.value, side, ...resisted(side), ...part }),
    `${movement.value.name} ${side}, ${what}`,
  )
const posture = (sign: PostureSignId, side: Side) => one<Posture>('posture', `${sign}:${side}`)?.grade
const upper: PostureSignId[] = [
  'head_forward',
  'head_turned',
  'head_tilted',
  'shoulder_high',
  'shoulder_rolled_forward',
  'shoulder_blade_winging',
  'arm_rests_high',
  'collarbone_short',
  'thoracic_round',
]
const showAll = ref(false)
const signs = computed(() => atlas.posture.filter((sign) => showAll.value || upper.includes(sign.id)))
const setPosture = (sign: PostureSignId, side: Side, grade: number | undefined) =>
  save(
    'posture',
    `${sign}:${side}`,
    grade === undefined ? null : { sign, side, grade },
    atlas.posture.find((item) => item.id === sign)?.name ?? sign,
  )
const step = (offset: number) => {
  const index = list.value.indexOf(chosen.value)
  chosen.value = list.value[(index + offset + list.value.length) % list.value.length] ?? chosen.value
}
const state = (id: MovementId): string => {
  const found = all<RangeFinding>('range').filter((item) => item.movement === id)
  return found.length ? found.map((item) => item.active ?? item.passive ?? '–').join(' · ') : ''
}
const { open: openAtlas } = useAtlas()
useKeys({
  i: () => openAtlas('movement', movement.value.id),
  '[': () => step(-1),
  ']': () => step(1),
  n: () => judged.value.pattern?.next_checks[0] && goToCheck(props.value.visit.id, judged.value.pattern.next_checks[0]),
})
</script>
<template>
  <div class="grid flex-1 gap-x-7 px-6 pb-6 pt-3 lg:grid-cols-[230px_minmax(0,1fr)] xl:grid-cols-[250px_minmax(0,1fr)_256px]">
    <nav aria-label="Movements">
      <h2 class="section-head mb-1">Move</h2>
      <ul>
        <li v-for="id in list" :key="id">
          <button
            type="button"
            class="flex min-h-[44px] w-full items-center justify-between gap-2 border-b border-hairline px-2 text-left"
            :class="id === chosen ? 'bg-fold font-[650]' : ''"
            :aria-current="id === chosen ? 'true' : undefined"
            @click="chosen = id"
          >
            {{ movementOf(id).name }} <span class="caption">{{ state(id) }}</span>
          </button>
        </li>
      </ul>
      <label class="caption mt-3 block" for="more">Another movement</label>
      <select id="more" class="field" @change="chosen = ($event.target as HTMLSelectElement).value as MovementId">
        <option value="">Choose</option>
        <option v-for="item in atlas.movements" :key="item.id" :value="item.id">{{ item.name }}</option>
      </select>
    </nav>
    <section class="min-w-0" :aria-label="movement.name">
      <div class="flex flex-wrap items-end justify-between gap-2">
        <h2 class="display text-[27px] leading-8">{{ movement.name }}</h2>
        <div class="flex gap-px" role="group" aria-label="How">
          <button type="button" class="cell" :aria-pressed="mode === 'range'" @click="mode = 'range'">Range</button
          ><button type="button" class="cell" :aria-pressed="mode === 'resisted'" @click="mode = 'resisted'">Against resistance</button>
        </div>
      </div>
      <p class="caption">
        {{ movement.how }}<template v-if="movement.paired"> The side is the one moved toward.</template>
        <AboutButton :id="movement.id" kind="movement" :name="movement.name" hint="I">How do I measure this</AboutButton>
      </p>
      <template v-if="mode === 'range'">
        <RangeArcs
          v-if="movement.paired"
          class="mx-auto mt-2 max-w-[460px]"
          :movement="movement"
          :left="range('left')?.active ?? range('left')?.passive"
          :right="range('right')?.active ?? range('right')?.passive"
          :before="{ left: before('left')?.active, right: before('right')?.active }"
        />
        <div class="mt-2 grid gap-x-6" :class="movement.paired ? 'grid-cols-2' : ''">
          <div v-for="side in sides" :key="side">
            <p class="side-name" :class="side === 'right' ? 'text-right' : ''">
              {{ side === 'midline' ? '' : `${words.possessive} ${side}` }}
            </p>
            <div class="mt-1 grid grid-cols-2 gap-2">
              <NumberField
                :id="`active-${side}`"
                :key="`active-${chosen}-${side}`"
                :label="`Active, ${movement.unit === 'deg' ? 'degrees' : movement.unit}`"
                :value="range(side)?.active"
                :entry="`range|before|${chosen}:${side}`"
                @commit="(value) => setRange(side, { active: value }, 'active')"
              />
              <NumberField
                :id="`passive-${side}`"
                :key="`passive-${chosen}-${side}`"
                label="Passive"
                :value="range(side)?.passive"
                :entry="`range|before|${chosen}:${side}`"
                @commit="(value) => setRange(side, { passive: value }, 'passive')"
              />
            </div>
            <p class="caption mt-2">Pain</p>
            <Scale
              :label="`Pain, ${side}`"
              :value="range(side)?.pain"
              :unusual-from="2"
              @choose="(value) => setRange(side, { pain: value }, 'pain')"
            />
            <label class="caption mt-2 block" :for="`end-${side}`">End-feel</label>
            <select
              :id="`end-${side}`"
              class="field"
              :value="range(side)?.end_feel ?? ''"
              @change="setRange(side, { end_feel: ($event.target as HTMLSelectElement).value || undefined }, 'end-feel')"
            >
              <option value="">not said</option>
              <option v-for="feel in ['soft', 'firm', 'hard', 'springy', 'guarded', 'empty']" :key="feel">{{ feel }}</option>
            </select>
          </div>
        </div>
      </template>
      <div v-else class="mt-4 grid gap-x-6" :class="movement.paired ? 'grid-cols-2' : ''">
        <div v-for="side in sides" :key="side">
          <p class="side-name" :class="side === 'right' ? 'text-right' : ''">
            {{ side === 'midline' ? '' : `${words.possessive} ${side}` }}
          </p>
          <p class="caption mt-1">Strength, 0–5</p>
          <Scale
            :label="`Strength, ${side}`"
            :most="5"
            :value="resisted(side)?.strength"
            @choose="(value) => setResisted(side, { strength: value }, 'strength')"
          />
          <p class="caption mt-2">Pain</p>
          <Scale
            :label="`Pain against resistance, ${side}`"
            :value="resisted(side)?.pain"
            :unusual-from="2"
            @choose="(value) => setResisted(side, { pain: value }, 'pain')"
          />
        </div>
      </div>
      <h2 class="section-head mt-7">Look</h2>
      <p class="caption mb-1">0 looked for and not there, 3 marked.</p>
      <div
        v-for="sign in signs"
        :key="sign.id"
        class="grid items-center gap-x-3 border-b border-hairline py-px"
        :class="sign.paired ? 'grid-cols-[1fr_minmax(120px,auto)_1fr]' : 'grid-cols-[1fr_auto_1fr]'"
      >
        <Scale
          v-if="sign.paired"
          :most="3"
          :label="`${sign.name}, left`"
          :value="posture(sign.id, 'left')"
          :unusual-from="1"
          class="flex-row-reverse"
          @choose="(value) => setPosture(sign.id, 'left', value)"
        />
        <span v-else />
        <span class="text-center">{{ sign.name }}</span>
        <Scale
          :most="3"
          :label="`${sign.name}${sign.paired ? ', right' : ''}`"
          :value="posture(sign.id, sign.paired ? 'right' : 'midline')"
          :unusual-from="1"
          @choose="(value) => setPosture(sign.id, sign.paired ? 'right' : 'midline', value)"
        />
      </div>
      <button type="button" class="link caption mt-2 min-h-[32px]" @click="showAll = !showAll">
        {{ showAll ? 'Only neck and shoulder' : 'The whole body' }}
      </button>
    </section>
    <aside class="flex flex-col gap-4 lg:col-start-2 xl:col-start-3">
      <h2 class="section-head">What could explain it</h2>
      <WhyList
        v-if="judged.pattern"
        :pattern="judged.pattern"
        :most="4"
        @choose="(candidate) => router.visit(`/visits/${props.visit.id}/feel?muscle=${candidate.muscle}&side=${candidate.side}`)"
      />
      <NextCheck class="mt-auto" :check="judged.pattern?.next_checks[0]" @go="(check) => goToCheck(props.visit.id, check)" />
    </aside>
  </div>
</template>
