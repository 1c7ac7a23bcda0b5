<script setup lang="ts">
import Seek from '@/controls/Seek.vue'
import NumberInput from '@/controls/NumberInput.vue'
import Tick from '@/controls/Tick.vue'
import NumberRow from '@/parts/NumberRow.vue'
import { Head, Link, router, useForm } from '@inertiajs/vue3'
import { computed } from 'vue'
import { send } from '@/composables/http'
import { dateLanguage, kept, shownUnit, type UserSettings } from '@/composables/settings'
import Flash from '@/parts/Flash.vue'
import { atlas } from '@/chart/atlas'
import FewOf from '@/parts/FewOf.vue'
import FormField from '@/parts/FormField.vue'
import SelectField from '@/parts/SelectField.vue'
import FormsPreview from '@/parts/settings/FormsPreview.vue'
import PalettePreview from '@/parts/settings/PalettePreview.vue'
import SettingsGroup from '@/parts/settings/SettingsGroup.vue'
import WeekPreview from '@/parts/settings/WeekPreview.vue'
import WeekHours from '@/parts/WeekHours.vue'
import { capital, schoolWords } from '@/parts/words'
import type { TechniqueId } from '@/types/ids.generated'

/** What can be set, by each for themselves and by the owner for all; every change says what it touches. */
type Hours = Record<string, [string, string] | null>
type Pedals = UserSettings['pedals']
/** Firm minutes of a part of the hand: a visit, a day, a week. */
const spans = ['visit', 'day', 'week'] as const
type Budgets = Record<string, Partial<Record<(typeof spans)[number], number | null>>>
interface Personal {
  pressure_unit?: string | null
  length_unit?: string | null
  date_form?: string | null
  note_words?: string | null
  theme?: string | null
  figure?: string | null
  idle_minutes?: number | null
  thumb_minutes?: number | null
  spared?: string[] | null
  untrained?: TechniqueId[] | null
  table_cm?: number | null
  budgets?: Budgets | null
  pedals?: Pedals | null
  /** when they work, where it is not as the clinic */
  hours?: Hours | null
  school?: Record<string, string | null> | null
}
type Clinic = Required<Omit<Personal, 'hours'>> & { visit_minutes: number; retention_years: number; hours: Hours }
const props = defineProps<{
  defaults: Clinic
  own: Personal
  clinic: Clinic & { name: string; timezone: string }
  keeps: boolean
  /** of whoever works at the table */
  body: {
    mass_kg: number | null
    aids: string[]
    choices: { hand: Record<string, string>; aids: Record<string, string> }
    budgets: Record<string, Record<(typeof spans)[number], number> & { name: string }>
  } | null
  choices: {
    pressure_unit: string[]
    date_form: Record<string, string>
    note_words: Record<string, string>
    theme: Record<string, string>
    figure: Record<string, string>
    pedals: Record<keyof Pedals, string>
    school: Record<string, string[]>
    school_default: Record<string, string>
    days: string[]
    timezones: string[]
  }
  touches: { people: number; open: number; booked: number }
  /** what was remembered at plans */
  prefers: { muscle: string; name: string; words: string }[]
}>()
const about = (question: string): string => schoolWords[question]?.about ?? question
const choice = (question: string, one: string): string => schoolWords[question]?.choices[one] ?? one
const own = useForm({
  pressure_unit: props.own.pressure_unit ?? null,
  length_unit: props.own.length_unit ?? null,
  date_form: props.own.date_form ?? null,
  note_words: props.own.note_words ?? null,
  theme: props.own.theme ?? null,
  figure: props.own.figure ?? null,
  idle_minutes: props.own.idle_minutes ?? null,
  thumb_minutes: props.own.thumb_minutes ?? null,
  spared: props.own.spared ?? [],
  untrained: props.own.untrained ?? [],
  table_cm: props.own.table_cm ?? null,
  budgets: Object.fromEntries(Object.keys(props.body?.budgets ?? {}).map((part) => [part, { ...props.own.budgets?.[part] }])) as Budgets,
  pedals: props.own.pedals ?? null,
  hours: props.own.hours ?? null,
  mass_kg: props.body?.mass_kg ?? null,
  aids: props.body?.aids ?? [],
  school: Object.fromEntries(Object.keys(props.choices.school).map((one) => [one, props.own.school?.[one] ?? null])),
})
const clinic = useForm({
  ...props.clinic,
  school: Object.fromEntries(Object.keys(props.choices.school).map((one) => [one, props.clinic.school?.[one] ?? null])),
  hours: Object.fromEntries(props.choices.days.map((day) => [day, props.clinic.hours[day] ?? null])) as Hours,
})
const techniques = Object.keys(atlas.techniques) as TechniqueId[]
/** A pedal is a keyboard with a few keys: stepping on it tells which. */
const hear = (event: KeyboardEvent, pedal: keyof Pedals) => {
  if (event.key === 'Tab') return
  event.preventDefault()
  own.pedals = { ...(own.pedals ?? props.clinic.pedals ?? props.defaults.pedals)!, [pedal]: event.key === ' ' ? 'Space' : event.key }
}
const pedalOf = (pedal: keyof Pedals): string => (own.pedals ?? props.clinic.pedals ?? props.defaults.pedals)![pedal]
const fault = (form: { errors: object }, name: string): string | undefined => (form.errors as Record<string, string>)[name]
const named = (question: string, options: string[]) => Object.fromEntries(options.map((one) => [one, choice(question, one)]))
const same = (options: string[]) => Object.fromEntries(options.map((one) => [one, one]))
const lengths = { cm: 'cm', inch: 'inches' }
const schoolOf = (question: string): string =>
  choice(question, props.clinic.school?.[question] ?? props.choices.school_default[question] ?? '')
