import { useEventListener } from '@vueuse/core'
import {
  computed,
  inject,
  onScopeDispose,
  provide,
  ref,
  shallowRef,
  toRaw,
  watch,
  type ComputedRef,
  type InjectionKey,
  type Ref,
} from 'vue'
import { connection, connectionWords, onConnectionBack, RETRY_MS, saidOnThePage } from './connection'
import { entryKey, isSame, onlyFields, withMine } from './fields'
import { Refused, send } from './http'
import { toldClashes, unsentEntries, type Clash, type UnsentEntry } from './unsent'
import type { InHand } from '@/parts/words'
import type { Entry, EntryKind, EntryPayloads, Judged, Phase, StepId, VisitProps } from '@/types/visit'

/** One touch: what is to stand there, or null where it is taken back. */
export type Touch<K extends EntryKind = EntryKind> = { [One in K]: { kind: One; identity: string; payload: EntryPayloads[One] | null } }[K]
/** What the keeping and sending need to know of an entry: not what it holds. */
export interface HeldEntry extends Omit<Entry, 'payload'> {
  payload: unknown
}
/** One entry of an act, before and after it. */
interface Change {
  kind: EntryKind
  phase: Phase
  identity: string
  was: unknown
  became: unknown
}
/** What one touch did, of one entry or several: undone and done again as one. */
interface Act {
  changes: Change[]
  words: string
  beside?: Beside | undefined
}
/** What an act did that is no entry, as the minutes of the visit. */
export interface Beside {
  back: () => void
  again: () => void
}
export interface VisitStore {
  props: ComputedRef<VisitProps>
  judged: Ref<Judged>
  entries: Ref<ReadonlyMap<string, HeldEntry>>
  said: ComputedRef<string>
  problem: Ref<{ key: string; words: string; payload: unknown } | null>
  /** The first thing both this window and another wrote, until it is decided. */
  conflict: ComputedRef<Clash | null>
  pending: ComputedRef<number>
  readOnly: ComputedRef<boolean>
  all: <K extends EntryKind>(kind: K, phase?: Phase) => EntryPayloads[K][]
  one: <K extends EntryKind>(kind: K, identity: string, phase?: Phase) => EntryPayloads[K] | undefined
  /** The same entry of the last visit, as it was before the work. */
  last: <K extends EntryKind>(kind: K, identity: string) => EntryPayloads[K] | undefined
  save: <K extends EntryKind>(kind: K, identity: string, payload: EntryPayloads[K] | null, words: string, phase?: Phase) => void
  /** Several entries of one act, sent together and undone together. */
  saveAll: (touches: Touch[], words: string, beside?: Beside) => void
  /** What the page has in hand: the safety strip tells first what touches it. */
  hand: Ref<InHand | null>
  undo: () => void
  canUndo: ComputedRef<boolean>
  /** Does again what was undone last, until something else is touched. */
  redo: () => void
  canRedo: ComputedRef<boolean>
  keepMine: () => void
  takeTheirs: () => void
}
const key: InjectionKey<VisitStore> = Symbol('visit')

/** The kind says what an entry holds: server and page read it from one schema. */
export const isOf =
  <K extends EntryKind>(kind: K) =>
  (entry: HeldEntry): entry is Entry<K> =>
    entry.kind === kind

/**
 * Holds a visit's entries, saves each touch as it is made, and loses nothing when the connection or the window does. `beside`: how much
 * else of the visit is still on its way.
 */
