<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { atlas, region } from '@/chart/atlas'
import { nameOf } from '@/composables/fields'
import { useKeys } from '@/composables/useKeys'
import { useLastTime } from '@/composables/lastTime'
import { useVisit } from '@/composables/useVisit'
import Scale from '@/parts/Scale.vue'
import { called, listed } from '@/parts/words'
import type { EntryPayloads } from '@/types/visit'
import type { PostureSignId, RegionId, Side } from '@/types/ids.generated'

/** What the eye finds, each side about the midline; what was looked for and is not there says something too. */
const props = defineProps<{ regions: RegionId[] }>()
const { one, save, saveAll } = useVisit()
const { left, confirm } = useLastTime()
const all = ref(false)
/** What tells most where it hurts comes first, region by region; what somebody has graded stays in sight. */
const near = computed(() => {
  const asked = [...new Set(props.regions.flatMap((id) => region(id).look))]
  return asked.flatMap((id) => atlas.posture.find((sign) => sign.id === id) ?? [])
})
const rest = computed(() => atlas.posture.filter((sign) => !near.value.includes(sign)))
const isGraded = (sign: (typeof atlas.posture)[number]) => sidesOf(sign.paired).some((side) => grade(sign.id, side) !== undefined)
const signs = computed(() => [...near.value, ...(all.value || !near.value.length ? rest.value : rest.value.filter(isGraded))])
const sidesOf = (paired: boolean): Side[] => (paired ? ['left', 'right'] : ['midline'])
const grade = (sign: PostureSignId, side: Side) => one('posture', nameOf('posture', { sign, side }))?.grade
const set = (sign: PostureSignId, side: Side, value: number | undefined) =>
  save(
    'posture',
    nameOf('posture', { sign, side }),
    value === undefined ? null : { sign, side, grade: value },
    atlas.posture.find((item) => item.id === sign)?.name ?? sign,
  )
const open = computed(() =>
  signs.value.flatMap((sign) =>
    sidesOf(sign.paired)
      .filter((side) => grade(sign.id, side) === undefined)
      .map((side) => ({ sign: sign.id, side })),
  ),
)
/** What was seen last time, where nobody has looked today. */
const before = computed(() => left('posture', (one) => one.grade > 0))
const lookOf = (one: EntryPayloads['posture']): string =>
  `${atlas.posture.find((item) => item.id === one.sign)?.name.toLowerCase() ?? one.sign}${one.side === 'midline' ? '' : ` ${one.side}`} ${one.grade}`
const list = useTemplateRef<HTMLElement>('list')
const scales = (): HTMLElement[] => [...(list.value?.querySelectorAll<HTMLElement>('[role=radiogroup]') ?? [])]
const into = (scale: HTMLElement | undefined) => {
  const first = scale?.querySelector<HTMLElement>('[tabindex="0"]')
  if (first) first.focus()
  else if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
}
/** By keys it goes down the list, left before right; after the last one the keys of the page answer again. */
const onward = async (sign: PostureSignId, side: Side) => {
  await nextTick()
  const here = scales().findIndex((scale) => scale.dataset['at'] === `${sign} ${side}`)
  into(scales()[here + 1])
}
useKeys({ o: () => into(scales().find((scale) => !scale.querySelector('[aria-checked=true]')) ?? scales()[0]) })
const nothing = () =>
  saveAll(
    open.value.map(({ sign, side }) => ({
      kind: 'posture',
      identity: nameOf('posture', { sign, side }),
      payload: { sign, side, grade: 0 },
    })),
    'looked, nothing else there',
  )
</script>
<template>
  <section aria-labelledby="look">
    <div class="mt-7 flex flex-wrap items-end justify-between gap-2">
      <h2 id="look" class="section-head">Look</h2>
      <span class="flex gap-4">
        <button
          v-if="before.length"
          type="button"
          class="link caption min-h-[32px]"
          @click="confirm('posture', before, 'the look of last time')"
        >
          unchanged since last time: {{ listed(before.map(lookOf)) }}
        </button>
        <button v-if="open.length" type="button" class="link caption min-h-[32px]" @click="nothing">
          the other {{ open.length }}: looked, nothing
        </button>
      </span>
    </div>
    <p class="caption mb-1">0 looked for and not there, 3 marked. By keys: <span class="key-hint">O</span></p>
    <div ref="list">
      <div v-for="sign in signs" :key="sign.id" class="grid grid-cols-[1fr_160px_1fr] items-center gap-x-3 border-b border-hairline py-px">
        <Scale
          v-if="sign.paired"
          :most="3"
          :label="`${sign.name}, left`"
          :value="grade(sign.id, 'left')"
          :unusual-from="1"
          class="flex-row-reverse"
          :data-at="`${sign.id} left`"
          @next="onward(sign.id, 'left')"
          @choose="(value) => set(sign.id, 'left', value)"
        />
        <span v-else />
        <span class="text-center">{{ called(sign).name }}</span>
        <Scale
          :most="3"
          :label="`${sign.name}${sign.paired ? ', right' : ''}`"
          :value="grade(sign.id, sign.paired ? 'right' : 'midline')"
          :unusual-from="1"
          :data-at="`${sign.id} ${sign.paired ? 'right' : 'midline'}`"
          @next="onward(sign.id, sign.paired ? 'right' : 'midline')"
          @choose="(value) => set(sign.id, sign.paired ? 'right' : 'midline', value)"
        />
      </div>
    </div>
    <button type="button" class="link caption mt-2 min-h-[32px]" @click="all = !all">
      {{ all ? 'Only what belongs to these regions' : 'The whole body' }}
    </button>
  </section>
</template>
