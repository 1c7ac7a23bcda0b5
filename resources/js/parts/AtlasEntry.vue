<script setup lang="ts">
import { shown, shownUnit } from '@/composables/settings'
import { computed, ref, watch } from 'vue'
import Dissection from '@/chart/Dissection.vue'
import { sightsOf } from '@/chart/dissection'
import { cropAround, landmarkIn, views, type ViewId } from '@/chart/art'
import Figure from '@/chart/Figure.vue'
import ExerciseDrawing from '@/chart/ExerciseDrawing.vue'
import PoseDrawing from '@/chart/PoseDrawing.vue'
import { isDrawn } from '@/chart/poses'
import type { AtlasEntry, EntryKind } from '@/types/atlas'
import type { MuscleId, Side } from '@/types/ids.generated'
import EntryLinks from './EntryLinks.vue'
import FindWalk from './FindWalk.vue'
import HazardList from './HazardList.vue'
import NumberedSteps from './NumberedSteps.vue'
import WordList from './WordList.vue'
import { capital } from './words'

const props = withDefaults(defineProps<{ entry: Readonly<AtlasEntry>; side?: Side; narrow?: boolean; dark?: boolean }>(), {
  side: 'left',
  narrow: false,
  dark: false,
})
const emit = defineEmits<{ follow: [kind: EntryKind, id: string] }>()
const follow = (kind: EntryKind, id: string) => emit('follow', kind, id)
const listed = (texts: readonly string[]): string => texts.join(', ')
const sights = computed(() => (props.entry.kind === 'muscle' ? sightsOf(props.entry.id) : []))
const [region, state, half] = [ref(''), ref(''), ref<'left' | 'right'>('left')]
/** One object as long as it is the same muscle: another would bring the window back to it. */
const lit = computed(() => ({ muscle: props.entry.id as MuscleId, side: half.value }))
/** It opens where it is seen best, on the side in hand. */
watch(
  [sights, () => props.side],
  () => {
    region.value = sights.value[0]?.region.id ?? ''
    state.value = sights.value[0]?.state ?? ''
    half.value = props.side === 'right' ? 'right' : 'left'
  },
  { immediate: true },
)
const landmarkView = computed<ViewId>(() => views.find((one) => landmarkIn(one, props.entry.id)) ?? 'front')
</script>
<template>
  <article class="flex flex-col gap-6">
    <template v-if="entry.kind === 'muscle'">
      <p class="text-[16px]">
        <template v-if="entry.plain">{{ capital(entry.plain) }}. </template>{{ capital(entry.layer) }} layer,
        {{ entry.tissue }} tissue<template v-if="entry.advanced">, for experienced hands</template
        ><template v-if="entry.most_felt">, never felt stronger than {{ entry.most_felt }}</template
        >. Lies under: {{ entry.under }}.
      </p>
      <section v-if="sights.length" aria-label="Where it lies">
        <h3 class="section-head mb-2">Where it lies</h3>
        <div class="h-[560px]" :class="narrow ? '' : 'max-w-[860px]'">
          <Dissection
            v-model:region="region"
            v-model:state="state"
            v-model:side="half"
            :lit="lit"
            near
            :dark="dark"
            :label="`${entry.name}, dissected.`"
            @pick="(muscle) => muscle !== entry.id && follow('muscle', muscle)"
          />
        </div>
      </section>
      <FindWalk :entry="entry" :side="side" :narrow="narrow" :dark="dark">
        <section aria-label="Beware">
          <h3 class="section-head">Beware</h3>
          <p v-for="one in entry.beware" :key="one">{{ capital(one) }}.</p>
          <HazardList :hazards="entry.hazards" />
          <p v-if="!entry.hazards.length && !entry.beware.length">Nothing beside it that is not pressed.</p>
        </section>
      </FindWalk>
      <section class="grid gap-x-8 gap-y-6" :class="narrow ? '' : 'md:grid-cols-2'">
        <div>
          <h3 class="section-head">What it does</h3>
          <dl class="facts">
            <dt>Does</dt>
            <dd><EntryLinks :list="entry.does" none="no movement that is measured" @follow="follow" /></dd>
            <template v-if="entry.also.length">
              <dt>Also</dt>
              <dd>{{ listed(entry.also) }}</dd>
            </template>
            <dt>Lengthened by</dt>
            <dd>
              <template v-if="entry.lengthening_note">{{ entry.lengthening_note }}</template><EntryLinks
                v-else
                :list="entry.lengthened_by"
                @follow="follow"
              />
            </dd>
            <template v-if="entry.part_of">
              <dt>Part of</dt>
              <dd><EntryLinks :list="[entry.part_of]" @follow="follow" /></dd>
            </template>
            <template v-if="entry.parts.length">
              <dt>Its parts</dt>
              <dd><EntryLinks :list="entry.parts" @follow="follow" /></dd>
            </template>
            <dt>Against it</dt>
            <dd><EntryLinks :list="entry.antagonists" none="its fellow on the other side" @follow="follow" /></dd>
            <dt>With it</dt>
            <dd><EntryLinks :list="entry.synergists" @follow="follow" /></dd>
          </dl>
        </div>
        <div>
          <h3 class="section-head">Where it is felt</h3>
          <dl class="facts">
            <dt>Typical</dt>
            <dd>{{ entry.felt_at }}</dd>
            <dt>Sometimes</dt>
            <dd>{{ entry.also_at || 'nowhere else' }}</dd>
            <dt>People say</dt>
            <dd>
              <span v-for="one in entry.complaints" :key="one" class="block">“{{ capital(one) }}.”</span>
            </dd>
            <dt>Shortened by</dt>
            <dd><WordList :list="entry.shortened_by" /></dd>
            <dt>Tired by</dt>
            <dd><WordList :list="entry.tired_by" /></dd>
          </dl>
        </div>
        <div>
          <h3 class="section-head">How it is worked</h3>
          <dl class="facts">
            <dt>Positions</dt>
            <dd><WordList :list="entry.positions" /></dd>
            <dt>Techniques</dt>
            <dd><EntryLinks :list="entry.techniques" @follow="follow" /></dd>
            <dt>Tools</dt>
            <dd><WordList :list="entry.tools" /></dd>
            <template v-for="site in entry.sites" :key="site.name">
              <dt>{{ capital(site.name) }}</dt>
              <dd>{{ listed(site.tools) }}; {{ listed(site.techniques).toLowerCase() }}. Under {{ site.under }}.</dd>
            </template>
            <template v-if="entry.client_action">
              <dt>The client</dt>
              <dd>{{ entry.client_action }}</dd>
            </template>
            <template v-if="entry.consent">
              <dt>Consent</dt>
              <dd>{{ entry.consent }}</dd>
            </template>
            <dt>Turns to pain</dt>
            <dd>at about {{ shown(entry.ppt_kpa, 'kPa') }} {{ shownUnit('kPa') }} without a measure of one’s own</dd>
          </dl>
        </div>
        <div>
          <h3 class="section-head">Anatomy</h3>
          <dl class="facts">
            <dt>Upper end</dt>
            <dd>{{ entry.upper.words }}</dd>
            <dt>Lower end</dt>
            <dd>{{ entry.lower.words }}</dd>
            <dt>Landmarks</dt>
            <dd>
              <EntryLinks
                :list="
                  [...entry.upper.landmarks, ...entry.lower.landmarks].map((one) => ({
                    kind: 'landmark' as const,
                    id: one.id,
                    name: one.name,
                  }))
                "
                @follow="follow"
              />
            </dd>
            <dt>Fibres run</dt>
            <dd>{{ entry.fibres }}</dd>
            <dt>Covered by</dt>
            <dd><EntryLinks :list="entry.covered_by" none="skin and fascia" @follow="follow" /></dd>
            <template v-if="entry.nerve">
              <dt>Nerve</dt>
              <dd>{{ entry.nerve }} ({{ entry.roots }})</dd>
            </template>
            <dt>Called also</dt>
            <dd>{{ listed(entry.synonyms) }}</dd>
          </dl>
        </div>
      </section>
      <section aria-label="Self-care">
        <h3 class="section-head">For home</h3>
        <p v-if="entry.no_self_care">{{ entry.no_self_care }}</p>
        <ul class="grid gap-x-8" :class="narrow ? '' : 'md:grid-cols-2'">
          <li v-for="one in entry.self_care" :key="one.id" class="border-b border-hairline py-3">
            <div class="float-right ml-3 h-[104px] w-[216px]"><ExerciseDrawing :exercise="one.id" :dark="dark" /></div>
            <p>
              <b class="font-[650]">{{ one.name }}</b> <span class="caption">{{ one.dose }}, {{ one.how_often }}</span>
            </p>
            <p v-for="text in one.steps" :key="text">{{ text }}.</p>
            <p v-if="one.not_with.length" class="text-madder">Not with {{ one.not_with.join(', ') }}.</p>
          </li>
        </ul>
      </section>
      <p class="caption">Figures and referral: {{ entry.source }}. What a body shows outranks what an atlas says.</p>
    </template>

    <template v-else-if="entry.kind === 'movement' || entry.kind === 'test'">
      <section aria-label="How to measure it">
        <h3 class="section-head">How to {{ entry.kind === 'movement' ? 'measure it' : 'do it' }}</h3>
        <p class="caption">{{ capital(entry.position) }}{{ entry.paired ? ', both sides' : '' }}.</p>
        <NumberedSteps :steps="entry.steps" />
      </section>
      <section v-if="entry.kind === 'movement'">
        <dl class="facts">
          <dt>Usual</dt>
          <dd>{{ entry.norm }}, {{ entry.larger ? 'more is better' : 'less is better' }}</dd>
          <dt>A repeat strays</dt>
          <dd>by {{ entry.error }}: a smaller change is not real</dd>
          <dt>Possible</dt>
          <dd>{{ entry.possible }}</dd>
          <dt>Done by</dt>
          <dd><EntryLinks :list="entry.done_by" none="no muscle of the atlas" @follow="follow" /></dd>
          <dt>Lengthens</dt>
          <dd><EntryLinks :list="entry.lengthens" none="no muscle of the atlas" @follow="follow" /></dd>
        </dl>
      </section>
      <section v-else>
        <dl class="facts">
          <dt>Usual</dt>
          <dd>{{ entry.usual }}</dd>
          <dt>It says</dt>
          <dd>{{ entry.means }}</dd>
          <template v-if="entry.error">
            <dt>A repeat strays</dt>
            <dd>by {{ entry.error }}</dd>
          </template>
          <template v-if="entry.never_when.length">
            <dt>Never when</dt>
            <dd>
              <span v-for="one in entry.never_when" :key="one" class="block">{{ one }}</span>
            </dd>
          </template>
        </dl>
      </section>
      <p class="caption">Figures: {{ entry.source }}.</p>
    </template>

    <template v-else-if="entry.kind === 'technique'">
      <p class="text-[16px]">{{ entry.what }}</p>
      <section aria-label="How to do it">
        <h3 class="section-head">How to do it</h3>
        <NumberedSteps :steps="entry.steps" />
      </section>
      <dl class="facts">
        <dt>Dose</dt>
        <dd>{{ entry.dose }}</dd>
        <dt>Tissue</dt>
        <dd>{{ listed(entry.stages) }}{{ entry.on_stretch ? '; on stretch, so one step less pressure' : '' }}</dd>
        <dt>On the skin</dt>
        <dd><WordList :list="entry.products" /></dd>
        <dt>Not with</dt>
        <dd>{{ listed(entry.not_with) || 'nothing named; the safety gate decides' }}</dd>
        <dt>Used on</dt>
        <dd><EntryLinks :list="entry.used_on" none="no muscle by itself: warming, easing and ending" @follow="follow" /></dd>
        <template v-for="tool in entry.tools" :key="tool.name">
          <dt>{{ capital(tool.name) }}</dt>
          <dd>
            <div v-if="isDrawn(`tool.${tool.id}`)" class="mb-1 h-[110px] w-[180px]">
              <PoseDrawing :id="`tool.${tool.id}`" :label="tool.name" :dark="dark" />
            </div>
            {{ tool.hand }} {{ tool.load }}
          </dd>
        </template>
      </dl>
      <p class="caption">Figures: {{ entry.source }}.</p>
    </template>

    <template v-else>
      <p class="text-[16px]">{{ capital(entry.plain) }}. {{ entry.palpable ? '' : 'Too deep to touch.' }}</p>
      <section class="grid gap-5 sm:grid-cols-[300px_1fr]">
        <div class="h-[320px] overflow-hidden bg-fold/50">
          <Figure
            :dark="dark"
            :view="landmarkView"
            :crop="cropAround(landmarkView, side, { points: [entry.id] }, 190)"
            :points="[{ id: entry.id, now: true }]"
            :point-side="side"
            :label="`${entry.name} on the figure`"
          />
        </div>
        <dl class="facts self-start">
          <dt>Find it</dt>
          <dd>{{ entry.find }}</dd>
          <dt>Skin over it</dt>
          <dd>{{ entry.under }}</dd>
          <dt>Attached here</dt>
          <dd><EntryLinks :list="entry.attached" none="no muscle of the atlas" @follow="follow" /></dd>
        </dl>
      </section>
      <section v-if="entry.hazards.length" aria-label="Beware">
        <h3 class="section-head">Beware</h3>
        <HazardList :hazards="entry.hazards" />
      </section>
    </template>
  </article>
</template>
