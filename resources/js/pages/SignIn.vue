<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import Flash from '@/parts/Flash.vue'

const form = useForm({ email: '', password: '' })
</script>
<template>
  <Head title="Sign in" />
  <main class="grid min-h-page place-items-center px-6">
    <form class="w-full max-w-[400px]" @submit.prevent="form.post('/sign-in', { onError: () => form.reset('password') })">
      <h1 class="display mb-1 text-[44px] leading-[46px]">
        soma<span class="mx-[2px] inline-block h-[38px] w-[3px] translate-y-[6px] bg-walnut" aria-hidden="true" />trace
      </h1>
      <p class="caption mb-8">
        An instrument for clinical massage therapists. It supports licensed practice and never diagnoses; local rules come first.
      </p>
      <Flash />
      <label class="caption mb-1 block" for="email">Email address</label>
      <input
        id="email"
        v-model="form.email"
        class="field mb-1"
        type="email"
        autocomplete="username"
        required
        autofocus
        :aria-invalid="form.errors.email ? true : undefined"
        aria-describedby="email-error"
      />
      <p id="email-error" class="mb-3 min-h-[20px] text-madder" role="alert">{{ form.errors.email }}</p>
      <label class="caption mb-1 block" for="password">Password</label>
      <input id="password" v-model="form.password" class="field mb-6" type="password" autocomplete="current-password" required />
      <button type="submit" class="btn-ink w-full" :disabled="form.processing">Sign in</button>
      <p class="caption mt-4"><Link href="/forgotten" class="link">Forgotten the password</Link></p>
    </form>
  </main>
</template>
