<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import { computed, onMounted, ref } from 'vue'
import Choices from '@/parts/Choices.vue'

const form = useForm({
  name: '',
  pronoun: 'unsaid' as 'she' | 'he' | 'they' | 'unsaid',
  born_on: '',
  hand: null as 'left' | 'right' | 'both' | null,
  mass_kg: null as number | null,
  occupation: '',
  skin: 'usual' as 'usual' | 'dry' | 'hairy' | 'fragile',
  stoic: false,
  guardian_name: null as string | null,
})
const first = ref<HTMLInputElement | null>(null)
onMounted(() => first.value?.focus()) // autofocus is not heard after a change of page
const young = computed(() => form.born_on !== '' && Date.now() - new Date(form.born_on).getTime() < 18 * 365.25 * 864e5)
</script>
<template>
  <Head title="New client" />
  <main class="mx-auto max-w-[760px] px-6 pb-12 pt-6">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display mb-6 text-[31px] leading-9">New client</h1>
    <form class="grid gap-x-7 gap-y-4 sm:grid-cols-2" @submit.prevent="form.post('/clients')">
      <div class="sm:col-span-2">
        <label class="caption mb-1 block" for="name">Name</label>
        <input
          id="name"
          ref="first"
          v-model="form.name"
          class="field text-[17px]"
          autocomplete="off"
          :aria-invalid="form.errors.name ? true : undefined"
          aria-describedby="name-error"
        />
        <p id="name-error" class="text-madder" role="alert">{{ form.errors.name }}</p>
      </div>
      <div>
        <label class="caption mb-1 block" for="born_on">Date of birth</label>
        <input
          id="born_on"
          v-model="form.born_on"
          type="date"
          class="field"
          :aria-invalid="form.errors.born_on ? true : undefined"
          aria-describedby="born-error"
        />
        <p id="born-error" class="text-madder" role="alert">{{ form.errors.born_on }}</p>
      </div>
      <div>
        <label class="caption mb-1 block" for="occupation">What they do all day</label>
        <input id="occupation" v-model="form.occupation" class="field" autocomplete="off" />
        <p class="text-madder">{{ form.errors.occupation }}</p>
      </div>
      <div>
        <p class="caption mb-1">Spoken of as</p>
        <Choices
          label="Spoken of as"
          :options="{ she: 'she', he: 'he', they: 'they', unsaid: 'not said' }"
          :value="form.pronoun"
          @choose="(value) => (form.pronoun = value ?? 'unsaid')"
        />
      </div>
      <div>
        <p class="caption mb-1">Busy hand</p>
        <Choices
          label="Busy hand"
          :options="{ left: 'left', right: 'right', both: 'both' }"
          :value="form.hand ?? undefined"
          @choose="(value) => (form.hand = value ?? null)"
        />
      </div>
      <div>
        <p class="caption mb-1">Skin</p>
        <Choices
          label="Skin"
          :options="{ usual: 'usual', dry: 'dry', hairy: 'hairy', fragile: 'fragile' }"
          :value="form.skin"
          @choose="(value) => (form.skin = value ?? 'usual')"
        />
      </div>
      <div>
        <label class="caption mb-1 block" for="mass">Weight, kg (may stay empty)</label>
        <input
          id="mass"
          v-model="form.mass_kg"
          type="number"
          step="0.5"
          class="field"
          :aria-invalid="form.errors.mass_kg ? true : undefined"
        />
        <p class="text-madder" role="alert">{{ form.errors.mass_kg }}</p>
      </div>
      <label class="flex min-h-[44px] items-center gap-3"
        ><input v-model="form.stoic" type="checkbox" class="size-6 accent-walnut" /> Bears a lot without saying so (one step lower)</label
      >
      <div v-if="young">
        <label class="caption mb-1 block" for="guardian">Guardian, who is asked at each visit</label>
        <input
          id="guardian"
          v-model="form.guardian_name"
          class="field"
          maxlength="120"
          autocomplete="off"
          :aria-invalid="form.errors.guardian_name ? true : undefined"
        />
        <p class="text-madder" role="alert">{{ form.errors.guardian_name }}</p>
      </div>
      <div class="sm:col-span-2"><button type="submit" class="btn-ink" :disabled="form.processing">Write down and open</button></div>
    </form>
  </main>
</template>
