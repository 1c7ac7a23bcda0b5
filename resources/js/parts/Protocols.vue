<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import FileButton from '@/controls/FileButton.vue'
import NumberInput from '@/controls/NumberInput.vue'
import Tick from '@/controls/Tick.vue'
import { computed, reactive, ref, watch } from 'vue'
import { atlas, zone } from '@/chart/atlas'
import { Refused, send, sendFile } from '@/composables/http'
import { dayWords } from '@/composables/settings'
import type { EntryPayloads } from '@/types/entries.generated'
import type { ConditionId, ZoneId } from '@/types/ids.generated'
import type { Plan } from '@/types/visit'
import Choices from './Choices.vue'
import FewOf from './FewOf.vue'
import Sheet from './Sheet.vue'
import { tenth } from './words'

/** Plans with a name: tried on this client, taken, and kept for others. */
interface Listed {
  id: string
  name: string
  about: string
  by: string | null
  own: boolean
  shared: boolean
  version: number | null
  versions: { id: string; version: number; on: string }[]
  /** why it is not meant for this client today */
  unfit: string[]
}
export interface Tried {
  side: 'left' | 'right'
  unfit: string[]
  /** minutes are null where it fell out */
  rows: { name: string; minutes: number | null; because: string[] }[]
  targets: EntryPayloads['target'][]
  minutes: number | null
  school: Record<string, string>
  plan: Plan
}
const props = defineProps<{ visit: string; open: boolean; zones: ZoneId[]; isPlanned: boolean }>()
const emit = defineEmits<{ close: []; take: [name: string, tried: Tried] }>()
const list = ref<Listed[]>([])
const problem = ref('')
const faults = ref<{ place: string; words: string }[]>([])
const said = ref('')
const act = async (what: () => Promise<void>) => {
  problem.value = ''
  faults.value = []
  try {
    await what()
  } catch (failure) {
    problem.value = failure instanceof Refused ? failure.words : 'No connection just now; nothing was changed.'
    faults.value = failure instanceof Refused ? (failure.body.faults ?? []) : []
  }
}
const read = () =>
  act(async () => {
    list.value = (await send<{ protocols: Listed[] }>('GET', `/visits/${props.visit}/protocols`)).protocols
  })
const chosen = ref<Listed | null>(null)
const version = ref('')
const tried = ref<Tried | null>(null)
watch(
  () => props.open,
  (open) => {
    if (!open) return
    chosen.value = null
    tried.value = null
    said.value = ''
    void read()
  },
  { immediate: true },
)
const tryOn = (id: string, side?: 'left' | 'right') =>
  act(async () => {
    tried.value = null
    version.value = id
    tried.value = await send<Tried>('POST', `/visits/${props.visit}/protocols/tries`, { protocol: id, ...(side ? { side } : {}) })
  })
const choose = (one: Listed) => {
  chosen.value = chosen.value?.id === one.id ? null : one
  tried.value = null
  if (chosen.value) void tryOn(one.id)
}
const sides = { left: 'For the left', right: 'For the right' } as const
const fellOut = computed(() => tried.value?.rows.filter((row) => row.minutes === null).length ?? 0)
const share = (one: Listed) =>
  act(async () => {
    await send('PUT', `/protocols/${one.id}`, { shared: !one.shared })
    await read()
    chosen.value = list.value.find((other) => other.id === one.id) ?? null
  })
const putAway = (one: Listed) =>
  act(async () => {
    await send('DELETE', `/protocols/${one.id}`)
    chosen.value = null
    said.value = `${one.name} is put away.`
    await read()
  })
const bring = (file: File) => {
  void act(async () => {
    const { version: number } = await sendFile<{ version: number }>('/protocols', file)
    said.value = number > 1 ? `Brought in as version ${number}.` : 'Brought in.'
    await read()
  })
}
const kept = reactive({
  name: '',
  about: '',
  zones: [...props.zones] as ZoneId[],
  not_with: [] as ConditionId[],
  from_visit: null as number | null,
  shared: false,
})
const keep = () =>
  act(async () => {
    const { version: number } = await send<{ version: number }>('POST', `/visits/${props.visit}/protocols`, {
      name: kept.name,
      about: kept.about,
      shared: kept.shared,
      from_visit: kept.from_visit,
      conditions: { zones: kept.zones, not_with: kept.not_with },
    })
    said.value = `${kept.name} is kept${number > 1 ? `, version ${number}` : ''}.`
    kept.name = ''
    await read()
  })
