import { chromium, type BrowserContext, type Page } from '@playwright/test'
import { createHash, X509Certificate } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { findBrowser } from '../../scripts/programs.mjs'
import { BROWSER_FLAGS } from '../../scripts/browser.mjs'
import { freePort, startServer } from '../../scripts/serve.mjs'
import { begun } from '../made'
import { expect, follow, NOT_AHEAD, Sheet, test, VIEWS } from './support'

const HOST = '127.0.0.2'
const PLANNED: readonly string[] = ['/pick']

/** A phone: a browser of its own that trusts an authority, on a host that is not this machine's own. */
function phone(authority: string) {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-phone-'))
  const key = new X509Certificate(authority).publicKey.export({ type: 'spki', format: 'der' })
  const trusted = createHash('sha256').update(key).digest('base64')
  let context: BrowserContext | undefined
  return {
    async open(): Promise<BrowserContext> {
      context = await chromium.launchPersistentContext(folder, {
        executablePath: findBrowser(),
        args: [...BROWSER_FLAGS, `--ignore-certificate-errors-spki-list=${trusted}`],
        viewport: { width: 390, height: 844 },
        hasTouch: true,
        serviceWorkers: 'allow',
        locale: 'en-GB',
        reducedMotion: 'reduce',
      })
      await context.addInitScript(NOT_AHEAD)
      return context
    },
    close: async (): Promise<void> => context?.close(),
    clear: (): void => rmSync(folder, { recursive: true, force: true }),
  }
}

