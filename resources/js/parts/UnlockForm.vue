<script setup lang="ts">
import { usePage } from '@inertiajs/vue3'
import { nextTick, onMounted, ref } from 'vue'
import { Refused, send } from '@/composables/http'
import { LOCKED } from '@/composables/settings'
import FormField from './FormField.vue'
import SignOut from './SignOut.vue'

/** The password of whoever is signed in, before the screen shows anything again. */
const emit = defineEmits<{ open: [] }>()
const name = usePage<{ user: { name: string } | null }>().props.user?.name ?? ''
const password = ref('')
const wrong = ref('')
const busy = ref(false)
const unlock = async () => {
  busy.value = true
  wrong.value = ''
  try {
    await send('POST', '/unlock', { password: password.value })
    sessionStorage.removeItem(LOCKED)
    emit('open')
  } catch (failure) {
    wrong.value = failure instanceof Refused ? failure.words : 'No connection just now. Nothing is lost behind this.'
    if (failure instanceof Refused && failure.status === 401) location.reload()
    void nextTick(focus)
  }
  password.value = ''
  busy.value = false
}
const focus = () => document.getElementById('unlock')?.focus()
onMounted(focus)
</script>
<template>
  <form aria-label="Locked" @submit.prevent="unlock">
    <h1 class="display mb-1 text-[31px] leading-9">Locked</h1>
    <p class="caption mb-4">{{ name }} was away for a while. Everything behind this stays as it is.</p>
    <FormField id="unlock" v-model="password" label="Password" type="password" autocomplete="current-password" :error="wrong" />
    <p class="mt-4 flex items-center gap-4">
      <button type="submit" class="btn-ink" :disabled="busy">Go on</button>
      <SignOut words="I am somebody else" />
    </p>
  </form>
</template>
