import { computed, ref, type ComputedRef, type Ref } from 'vue'
import type { RegionId } from '@/types/ids.generated'
import type { Standing, Worklist } from '@/types/visit'
import { Refused, send } from './http'
import { useVisit } from './useVisit'

interface Wish {
  regions: RegionId[]
  full: boolean
  position: Standing | null
}
export const standingNames: Record<Standing, string> = {
  standing: 'standing',
  seated: 'sitting',
  supine: 'face-up',
  side: 'on the side',
  prone: 'face-down',
}

/** The list of this visit. What was chosen by hand is remembered in this window, so that Move and Feel and a reload show the same. */
export function useWorklist(): {
  list: ComputedRef<Worklist>
  trouble: Ref<string>
  choose: (part: Partial<Wish>) => Promise<void>
} {
  const { props, judged } = useVisit()
  const shelf = `somatrace.worklist.${props.value.visit.id}`
  const chosen = ref<Worklist | null>(null)
  const trouble = ref('')
  const empty: Worklist = { regions: [], full: false, position: null, measures: [], muscles: [] }
  const list = computed(() => chosen.value ?? judged.value.assessment?.worklist ?? empty)
  const ask = async (wish: Wish) => {
    try {
      chosen.value = await send('POST', `/visits/${props.value.visit.id}/worklist`, wish)
      sessionStorage.setItem(shelf, JSON.stringify(wish))
      trouble.value = ''
    } catch (failure) {
      trouble.value = failure instanceof Refused ? failure.words : 'No connection just now: the list stays as it is.'
    }
  }
  const kept = sessionStorage.getItem(shelf)
  if (kept) void ask(JSON.parse(kept) as Wish)
  return {
    list,
    trouble,
    choose: (part) => ask({ regions: list.value.regions, full: list.value.full, position: list.value.position, ...part }),
  }
}
