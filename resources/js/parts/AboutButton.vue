<script setup lang="ts">
import { useAtlas } from '@/composables/useAtlas'
import type { EntryKind } from '@/types/atlas'
import type { Side } from '@/types/ids.generated'

/** One touch from the work to the atlas: its entry opens beside, and closing it is being back. */
const props = withDefaults(defineProps<{ kind: EntryKind; id: string; name: string; side?: Side; hint?: string }>(), {
  side: 'left',
  hint: '',
})
const { open } = useAtlas()
</script>
<template>
  <button
    type="button"
    class="link caption min-h-[28px]"
    :aria-label="`${kind === 'movement' || kind === 'test' ? 'How to measure' : 'About'}: ${name}`"
    @click="open(props.kind, props.id, props.side)"
  >
    <slot>About it</slot> <span v-if="hint" class="key-hint">{{ hint }}</span>
  </button>
</template>
