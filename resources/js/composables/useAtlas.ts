import { computed, readonly, ref, shallowRef } from 'vue'
import type { AtlasEntry, EntryKind } from '@/types/atlas'
import type { Side } from '@/types/ids.generated'
import { send } from './http'

interface Opened {
  kind: EntryKind
  id: string
}
const trail = ref<Opened[]>([])
const entry = shallowRef<AtlasEntry | null>(null)
const side = ref<Side>('left')
const dark = ref(false)
const failed = ref(false)
/** Once opened the sheet stays mounted, so that closing it gives the focus back. */
const everOpened = ref(false)

async function read(): Promise<void> {
  const at = trail.value[trail.value.length - 1]
  if (!at) return
  failed.value = false
  try {
    const found = await send<AtlasEntry>('GET', `/atlas/${at.kind}/${at.id}`)
    // a slow answer must not replace what was opened since
    if (trail.value[trail.value.length - 1] === at) entry.value = found
  } catch {
    failed.value = true
  }
}

/** The sheet that opens an entry of the atlas beside the work: one for the whole application, nothing behind it moves. */
export function useAtlas() {
  return {
    entry: computed(() => entry.value),
    trail: readonly(trail),
    failed: readonly(failed),
    everOpened: readonly(everOpened),
    side: readonly(side),
    dark: readonly(dark),
    /** Opens an entry, lit on that side of the body; dark beside the treatment room. */
    open: (kind: EntryKind, id: string, on: Side = 'left', inRoom = false): void => {
      everOpened.value = true
      entry.value = null
      dark.value = inRoom
      side.value = on === 'midline' ? 'left' : on
      trail.value = [{ kind, id }]
      void read()
    },
    /** From one entry to another; the way back is kept. */
    follow: (kind: EntryKind, id: string): void => {
      trail.value = [...trail.value, { kind, id }]
      void read()
    },
    back: (): void => {
      trail.value = trail.value.slice(0, -1)
      void read()
    },
    retry: (): void => void read(),
    close: (): void => {
      trail.value = []
      entry.value = null
    },
  }
}
