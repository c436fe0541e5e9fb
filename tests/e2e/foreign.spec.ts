import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, test, type App } from './support'

/**
 * A page of somebody else's, on this machine too: by another name it is another site, by the same name
 * another origin.
 */
async function foreignPage(): Promise<{ readonly port: number; readonly server: Server }> {
  const server = createServer((_, response) =>
    response
      .setHeader('content-type', 'text/html')
      .end('<!doctype html><title>Elsewhere</title><body>nothing to see</body>'),
  )
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
  return { port: (server.address() as AddressInfo).port, server }
}

interface State {
  readonly here: { readonly entries: number; readonly spreads: number; readonly items: number }
  readonly backups: readonly { name: string }[]
}
const stateOf = async ({ url }: App): Promise<State> =>
  (await (await fetch(`${url}/api/backups`)).json()) as State

test('a page of another origin changes nothing, reads nothing, and holds nothing of Dunecrest', async ({
  app,
  page,
}) => {
  const kept = (await (
    await fetch(`${app.url}/api/backups`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    })
  ).json()) as { name: string }
  await fetch(`${app.url}/api/spreads`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      name: 'made after the copy',
      content: (
        (await (
          await fetch(
            `${app.url}/api/spreads/${((await (await fetch(`${app.url}/api/spreads`)).json()) as { spreads: { id: string }[] }).spreads[0]!.id}`,
          )
        ).json()) as { content: object }
      ).content,
    }),
  })
  const before = await stateOf(app)
  const [item] = ((await (await fetch(`${app.url}/api/box`)).json()) as { items: { id: string }[] }).items
  const { port, server } = await foreignPage()
  try {
    for (const host of ['localhost', '127.0.0.1']) {
      await page.goto(`http://${host}:${port}/`)
      const got = await page.evaluate(
        async ({ target, backup, itemId }) => {
          const empty = JSON.stringify({
            format: 'dunecrest-backup',
            version: 3,
            madeAt: '2026-01-01T00:00:00Z',
            spreads: [],
            items: [],
            documents: [],
            leftOut: [],
            entries: [],
            hash: '',
          })
          const told: string[] = []
          const tryIt = async (name: string, run: () => Promise<unknown>): Promise<void> =>
            void told.push(`${name}: ${await run().then(String, () => 'refused')}`)
          const posts: [string, string][] = [
            ['/api/restore', empty],
            ['/api/backups/upload', empty],
            [`/api/backups/${backup}/restore`, '{}'],
            ['/api/box/delete', JSON.stringify({ ids: [itemId] })],
            ['/api/spreads', '{"name":"x","content":{}}'],
            ['/api/log/entries', '{"entries":[]}'],
          ]
          for (const [path, body] of posts) {
            // as any page may send without asking first
            await fetch(target + path, { method: 'POST', mode: 'no-cors', body }).catch(() => undefined)
            await fetch(target + path, {
              method: 'POST',
              mode: 'no-cors',
              body,
              headers: { 'content-type': 'text/plain' },
            }).catch(() => undefined)
            navigator.sendBeacon(target + path, body)
            await tryIt(
              `POST ${path}`,
              async () =>
                (
                  await fetch(target + path, {
                    method: 'POST',
                    body,
                    headers: { 'content-type': 'application/json' },
                  })
                ).status,
            )
          }
          await tryIt(
            'DELETE',
            async () => (await fetch(`${target}/api/spreads/${itemId}`, { method: 'DELETE' })).status,
          )
          await tryIt('read', async () => (await fetch(`${target}/api/box`)).text())
          await tryIt('read with cookies', async () =>
            (await fetch(`${target}/api/backup`, { credentials: 'include' })).text(),
          )
          // a form, into a frame of its own
          const form = Object.assign(document.createElement('form'), {
            method: 'POST',
            action: `${target}/api/backups/${backup}/restore`,
            target: 'held',
            enctype: 'text/plain',
          })
          form.append(Object.assign(document.createElement('input'), { name: '{"x":"', value: '"}' }))
          const held = Object.assign(document.createElement('iframe'), { name: 'held' })
          document.body.append(held, form)
          const loaded = new Promise(resolve => held.addEventListener('load', resolve, { once: true }))
          form.submit()
          await loaded
          const loads = (tag: 'img' | 'script', src: string): Promise<boolean> =>
            new Promise(resolve => {
              const element = document.createElement(tag)
              element.onload = () => resolve(true)
              element.onerror = () => resolve(false)
              element.src = src
              document.body.append(element)
            })
          const shown = {
            picture: await loads('img', `${target}/favicon.svg`),
            script: await loads('script', `${target}/api/log/totals`),
          }
          const frame = document.createElement('iframe')
          frame.src = `${target}/log`
          document.body.append(frame)
          await new Promise(resolve => setTimeout(resolve, 1500))
          return { told, shown }
        },
        { target: app.url, backup: kept.name, itemId: item!.id },
      )
      expect(got.told.filter(line => !line.endsWith(': refused'))).toEqual([])
      expect(got.shown).toEqual({ picture: false, script: false })
      // a browser shows its own page in place of one that will not be framed
      const framed = page.frames().filter(f => f.url().startsWith(app.url))
      for (const frame of framed) await expect(frame.locator('main, header')).toHaveCount(0)
    }
    const after = await stateOf(app)
    expect(after.here).toEqual(before.here)
    expect(after.backups.map(b => b.name)).toEqual(before.backups.map(b => b.name))
  } finally {
    server.closeAllConnections()
    server.close()
  }
})

test('a foreign name pointed at this machine shows nothing', async ({ app, page }) => {
  const { port } = new URL(app.url)
  // *.localhost is this machine to the browser, as a name that was pointed here would be
  const answer = await page.goto(`http://evil.localhost:${port}/`)
  expect(answer!.status()).toBe(421)
  expect(await page.evaluate(async () => (await fetch('/api/box')).status)).toBe(421)
})
