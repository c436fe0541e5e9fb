/** Longest to wait for the service worker, ms. */
const WAIT_MS = 10_000

/**
 * Keeps this page, with all that it has loaded, on the device, so that it opens without a connection. False
 * where the browser cannot.
 */
export async function keepPageOffline(): Promise<boolean> {
  if (!('serviceWorker' in navigator)) return false
  try {
    await navigator.serviceWorker.register('/sw.js')
    const ready = await Promise.race([
      navigator.serviceWorker.ready,
      new Promise<undefined>(resolve => setTimeout(() => resolve(undefined), WAIT_MS)),
    ])
    const worker = ready?.active
    if (!worker) return false
    const assets = performance
      .getEntriesByType('resource')
      .map(r => r.name)
      .filter(name => new URL(name).origin === location.origin && !new URL(name).pathname.startsWith('/api/'))
    worker.postMessage({ type: 'keep', page: '/bank', assets: [...new Set(assets)] })
    return true
  } catch {
    return false
  }
}
