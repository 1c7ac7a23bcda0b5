<script setup lang="ts">
/** Somebody else wrote the same text meanwhile: theirs is shown, and one of the two is taken. */
defineProps<{ theirs: string }>()
const emit = defineEmits<{ choose: [whose: 'mine' | 'theirs'] }>()
</script>
<template>
  <div class="no-print my-2 border-l-4 border-madder bg-fold py-2 pl-3 pr-2" role="alert">
    <p>Another window changed it first. There it says:</p>
    <p class="my-1 max-h-40 overflow-y-auto whitespace-pre-wrap border-l-2 border-hairline pl-3">{{ theirs || 'Nothing.' }}</p>
    <p class="flex flex-wrap gap-2">
      <button type="button" class="btn-ink" @click="emit('choose', 'mine')">Keep mine</button>
      <button type="button" class="btn" @click="emit('choose', 'theirs')">Take theirs</button>
    </p>
  </div>
</template>
