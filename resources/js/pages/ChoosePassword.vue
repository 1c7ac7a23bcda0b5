<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import FormField from '@/parts/FormField.vue'

/** The first password of somebody invited, or a new one for somebody who forgot. */
const props = defineProps<{ token: string; email: string; invited: boolean }>()
const form = useForm({ token: props.token, email: props.email, invited: props.invited, password: '', password_confirmation: '' })
</script>
<template>
  <Head title="Choose a password" />
  <main class="grid min-h-page place-items-center px-6">
    <form
      class="w-full max-w-[400px]"
      @submit.prevent="form.post('/choose-password', { onError: () => form.reset('password', 'password_confirmation') })"
    >
      <h1 class="display mb-3 text-[31px] leading-9">{{ invited ? 'Welcome. Choose a password' : 'Choose a new password' }}</h1>
      <p class="caption mb-4">For {{ email }}. Twelve characters or more: a few words in a row are easier to keep than signs.</p>
      <FormField
        id="password"
        v-model="form.password"
        label="Password"
        type="password"
        autocomplete="new-password"
        :error="form.errors.password"
      />
      <FormField
        id="again"
        v-model="form.password_confirmation"
        class="mt-3"
        label="Once more"
        type="password"
        autocomplete="new-password"
        :error="form.errors.email"
      />
      <button type="submit" class="btn-ink mt-4 w-full" :disabled="form.processing">Keep it</button>
      <p class="caption mt-4"><Link href="/forgotten" class="link">Ask for another link</Link></p>
    </form>
  </main>
</template>
