import { router } from '@inertiajs/vue3'
import { ref, type Ref } from 'vue'
import { ulid } from 'ulid'
import { lost, onConnectionBack } from './connection'

type VisitOptions = NonNullable<Parameters<typeof router.post>[2]>

/**
 * A deed that must happen once: it carries a key, so that it can be sent again when no answer came, and a finger that is quick does nothing
 * twice. The next deed has a new key.
 */
export function useDeed(): {
  key: Ref<string>
  /** Options of the deed: it is sent again by itself when the connection is back. */
  once: (again: () => void, options?: VisitOptions) => VisitOptions
  post: (url: string, data?: Record<string, string | number | null>, options?: VisitOptions) => void
} {
  const key = ref(ulid())
  let onItsWay = false
  const once = (again: () => void, options: VisitOptions = {}): VisitOptions => ({
    ...options,
    onSuccess: (page) => {
      key.value = ulid()
      return options.onSuccess?.(page)
    },
    onNetworkError: () => {
      lost('gone')
      const stop = onConnectionBack(() => {
        stop()
        again()
      })
      return false
    },
  })
  const post = (url: string, data: Record<string, string | number | null> = {}, options: VisitOptions = {}): void => {
    if (onItsWay) return
    onItsWay = true
    router.post(
      url,
      { ...data, key: key.value },
      once(() => post(url, data, options), {
        ...options,
        onFinish: (visit) => {
          onItsWay = false
          options.onFinish?.(visit)
        },
      }),
    )
  }
  return { key, once, post }
}