test('a phone is paired, taken to the water without a connection, and comes back with all of it', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-bank-'))
  const port = await freePort(5500)
  const home = await startServer({
    port: await freePort(5400),
    folder: begun(join(folder, 'data'), true),
    demo: true,
    stdio: 'ignore',
    env: { DUNECREST_LAN_PORT: String(port), DUNECREST_NETWORK_HOST: HOST },
  })
  const at = `https://${HOST}:${port}`
  let held: ReturnType<typeof phone> | undefined
  try {
    // at home: put on the network, a code on show
    await page.goto(`${home.url}/take`)
    await page.getByRole('button', { name: 'Put it on the network' }).click()
    const code = page.locator('.code .big')
    await expect(code).toHaveText(/^\w{4} \w{4}$/)
    const authority = await (await fetch(`http://${HOST}:${port}/pair/authority.crt`)).text()
    await new Sheet({ url: home.url, restart: async () => undefined }, page).accessible()

    // the phone follows the page over plain http, which goes on by itself as it trusts
    held = phone(authority)
    let context = await held.open()
    const mobile = await context.newPage()
    await mobile.goto(`http://${HOST}:${port}/pair#code=${(await code.innerText()).replace(' ', '')}`)
    await expect(mobile).toHaveURL(/^https:/)
    await mobile.getByLabel('what this device is called').fill('wading phone')
    await mobile.getByRole('button', { name: 'Pair this device' }).click()
    await expect(mobile).toHaveURL(`${at}/`)
    await expect(page.getByText('“wading phone” is paired.')).toBeVisible()
    expect(await mobile.evaluate(() => document.cookie)).toBe('')

    // once looked at, everything stands on it
    const sheet = new Sheet({ url: at, restart: async () => undefined }, mobile)
    await sheet.settled()
    await sheet.standsOnDevice()
    await mobile.reload()
    await expect(mobile.getByText('Everything is kept on this device.').first()).toBeVisible()

    // at the water: no connection, the browser closed and opened again
    await held.close()
    context = await held.open()
    await context.setOffline(true)
    const water = await context.newPage()
    // what is opened at all is looked at in full elsewhere; here the box is planned from
    for (const [path, role, name] of VIEWS.filter(([path]) => PLANNED.includes(path))) {
      await water.goto(at + path)
      await expect(water.getByRole(role, { name }).first()).toBeVisible()
    }
    await follow(water, 'Box')
    await expect(water.getByRole('status').filter({ hasText: 'from this device' })).toBeAttached()

    // three rods, sixty taps
    await follow(water, 'Log')
    await water.getByRole('link', { name: 'Bank mode' }).click()
    await water.getByRole('button', { name: 'With the rigs on the sheet' }).click()
    for (const rod of [/^A /, /^B /, /^C /]) {
      const key = water.getByRole('navigation', { name: 'Rod in hand' }).getByRole('button', { name: rod })
      if ((await key.getAttribute('aria-pressed')) !== 'true') await key.click()
      for (let i = 0; i < 17; i++) await water.getByRole('button', { name: /^Cast/ }).click()
      for (const tap of [/^Bite/, /^Hooked/, /^Landed/])
        await water.getByRole('button', { name: tap }).click()
    }
    await expect(water.locator('.state')).toContainText('waiting on this phone')

    // the log counts them already, with the day that is here alone
    await water.getByRole('link', { name: 'Back to the log' }).click()
    await water.getByRole('button', { name: 'Sessions', exact: true }).click()
    const days = water.getByRole('region', { name: 'Sessions' })
    await expect(days.getByRole('listitem').first()).toContainText('51 casts, 3 bites, 3 landed')

    // a bait of the box is changed, and two spots
    const bait = await countChanged(water, '17')
    await spotsEdited(water)
    await expect(water.getByRole('button', { name: /^Kept: \d+ on this device/ })).toBeVisible()

    // meanwhile at home somebody else changes the same depth of one of them
    const first = (await spotsAt(home.url)).find(s => s.name === 'Eelgrass flat')
    const { id, name, revision, content } = first!
    const changed = await fetch(`${home.url}/api/documents/spot/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name, revision, content: { ...content, depthM: 6.5 } }),
    })
    expect(changed.status).toBe(200)
    // and somebody else counts the same bait
    const [there] = (await boxAt(home.url)).filter(i => i.name === bait)
    const { id: itemId, revision: itemRevision, photographed: _, ...item } = there!
    const counted = await fetch(`${home.url}/api/box`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        changes: [
          { id: itemId, revision: itemRevision, item: { ...item, count: 3, notes: 'counted at home' } },
        ],
      }),
    })
    expect(counted.status).toBe(200)

    // back: all of it goes, once; what both changed waits to be chosen
    await context.setOffline(false)
    await follow(water, 'Log')
    const kept = water.getByRole('button', { name: /^Kept:/ })
    await expect(kept).toHaveAccessibleName('Kept: 2 to settle')
    await kept.click()
    const dialog = water.getByRole('dialog', { name: 'What is kept where' })
    const ofSpot = dialog.getByRole('region', { name: 'Eelgrass flat' })
    await expect(ofSpot).toContainText('Changed here and on the server')
    await ofSpot.getByRole('radio', { name: /on the server/ }).click()
    await ofSpot.getByRole('button', { name: 'Keep what is chosen' }).click()
    // of the bait the count of the phone is kept, with the note that only the server has
    await expect(ofSpot).toHaveCount(0)
    await dialog.getByRole('button', { name: 'Keep what is chosen' }).click()
    await expect(dialog).toContainText('the server has it all')
    await water.keyboard.press('Escape')
    await expect(kept).toHaveAccessibleName('Kept: all on the server')
    const after = await spotsAt(home.url)
    expect(after.find(s => s.id === first!.id)!.content.depthM).toBe(6.5)
    expect(after.map(s => s.name)).toContain('Channel mouth again')
    const [settled] = (await boxAt(home.url)).filter(i => i.name === bait)
    expect(settled).toMatchObject({ count: 17, notes: 'counted at home' })
    const sessions = (await (await fetch(`${home.url}/api/log/sessions?limit=1`)).json()) as {
      sessions: { counts: Record<string, number> }[]
    }
    expect(sessions.sessions[0]!.counts).toMatchObject({ cast: 51, bite: 3, hooked: 3, landed: 3 })

    // turned away it gets nothing more
    await page.getByRole('button', { name: 'Turn away' }).click()
    await page.getByRole('button', { name: 'Really: it gets nothing more' }).click()
    await expect(page.getByText('No device yet.')).toBeVisible()
    expect(await water.evaluate(() => fetch('/api/box').then(r => r.status))).toBe(401)
  } finally {
    await held?.close()
    held?.clear()
    const gone = new Promise(resolve => home.child.once('exit', resolve))
    home.child.kill('SIGTERM')
    await gone
    rmSync(folder, { recursive: true, force: true })
  }
})

interface StoredSpot {
  id: string
  name: string
  revision: number
  content: { depthM: number }
}
const spotsAt = async (url: string): Promise<StoredSpot[]> =>
  ((await (await fetch(`${url}/api/documents/spot`)).json()) as { documents: StoredSpot[] }).documents

interface StoredItem {
  id: string
  revision: number
  photographed: boolean
  name: string
  count: number
}
const boxAt = async (url: string): Promise<StoredItem[]> =>
  ((await (await fetch(`${url}/api/box`)).json()) as { items: StoredItem[] }).items

/** Counts the first bait of the box anew. @returns its name */
async function countChanged(water: Page, count: string): Promise<string> {
  await follow(water, 'Box')
  await water.getByRole('button', { name: /^baits/ }).click()
  const name = await water.locator('tbody td.name input').first().inputValue()
  const field = water.locator('tbody td.count input').first()
  await field.fill(count)
  await field.press('Enter')
  await expect(water.getByRole('button', { name: /^Kept: \d+ on this device/ })).toBeVisible()
  await expect(field).toHaveValue(count)
  return name
}

/** Edits the first two spots of the list: a depth, and a name. */
async function spotsEdited(water: Page): Promise<void> {
  await follow(water, 'Rods')
  await water.getByRole('button', { name: 'Spots…' }).click()
  const dialog = water.getByRole('dialog', { name: 'Spots' })
  await dialog.getByRole('button', { name: /^Eelgrass flat/ }).click()
  const depth = dialog.getByLabel(/^depth/).first()
  await depth.fill('3.25')
  await depth.press('Enter')
  await dialog.getByRole('button', { name: /^Eelgrass flat.*3.25 m/ }).click()
  await dialog.getByRole('button', { name: /^Channel mouth/ }).click()
  await dialog.getByLabel('name', { exact: true }).fill('Channel mouth again')
  await dialog.getByLabel('name', { exact: true }).press('Enter')
  await expect(dialog.getByRole('button', { name: /^Channel mouth again/ })).toBeVisible()
  await water.keyboard.press('Escape')
}
