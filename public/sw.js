/**
 * Opens the treatment room without a network, on a visit whose room was opened on this tablet before; of any other page it says that there
 * is no connection, and what becomes of what was touched.
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
/** Instead of a page of the browser's, which says nothing of what becomes of what was touched. */
const unreached = () =>
  new Response(
    `<!DOCTYPE html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>No connection</title>
<style>body{margin:14vh auto 0;max-width:52ch;padding:0 24px;background:#f5efe4;color:#2b1f17;font:16px/23px sans-serif}
h1{font:600 31px/36px serif}a{display:inline-block;margin-top:16px;padding:12px 20px;background:#2b1f17;color:#fcf9f3;text-decoration:none}</style>
<h1>No connection to the clinic</h1>
<p>Nothing that you touched is lost: what could not be sent waits on this device and goes out as soon as the connection is back.</p>
<p>A treatment room that was opened on this device today opens without a connection too.</p>
<a href="">Try again</a>`,
    { status: 503, headers: { 'Content-Type': 'text/html; charset=utf-8' } },
  )
self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== location.origin) return
  if (url.pathname.startsWith('/build/assets/')) event.respondWith(ofBuild(request))
  else if (request.mode === 'navigate')
    event.respondWith(fetch(request).catch((why) => (roomOf(url) ? kept(url.pathname, why) : Promise.reject(why)).catch(unreached)))
})
