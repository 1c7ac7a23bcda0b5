<script setup lang="ts">
import type { Palpation } from '@/types/visit'
import FindingMark from './FindingMark.vue'

/** Every mark of the figure with its meaning, in its own size. */
const marks: { finding: Pick<Palpation, 'tenderness' | 'texture' | 'familiar'>; text: string }[] = [
  { finding: { tenderness: 0 }, text: 'felt, and clear' },
  { finding: { tenderness: 1 }, text: 'tender, 1 of 4: the rim fills by quarters' },
  { finding: { tenderness: 2 }, text: '2 of 4' },
  { finding: { tenderness: 3 }, text: '3 of 4' },
  { finding: { tenderness: 4 }, text: '4 of 4' },
  { finding: { tenderness: 2, texture: ['taut_band'] }, text: 'with a taut band' },
  { finding: { tenderness: 2, texture: ['nodule'] }, text: 'with a nodule' },
  { finding: { tenderness: 2, familiar: 'yes' }, text: 'the client’s own pain' },
  { finding: { tenderness: 3, texture: ['taut_band', 'nodule'], familiar: 'yes' }, text: 'all of it together' },
]
</script>
<template>
  <ul class="grid grid-cols-[44px_1fr] items-center gap-x-3">
    <template v-for="one in marks" :key="one.text">
      <li class="contents">
        <svg width="40" height="36" viewBox="-20 -18 40 36" aria-hidden="true"><FindingMark :finding="one.finding" /></svg>
        <span>{{ one.text }}</span>
      </li>
    </template>
    <li class="contents">
      <svg width="40" height="36" viewBox="0 0 40 36" aria-hidden="true">
        <path d="M2 28Q14 6 32 16" fill="none" stroke="var(--color-walnut)" stroke-width="2.5" stroke-dasharray="6 4" />
        <circle cx="33" cy="16" r="5" fill="var(--color-madder)" stroke="var(--color-walnut)" stroke-width="1.4" />
      </svg>
      <span>a thread to where it is felt; its end is filled when that is the client’s own pain</span>
    </li>
    <li class="contents">
      <svg width="40" height="36" viewBox="0 0 40 36" aria-hidden="true">
        <rect x="4" y="5" width="32" height="26" fill="none" stroke="var(--color-madder)" stroke-width="2" stroke-dasharray="8 4" />
        <path d="M8 12h9m6 0h9M6 18h9m6 0h9M8 24h9m6 0h9" stroke="var(--color-madder)" stroke-width="1.9" />
      </svg>
      <span>where it hurts; the closer the stitches, the stronger</span>
    </li>
    <li class="contents">
      <svg width="40" height="36" viewBox="0 0 40 36" aria-hidden="true">
        <clipPath id="legend-hatch"><rect x="4" y="5" width="32" height="26" /></clipPath>
        <g clip-path="url(#legend-hatch)" stroke="var(--color-iron)" stroke-width="2.4">
          <path d="M-4 32L26 2M4 38L38 4M16 40L46 10M-10 22L14 -2" />
        </g>
        <rect x="4" y="5" width="32" height="26" fill="none" stroke="var(--color-iron)" stroke-width="1.6" />
      </svg>
      <span>a place not to press</span>
    </li>
    <li class="contents">
      <svg width="40" height="36" viewBox="0 0 40 36" aria-hidden="true">
        <circle cx="12" cy="18" r="9" fill="none" stroke="var(--color-walnut)" stroke-width="2.5" />
        <path d="M21 18h7" stroke="var(--color-walnut)" stroke-width="1.4" stroke-dasharray="2 3" />
        <circle cx="34" cy="18" r="6" fill="none" stroke="var(--color-walnut)" stroke-width="1.6" stroke-dasharray="2.5 3" />
      </svg>
      <span>the chosen place, and its twin on the other side</span>
    </li>
    <li class="contents">
      <svg width="40" height="36" viewBox="0 0 40 36" aria-hidden="true">
        <path d="M6 30Q10 6 20 6T34 30Z" fill="var(--color-weld-wash)" stroke="var(--color-walnut)" stroke-width="2" />
      </svg>
      <span>the muscle in hand; a thin edge without fill lies above the layer in front</span>
    </li>
  </ul>
  <p class="caption mt-4">
    Left means the client’s left. It changes hands between the front and the back: the sides are always written above.
  </p>
</template>
