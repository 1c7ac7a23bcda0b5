<script setup lang="ts">
import { Link, usePage } from '@inertiajs/vue3'
import { computed } from 'vue'

/** Of a clinic that begins: what comes first, each with where it is done. What is done is ticked; the next one is the button. */
const props = defineProps<{ steps: { hours: boolean; people: boolean; client: boolean; visit: string | null } }>()
const rights = computed(() => usePage<{ user: { rights: string[] } }>().props.user.rights)
const all = computed(() =>
  [
    {
      name: 'Enter the first client',
      why: 'Name and date of birth are enough; a whole list can be brought in from a file.',
      act: 'New client',
      href: '/clients/new',
      done: props.steps.client,
      may: true,
    },
    {
      name: 'Begin the first visit',
      why: 'On the client’s page. It leads from the complaint to the signed note, and says what is still missing.',
      act: props.steps.visit ? 'Go on with it' : 'To the client',
      href: props.steps.visit ? `/visits/${props.steps.visit}` : '/clients',
      done: false,
      may: true,
    },
    {
      name: 'Say when and how you work',
      why: 'Opening hours, the length of a visit, units, and what your hands may bear.',
      act: 'Settings',
      href: '/settings',
      done: props.steps.hours,
      may: true,
    },
    {
      name: 'Invite whoever works with you',
      why: 'Therapists, students and reception; each sees what their work needs.',
      act: 'People and roles',
      href: '/people',
      done: props.steps.people,
      may: rights.value.includes('keep_people'),
    },
  ].filter((one) => one.may),
)
const next = computed(() => all.value.find((one) => !one.done))
</script>
<template>
  <section aria-label="First steps" class="max-w-[560px]">
    <h2 class="display text-[23px] leading-8">First steps</h2>
    <ol>
      <li v-for="one in all" :key="one.name" class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hairline py-3">
        <svg width="20" height="28" viewBox="0 0 20 28" class="shrink-0" aria-hidden="true">
          <line v-if="one.done" x1="10" x2="10" y1="3" y2="25" stroke="var(--color-iron)" stroke-width="4" />
          <circle v-else cx="10" cy="14" r="5" fill="none" stroke="var(--color-iron)" stroke-width="1.8" />
        </svg>
        <div class="min-w-[200px] flex-1">
          <h3 class="font-text text-[16px] font-[650]">{{ one.name }}<span v-if="one.done" class="caption font-normal"> · done</span></h3>
          <p class="caption">{{ one.why }}</p>
        </div>
        <Link :href="one.href" :class="one === next ? 'btn-ink' : 'btn'">{{ one.act }}</Link>
      </li>
    </ol>
  </section>
</template>
