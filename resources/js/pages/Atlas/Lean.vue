<script setup lang="ts">
import Tick from '@/controls/Tick.vue'
import { Head, Link } from '@inertiajs/vue3'
import { computed, nextTick, ref, shallowRef } from 'vue'
import { Refused, send } from '@/composables/http'
import { dayWords } from '@/composables/settings'
import { useDevice } from '@/composables/useDevice'
import { useKeys } from '@/composables/useKeys'
import { capital } from '@/parts/words'
import type { ToolId } from '@/types/ids.generated'

/**
 * One's own hands on a pressure plate. The number is not shown while one presses: what the hands make when they mean it is what plans
 * reckon with. Looking on is practice, and is not kept.
 */
interface Made {
  force_n: number
  error: number
  sway: number
  on: string
  simulated: boolean
}
interface Aim {
  felt: number
  force_n: number
  lean: number
  last: Made | null
}
interface Tool {
  id: ToolId
  name: string
  hand: string
  aims: Aim[]
  /** per cent more than usual that plans reckon with */
  more: number | null
}
const props = defineProps<{
  tools: Tool[]
  /** kilograms, where it was told */
  mass: number | null
  plate: { address: string; simulated: boolean } | null
}>()
const LASTS = 10_000
/** The rise that does not count, and how near is near, as the judgement has them. */
const SETTLES = 2_000
const NEAR = 0.15

const tools = shallowRef(props.tools)
const at = ref({ tool: props.tools[0]?.id, felt: props.tools[0]?.aims[0]?.felt })
const tool = computed(() => tools.value.find((one) => one.id === at.value.tool))
const aim = computed(() => tool.value?.aims.find((one) => one.felt === at.value.felt))
const looking = ref(false)
const trace = shallowRef<[number, number][]>([])
const result = ref<{ words: string; made: Made; felt: number; kept: boolean } | null>(null)
const fault = ref('')
const pressed = ref(new Map<string, number>())
const { live, busy, trouble, read, stop } = useDevice()
const left = computed(() => Math.max(0, Math.ceil((LASTS - (trace.value.at(-1)?.[0] ?? 0)) / 1000)))
const button = ref<HTMLButtonElement | null>(null)

const choose = (id: ToolId, felt: number) => {
  if (busy.value) return
  at.value = { tool: id, felt }
  trace.value = []
  result.value = null
  fault.value = ''
  void nextTick(() => button.value?.focus())
}
const press = async () => {
  const [with_, to] = [tool.value, aim.value]
  if (!props.plate || !with_ || !to || busy.value) return
  trace.value = []
  result.value = null
  fault.value = ''
  const key = `${with_.id} ${to.felt}`
  pressed.value.set(key, (pressed.value.get(key) ?? 0) + 1)
  const seen = looking.value
  const held = await read(
    props.plate.address,
    {
      what: with_.id,
      side: 'midline',
      repeat: String(pressed.value.get(key)),
      ...(props.plate.simulated ? { about: String(to.force_n) } : {}),
    },
    (one) => (trace.value = [...trace.value, [one.at, one.value]]),
  )
  if (held === null) return
  try {
    const answer = await send<{ words: string; made: Made; tools: Tool[] }>('POST', '/atlas/trainer/lean', {
      tool: with_.id,
      aimed: to.felt,
      seen,
      samples: trace.value,
    })
    result.value = { words: answer.words, made: answer.made, felt: to.felt, kept: !seen }
    tools.value = answer.tools
  } catch (failure) {
    fault.value =
      failure instanceof Refused ? failure.words : 'This hold could not be kept: there is no connection. Press again when it is back.'
  }
}
/** The next cell that was never pressed, else the next one. */
const goOn = () => {
  const cells = tools.value.flatMap((one) => one.aims.map((to) => ({ id: one.id, to })))
  const here = cells.findIndex((one) => one.id === at.value.tool && one.to.felt === at.value.felt)
  const after = [...cells.slice(here + 1), ...cells.slice(0, here + 1)]
  const next = after.find((one) => one.to.last === null) ?? after[0]
  if (next) choose(next.id, next.to.felt)
}
const forget = async (id: ToolId) => {
  tools.value = (await send<{ tools: Tool[] }>('DELETE', `/atlas/trainer/lean/${id}`)).tools
  result.value = null
}
useKeys({ Enter: () => (result.value ? goOn() : void press()), ' ': () => (result.value ? goOn() : void press()), n: goOn }, [
  ['Enter', 'begin, or go on'],
  ['N', 'the next one'],
])

