<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import SecondFactor from '@/parts/SecondFactor.vue'
import Flash from '@/parts/Flash.vue'
import FormField from '@/parts/FormField.vue'

/** One's own account: the password, and where it is signed in. */
defineProps<{ name: string; email: string; role: string; second: boolean; codesLeft: number }>()
const form = useForm({ current: '', password: '', password_confirmation: '' })
const out = useForm({ current: '' })
const keep = () => form.put('/account/password', { onSuccess: () => form.reset(), onError: () => form.reset('current') })
const leave = () => out.post('/account/everywhere', { onFinish: () => out.reset() })
</script>
<template>
  <Head title="Your account" />
  <main class="mx-auto max-w-[560px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display text-[31px] leading-9">{{ name }}</h1>
    <p class="caption mb-4">{{ email }} · {{ role }}</p>
    <Flash />
    <form @submit.prevent="keep">
      <h2 class="section-head mb-2">Change the password</h2>
      <FormField
        id="current"
        v-model="form.current"
        label="Password now"
        type="password"
        autocomplete="current-password"
        :error="form.errors.current"
      />
      <FormField
        id="password"
        v-model="form.password"
        class="mt-3"
        label="New password"
        type="password"
        autocomplete="new-password"
        hint="Twelve characters or more."
        :error="form.errors.password"
      />
      <FormField
        id="again"
        v-model="form.password_confirmation"
        class="mt-3"
        label="Once more"
        type="password"
        autocomplete="new-password"
      />
      <button type="submit" class="btn mt-3" :disabled="form.processing">Change it</button>
    </form>
    <SecondFactor class="mt-8" :on="second" :codes-left="codesLeft" />
    <form class="mt-8" @submit.prevent="leave">
      <h2 class="section-head mb-2">Sign out everywhere else</h2>
      <p class="caption mb-2">For a tablet that was left somewhere. This window stays.</p>
      <FormField
        id="out"
        v-model="out.current"
        label="Password"
        type="password"
        autocomplete="current-password"
        :error="out.errors.current"
      />
      <button type="submit" class="btn mt-3" :disabled="out.processing">Sign out everywhere else</button>
    </form>
  </main>
</template>
