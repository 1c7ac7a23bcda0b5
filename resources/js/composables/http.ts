import { found, lost } from './connection'
import { begin } from './waiting'

/** A refusal by the server, with its words by field. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly body: { message?: string; errors?: Record<string, string[]>; faults?: { place: string; words: string }[]; more?: number },
  ) {
    super(body.message ?? `refused (${status})`)
  }

  get words(): string {
    return Object.values(this.body.errors ?? {}).flat()[0] ?? this.message
  }
  /** Nothing was decided: the server was busy, somebody signed out, or the screen is locked. It is sent again later. */
  get passes(): boolean {
    return this.status >= 500 || [401, 419, 423, 429].includes(this.status)
  }
}

/** Told when the server says that the screen is locked. */
export const LOCKED_EVENT = 'somatrace:locked'

/** What a request of this window has to carry to be believed. */
export const believed = (): Record<string, string> => ({
  'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? ''),
})
const headers = (): Record<string, string> => ({ Accept: 'application/json', ...believed() })

/**
 * Who asks: somebody who touched something and waits for the answer; something that is sent while they go on; nobody, by itself, which does
 * not keep the screen from locking either.
 */
export type Asker = 'waits' | 'goes-on' | 'nobody'

/** Fetches, and tells the rest of the window whether the server is there and whether somebody waits. */
async function ask(url: string, init: RequestInit, asker: Asker = 'waits'): Promise<Response> {
  const end = asker === 'waits' ? begin() : undefined
  let response: Response
  try {
    response = await fetch(url, init)
  } catch (failure) {
    lost('gone')
    throw failure
  } finally {
    end?.()
  }
  if (response.status === 503) lost('busy')
  else found()
  if (response.status === 423) window.dispatchEvent(new Event(LOCKED_EVENT))
  return response
}
const answerOf = async (response: Response): Promise<unknown> => {
  const answer: unknown = await response.json().catch(() => ({}))
  if (!response.ok && response.status !== 409) throw new Refused(response.status, answer as Refused['body'])
  return answer
}

/** Sends JSON with the session's token. A failed connection throws a TypeError, a refusal a Refused; 409 is an answer. */
export async function send<T>(method: 'GET' | 'PUT' | 'POST' | 'DELETE', url: string, body?: unknown, asker: Asker = 'waits'): Promise<T> {
  const told = {
    method,
    headers: { ...headers(), 'Content-Type': 'application/json', ...(asker === 'nobody' ? { 'X-Background': '1' } : {}) },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  }
  const response = await ask(url, told, asker)
  return (await answerOf(response)) as T
}

/** Sends a file with a few words beside it; fails as `send` does. */
export async function sendFile<T>(url: string, file: File, words: Record<string, string> = {}, asker: Asker = 'waits'): Promise<T> {
  const body = new FormData()
  body.append('file', file)
  for (const [name, value] of Object.entries(words)) body.append(name, value)
  return (await answerOf(await ask(url, { method: 'POST', headers: headers(), body }, asker))) as T
}

/** Fetches a file to keep; fails as `send` does. */
export async function fetchFile(url: string, asker: Asker = 'waits'): Promise<Blob> {
  const response = await ask(url, { headers: headers() }, asker)
  if (!response.ok) await answerOf(response)
  return response.blob()
}
