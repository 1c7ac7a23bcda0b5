/** How long what could not be sent waits before it is tried again. */
export const RETRY_MS = 3000

/** A refusal by the server, with its words by field. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly body: { message?: string; errors?: Record<string, string[]> },
  ) {
    super(body.message ?? `refused (${status})`)
  }

  get words(): string {
    return Object.values(this.body.errors ?? {}).flat()[0] ?? this.message
  }
}

/** Sends JSON with the session's token. A failed connection throws a TypeError, a refusal a Refused; 409 is an answer. */
export async function send<T>(method: 'GET' | 'PUT' | 'POST', url: string, body?: unknown): Promise<T> {
  const token = decodeURIComponent(/XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '')
  const response = await fetch(url, {
    method,
    headers: { 'Content-Type': 'application/json', Accept: 'application/json', 'X-XSRF-TOKEN': token },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  const answer: unknown = await response.json().catch(() => ({}))
  if (!response.ok && response.status !== 409) throw new Refused(response.status, answer as Refused['body'])
  return answer as T
}
