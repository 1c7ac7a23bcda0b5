<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import FormField from '@/parts/FormField.vue'

const form = useForm({ code: '' })
</script>
<template>
  <Head title="Second step" />
  <main class="grid min-h-page place-items-center px-6">
    <form class="w-full max-w-[400px]" @submit.prevent="form.post('/second-step', { onError: () => form.reset() })">
      <h1 class="display mb-3 text-[31px] leading-9">And the code</h1>
      <p class="mb-4">Six digits from the app, or one of the recovery codes.</p>
      <FormField id="code" v-model="form.code" label="Code" autocomplete="one-time-code" :error="form.errors.code" />
      <button type="submit" class="btn-ink mt-3 w-full" :disabled="form.processing">Sign in</button>
      <p class="caption mt-4"><Link href="/sign-in" class="link">Somebody else</Link></p>
    </form>
  </main>
</template>
