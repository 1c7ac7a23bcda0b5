<script setup lang="ts">
/** Settings that belong together: what they touch, and, where it can be shown, how it will look. */
defineProps<{ id: string; name: string; touches?: string }>()
</script>
<template>
  <section
    :id="id"
    :aria-labelledby="`${id}-name`"
    class="grid scroll-mt-4 gap-x-10 gap-y-3 border-t border-hairline py-5"
    :class="$slots['preview'] ? 'xl:grid-cols-[minmax(0,1fr)_264px]' : ''"
    data-settings
  >
    <div class="min-w-0">
      <h3 :id="`${id}-name`" class="section-head">{{ name }}</h3>
      <p v-if="touches" class="caption mb-3 max-w-[64ch]">{{ touches }}</p>
      <slot />
    </div>
    <aside v-if="$slots['preview']" class="self-start border-l-4 border-weld pl-3 xl:mt-8" :aria-label="`How it will look: ${name}`">
      <p class="note mb-1">So it will look</p>
      <slot name="preview" />
    </aside>
  </section>
</template>