const everyZone = atlas.zones.map((one) => one.id)
const conditions = atlas.conditions.map((one) => one.id)
const labelOf = (id: ConditionId): string => atlas.conditions.find((one) => one.id === id)?.label ?? id
</script>
<template>
  <Sheet title="Protocols" :open="open" @close="emit('close')">
    <p class="caption">Plans with a name. Each is judged anew for this client: nothing is set before you take it.</p>
    <p v-if="problem" class="mt-2 text-madder" role="alert">{{ problem }}</p>
    <ul v-if="faults.length" class="text-madder">
      <li v-for="one in faults" :key="one.place + one.words">{{ one.place }}: {{ one.words }}</li>
    </ul>
    <p v-if="said" class="mt-2 border-l-2 border-weld pl-3" role="status">{{ said }}</p>
    <ul class="mt-3 border-t border-hairline">
      <li v-for="one in list" :key="one.id" class="border-b border-hairline">
        <button
          type="button"
          class="flex min-h-[52px] w-full items-center justify-between gap-3 py-1 text-left"
          :aria-expanded="chosen?.id === one.id"
          @click="choose(one)"
        >
          <span
            ><b class="font-[650]">{{ one.name }}</b
            ><br /><span class="caption"
              >{{ one.by ?? 'ships with Somatrace' }}<template v-if="one.version">, version {{ one.version }}</template
              ><template v-if="one.unfit.length"> · {{ one.unfit[0] }}</template></span
            ></span
          ><span v-if="!one.unfit.length" class="caption shrink-0">fits</span>
        </button>
        <div v-if="chosen?.id === one.id" class="pb-3">
          <p v-if="one.about">{{ one.about }}</p>
          <div v-if="tried" class="mt-2 space-y-2">
            <Choices label="Side" :options="sides" :value="tried.side" @choose="(side) => side && tryOn(version, side)" />
            <p v-for="why in tried.unfit" :key="why" class="border-l-2 border-iron pl-2">{{ why }}</p>
            <table class="w-full text-[14px] leading-[19px]">
              <caption class="caption pb-1 text-left">
                {{
                  fellOut ? `${fellOut} of ${tried.rows.length} fall out here.` : `All ${tried.rows.length} can be done here.`
                }}
              </caption>
              <tbody>
                <tr v-for="row in tried.rows" :key="row.name" class="border-t border-hairline align-top">
                  <th scope="row" class="py-1 pr-2 text-left font-[650]">
                    {{ row.name }}
                    <p v-for="why in row.because" :key="why" class="font-normal text-madder">{{ why }}</p>
                  </th>
                  <td class="whitespace-nowrap py-1 text-right">{{ row.minutes === null ? 'falls out' : `${tenth(row.minutes)} min` }}</td>
                </tr>
              </tbody>
            </table>
            <button type="button" class="btn-ink w-full" @click="emit('take', one.name, tried)">Take it, judged like this</button>
            <div v-if="one.versions.length > 1" class="flex items-center gap-2">
              <label class="caption" :for="`version-${one.id}`">Version</label>
              <Pick
                :id="`version-${one.id}`"
                class="flex-1"
                label="Version"
                :choices="one.versions.map((other) => ({ id: other.id, name: `${other.version}, ${dayWords(other.on)}` }))"
                :value="version"
                @choose="(chosen) => chosen && tryOn(chosen, tried?.side)"
              />
            </div>
            <p class="flex flex-wrap gap-x-5">
              <a class="link inline-block min-h-[32px] leading-[32px]" :href="`/protocols/${version}`" download>Take out as a file</a>
              <button v-if="one.own" type="button" class="link min-h-[32px]" @click="share(one)">
                {{ one.shared ? 'Share no more' : 'Share in the clinic' }}
              </button>
              <button v-if="one.own" type="button" class="link min-h-[32px]" @click="putAway(one)">Put away</button>
            </p>
          </div>
          <p v-else-if="!problem" class="caption" role="status">Judging it for this client.</p>
        </div>
      </li>
    </ul>
    <FileButton class="mt-2" label="Bring in from a file" accept="application/json,.json" @choose="bring" />
    <form v-if="isPlanned" class="mt-4 space-y-3 border-t-2 border-iron pt-3" @submit.prevent="keep">
      <h3 class="section-head">Keep this plan as a protocol</h3>
      <div>
        <label class="caption block" for="protocol-name">Name</label>
        <input id="protocol-name" v-model="kept.name" class="field w-full" maxlength="80" required autocomplete="off" />
        <p class="note mt-1">Under a name of your own that is there already it becomes the next version.</p>
      </div>
      <div>
        <label class="caption block" for="protocol-about">What it is for</label>
        <textarea id="protocol-about" v-model="kept.about" class="field w-full" rows="2" maxlength="400" />
      </div>
      <div>
        <p class="caption">For a complaint in</p>
        <FewOf
          id="protocol-zones"
          label="A place it is for"
          prompt="anywhere"
          :chosen="kept.zones"
          :choices="everyZone"
          :name="(id) => zone(id).name"
          :key-of="(id) => id"
          @change="(ids) => (kept.zones = ids ?? [])"
        />
      </div>
      <div>
        <p class="caption">Not with</p>
        <FewOf
          id="protocol-not-with"
          label="A condition it is not for"
          prompt="no condition"
          wide
          :chosen="kept.not_with"
          :choices="conditions"
          :name="labelOf"
          :key-of="(id) => id"
          @change="(ids) => (kept.not_with = ids ?? [])"
        />
      </div>
      <div class="flex flex-wrap items-end gap-5">
        <div>
          <label class="caption block" for="protocol-from">From visit</label>
          <NumberInput
            id="protocol-from"
            :value="kept.from_visit"
            :min="1"
            :max="20"
            look="field !w-[90px]"
            @choose="(visit) => (kept.from_visit = visit ?? null)"
          />
        </div>
        <Tick :checked="kept.shared" @turn="(on) => (kept.shared = on)">Share in the clinic</Tick>
        <button type="submit" class="btn">Keep it</button>
      </div>
      <p class="note">Nothing of the client is kept with it: muscles, order, and what you set by hand, seen from the side that hurts.</p>
    </form>
  </Sheet>
</template>
