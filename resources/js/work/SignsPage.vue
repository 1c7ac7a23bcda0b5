<script setup lang="ts">
import { atlas } from '@/chart/atlas'
import type { ConsentAreaId } from '@/types/ids.generated'
import RoomPage from './RoomPage.vue'

/** Something is wrong: every sign in large words; what to do now follows on the touch. */
defineProps<{ areas: ConsentAreaId[]; withdrawn: ReadonlySet<ConsentAreaId> }>()
const emit = defineEmits<{ sign: [id: string]; back: [area: ConsentAreaId]; again: [area: ConsentAreaId]; close: [] }>()
</script>
<template>
  <RoomPage title="What is wrong?" @close="emit('close')">
    <div class="grid flex-1 grid-cols-2 gap-4 wide-room:grid-cols-4" role="group" aria-label="Stop signs">
      <button
        v-for="one in atlas.stopSigns"
        :key="one.id"
        type="button"
        class="room-key border-b-[6px] border-room-madder wide-room:!text-[36px]"
        :data-target="`sign-${one.id}`"
        @click="emit('sign', one.id)"
      >
        {{ one.name }}
      </button>
    </div>
    <div class="grid grid-cols-1 gap-4 wide-room:grid-cols-2">
      <button
        v-for="area in areas"
        :key="area"
        type="button"
        class="room-key text-left"
        :data-target="`consent-${area}`"
        @click="withdrawn.has(area) ? emit('again', area) : emit('back', area)"
      >
        {{ withdrawn.has(area) ? 'Agrees again' : 'Takes back' }}: {{ atlas.consent[area] }}
      </button>
      <button type="button" class="room-key !bg-room-fold text-linen-2" data-target="close" @click="emit('close')">
        Nothing is wrong <span class="room-hint">Esc</span>
      </button>
    </div>
  </RoomPage>
</template>
