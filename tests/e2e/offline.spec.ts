import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, fewerBaits, test, VIEWS } from './support'

fewerBaits()
test.use({ serviceWorkers: 'allow' })

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('once seen, every view opens without a connection and answers from what is kept', async ({
    sheet,
    page,
    context,
  }) => {
    await sheet.open()
    await sheet.standsOnDevice()
    await page.reload()
    await expect(page.getByText('Everything is kept on this device.').first()).toBeVisible()
    await context.setOffline(true)
    for (const [path, role, name] of VIEWS) {
      await test.step(path, async () => {
        const failed: string[] = []
        const heard = (error: Error): void => void failed.push(error.message)
        page.on('pageerror', heard)
        await page.goto(sheet.app.url + path)
        await expect(page).toHaveTitle(/Dunecrest/)
        await expect(page.getByRole(role, { name }).first()).toBeVisible()
        await expect(page.getByRole(role, { name }).first()).toBeEnabled()
        expect(failed).toEqual([])
        page.off('pageerror', heard)
      })
    }
    await page.goto(sheet.app.url)
    await sheet.settled()
    expect(await sheet.figure('A', 'fall')).toBeGreaterThan(0.5)
  })
})

test('of an older build nothing is left on the device, of this one each file once', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/favicon.svg`)
  const old = await page.evaluate(async () => {
    const name = `workbox-precache-v1-${location.origin}/`
    await (await caches.open(name)).put('/_nuxt/old.js', new Response('old'))
    return name
  })
  await page.goto(sheet.app.url)
  await sheet.standsOnDevice()
  await expect.poll(() => page.evaluate(() => caches.keys())).not.toContain(old)
  const kept = await page.evaluate(async () => {
    const all = (await caches.keys()).map(async name => {
      const cache = await caches.open(name)
      return Promise.all(
        (await cache.keys()).map(async request => ({
          url: request.url,
          bytes: (await (await cache.match(request))!.blob()).size,
        })),
      )
    })
    return (await Promise.all(all)).flat()
  })
  expect(kept.length).toBeGreaterThan(60)
  expect(new Set(kept.map(k => k.url)).size).toBe(kept.length)
  // a phone fetches all of it at once, unpacked
  expect(kept.reduce((sum, k) => sum + k.bytes, 0)).toBeLessThan(3_000_000)
})

test('a newer build is offered once it stands on the device, and loaded when it is asked for', async ({
  sheet,
  page,
}) => {
  let newer = false
  // the same server as seen through another, which has a newer build from some moment on
  const through = createServer((request, response) => {
    void fetch(sheet.app.url + request.url!).then(async answer => {
      const body = Buffer.from(await answer.arrayBuffer())
      const type = answer.headers.get('content-type') ?? 'text/plain'
      response.writeHead(answer.status, { 'content-type': type, 'cache-control': 'no-store' })
      response.end(
        newer && request.url === '/sw.js' ? Buffer.concat([body, Buffer.from('\n// newer')]) : body,
      )
    })
  })
  await new Promise<void>(done => through.listen(0, '127.0.0.1', done))
  try {
    await page.goto(`http://127.0.0.1:${(through.address() as AddressInfo).port}/`)
    await sheet.standsOnDevice()
    await expect(page.getByText('A newer Dunecrest is ready.')).toHaveCount(0)
    newer = true
    await page.evaluate(async () => (await navigator.serviceWorker.ready).update())
    await expect(page.getByText('A newer Dunecrest is ready.').first()).toBeVisible()
    const again = page.waitForEvent('load')
    await page.getByRole('button', { name: 'Load it' }).click()
    await again
    await expect(page.locator('main')).toBeVisible()
  } finally {
    through.closeAllConnections()
    through.close()
  }
})
