/** How long what could not be sent waits before it is tried again. */
export const RETRY_MS = 3000

/** A refusal by the server, with its words by field. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly body: { message?: string; errors?: Record<string, string[]>; faults?: { place: string; words: string }[] },
  ) {
    super(body.message ?? `refused (${status})`)
  }

  get words(): string {
    return Object.values(this.body.errors ?? {}).flat()[0] ?? this.message
  }
}

/** What a request of this window has to carry to be believed. */
export const believed = (): Record<string, string> => ({
  'X-XSRF-TOKEN': decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? ''),
})
const headers = (): Record<string, string> => ({ Accept: 'application/json', ...believed() })
const answerOf = async (response: Response): Promise<unknown> => {
  const answer: unknown = await response.json().catch(() => ({}))
  if (!response.ok && response.status !== 409) throw new Refused(response.status, answer as Refused['body'])
  return answer
}

/** Sends JSON with the session's token. A failed connection throws a TypeError, a refusal a Refused; 409 is an answer. */
export async function send<T>(method: 'GET' | 'PUT' | 'POST', url: string, body?: unknown): Promise<T> {
  const response = await fetch(url, {
    method,
    headers: { ...headers(), 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  return (await answerOf(response)) as T
}

/** Sends a file with a few words beside it; fails as `send` does. */
export async function sendFile<T>(url: string, file: File, words: Record<string, string> = {}): Promise<T> {
  const body = new FormData()
  body.append('file', file)
  for (const [name, value] of Object.entries(words)) body.append(name, value)
  return (await answerOf(await fetch(url, { method: 'POST', headers: headers(), body }))) as T
}
