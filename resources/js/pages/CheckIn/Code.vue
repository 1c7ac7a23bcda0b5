<script setup lang="ts">
import { Head, useForm } from '@inertiajs/vue3'

const form = useForm({ code: '' })
</script>
<template>
  <Head title="Check in" />
  <main class="mx-auto grid min-h-page max-w-[480px] content-center px-6 text-[19px] leading-7">
    <form @submit.prevent="form.post('/check-in')">
      <h1 class="display mb-2 text-[34px] leading-[40px]">Check in</h1>
      <p class="mb-6">You have been given a code of eight letters and numbers. Type it here.</p>
      <label class="sr-only" for="code">Code</label>
      <input
        id="code"
        v-model="form.code"
        class="field !text-[30px] !leading-[44px] uppercase tracking-[.12em]"
        autocomplete="off"
        autocapitalize="characters"
        spellcheck="false"
        maxlength="12"
        required
        autofocus
        :aria-invalid="form.errors.code ? true : undefined"
        aria-describedby="code-error"
      />
      <p id="code-error" class="mb-4 min-h-[28px] text-madder" role="alert">{{ form.errors.code }}</p>
      <button type="submit" class="btn-ink !min-h-[60px] w-full !text-[20px]" :disabled="form.processing">Go on</button>
    </form>
  </main>
</template>
