<script lang="ts">
/** A format of a file: its name, what is in it, who reads it. */
export interface Format {
  id: string
  words: string
  holds: string
  reader: string
}
</script>
<script setup lang="ts">
/** The files that go out, by what is in each and who reads it. */
defineProps<{ formats: readonly Format[]; from: string }>()
</script>
<template>
  <table class="w-full border-collapse text-left">
    <thead class="max-md:hidden">
      <tr class="caption border-b border-hairline">
        <th class="py-1 font-normal">File</th>
        <th class="py-1 font-normal">What is in it</th>
        <th class="py-1 font-normal">Who reads it</th>
        <th class="py-1 font-normal"><span class="sr-only">Save</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in formats" :key="one.id" class="border-b border-hairline max-md:block max-md:py-2">
        <th scope="row" class="py-2 pr-6 font-[650] max-md:block max-md:py-0">{{ one.words }}</th>
        <td class="py-2 pr-6 max-md:block max-md:py-0">{{ one.holds }}</td>
        <td class="caption py-2 pr-6 max-md:block max-md:py-0">{{ one.reader }}</td>
        <td class="py-1 text-right max-md:block max-md:py-0 max-md:text-left">
          <a class="btn inline-flex whitespace-nowrap" :href="`${from}/${one.id}`" download>{{ one.id }}</a>
        </td>
      </tr>
      <slot />
    </tbody>
  </table>
</template>
