<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import Flash from '@/parts/Flash.vue'

/** What this clinic may not do, or will not: switched off with a reason, and gone from every new plan. */
const props = defineProps<{ techniques: { id: string; name: string; what: string; off: boolean; reason: string }[] }>()
const form = useForm({ off: props.techniques.filter((one) => one.off).map(({ id, reason }) => ({ id, reason })) })
const chosen = (id: string) => form.off.find((one) => one.id === id)
const toggle = (id: string) => {
  const reason = props.techniques.find((one) => one.id === id)?.reason ?? ''
  form.off = chosen(id) ? form.off.filter((one) => one.id !== id) : [...form.off, { id, reason }]
}
const faultOf = (id: string): string | undefined =>
  (form.errors as Record<string, string>)[`off.${form.off.findIndex((one) => one.id === id)}.reason`]
const save = () => form.put('/clinic/scope', { preserveScroll: true })
</script>
<template>
  <Head title="What is done here" />
  <main class="mx-auto max-w-[900px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display text-[31px] leading-9">What is done here, and what is not</h1>
    <p class="mb-4 mt-1 max-w-[640px]">
      Local law and the scope of your licence come first. What is switched off vanishes from every new plan; where it is missed, the reason
      is read beside it.
    </p>
    <Flash />
    <form @submit.prevent="save">
      <ul>
        <li v-for="one in techniques" :key="one.id" class="border-b border-hairline py-2">
          <div class="flex flex-wrap items-center justify-between gap-x-4 gap-y-1">
            <p class="min-w-[240px] flex-1">
              <b class="font-[650]">{{ one.name }}</b><span class="caption block">{{ one.what }}</span>
            </p>
            <div class="flex gap-px" role="group" :aria-label="one.name">
              <button type="button" class="cell !px-4" :aria-pressed="!chosen(one.id)" @click="chosen(one.id) && toggle(one.id)">
                done here
              </button>
              <button
                type="button"
                class="cell !px-4"
                :aria-pressed="!!chosen(one.id)"
                :data-unusual="!!chosen(one.id)"
                @click="!chosen(one.id) && toggle(one.id)"
              >
                not here
              </button>
            </div>
          </div>
          <template v-for="off in form.off.filter((item) => item.id === one.id)" :key="off.id">
            <label class="caption mt-1 block" :for="`why-${one.id}`">Why not</label>
            <input
              :id="`why-${one.id}`"
              v-model="off.reason"
              class="field w-full"
              maxlength="200"
              :aria-invalid="faultOf(one.id) ? true : undefined"
              :aria-describedby="`why-${one.id}-fault`"
            />
            <p :id="`why-${one.id}-fault`" class="text-madder" role="alert">{{ faultOf(one.id) }}</p>
          </template>
        </li>
      </ul>
      <div class="sticky bottom-0 mt-4 flex items-center gap-4 bg-paper py-3">
        <button type="submit" class="btn-ink" :disabled="form.processing || !form.isDirty">Keep it so</button>
        <span class="caption">{{
          form.off.length === 0 ? 'Nothing is off.' : form.off.length === 1 ? 'One is off.' : `${form.off.length} are off.`
        }}</span>
      </div>
    </form>
  </main>
</template>
