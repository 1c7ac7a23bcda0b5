<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import { Head, Link, router } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import Dissection from '@/chart/Dissection.vue'
import { regions } from '@/chart/dissection'
import FigureStage from '@/chart/FigureStage.vue'
import { zoneOfView, type NearId, type ViewId } from '@/chart/art'
import { layerName, muscle, placeName, under } from '@/chart/atlas'
import type { FigurePick } from '@/chart/Figure.vue'
import AtlasSearch from '@/parts/AtlasSearch.vue'
import Fold from '@/parts/Fold.vue'
import { capital } from '@/parts/words'
import type { EntryLink, SearchHit } from '@/types/atlas'
import type { MuscleId, Side } from '@/types/ids.generated'
import type { Place } from '@/types/visit'

const props = defineProps<{
  asked: string
  hits: SearchHit[]
  groups: { name: string; entries: EntryLink[] }[]
  movements: EntryLink[]
  tests: EntryLink[]
  techniques: EntryLink[]
  landmarks: EntryLink[]
}>()
const view = ref<ViewId>('front')
const near = ref<NearId>('whole')
const place = ref<Place | null>(null)
const lit = ref<{ muscle: MuscleId; side: Side } | null>(null)
const pick = (one: FigurePick) => {
  place.value = one.place
  lit.value = one.muscle ? { muscle: one.muscle, side: one.side } : null
}
const dissected = ref(false)
const [region, state, half] = [ref('whole-front'), ref('1'), ref<'left' | 'right'>('left')]
const inHand = computed(() => (lit.value ? muscle(lit.value.muscle) : null))
const here = computed(() => (place.value ? under(place.value.zone) : []))
const asked = ref(props.asked)
const hits = ref(props.hits)
const found = (text: string, list: SearchHit[]) => {
  asked.value = text
  hits.value = list
  if (text) place.value = null
  // the address and its page in the history say what was asked, so that back and reload return to it
  router.replace({
    url: text ? `/atlas?q=${encodeURIComponent(text)}` : '/atlas',
    props: (page) => ({ ...page, asked: text, hits: list }),
    preserveState: true,
    preserveScroll: true,
  })
}
const kinds: Record<SearchHit['kind'], string> = {
  muscle: 'muscle',
  movement: 'movement',
  test: 'test',
  technique: 'technique',
  landmark: 'landmark',
}
const lists = computed(() => [
  { name: 'Movements, and how to measure them', entries: props.movements },
  { name: 'Tests', entries: props.tests },
  { name: 'Techniques', entries: props.techniques },
  { name: 'Landmarks', entries: props.landmarks },
])
</script>
<template>
  <Head title="Atlas" />
  <div class="mx-auto grid max-w-[1440px] gap-x-7 lg:grid-cols-[400px_minmax(0,1fr)] xl:grid-cols-[460px_minmax(0,1fr)]">
    <section v-if="dissected" class="h-page flex flex-col px-3 pb-2 pt-3 max-lg:order-last lg:sticky lg:top-0" aria-label="Figure">
      <div class="mb-2 flex items-center gap-2">
        <Pick id="region" class="min-w-0 flex-1" label="Region" :choices="regions" :value="region" @choose="(id) => id && (region = id)" />
        <button type="button" class="btn shrink-0" @click="dissected = false">Places</button>
      </div>
      <div class="min-h-0 flex-1">
        <Dissection
          v-model:region="region"
          v-model:state="state"
          v-model:side="half"
          :lit="lit"
          @pick="(muscle, side) => (lit = { muscle, side })"
        />
      </div>
    </section>
    <FigureStage
      v-else
      v-model:view="view"
      v-model:near="near"
      possessive="client’s"
      :chosen="place && zoneOfView(view, place.zone) ? place : null"
      :lit="lit"
      tall
      class="max-lg:order-last"
      label="The body. Touch a place to list what lies under it."
      layers
      @pick="pick"
    />
    <main class="min-w-0 px-6 pb-10 pt-5 lg:pl-0">
      <header class="mb-4 flex items-end justify-between gap-4">
        <h1 class="display text-[34px] leading-[38px]">Atlas</h1>
        <nav class="flex gap-2">
          <button v-if="!dissected" type="button" class="btn" @click="dissected = true">Dissect</button>
          <Link href="/atlas/trainer" class="btn">Practise</Link>
          <Link href="/" class="btn">Today</Link>
        </nav>
      </header>
      <AtlasSearch :asked="asked" @found="found" />
      <Link
        v-if="dissected && inHand"
        :href="`/atlas/muscle/${inHand.id}`"
        class="mt-5 flex min-h-[52px] items-center justify-between gap-3 border-y border-hairline hover:bg-fold"
        ><span class="text-[18px]"
          >{{ inHand.name }} <span class="caption">{{ inHand.plain }}</span></span
        >
        <span class="caption">{{ layerName(inHand.layer) }}</span></Link
      >
      <section v-if="place" class="mt-5" aria-label="Under this place">
        <h2 class="section-head">
          Under the {{ placeName(place) }} <button type="button" class="link caption ml-2 font-text" @click="place = null">Let go</button>
        </h2>
        <ul>
          <li v-for="one in here" :key="one.id" class="border-b border-hairline">
            <Link :href="`/atlas/muscle/${one.id}`" class="flex min-h-[44px] items-center justify-between gap-3 hover:bg-fold">
              <span class="text-[16px]"
                >{{ one.name }} <span class="caption">{{ one.plain }}</span></span
              >
              <span class="caption">{{ layerName(one.layer) }}</span>
            </Link>
          </li>
        </ul>
      </section>
      <section v-else-if="asked" class="mt-5" aria-label="What was found" aria-live="polite">
        <ul>
          <li v-for="one in hits" :key="one.kind + one.id" class="border-b border-hairline">
            <Link
              :href="`/atlas/${one.kind}/${one.id}`"
              class="grid min-h-[52px] grid-cols-[minmax(0,1fr)_minmax(0,1fr)_92px] items-center gap-4 py-1 hover:bg-fold"
            >
              <span class="text-[16px] font-[550]"
                >{{ one.name }} <span class="caption block">{{ one.plain }}</span></span
              >
              <span class="caption">{{ one.because ? `“${capital(one.because)}”` : '' }}</span>
              <span class="caption text-right">{{ kinds[one.kind] }}</span>
            </Link>
          </li>
        </ul>
        <p v-if="!hits.length" class="py-3">
          Nothing of that sounds like the atlas. Say it as a client would (“hurts when I turn my head”), or touch the place on the figure.
        </p>
      </section>
      <template v-else>
        <section class="mt-6 columns-2 gap-x-8 xl:columns-3" aria-label="Muscles by region">
          <div v-for="group in groups" :key="group.name" class="mb-5 break-inside-avoid-column">
            <h2 class="section-head mb-1">{{ group.name }}</h2>
            <ul>
              <li v-for="one in group.entries" :key="one.id">
                <Link :href="`/atlas/muscle/${one.id}`" class="block py-[5px] hover:bg-fold">{{ one.name }}</Link>
              </li>
            </ul>
          </div>
        </section>
        <section v-for="list in lists" :key="list.name" class="mt-4">
          <Fold head-class="section-head">
            <template #head
              >{{ list.name }} <span class="caption font-text font-[400]">{{ list.entries.length }}</span></template
            >
            <ul class="columns-2 gap-x-8 xl:columns-3">
              <li v-for="one in list.entries" :key="one.id">
                <Link :href="`/atlas/${one.kind}/${one.id}`" class="block py-[5px] hover:bg-fold">{{ one.name }}</Link>
              </li>
            </ul>
          </Fold>
        </section>
      </template>
    </main>
  </div>
</template>
