<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import NumberInput from '@/controls/NumberInput.vue'
import DayField from '@/controls/DayField.vue'
import Tick from '@/controls/Tick.vue'
import type { InertiaForm } from '@inertiajs/vue3'
import { computed } from 'vue'
import type { ClientDetails } from '@/types/client'
import Choices from './Choices.vue'
import FormField from './FormField.vue'

/** Who a client is and how they are reached, to write down or to change. */
defineProps<{ clinical: boolean; kinds: readonly string[]; mostContacts: number }>()
const form = defineModel<InertiaForm<ClientDetails>>({ required: true })
const young = computed(() => form.value.born_on !== '' && Date.now() - new Date(form.value.born_on).getTime() < 18 * 365.25 * 864e5)
const today = new Date().toLocaleDateString('sv')
const fault = (name: string): string | undefined => (form.value.errors as Record<string, string>)[name]
const kindWords: Record<string, string> = { emergency: 'in an emergency', guardian: 'guardian', doctor: 'doctor', other: 'somebody else' }
const add = () => form.value.contacts.push({ kind: 'emergency', name: '', phone: null, email: null, note: null })
</script>
<template>
  <div class="grid gap-x-7 gap-y-4 sm:grid-cols-2">
    <FormField id="name" v-model="form.name" class="sm:col-span-2" label="Name" :error="fault('name')" />
    <div>
      <label class="caption mb-1 block" for="born_on">Date of birth</label>
      <DayField
        id="born_on"
        label="Date of birth"
        :value="form.born_on"
        :max="today"
        :error="fault('born_on')"
        @choose="(day) => (form.born_on = day ?? '')"
      />
    </div>
    <FormField id="occupation" v-model="form.occupation" label="Occupation" :error="fault('occupation')" />
    <FormField id="phone" v-model="form.phone" label="Telephone" type="tel" :error="fault('phone')" />
    <FormField id="email" v-model="form.email" label="Email" type="email" :error="fault('email')" />
    <FormField id="address" v-model="form.address" class="sm:col-span-2" label="Address" :error="fault('address')" />
    <div>
      <p class="caption mb-1">Pronoun</p>
      <Choices
        label="Pronoun"
        :options="{ she: 'she', he: 'he', they: 'they', unsaid: 'not said' }"
        :value="form.pronoun"
        @choose="(value) => (form.pronoun = value ?? 'unsaid')"
      />
    </div>
    <div>
      <p class="caption mb-1">Sex, where a limit depends on it</p>
      <Choices
        label="Sex"
        :options="{ female: 'female', male: 'male', other: 'other', unsaid: 'not said' }"
        :value="form.sex"
        @choose="(value) => (form.sex = value ?? 'unsaid')"
      />
    </div>
    <div v-if="clinical">
      <p class="caption mb-1">Dominant hand</p>
      <Choices
        label="Dominant hand"
        :options="{ left: 'left', right: 'right', both: 'both' }"
        :value="form.hand ?? undefined"
        @choose="(value) => (form.hand = value ?? null)"
      />
    </div>
    <div v-if="clinical">
      <p class="caption mb-1">Skin</p>
      <Choices
        label="Skin"
        :options="{ usual: 'usual', dry: 'dry', hairy: 'hairy', fragile: 'fragile' }"
        :value="form.skin ?? undefined"
        @choose="(value) => (form.skin = value ?? null)"
      />
    </div>
    <div v-if="clinical">
      <label class="caption mb-1 block" for="mass">Weight, kg</label>
      <NumberInput id="mass" :value="form.mass_kg" :step="0.5" :error="fault('mass_kg')" @choose="(kg) => (form.mass_kg = kg ?? null)" />
    </div>
    <Tick v-if="clinical" class="self-center" :checked="form.stoic ?? false" @turn="(on) => (form.stoic = on)"
      >Says little of pain: planned one step softer</Tick
    >
    <FormField
      v-if="young"
      id="guardian"
      v-model="form.guardian_name"
      label="Guardian, who is asked at each visit"
      :error="fault('guardian_name')"
    />
    <section class="sm:col-span-2" aria-label="Emergency contacts">
      <h2 class="section-head mb-1">Emergency contacts</h2>
      <fieldset
        v-for="(contact, k) in form.contacts"
        :key="k"
        class="mb-3 grid gap-x-3 gap-y-1 border-t border-hairline pt-2 sm:grid-cols-4"
      >
        <legend class="sr-only">Contact {{ k + 1 }}</legend>
        <div>
          <label class="caption mb-1 block" :for="`kind-${k}`">Who</label>
          <Pick
            :id="`kind-${k}`"
            label="Who"
            :choices="kinds.map((kind) => ({ id: kind, name: kindWords[kind] ?? kind }))"
            :value="contact.kind"
            @choose="(kind) => kind && (contact.kind = kind)"
          />
        </div>
        <FormField :id="`contact-name-${k}`" v-model="contact.name" label="Name" :error="fault(`contacts.${k}.name`)" />
        <FormField :id="`contact-phone-${k}`" v-model="contact.phone" label="Telephone" type="tel" :error="fault(`contacts.${k}.phone`)" />
        <FormField :id="`contact-email-${k}`" v-model="contact.email" label="Email" type="email" :error="fault(`contacts.${k}.email`)" />
        <FormField
          :id="`contact-note-${k}`"
          v-model="contact.note"
          class="sm:col-span-3"
          label="To know"
          :error="fault(`contacts.${k}.note`)"
        />
        <button type="button" class="btn self-end" @click="form.contacts.splice(k, 1)">Take away</button>
      </fieldset>
      <button v-if="form.contacts.length < mostContacts" type="button" class="btn" @click="add">Add somebody</button>
    </section>
  </div>
</template>