const more = (by: number | null): string =>
  by === null ? '' : by === 0 ? 'as is usual' : by > 0 ? `${by} % more than usual` : `${-by} % less than usual`
const percent = (by: number): string => `${by > 0 ? '+' : by < 0 ? '−' : '±'}${Math.abs(Math.round(by))} %`

// the picture: ten seconds from left to right, force upward; a little more than what is seen fits
const [WIDE, HIGH] = [640, 260]
const top = computed(() => Math.max((aim.value?.force_n ?? 0) * 1.6, ...trace.value.map(([, force]) => force * 1.05), 1))
const x = (ms: number): number => (WIDE * ms) / LASTS
const y = (force: number): number => HIGH - (HIGH * force) / top.value
const line = computed(() => trace.value.map(([ms, force]) => `${x(ms).toFixed(1)},${y(force).toFixed(1)}`).join(' '))
const shown = computed(() => (busy.value ? looking.value : true))
</script>
<template>
  <Head title="Lean" />
  <main class="mx-auto grid max-w-[1280px] gap-x-10 gap-y-6 px-6 pb-8 pt-5 lg:grid-cols-[minmax(0,430px)_minmax(0,1fr)]">
    <header class="flex flex-wrap items-end justify-between gap-4 lg:col-span-2">
      <div>
        <h1 class="display text-[34px] leading-[38px]">Lean</h1>
        <p class="caption">
          Ten seconds on the plate with each part of the hand. Plans then reckon force and lean of your hands, not of anybody’s.
        </p>
      </div>
      <nav class="flex gap-2">
        <Link href="/atlas/trainer" class="btn">Practise</Link><Link href="/settings" class="btn">Settings</Link
        ><Link href="/" class="btn">Today</Link>
      </nav>
    </header>
    <section aria-label="Tools" class="min-w-0">
      <table class="w-full border-collapse">
        <thead>
          <tr class="caption text-left">
            <th class="pb-1 font-normal" scope="col">with</th>
            <th class="pb-1 font-normal" scope="col">aimed at, 0–10, and how far off</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in tools" :key="one.id" class="border-b border-hairline">
            <th scope="row" class="py-1 pr-3 text-left align-middle font-normal">
              <span :class="one.id === at.tool ? 'font-[650]' : ''">{{ capital(one.name) }}</span><br v-if="one.more !== null" /><span
                v-if="one.more !== null"
                class="caption"
                >{{ more(one.more) }}</span
              >
            </th>
            <td class="py-1">
              <div class="flex gap-px" role="group" :aria-label="capital(one.name)">
                <button
                  v-for="to in one.aims"
                  :key="to.felt"
                  type="button"
                  class="cell min-w-[64px] flex-col !gap-0 leading-tight"
                  :class="to.last && Math.abs(to.last.error) <= 100 * NEAR ? '!bg-moss-wash' : to.last ? '!bg-weld-wash' : ''"
                  :aria-pressed="one.id === at.tool && to.felt === at.felt"
                  :aria-label="`${to.felt} with ${one.name}${to.last ? `, ${percent(to.last.error)} on ${dayWords(to.last.on)}` : ', not pressed yet'}`"
                  :title="to.last ? dayWords(to.last.on) : undefined"
                  :disabled="busy"
                  @click="choose(one.id, to.felt)"
                >
                  <span class="display text-[17px]">{{ to.felt }}</span><span class="caption">{{
                    to.last ? percent(to.last.error) : '–'
                  }}</span>
                </button>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
    <section v-if="tool && aim" aria-label="Plate" class="min-w-0">
      <h2 class="display text-[25px] leading-[31px]">Aim at {{ aim.felt }}, with {{ tool.name }}.</h2>
      <p class="mt-1 max-w-[620px]">{{ tool.hand }}</p>
      <p v-if="!plate" class="mt-4 max-w-[620px]">
        No plate is connected. Whoever keeps this installation names its address (docs/device-protocol.md); until then plans reckon with
        what is usual.
      </p>
      <template v-else>
        <div class="mt-4 flex flex-wrap items-center gap-4">
          <button v-if="!busy" ref="button" type="button" class="btn-ink" @click="press">
            {{ result || aim.last ? 'Press again' : 'Press' }} <span v-if="!result" class="key-hint">Enter</span>
          </button>
          <button v-else type="button" class="btn" @click="stop">Let go</button>
          <span v-if="busy" class="display text-[31px] tabular-nums" role="timer" aria-live="off">{{ left }} s</span>
          <span v-if="busy && looking" class="display text-[31px] tabular-nums">{{ live === null ? '' : `${Math.round(live)} N` }}</span>
          <Tick v-if="!busy" :checked="looking" @turn="(on) => (looking = on)">look on while I press (practice, not kept)</Tick>
          <span v-if="plate.simulated" class="caption">Simulated plate, simulated hands</span>
        </div>
        <svg
          :viewBox="`-62 -14 ${WIDE + 72} ${HIGH + 42}`"
          class="mt-4 block w-full max-w-[760px]"
          role="img"
          :aria-label="`Force in newtons over ten seconds; ${Math.round(aim.force_n)} stand for ${aim.felt}`"
        >
          <rect class="fill-fold" :width="x(SETTLES)" :height="HIGH" />
          <rect
            class="fill-moss-wash"
            :x="x(SETTLES)"
            :width="WIDE - x(SETTLES)"
            :y="y(aim.force_n * (1 + NEAR))"
            :height="y(aim.force_n * (1 - NEAR)) - y(aim.force_n * (1 + NEAR))"
          />
          <line class="stroke-walnut" :x1="0" :x2="WIDE" :y1="y(aim.force_n)" :y2="y(aim.force_n)" stroke-dasharray="5 5" />
          <line class="stroke-walnut" :x2="WIDE" :y1="HIGH" :y2="HIGH" />
          <g class="fill-walnut text-[15px]">
            <text x="-8" :y="y(aim.force_n) + 5" text-anchor="end">{{ Math.round(aim.force_n) }}</text>
            <text x="-8" :y="HIGH + 5" text-anchor="end">0 N</text>
            <text :x="x(SETTLES) / 2" :y="HIGH + 22" text-anchor="middle">getting there</text>
            <text :x="WIDE" :y="HIGH + 22" text-anchor="end">10 s</text>
          </g>
          <polyline v-if="shown" :points="line" class="fill-none stroke-iron" stroke-width="2.5" stroke-linejoin="round" />
          <text v-else :x="WIDE / 2" :y="HIGH / 2" text-anchor="middle" class="fill-walnut text-[17px]">not shown while you press</text>
        </svg>
        <div class="mt-3 min-h-[96px]" role="status">
          <template v-if="result">
            <p class="display text-[20px] leading-6">{{ result.words }}</p>
            <p class="mt-1">
              {{ result.made.force_n }} N where {{ aim.force_n }} stand for {{ result.felt }}: {{ percent(result.made.error) }}, swaying by
              {{ result.made.sway }} %. <template v-if="!result.kept">Practice: not kept.</template
              ><template v-else-if="tool.more !== null">With {{ tool.name }} plans reckon {{ more(tool.more) }}.</template
              ><template v-else>One more strength, and plans reckon with it.</template>
            </p>
            <button type="button" class="btn-ink mt-3" @click="goOn">Next <span class="key-hint">Enter</span></button>
          </template>
          <p v-else-if="fault || trouble" class="text-madder" role="alert">{{ fault || trouble }}</p>
          <p v-else-if="!busy" class="caption">
            {{ Math.round(aim.force_n) }} N, {{ Math.round(aim.lean) }} % of {{ mass === null ? 'a weight of 70 kg' : 'your weight' }},
            stand for {{ aim.felt }} on this plate. It is no test: how you are counts, and in the room the client’s word.
          </p>
        </div>
        <button v-if="tool.aims.some((one) => one.last)" type="button" class="link min-h-[44px]" @click="forget(tool.id)">
          Forget what {{ tool.name }} made
        </button>
      </template>
    </section>
  </main>
</template>
