import { owner } from '@/composables/seal'

const ROOM = 'somatrace-room'
/** A tablet that reaches the server by name of another machine without HTTPS has none of this: it works on while its page is open. */
const able = (): boolean => 'serviceWorker' in navigator && 'caches' in window

/** Lets go of what was kept: at sign-out, and when the screen locks. */
export const forgetRoom = (): void => {
  if ('caches' in window) void caches.delete(ROOM)
}
/** Keeps the room as the server makes it now, so that it opens without a network; tells when it is kept. */
export async function keepRoom(path: string): Promise<boolean> {
  if (!able() || owner === null) return false
  const worker = (await navigator.serviceWorker.register('/sw.js').then(() => navigator.serviceWorker.ready)).active
  if (!worker) return false
  const seen = performance
    .getEntriesByType('resource')
    .map((one) => new URL(one.name).pathname)
    .filter((file) => file.startsWith('/build/assets/'))
  return new Promise((done) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = ({ data }: MessageEvent<string[]>) => done(data.every((one) => one === 'fulfilled'))
    worker.postMessage({ keep: path, seen: [...new Set(seen)] }, [port2])
  })
}