export function provideVisit(props: ComputedRef<VisitProps>, beside: () => number = () => 0): VisitStore {
  const visit = props.value.visit.id
  const entries = shallowRef<ReadonlyMap<string, HeldEntry>>(new Map())
  const judged = ref<Judged>(props.value) as Ref<Judged>
  const waiting = ref(new Map<string, UnsentEntry>()) as Ref<Map<string, UnsentEntry>>
  const said = ref('')
  const problem = ref<VisitStore['problem']['value']>(null)
  const clashes = ref(toldClashes.left(visit, () => false).map((row) => row.value)) as Ref<Clash[]>
  const past = shallowRef<readonly Act[]>([])
  const undone = shallowRef<readonly Act[]>([])
  let busy = false
  let timer: number | undefined

  const put = (entry: HeldEntry) => (entries.value = new Map(entries.value).set(entryKey(entry.kind, entry.phase, entry.identity), entry))
  const keep = (name: string, one: UnsentEntry) => {
    waiting.value.set(name, one)
    unsentEntries.keep(visit, name, one)
  }
  /** Sent and answered; a touch made while it was on its way is newer and stays. */
  const arrived = (name: string, one: UnsentEntry, entry: Entry) => {
    if (toRaw(waiting.value.get(name)) !== toRaw(one)) return
    waiting.value.delete(name)
    unsentEntries.arrived(visit, name, one, entry)
  }
  /** What the server has now is what the next touch is made on, a newer one that waits already as well. */
  const answered = (name: string, one: UnsentEntry, entry: Entry) => {
    arrived(name, one, entry)
    const newer = waiting.value.get(name)
    if (!newer) {
      put(entry)
      return
    }
    const payload = withMine(one.payload, newer.payload, entry.payload)
    keep(name, { ...newer, payload, seen: entry.revision })
    put({ ...entry, payload })
  }
  const settle = (name: string): Clash | undefined => {
    const clash = clashes.value.find((one) => entryKey(one.kind, one.phase, one.identity) === name)
    clashes.value = clashes.value.filter((one) => one !== clash)
    toldClashes.drop(visit, name)
    return clash
  }
  const settleFirst = (): Clash | undefined => {
    const first = clashes.value[0]
    return first && settle(entryKey(first.kind, first.phase, first.identity))
  }
  /** The revision a touch is made on: that of the page, or that of an older touch which still waits. */
  const seenOf = (name: string): number => waiting.value.get(name)?.seen ?? entries.value.get(name)?.revision ?? 0
  const take = (fresh: VisitProps) => {
    const map = new Map<string, HeldEntry>(fresh.entries.map((entry) => [entryKey(entry.kind, entry.phase, entry.identity), entry]))
    for (const [name, one] of waiting.value) {
      map.set(name, { ...one, revision: map.get(name)?.revision ?? 0, said_on: fresh.visit.date })
    }
    // asked for before what was touched had arrived, the page is older than the answer
    const older = unsentEntries.left(visit, (name, entry) => (map.get(name)?.revision ?? 0) >= entry.revision)
    for (const { id, arrived } of older) if (arrived) map.set(id, arrived.answer)
    // a page from the history of the browser is older than what is shown: a revision never goes back
    const ahead = [...entries.value].filter(([name, held]) => !waiting.value.has(name) && held.revision > (map.get(name)?.revision ?? 0))
    for (const [name, held] of ahead) map.set(name, held)
    entries.value = map
    judged.value = fresh
    if (ahead.length || older.some((row) => row.arrived)) void refresh(true)
  }

  // whatever is drawn anew hands on an object of its own: only where a part of it is another, the server has spoken
  watch(
    () => ({ ...props.value }),
    (fresh, before) => {
      const told = (Object.keys(fresh) as (keyof VisitProps)[]).some((part) => fresh[part] !== before?.[part])
      if (told) take(fresh)
    },
    { immediate: true },
  )
  for (const { id, value, arrived } of unsentEntries.left(visit, () => false)) {
    if (arrived) continue
    waiting.value.set(id, value)
    said.value = 'Something typed before the window closed was not saved yet. It is here again.'
  }
  if (waiting.value.size) {
    take(props.value)
    void flush()
  }

  async function flush(): Promise<void> {
    if (busy) return
    busy = true
    /** something was kept without being judged */
    let unjudged = false
    while (waiting.value.size) {
      const [name, one] = waiting.value.entries().next().value as [string, UnsentEntry]
      try {
        // hands quicker than the judging: what is judged is the last of them
        const more = waiting.value.size > 1 ? '&more=1' : ''
        const answer = await send<{ entry: Entry; conflict: boolean; clashing: string[] | null } & Partial<Judged>>(
          'PUT',
          `/visits/${props.value.visit.id}/entries?step=${props.value.visit.step}${more}`,
          { ...one, seen: one.seen ?? 0 },
        )
        unjudged = more !== ''
        answered(name, one, answer.entry)
        if (answer.conflict) {
          const clash = {
            kind: one.kind,
            phase: one.phase,
            identity: one.identity,
            mine: onlyFields(one.payload, answer.clashing),
            theirs: onlyFields(answer.entry.payload, answer.clashing),
          }
          settle(name)
          clashes.value.push(clash)
          toldClashes.keep(visit, name, clash)
        }
        judged.value = { ...judged.value, ...answer }
      } catch (failure) {
        if (failure instanceof Refused && !failure.passes) {
          waiting.value.delete(name)
          unsentEntries.drop(visit, name)
          problem.value = { key: name, words: failure.words, payload: one.payload }
        } else {
          window.clearTimeout(timer)
          timer = window.setTimeout(() => void flush(), RETRY_MS)
          break
        }
      }
    }
    busy = false
    if (unjudged) void refresh(true)
  }

  function write(kind: EntryKind, phase: Phase, identity: string, payload: unknown, words: string): void {
    const name = entryKey(kind, phase, identity)
    if (problem.value?.key === name) problem.value = null
    put({ kind, phase, identity, payload, revision: entries.value.get(name)?.revision ?? 0, said_on: props.value.visit.date })
    keep(name, { kind, phase, identity, payload, seen: seenOf(name) })
    said.value = `Saved as you touch. Last: ${words}.`
    void flush()
  }

  /** Another window may have written meanwhile: read it when this one is looked at again, and say so. */
  async function refresh(anyway = false): Promise<void> {
    if (document.visibilityState !== 'visible' || busy || waiting.value.size) return
    const fresh = await send<{ entries: Entry[] } & Judged>(
      'GET',
      `/visits/${props.value.visit.id}/entries?step=${props.value.visit.step}`,
      undefined,
      'nobody',
    ).catch(() => null)
    if (!fresh || waiting.value.size) return
    const changed = fresh.entries.filter(
      (entry) => (entries.value.get(entryKey(entry.kind, entry.phase, entry.identity))?.revision ?? 0) < entry.revision,
    )
    if (!changed.length && !anyway) return
    for (const entry of changed) put(entry)
    judged.value = { ...judged.value, ...fresh }
    if (!changed.length) return
    said.value = `Read afresh: ${changed.length} ${changed.length === 1 ? 'entry' : 'entries'} from another window.`
  }
  useEventListener(document, 'visibilitychange', () => void refresh())
  useEventListener(window, 'focus', () => void refresh())
  onScopeDispose(onConnectionBack(() => void flush()))
  saidOnThePage.value = true
  onScopeDispose(() => (saidOnThePage.value = false))
  onScopeDispose(() => window.clearTimeout(timer))

  const nowOf = (one: Change): unknown => store.one(one.kind, one.identity, one.phase) ?? null
  const did = (act: Act) => {
    past.value = [...past.value, act]
    undone.value = []
  }
  const store: VisitStore = {
    props,
    judged,
    entries,
    said: computed(() => connectionWords[connection.value] || said.value),
    problem,
    conflict: computed(() => clashes.value[0] ?? null),
    pending: computed(() => waiting.value.size + beside()),
    readOnly: computed(() => props.value.visit.status === 'signed' || !props.value.visit.writable),
    all: <K extends EntryKind>(kind: K, phase: Phase = 'before') =>
      [...entries.value.values()]
        .filter(isOf(kind))
        .flatMap((entry) => (entry.phase === phase && entry.payload !== null ? [entry.payload] : [])),
    one: <K extends EntryKind>(kind: K, identity: string, phase: Phase = 'before') => {
      const entry = entries.value.get(entryKey(kind, phase, identity))
      return entry && isOf(kind)(entry) && entry.payload !== null ? entry.payload : undefined
    },
    last: <K extends EntryKind>(kind: K, identity: string) =>
      props.value.before?.entries.filter(isOf(kind)).find((entry) => entry.phase === 'before' && entry.identity === identity)?.payload ??
      undefined,
    save: (kind, identity, payload, words, phase = 'before') => {
      if (store.readOnly.value) return
      did({ changes: [{ kind, phase, identity, was: store.one(kind, identity, phase) ?? null, became: payload }], words })
      write(kind, phase, identity, payload, words)
    },
    saveAll: (touches, words, beside) => {
      if (store.readOnly.value || (!touches.length && !beside)) return
      const list = touches.map((touch) => ({
        ...touch,
        phase: 'before' as Phase,
        seen: seenOf(entryKey(touch.kind, 'before', touch.identity)),
      }))
      did({
        changes: list.map(({ kind, phase, identity, payload }) => ({
          kind,
          phase,
          identity,
          was: store.one(kind, identity) ?? null,
          became: payload,
        })),
        words,
        beside,
      })
      for (const one of list) {
        const name = entryKey(one.kind, one.phase, one.identity)
        keep(name, one)
        put({ ...one, revision: entries.value.get(name)?.revision ?? 0, said_on: props.value.visit.date })
      }
      said.value = `Saved as you touch. Last: ${words}.`
      if (!list.length) return
      busy = true
      void send<{ entries: Entry[] } & Judged>('POST', `/visits/${props.value.visit.id}/entries?step=${props.value.visit.step}`, {
        entries: list,
      })
        .then((answer) => {
          for (const entry of answer.entries) {
            const name = entryKey(entry.kind, entry.phase, entry.identity)
            const mine = list.find((one) => entryKey(one.kind, one.phase, one.identity) === name)
            if (mine) answered(name, mine, entry)
          }
          judged.value = { ...judged.value, ...answer }
        })
        .catch(() => undefined) // what did not go together goes one by one, and says for itself what is wrong
        .finally(() => {
          busy = false
          void flush()
        })
    },
    hand: shallowRef<InHand | null>(null),
    undo: () => {
      const last = past.value.at(-1)
      if (!last) return
      past.value = past.value.slice(0, -1)
      const grown = last.changes.some((one) => {
        const now = nowOf(one)
        return one.was === null && now !== null && !isSame(now, one.became)
      })
      if (grown) {
        said.value = `Not taken back: ${last.words}. More has been said there since.`
        return
      }
      undone.value = [...undone.value, last]
      for (const one of last.changes) {
        write(one.kind, one.phase, one.identity, withMine(one.became, one.was, nowOf(one)), `taken back: ${last.words}`)
      }
      if (!last.beside) return
      last.beside.back()
      said.value = `Saved as you touch. Last: taken back: ${last.words}.`
    },
    canUndo: computed(() => past.value.length > 0),
    redo: () => {
      const last = undone.value.at(-1)
      if (!last) return
      undone.value = undone.value.slice(0, -1)
      past.value = [...past.value, last]
      for (const one of last.changes) {
        write(one.kind, one.phase, one.identity, withMine(one.was, one.became, nowOf(one)), `again: ${last.words}`)
      }
      if (!last.beside) return
      last.beside.again()
      said.value = `Saved as you touch. Last: again: ${last.words}.`
    },
    canRedo: computed(() => undone.value.length > 0),
    keepMine: () => {
      const clash = settleFirst()
      if (!clash) return
      const now = store.one(clash.kind, clash.identity, clash.phase)
      write(clash.kind, clash.phase, clash.identity, withMine({}, clash.mine, now), 'kept this window’s')
    },
    takeTheirs: () => void settleFirst(),
  }
  provide(key, store)
  return store
}

export function useVisit(): VisitStore {
  const store = inject(key)
  if (!store) throw new Error('a part of a visit stands outside VisitFrame')
  return store
}

/** Tells the strip what is in hand on this page, as long as the page is open. */
export function useHand(hand: () => InHand | null): void {
  const store = useVisit()
  watch(hand, (now) => (store.hand.value = now), { immediate: true })
  onScopeDispose(() => (store.hand.value = null))
}

export const stepNames: Record<StepId, string> = {
  ask: 'Ask',
  screen: 'Screen',
  move: 'Move',
  feel: 'Feel',
  think: 'Think',
  agree: 'Agree',
  plan: 'Plan',
  work: 'Work',
  recheck: 'Re-check',
  after: 'After',
}
export const stepOrder = Object.keys(stepNames) as StepId[]
