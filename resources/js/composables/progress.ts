import { readonly, ref, type Ref } from 'vue'
import { ulid } from 'ulid'
import { send } from './http'

/** How far something has come that takes a while: so many of so many, of what. */
export interface Progress {
  what: string
  done: number
  of: number
}
const ASK_MS = 500

/** Follows what the server does: it is asked by a token, which the deed hands over, until the deed is done or refused. */
export function useProgress(): {
  progress: Readonly<Ref<Progress | null>>
  followed: <T>(act: (token: string) => Promise<T>) => Promise<T>
} {
  const progress = ref<Progress | null>(null)
  const followed = async <T>(act: (token: string) => Promise<T>): Promise<T> => {
    const token = ulid()
    const asking = window.setInterval(
      () =>
        void send<{ progress: Progress | null }>('GET', `/bring/progress/${token}`, undefined, 'nobody')
          .then((answer) => (progress.value = answer.progress))
          .catch(() => undefined),
      ASK_MS,
    )
    try {
      return await act(token)
    } finally {
      window.clearInterval(asking)
      progress.value = null
    }
  }
  return { progress: readonly(progress), followed }
}