const many = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`
const reach = computed(
  () =>
    `Touches ${many(props.touches.people, 'person', 'people')}, ${many(props.touches.open, 'open visit', 'open visits')} and ${many(props.touches.booked, 'booked visit', 'booked visits')}.`,
)
/** Every group: its name, and what it touches. */
const groups: Record<string, { name: string; touches: string }> = {
  'own-forms': {
    name: 'Units, dates and words',
    touches: 'Touches only what you see and write from now on; what is kept does not change.',
  },
  'own-look': { name: 'Look and lock', touches: 'Touches your own windows.' },
  'own-hands': {
    name: 'Your hands',
    touches: 'Touches plans you make from now on: hand or tool is chosen so that your joints last.',
  },
  'own-hours': {
    name: 'When you work',
    touches: 'Touches the calendar and the times that are offered; outside them one may still book, and it is said.',
  },
  'own-pedals': {
    name: 'Pedals',
    touches: 'Touches the treatment room. A pedal is a keyboard with a few keys: put the cursor into a box and step on it.',
  },
  'own-school': {
    name: 'How you work',
    touches: 'Touches plans you make from now on, where practitioners differ; any one plan may still be made otherwise.',
  },
  'clinic-house': { name: 'Clinic and visits', touches: 'Touches every page and paper, visits begun from now on, and what erasing takes.' },
  'clinic-forms': { name: 'Units, dates and words', touches: 'Touches whoever has not chosen otherwise.' },
  'clinic-look': { name: 'Look and lock', touches: 'Touches the windows of whoever has not chosen otherwise.' },
  'clinic-hours': {
    name: 'Opening hours',
    touches: 'Touches the day, the calendar and the times that are offered; one may still book outside them, and it is said.',
  },
  'clinic-school': { name: 'How we work', touches: 'Touches plans made from now on by whoever has not chosen otherwise.' },
}
const g = (id: string) => ({ id, ...groups[id]! })
const parts = computed(() =>
  [
    { name: 'For yourself', of: 'own-', shown: true },
    { name: 'For the clinic', of: 'clinic-', shown: props.keeps },
  ]
    .filter((one) => one.shown)
    .map(({ name, of }) => ({
      name,
      groups: Object.keys(groups)
        .filter((id) => id.startsWith(of) && (props.body || !['own-hands', 'own-hours'].includes(id)))
        .map(g),
    })),
)
/** What holds for whoever is signed in, with what they just chose: their own, else the clinic's, else what ships. */
const held = <K extends 'pressure_unit' | 'length_unit' | 'date_form' | 'note_words' | 'theme' | 'figure'>(name: K): UserSettings[K] =>
  (own[name] ?? props.clinic[name] ?? props.defaults[name]) as UserSettings[K]
const clinicForms = computed(
  () =>
    ({
      pressure_unit: clinic.pressure_unit,
      length_unit: clinic.length_unit,
      date_form: clinic.date_form,
      note_words: clinic.note_words,
    }) as UserSettings,
)
const zero = computed(() => `${kept(1, 'kPa').toLocaleString(dateLanguage)} kPa is one ${shownUnit('kPa')}`)
const forget = (muscle: string) => void send('PUT', '/settings/prefers', { muscle }).then(() => router.reload({ only: ['prefers'] }))
const turned = (list: string[], id: string, on: boolean): string[] => (on ? [...list, id] : list.filter((one) => one !== id))
</script>
<template>
  <Head title="Settings" />
  <main class="mx-auto max-w-[1180px] px-6 pb-4 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display mb-3 text-[31px] leading-9">Settings</h1>
    <Flash />
    <div class="grid gap-x-12 lg:grid-cols-[196px_minmax(0,1fr)]">
      <nav class="self-start max-lg:mb-4 lg:sticky lg:top-5" aria-label="Groups of settings">
        <template v-for="part in parts" :key="part.name">
          <p class="note mt-3 first:mt-0">{{ part.name }}</p>
          <ul class="max-lg:flex max-lg:flex-wrap max-lg:gap-x-5">
            <li v-for="one in part.groups" :key="one.id">
              <a :href="`#${one.id}`" class="flex min-h-[36px] items-center hover:underline">{{ one.name }}</a>
            </li>
          </ul>
        </template>
      </nav>
      <div class="min-w-0">
        <form aria-label="For yourself" @submit.prevent="own.put('/settings/own', { preserveScroll: true })">
          <h2 class="display text-[23px] leading-8">For yourself</h2>
          <p class="caption mb-3">What is left as the clinic has it follows the clinic.</p>
          <SettingsGroup v-bind="g('own-forms')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <SelectField
                id="own-pressure"
                v-model="own.pressure_unit"
                label="Pressure in"
                :options="same(choices.pressure_unit)"
                :none="`as the clinic: ${clinic.pressure_unit}`"
                :hint="`Kept in kPa, shown so. ${shownUnit('kPa') === 'kPa' ? '' : zero}`"
              />
              <SelectField
                id="own-length"
                v-model="own.length_unit"
                label="Lengths in"
                :options="lengths"
                :none="`as the clinic: ${clinic.length_unit}`"
              />
              <SelectField
                id="own-date"
                v-model="own.date_form"
                label="Dates as"
                :options="choices.date_form"
                :none="`as the clinic: ${choices.date_form[clinic.date_form ?? 'words']}`"
              />
              <SelectField
                id="own-note"
                v-model="own.note_words"
                label="Movements and signs in"
                :options="choices.note_words"
                :none="`as the clinic: ${choices.note_words[clinic.note_words ?? 'both']}`"
              />
            </div>
            <template #preview
              ><FormsPreview
                :choices="{
                  pressure_unit: held('pressure_unit'),
                  length_unit: held('length_unit'),
                  date_form: held('date_form'),
                  note_words: held('note_words'),
                }"
            /></template>
          </SettingsGroup>
          <SettingsGroup v-bind="g('own-look')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <SelectField
                id="own-theme"
                v-model="own.theme"
                label="Palette"
                :options="choices.theme"
                :none="`as the clinic: ${choices.theme[clinic.theme ?? 'linen']}`"
                hint="The treatment room is dark in either."
              />
              <SelectField
                id="own-figure"
                v-model="own.figure"
                label="The body"
                :options="choices.figure"
                :none="`as the clinic: ${choices.figure[clinic.figure ?? 'painted']}`"
                hint="In outlines no muscle is painted with its fibres: quicker where a computer has no graphics of its own."
              />
              <NumberRow
                id="own-idle"
                v-model="own.idle_minutes"
                label="Locked after minutes untouched"
                :placeholder="`as the clinic: ${clinic.idle_minutes}`"
                :error="fault(own, 'idle_minutes')"
              />
            </div>
            <template #preview><PalettePreview :theme="held('theme')" :figure="held('figure')" /></template>
          </SettingsGroup>
          <template v-if="body">
            <SettingsGroup v-bind="g('own-hands')">
              <p class="caption mb-2"><Link href="/atlas/trainer/lean" class="link">Learn your own lean on the plate</Link></p>
              <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
                <NumberRow
                  id="own-mass"
                  v-model="own.mass_kg"
                  label="Your weight, kg"
                  placeholder="not told: taken as 70"
                  hint="How much you can lean without pushing."
                  :error="fault(own, 'mass_kg')"
                />
                <NumberRow
                  id="own-table"
                  v-model="own.table_cm"
                  label="Your table usually stands at, cm"
                  placeholder="not told"
                  hint="Plans say when it should be lower."
                  :error="fault(own, 'table_cm')"
                />
                <NumberRow
                  id="own-thumb"
                  v-model="own.thumb_minutes"
                  label="Firm thumb work a day, minutes"
                  :placeholder="`as the clinic: ${clinic.thumb_minutes}`"
                  hint="Beyond it no plan of the day uses a thumb."
                  :error="fault(own, 'thumb_minutes')"
                />
                <fieldset>
                  <legend class="caption mb-1">Tools you have</legend>
                  <Tick
                    v-for="(name, id) in body.choices.aids"
                    :key="id"
                    :checked="own.aids.includes(id)"
                    @turn="(on) => (own.aids = turned(own.aids, id, on))"
                    >{{ name }}</Tick
                  >
                </fieldset>
                <fieldset class="sm:col-span-2">
                  <legend class="caption mb-1">Spared for now: no plan uses them</legend>
                  <div class="grid gap-x-5 sm:grid-cols-2">
                    <Tick
                      v-for="(name, id) in body.choices.hand"
                      :key="id"
                      :checked="own.spared.includes(id)"
                      @turn="(on) => (own.spared = turned(own.spared, id, on))"
                      >{{ name }}</Tick
                    >
                  </div>
                </fieldset>
                <fieldset class="sm:col-span-2">
                  <legend class="caption mb-1">Firm minutes at most, where yours differ</legend>
                  <div class="grid grid-cols-[minmax(0,1fr)_repeat(3,84px)] items-center gap-x-2 gap-y-1">
                    <span /><span v-for="span in spans" :key="span" class="caption">a {{ span }}</span>
                    <template v-for="(usual, part) in body.budgets" :key="part">
                      <span>{{ capital(usual.name) }}</span>
                      <span v-for="span in spans" :key="span">
                        <span v-if="part === 'thumb' && span === 'day'" class="caption">as above</span>
                        <NumberInput
                          v-else
                          :id="`budget-${part}-${span}`"
                          look="field !min-h-[40px] w-full"
                          :value="own.budgets[part]![span]"
                          :min="0"
                          :placeholder="String(usual[span])"
                          :label="`${capital(usual.name)}, a ${span}`"
                          @choose="(minutes) => (own.budgets[part]![span] = minutes ?? null)"
                        />
                      </span>
                      <p
                        v-for="span in spans"
                        v-show="fault(own, `budgets.${part}.${span}`)"
                        :key="`!${span}`"
                        class="col-span-4 text-madder"
                        role="alert"
                      >
                        {{ fault(own, `budgets.${part}.${span}`) }}
                      </p>
                    </template>
                  </div>
                </fieldset>
                <div class="sm:col-span-2">
                  <p class="caption mb-1">Not trained in: no plan of yours has them</p>
                  <FewOf
                    id="own-untrained"
                    label="A technique you are not trained in"
                    prompt="Trained in the rest"
                    wide
                    :chosen="own.untrained"
                    :choices="techniques"
                    :name="(one) => atlas.techniques[one]"
                    :key-of="(one) => one"
                    @change="(chosen) => (own.untrained = chosen ?? [])"
                  />
                </div>
              </div>
            </SettingsGroup>
            <SettingsGroup v-bind="g('own-hours')">
              <Tick :checked="own.hours === null" @turn="(as) => (own.hours = as ? null : { ...clinic.hours })">As the clinic is open</Tick>
              <WeekHours
                v-if="own.hours"
                id="own-"
                :days="choices.days"
                :value="own.hours"
                off="off"
                :fault="(name) => fault(own, name)"
                @change="(hours) => (own.hours = hours)"
              />
              <template #preview><WeekPreview :days="choices.days" :value="own.hours ?? clinic.hours" /></template>
            </SettingsGroup>
          </template>
          <SettingsGroup v-bind="g('own-pedals')">
            <div class="grid gap-3 sm:grid-cols-3">
              <div v-for="(name, pedal) in choices.pedals" :key="pedal">
                <label class="caption mb-1 block" :for="`pedal-${pedal}`">{{ name }}</label>
                <input
                  :id="`pedal-${pedal}`"
                  class="field"
                  readonly
                  :value="pedalOf(pedal)"
                  :aria-invalid="fault(own, `pedals.${pedal}`) ? true : undefined"
                  @keydown="hear($event, pedal)"
                />
                <p class="text-madder" role="alert">{{ fault(own, `pedals.${pedal}`) }}</p>
              </div>
            </div>
          </SettingsGroup>
          <SettingsGroup v-bind="g('own-school')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <SelectField
                v-for="(options, question) in choices.school"
                :id="`own-${question}`"
                :key="question"
                v-model="own.school[question]"
                :label="about(question)"
                :options="named(question, options)"
                :none="`as the clinic: ${schoolOf(question)}`"
              />
            </div>
            <section v-if="prefers.length" class="mt-5" aria-label="How you like to work">
              <h4 class="section-head !text-[17px]">How you like to work</h4>
              <p class="caption">Remembered at plans; followed wherever it is allowed and nothing else was set.</p>
              <ul>
                <li
                  v-for="one in prefers"
                  :key="one.muscle"
                  class="flex items-baseline justify-between gap-3 border-b border-hairline py-1"
                >
                  <span
                    ><b class="font-[650]">{{ one.name }}</b
                    >: {{ one.words }}</span
                  >
                  <button type="button" class="link caption min-h-[32px]" :aria-label="`Forget ${one.name}`" @click="forget(one.muscle)">
                    Forget
                  </button>
                </li>
              </ul>
            </section>
          </SettingsGroup>
          <p class="sticky bottom-0 z-10 flex flex-wrap items-center gap-4 bg-paper py-3">
            <button type="submit" class="btn-ink" :disabled="own.processing">Keep it for me</button>
            <template v-if="own.isDirty"
              ><span class="caption">Changed, and not kept yet.</span>
              <button type="button" class="link min-h-[44px]" @click="own.reset()">As it was</button></template
            >
          </p>
        </form>
        <form
          v-if="keeps"
          class="mt-10"
          aria-label="For the clinic"
          @submit.prevent="clinic.put('/settings/clinic', { preserveScroll: true })"
        >
          <h2 class="display text-[23px] leading-8">For the whole clinic</h2>
          <p class="caption mb-3">{{ reach }} What was signed, and times that are kept, stay as they are.</p>
          <SettingsGroup v-bind="g('clinic-house')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <FormField id="name" v-model="clinic.name" label="Name" :error="fault(clinic, 'name')" />
              <div>
                <label class="caption mb-1 block" for="zone">Time zone</label>
                <Seek
                  id="zone"
                  look="field"
                  label="Time zone"
                  :prompt="clinic.timezone"
                  :choices="choices.timezones.map((zone) => ({ id: zone, name: zone }))"
                  @choose="(zone) => (clinic.timezone = zone)"
                />
                <p class="text-madder" role="alert">{{ fault(clinic, 'timezone') }}</p>
              </div>
              <NumberRow
                id="minutes"
                v-model="clinic.visit_minutes"
                label="Minutes of a visit"
                hint="For visits begun and booked from now on."
                :error="fault(clinic, 'visit_minutes')"
              />
              <NumberRow
                id="years"
                v-model="clinic.retention_years"
                label="Years a record is kept"
                hint="After the last visit; a minor’s from coming of age. Your law says how many. Touches what erasing takes."
                :error="fault(clinic, 'retention_years')"
              />
            </div>
          </SettingsGroup>
          <SettingsGroup v-bind="g('clinic-forms')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <SelectField id="pressure" v-model="clinic.pressure_unit" label="Pressure in" :options="same(choices.pressure_unit)" />
              <SelectField id="length" v-model="clinic.length_unit" label="Lengths in" :options="lengths" />
              <SelectField id="date" v-model="clinic.date_form" label="Dates as" :options="choices.date_form" />
              <SelectField id="note" v-model="clinic.note_words" label="Movements and signs in" :options="choices.note_words" />
            </div>
            <template #preview><FormsPreview :choices="clinicForms" /></template>
          </SettingsGroup>
          <SettingsGroup v-bind="g('clinic-look')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <SelectField id="theme" v-model="clinic.theme" label="Palette" :options="choices.theme" />
              <SelectField id="figure" v-model="clinic.figure" label="The body" :options="choices.figure" />
              <NumberRow
                id="idle"
                v-model="clinic.idle_minutes"
                label="Locked after minutes untouched"
                :error="fault(clinic, 'idle_minutes')"
              />
            </div>
            <template #preview><PalettePreview :theme="clinic.theme ?? 'linen'" :figure="clinic.figure ?? 'painted'" /></template>
          </SettingsGroup>
          <SettingsGroup v-bind="g('clinic-hours')">
            <WeekHours
              id=""
              :days="choices.days"
              :value="clinic.hours"
              off="closed"
              :fault="(name) => fault(clinic, name)"
              @change="(hours) => (clinic.hours = hours)"
            />
            <template #preview><WeekPreview :days="choices.days" :value="clinic.hours" /></template>
          </SettingsGroup>
          <SettingsGroup v-bind="g('clinic-school')">
            <div class="grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <NumberRow
                id="thumb"
                v-model="clinic.thumb_minutes"
                label="Firm thumb work a day, minutes"
                :error="fault(clinic, 'thumb_minutes')"
              />
            </div>
            <div class="mt-3 grid gap-x-5 gap-y-3 sm:grid-cols-2">
              <SelectField
                v-for="(options, question) in choices.school"
                :id="`clinic-${question}`"
                :key="question"
                v-model="clinic.school[question]"
                :label="about(question)"
                :options="named(question, options)"
                :none="`as it ships: ${choice(question, choices.school_default[question] ?? '')}`"
              />
            </div>
            <p class="caption mt-3">Techniques that are not done here: <Link href="/clinic/scope" class="link">scope of practice</Link>.</p>
          </SettingsGroup>
          <p class="sticky bottom-0 z-10 flex flex-wrap items-center gap-4 bg-paper py-3">
            <button type="submit" class="btn-ink" :disabled="clinic.processing">Keep it for all</button>
            <template v-if="clinic.isDirty"
              ><span class="caption">Changed, and not kept yet.</span>
              <button type="button" class="link min-h-[44px]" @click="clinic.reset()">As it was</button></template
            >
          </p>
        </form>
      </div>
    </div>
  </main>
</template>
