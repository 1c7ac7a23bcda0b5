<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import Flash from '@/parts/Flash.vue'
import FormField from '@/parts/FormField.vue'

const form = useForm({ email: '' })
</script>
<template>
  <Head title="Forgotten password" />
  <main class="grid min-h-page place-items-center px-6">
    <form class="w-full max-w-[400px]" @submit.prevent="form.post('/forgotten')">
      <h1 class="display mb-3 text-[31px] leading-9">A new password</h1>
      <Flash />
      <p class="mb-4">Tell your address. A link to choose a new password goes there and holds an hour.</p>
      <FormField id="email" v-model="form.email" label="Email address" type="email" autocomplete="username" :error="form.errors.email" />
      <button type="submit" class="btn-ink mt-3 w-full" :disabled="form.processing">Send the link</button>
      <p class="caption mt-4"><Link href="/sign-in" class="link">Back to the door</Link></p>
    </form>
  </main>
</template>
