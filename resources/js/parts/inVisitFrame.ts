import { h, type Component, type VNode } from 'vue'
import type { KeyHelp } from '@/composables/useKeys'
import type { VisitProps } from '@/types/visit'
import VisitFrame from './VisitFrame.vue'

/** The layout of a step of the visit. Its key is the page's: frame and step are made anew together, and an undo ends with its step. */
export const inVisitFrame =
  (...keys: KeyHelp[]) =>
  (_: unknown, page: Component): VNode => {
    const step = page as unknown as VNode // Inertia hands over what it has made, whatever its types call it
    return h(VisitFrame, { key: step.key ?? undefined, page: step.props as unknown as VisitProps, keys }, () => step)
  }
