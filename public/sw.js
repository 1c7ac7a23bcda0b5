/**
 * Opens the treatment room without a network, on a visit whose room was opened on this tablet before. Nothing else is answered from here.
 * A kept room holds a record: it is gone at sign-out, when the screen locks, when the server says that nobody is signed in, and after half a
 * day in any case (resources/js/work/offline.ts).
 */
const BUILD = 'somatrace-build'
const ROOM = 'somatrace-room'
const KEPT_MS = 12 * 3_600_000
const AT_ONCE = 4
const AT = 'X-Kept-At'
const roomOf = (url) => (url.origin === location.origin && /^\/visits\/[^/]+\/work$/.test(url.pathname) ? url.pathname : null)

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

/** The page as the server makes it now. What it answers otherwise, such as that nobody is signed in, ends what was kept. */
async function keepRoom(path) {
  const answer = await fetch(path, { credentials: 'same-origin', redirect: 'manual', cache: 'no-store', headers: { 'X-Background': '1' } })
  if (answer.type === 'opaqueredirect' || answer.status === 401 || answer.status === 403) return caches.delete(ROOM)
  if (!answer.ok) return
  const headers = new Headers(answer.headers)
  headers.set(AT, String(Date.now()))
  const room = await caches.open(ROOM)
  await room.put(path, new Response(await answer.text(), { headers }))
}
/** What the pages are made of, each file under the name of what is in it; those of an older build are let go. */
async function keepBuild(seen) {
  const manifest = await (await fetch('/build/manifest.json', { cache: 'no-store' })).json()
  const files = new Set([
    ...Object.values(manifest).flatMap((one) => [one.file, ...(one.css ?? []), ...(one.assets ?? [])].map((file) => `/build/${file}`)),
    ...seen,
  ])
  const build = await caches.open(BUILD)
  const here = new Set((await build.keys()).map((request) => new URL(request.url).pathname))
  await Promise.all([...here].filter((file) => !files.has(file)).map((file) => build.delete(file)))
  const missing = [...files].filter((file) => !here.has(file))
  const next = async () => {
    for (let file = missing.pop(); file; file = missing.pop()) {
      const answer = await fetch(file).catch(() => null)
      if (answer?.ok) await build.put(file, answer)
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, next))
}
self.addEventListener('message', (event) => {
  const { keep, seen = [] } = event.data ?? {}
  const path = typeof keep === 'string' ? roomOf(new URL(keep, location.origin)) : null
  if (path)
    event.waitUntil(
      Promise.allSettled([keepRoom(path), keepBuild(seen)]).then((done) => event.ports[0]?.postMessage(done.map((one) => one.status))),
    )
})

async function kept(path, why) {
  const answer = await (await caches.open(ROOM)).match(path)
  if (answer && Date.now() - Number(answer.headers.get(AT)) < KEPT_MS) return answer
  throw why
}
async function ofBuild(request) {
  const build = await caches.open(BUILD)
  return (await build.match(request, { ignoreSearch: true })) ?? fetch(request)
}
self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== location.origin) return
  if (url.pathname.startsWith('/build/assets/')) event.respondWith(ofBuild(request))
  else if (request.mode === 'navigate' && roomOf(url)) event.respondWith(fetch(request).catch((why) => kept(url.pathname, why)))
})
