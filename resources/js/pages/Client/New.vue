<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import { onMounted } from 'vue'
import ClientFields from '@/parts/ClientFields.vue'
import { useDeed } from '@/composables/useDeed'
import type { ClientDetails } from '@/types/client'

const props = defineProps<{ clinical: boolean; kinds: string[]; mostContacts: number }>()
const form = useForm<ClientDetails>({
  name: '',
  pronoun: 'unsaid',
  born_on: '',
  sex: 'unsaid',
  ...(props.clinical ? { hand: null, mass_kg: null, skin: null, stoic: false } : {}),
  guardian_name: null,
  occupation: null,
  email: null,
  phone: null,
  address: null,
  contacts: [],
})
const { key, once } = useDeed()
const keep = (): void => {
  if (!form.processing) form.transform((data) => ({ ...data, key: key.value })).post('/clients', once(keep))
}
onMounted(() => document.getElementById('name')?.focus()) // autofocus is not heard after a change of page
</script>
<template>
  <Head title="New client" />
  <main class="mx-auto max-w-[860px] px-6 pb-12 pt-6">
    <p class="caption"><Link href="/" class="link">Today</Link> · <Link href="/clients" class="link">Clients</Link></p>
    <h1 class="display text-[31px] leading-9">New client</h1>
    <p class="caption mb-5">Name and date of birth are needed. The rest can wait, and is asked again where it decides something.</p>
    <form @submit.prevent="keep">
      <ClientFields v-model="form" :clinical="clinical" :kinds="kinds" :most-contacts="mostContacts" />
      <button type="submit" class="btn-ink mt-6" :disabled="form.processing">Save and open</button>
    </form>
  </main>
</template>
