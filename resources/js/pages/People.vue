<script setup lang="ts">
import Pick from '@/controls/Pick.vue'
import Tick from '@/controls/Tick.vue'
import { Head, Link, router, useForm, usePage } from '@inertiajs/vue3'
import { computed, ref } from 'vue'
import Flash from '@/parts/Flash.vue'
import FormField from '@/parts/FormField.vue'
import PersonMark from '@/parts/PersonMark.vue'

/** Who works here and what they may do; invited by mail, closed at once, never deleted: what somebody wrote stays theirs. */
interface Person {
  id: number
  name: string
  email: string
  role: string
  licensed: boolean
  experience: string
  supervisor_id: number | null
  state: 'active' | 'invited' | 'closed'
  self: boolean
  /** a second factor is set up */
  second: boolean
}
const props = defineProps<{
  people: Person[]
  roles: { id: string; name: string; rights: string[] }[]
  supervisors: { id: number; name: string }[]
}>()
const form = useForm({
  name: '',
  email: '',
  role: 'therapist',
  licensed: true,
  experience: 'qualified',
  supervisor_id: null as number | null,
})
const invite = () => form.post('/people', { preserveScroll: true, onSuccess: () => form.reset() })
const open = ref<number | null>(null)
const change = useForm({ role: '', licensed: false, experience: 'qualified', supervisor_id: null as number | null })
const edit = (one: Person) => {
  open.value = open.value === one.id ? null : one.id
  change.defaults({ role: one.role, licensed: one.licensed, experience: one.experience, supervisor_id: one.supervisor_id })
  change.reset()
  change.clearErrors()
}
const keep = (one: Person) => change.put(`/people/${one.id}`, { preserveScroll: true, onSuccess: () => (open.value = null) })
const resetSecond = (one: Person) => router.delete(`/people/${one.id}/second-factor`, { preserveScroll: true })
const ask = (one: Person, what: 'close' | 'open' | 'remind') => router.post(`/people/${one.id}/${what}`, {}, { preserveScroll: true })
const roleName = (id: string) => props.roles.find((one) => one.id === id)?.name ?? id
const nameOf = (id: number | null) => props.people.find((one) => one.id === id)?.name
const errors = computed(() => usePage<{ errors: Record<string, string> }>().props.errors)
/** A box that is one of two words in the record. */
const states = { active: '', invited: 'invited', closed: 'closed' } as const
</script>
<template>
  <Head title="People and roles" />
  <main class="mx-auto max-w-[1000px] px-6 pb-16 pt-5">
    <p class="caption"><Link href="/" class="link">Today</Link></p>
    <h1 class="display mb-3 text-[31px] leading-9">People and roles</h1>
    <Flash />
    <p v-if="errors.role && open === null" class="mb-3 text-madder" role="alert">{{ errors.role }}</p>
    <div class="grid gap-x-10 lg:grid-cols-[minmax(0,1fr)_320px]">
      <ul aria-label="People">
        <li
          v-for="one in people"
          :key="one.id"
          class="border-b border-hairline py-2"
          :class="one.state === 'closed' ? 'text-walnut-2' : ''"
        >
          <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
            <PersonMark :name="one.name" :role="one.role" :faded="one.state === 'closed'" />
            <p class="min-w-[200px] flex-1">
              <b class="own-words font-[650]">{{ one.name }}</b>
              <span class="caption own-words block"
                >{{ roleName(one.role) }}<template v-if="one.licensed">, licensed</template
                ><template v-if="one.experience === 'advanced' && one.role !== 'reception'">, advanced training</template
                ><template v-if="one.supervisor_id">, with {{ nameOf(one.supervisor_id) }}</template> · {{ one.email
                }}<template v-if="states[one.state]"> · {{ states[one.state] }}</template></span
              >
            </p>
            <div class="flex flex-wrap gap-px" role="group" :aria-label="one.name">
              <button v-if="one.state === 'invited'" type="button" class="cell" @click="ask(one, 'remind')">invite again</button>
              <button v-if="one.state !== 'closed'" type="button" class="cell" :aria-expanded="open === one.id" @click="edit(one)">
                change
              </button>
              <button v-if="one.second && !one.self && one.state === 'active'" type="button" class="cell" @click="resetSecond(one)">
                reset second factor
              </button>
              <button v-if="one.state !== 'closed' && !one.self" type="button" class="cell" @click="ask(one, 'close')">close</button>
              <button v-if="one.state === 'closed'" type="button" class="cell" @click="ask(one, 'open')">open again</button>
            </div>
          </div>
          <form v-if="open === one.id" class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="keep(one)">
            <div>
              <label class="caption block" :for="`role-${one.id}`">Role</label>
              <Pick
                :id="`role-${one.id}`"
                class="min-w-[200px]"
                look="cell"
                label="Role"
                :choices="roles"
                :value="change.role"
                @choose="(role) => role && (change.role = role)"
              />
            </div>
            <div v-if="change.role === 'student'">
              <label class="caption block" :for="`with-${one.id}`">Supervisor</label>
              <Pick
                :id="`with-${one.id}`"
                class="min-w-[180px]"
                look="cell"
                label="Supervisor"
                none="who?"
                :choices="supervisors.filter((item) => item.id !== one.id)"
                :value="change.supervisor_id"
                @choose="(who) => (change.supervisor_id = who ?? null)"
              />
            </div>
            <template v-else-if="change.role !== 'reception'">
              <Tick :checked="change.licensed" @turn="(on) => (change.licensed = on)">licensed</Tick>
              <Tick :checked="change.experience === 'advanced'" @turn="(on) => (change.experience = on ? 'advanced' : 'qualified')"
                >advanced training</Tick
              >
            </template>
            <button type="submit" class="btn" :disabled="change.processing">Keep it so</button>
            <p class="w-full text-madder" role="alert">{{ change.errors.role ?? change.errors.supervisor_id }}</p>
          </form>
        </li>
      </ul>
      <aside class="max-lg:mt-8">
        <h2 class="section-head mb-2">Invite somebody</h2>
        <form @submit.prevent="invite">
          <FormField id="name" v-model="form.name" label="Name" :error="form.errors.name" />
          <FormField id="email" v-model="form.email" class="mt-3" label="Email address" type="email" :error="form.errors.email" />
          <label class="caption mb-1 mt-3 block" for="role">Role</label>
          <Pick id="role" label="Role" :choices="roles" :value="form.role" @choose="(role) => role && (form.role = role)" />
          <p class="caption mt-1">May {{ roles.find((one) => one.id === form.role)?.rights.join(', ') }}.</p>
          <template v-if="form.role === 'student'">
            <label class="caption mb-1 mt-3 block" for="supervisor">Supervisor</label>
            <Pick
              id="supervisor"
              label="Supervisor"
              none="who?"
              :choices="supervisors"
              :value="form.supervisor_id"
              :invalid="form.errors.supervisor_id !== undefined"
              @choose="(who) => (form.supervisor_id = who ?? null)"
            />
            <p class="text-madder" role="alert">{{ form.errors.supervisor_id }}</p>
          </template>
          <template v-else-if="form.role !== 'reception'">
            <Tick :checked="form.licensed" @turn="(on) => (form.licensed = on)">licensed to practise</Tick>
            <Tick :checked="form.experience === 'advanced'" @turn="(on) => (form.experience = on ? 'advanced' : 'qualified')"
              >advanced training</Tick
            >
            <p class="caption">Some muscles and techniques are planned only for advanced training.</p>
          </template>
          <button type="submit" class="btn-ink mt-3 w-full" :disabled="form.processing">Invite</button>
        </form>
      </aside>
    </div>
  </main>
</template>
