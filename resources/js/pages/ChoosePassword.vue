<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import { ref } from 'vue'
import Tick from '@/controls/Tick.vue'
import FormField from '@/parts/FormField.vue'

/** The first password of somebody invited, or a new one for somebody who forgot. */
const props = defineProps<{ token: string; email: string; invited: boolean }>()
const form = useForm({ token: props.token, email: props.email, invited: props.invited, password: '', password_confirmation: '' })
const isShown = ref(false)
</script>
<template>
  <Head title="Choose a password" />
  <main class="grid min-h-page place-items-center px-6">
    <form
      class="w-full max-w-[400px]"
      @submit.prevent="form.post('/choose-password', { onError: () => form.reset('password', 'password_confirmation') })"
    >
      <h1 class="display mb-3 text-[31px] leading-9">{{ invited ? 'Welcome. Choose a password' : 'Choose a new password' }}</h1>
      <p class="caption mb-4">
        For {{ email }}. Twelve characters or more, and hard to guess: four or five words that do not belong together are easiest to keep.
      </p>
      <FormField
        id="password"
        v-model="form.password"
        label="Password"
        :type="isShown ? 'text' : 'password'"
        autocomplete="new-password"
        :error="form.errors.password"
      />
      <FormField
        id="again"
        v-model="form.password_confirmation"
        class="mt-3"
        label="Once more"
        :type="isShown ? 'text' : 'password'"
        autocomplete="new-password"
        :error="form.errors.email"
      />
      <Tick class="mt-2" :checked="isShown" @turn="(on) => (isShown = on)">Show what I type</Tick>
      <button type="submit" class="btn-ink mt-3 w-full" :disabled="form.processing">Keep it</button>
      <p class="caption mt-4"><Link href="/forgotten" class="link">Ask for another link</Link></p>
    </form>
  </main>
</template>
