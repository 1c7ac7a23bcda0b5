<script setup lang="ts">
import { router, useForm } from '@inertiajs/vue3'
import { ref } from 'vue'
import { Refused, send } from '@/composables/http'
import FormField from './FormField.vue'

/**
 * The second factor: an authenticator app reads the picture, one code shows that it did, and eight codes are kept for the day the phone is
 * gone.
 */
defineProps<{ on: boolean; codesLeft: number }>()
const current = ref('')
const code = ref('')
const wrong = ref('')
const offered = ref<{ secret: string; picture: string } | null>(null)
const codes = ref<string[]>([])
const attempt = async (deed: () => Promise<void>) => {
  wrong.value = ''
  try {
    await deed()
  } catch (failure) {
    wrong.value = failure instanceof Refused ? failure.words : 'No connection just now; nothing was changed.'
  }
}
const begin = () =>
  attempt(async () => {
    const { secret, uri } = await send<{ secret: string; uri: string }>('POST', '/account/second-factor/begin', { current: current.value })
    // drawn here: the secret goes to nobody else
    const { toDataURL } = await import('qrcode')
    offered.value = { secret, picture: await toDataURL(uri, { margin: 1, width: 220, color: { dark: '#2b1f17', light: '#fcf9f3' } }) }
    current.value = ''
  })
const confirm = () =>
  attempt(async () => {
    codes.value = (await send<{ codes: string[] }>('POST', '/account/second-factor', { code: code.value })).codes
    offered.value = null
    code.value = ''
  })
const done = () => {
  codes.value = []
  router.reload()
}
const off = useForm({ current: '', code: '' })
const takeAway = () => off.delete('/account/second-factor', { onFinish: () => off.reset() })
</script>
<template>
  <section aria-labelledby="second">
    <h2 id="second" class="section-head mb-2">Second factor</h2>
    <template v-if="codes.length">
      <p class="mb-2">It is on. Keep these somewhere that is not the phone: each opens the account once when the app is gone.</p>
      <ul class="grid grid-cols-2 gap-x-6 font-[650]" aria-label="Recovery codes">
        <li v-for="one in codes" :key="one" class="py-1">{{ one }}</li>
      </ul>
      <button type="button" class="btn-ink mt-3" @click="done">They are kept</button>
    </template>
    <form v-else-if="offered" @submit.prevent="confirm">
      <p class="mb-2">Read this with an authenticator app, then type the six digits it shows.</p>
      <img :src="offered.picture" alt="Picture for the authenticator app" width="220" height="220" />
      <p class="caption mb-2 break-all">Or type it in: {{ offered.secret.match(/.{1,4}/g)?.join(' ') }}</p>
      <FormField id="code" v-model="code" label="Six digits" autocomplete="one-time-code" :error="wrong" />
      <button type="submit" class="btn-ink mt-3">Turn it on</button>
    </form>
    <form v-else-if="on" @submit.prevent="takeAway">
      <p class="caption mb-2">On. {{ codesLeft }} recovery {{ codesLeft === 1 ? 'code is' : 'codes are' }} left.</p>
      <FormField
        id="second-off"
        v-model="off.current"
        label="Password"
        type="password"
        autocomplete="current-password"
        :error="off.errors.current"
      />
      <FormField
        id="second-off-code"
        v-model="off.code"
        class="mt-3"
        label="Code of the app, or a recovery code"
        autocomplete="one-time-code"
        :error="off.errors.code"
      />
      <button type="submit" class="btn mt-3" :disabled="off.processing">Turn it off</button>
    </form>
    <form v-else @submit.prevent="begin">
      <p class="caption mb-2">Off. With it, a password alone opens nothing: a code from an app on your phone is asked as well.</p>
      <FormField id="second-on" v-model="current" label="Password" type="password" autocomplete="current-password" :error="wrong" />
      <button type="submit" class="btn mt-3">Set it up</button>
    </form>
  </section>
</template>
