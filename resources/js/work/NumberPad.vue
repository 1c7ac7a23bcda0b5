<script setup lang="ts">
import RoomPage from './RoomPage.vue'

/** The client's number, one touch; what it means under the ceiling is said at once. */
defineProps<{ ceiling: number | null; scale: string | undefined }>()
const emit = defineEmits<{ said: [number: number]; close: [] }>()
</script>
<template>
  <RoomPage title="Which number is it?" @close="emit('close')">
    <p v-if="scale" class="text-[24px] leading-[30px] text-linen-2 wide-room:text-[32px] wide-room:leading-[40px]">“{{ scale }}”</p>
    <div class="grid flex-1 grid-cols-4 gap-4 wide-room:grid-cols-6">
      <button
        v-for="n in 11"
        :key="n"
        type="button"
        class="room-key display !text-[44px] wide-room:!text-[64px]"
        :class="ceiling !== null && n - 1 > ceiling ? 'border-b-[6px] border-room-madder' : ''"
        :data-target="`number-${n - 1}`"
        @click="emit('said', n - 1)"
      >
        {{ n - 1 }}
      </button>
      <button type="button" class="room-key !bg-room-fold text-linen-2" data-target="close" @click="emit('close')">
        Back <span class="room-hint">Esc</span>
      </button>
    </div>
    <p v-if="ceiling !== null" class="text-[22px] text-linen-2 wide-room:text-[30px]">Ceiling here: {{ ceiling }}</p>
  </RoomPage>
</template>
