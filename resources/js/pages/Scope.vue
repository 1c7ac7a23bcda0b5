<script setup lang="ts">
import { Head, Link, useForm } from '@inertiajs/vue3'
import { computed } from 'vue'
import Tick from '@/controls/Tick.vue'
import Flash from '@/parts/Flash.vue'

/** What this clinic may not do, or will not: switched off with a reason, and gone from every new plan. */
const props = defineProps<{
  techniques: { id: string; name: string; what: string; kind: string; off: boolean; reason: string }[]
}>()
/** By what the hands do, as the kinds of the data have it. */
const GROUPS = [
  { name: 'Strokes', kinds: ['stroke'] },
  { name: 'In rhythm', kinds: ['rhythm'] },
  { name: 'Holds and grips', kinds: ['hold', 'grip'] },
  { name: 'With movement, or lengthened', kinds: ['moved', 'client_moves', 'held'] },
  { name: 'On joints', kinds: ['joint'] },
]
const groups = GROUPS.map(({ name, kinds }) => ({ name, techniques: props.techniques.filter(({ kind }) => kinds.includes(kind)) }))
const form = useForm({ off: props.techniques.filter((one) => one.off).map(({ id, reason }) => ({ id, reason })) })
const chosen = (id: string) => form.off.find((one) => one.id === id)
const toggle = (id: string) => {
  const reason = props.techniques.find((one) => one.id === id)?.reason ?? ''
  form.off = chosen(id) ? form.off.filter((one) => one.id !== id) : [...form.off, { id, reason }]
}
const faultOf = (id: string): string | undefined =>
  (form.errors as Record<string, string>)[`off.${form.off.findIndex((one) => one.id === id)}.reason`]
const nameOf = new Map(props.techniques.map(({ id, name }) => [id, name]))
const offNames = computed(() => form.off.map(({ id }) => nameOf.get(id) ?? id).join(', '))
const save = () => form.put('/clinic/scope', { preserveScroll: true })
</script>
<template>
  <Head title="What is done here" />
  <main class="mx-auto max-w-[1080px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display text-[31px] leading-9">What is done here, and what is not</h1>
    <p class="mb-4 mt-1 max-w-[640px]">
      Local law and the scope of your licence come first. Untick what is not done here: it vanishes from every new plan, and where it is
      missed, the reason is read beside it.
    </p>
    <Flash />
    <form @submit.prevent="save">
      <div class="gap-x-12 lg:columns-2">
        <section v-for="group in groups" :key="group.name" class="mb-6" :aria-label="group.name">
          <h2 class="section-head">{{ group.name }}</h2>
          <ul>
            <li v-for="one in group.techniques" :key="one.id" class="break-inside-avoid border-b border-hairline py-1">
              <Tick :checked="!chosen(one.id)" @turn="toggle(one.id)">
                <b class="font-[650]" :class="chosen(one.id) ? 'text-walnut-2 line-through' : ''">{{ one.name }}</b>
                <span class="caption block">{{ one.what }}</span>
              </Tick>
              <template v-for="off in form.off.filter((item) => item.id === one.id)" :key="off.id">
                <div class="mb-2 ml-[30px]">
                  <label class="caption block" :for="`why-${one.id}`">Why not here</label>
                  <input
                    :id="`why-${one.id}`"
                    v-model="off.reason"
                    class="field w-full"
                    maxlength="200"
                    :aria-invalid="faultOf(one.id) ? true : undefined"
                    :aria-describedby="`why-${one.id}-fault`"
                  />
                  <p :id="`why-${one.id}-fault`" class="text-madder" role="alert">{{ faultOf(one.id) }}</p>
                </div>
              </template>
            </li>
          </ul>
        </section>
      </div>
      <div class="sticky bottom-0 flex items-center gap-4 border-t border-hairline bg-paper py-3">
        <button type="submit" class="btn-ink" :disabled="form.processing || !form.isDirty">Keep it so</button>
        <span class="caption">{{ form.off.length ? `Not done here: ${offNames}.` : 'All of it is done here.' }}</span>
      </div>
    </form>
  </main>
</template>
