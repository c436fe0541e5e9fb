/* Keeps bank mode on the device: the page from the network where it answers, else from here; built files, which never change, from here first. */
const CACHE = 'dunecrest-bank-1'

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', event => event.waitUntil(self.clients.claim()))

self.addEventListener('message', (event) => {
  if (event.data?.type !== 'keep') return
  event.waitUntil((async () => {
    const cache = await caches.open(CACHE)
    await cache.add(event.data.page)
    await Promise.all(event.data.assets.map(async (url) => {
      if (!await cache.match(url)) await cache.add(url).catch(() => undefined)
    }))
    event.source?.postMessage({ type: 'kept' })
  })())
})

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin || url.pathname.startsWith('/api/')) return
  if (request.mode === 'navigate') event.respondWith(page(request))
  else if (url.pathname.startsWith('/_nuxt/')) event.respondWith(asset(request))
})

async function page(request) {
  try {
    return await fetch(request)
  }
  catch {
    const cache = await caches.open(CACHE)
    return await cache.match(new URL(request.url).pathname) ?? await cache.match('/bank') ?? Response.error()
  }
}

async function asset(request) {
  const cache = await caches.open(CACHE)
  const kept = await cache.match(request)
  if (kept) return kept
  const response = await fetch(request)
  if (response.ok) await cache.put(request, response.clone())
  return response
}
