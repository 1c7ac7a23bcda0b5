<script setup lang="ts">
import { router } from '@inertiajs/vue3'
import { ulid } from 'ulid'
import { computed, onMounted, ref } from 'vue'
import { send } from '@/composables/http'
import type { Plan, PlanStep } from '@/types/visit'
import RoomPage from './RoomPage.vue'

/** The rest of the time planned anew by the core, from where the hands are: what falls out, what comes in, and one touch to take it. */
const props = defineProps<{ visit: string; agreed: Plan; ended: (step: PlanStep) => boolean; booked: number }>()
const emit = defineEmits<{ close: []; taken: [] }>()
const plan = ref<Plan | null>(null)
const problem = ref('')
onMounted(async () => {
  try {
    plan.value = (await send<{ plan: Plan }>('GET', `/visits/${props.visit}/entries?step=plan`, undefined, 'nobody')).plan
  } catch {
    problem.value = 'The rest is planned by the server, and it does not answer now. What you have agreed stands.'
  }
})
const worth = (step: PlanStep): boolean => ['treat', 'recheck', 'finish', 'soothe', 'cold'].includes(step.kind)
const names = (steps: PlanStep[]): string[] => [...new Set(steps.filter(worth).map((step) => step.label))]
const now = computed(() => names(props.agreed.steps.filter((step) => !props.ended(step))))
const then = computed(() => names(plan.value?.steps ?? []))
const out = computed(() => now.value.filter((name) => !then.value.includes(name)))
const added = computed(() => then.value.filter((name) => !now.value.includes(name)))
const stays = computed(() => then.value.filter((name) => now.value.includes(name)))
const take = () =>
  router.post(
    `/visits/${props.visit}/plan`,
    { key: ulid() },
    { onSuccess: () => emit('taken'), onError: (errors) => (problem.value = Object.values(errors)[0] ?? '') },
  )
</script>
<template>
  <RoomPage :title="`${Math.max(0, Math.round(booked))} minutes are left`" @close="emit('close')">
    <p v-if="problem" class="text-[26px] leading-[34px] wide-room:text-[32px] wide-room:leading-[40px]" role="alert">{{ problem }}</p>
    <p v-else-if="!plan" class="text-[26px] text-linen-2 wide-room:text-[32px]">Planning the rest …</p>
    <template v-else>
      <p class="text-[26px] leading-[34px] wide-room:text-[32px] wide-room:leading-[40px]">
        {{ plan.verdict === 'planned' ? plan.headline : plan.because }}
      </p>
      <dl
        class="grid grid-cols-[110px_minmax(0,1fr)] gap-x-4 gap-y-3 text-[22px] leading-[28px] wide-room:grid-cols-[150px_minmax(0,1fr)] wide-room:text-[28px] wide-room:leading-[36px]"
      >
        <template v-if="out.length"
          ><dt class="text-room-madder">Falls out</dt>
          <dd>{{ out.join(' · ') }}</dd></template
        >
        <template v-if="added.length"
          ><dt class="text-room-moss">Comes in</dt>
          <dd>{{ added.join(' · ') }}</dd></template
        >
        <template v-if="stays.length"
          ><dt class="text-linen-2">Stays</dt>
          <dd>{{ stays.join(' · ') }}</dd></template
        >
      </dl>
    </template>
    <div class="mt-auto grid gap-8 wide-room:grid-cols-2">
      <button type="button" class="room-key" data-target="close" @click="emit('close')">
        Leave it as it is <span class="room-hint">Esc</span>
      </button>
      <button
        v-if="plan?.verdict === 'planned'"
        type="button"
        class="room-key !bg-room-moss font-[650] !text-room"
        data-target="take"
        @click="take"
      >
        Take it: {{ Math.round(plan.minutes) }} min
      </button>
    </div>
  </RoomPage>
</template>
