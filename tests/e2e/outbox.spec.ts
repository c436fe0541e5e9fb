import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test, type Sheet } from './support'

test.use({ viewport: { width: 390, height: 844 } })

const sessionsKept = async ({ url }: Sheet['app']): Promise<number> =>
  ((await (await fetch(`${url}/api/log/sessions?limit=500`)).json()) as { sessions: unknown[] }).sessions
    .length

/** Begins a session, and waits until everything it began with is kept by the server. */
async function begin({ app, page }: Sheet): Promise<void> {
  const before = await sessionsKept(app)
  await page.goto(`${app.url}/bank`)
  await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
  await expect(page.getByRole('button', { name: /^Cast/ })).toBeVisible()
  // before anything is laid by, all is kept too
  await expect.poll(() => sessionsKept(app)).toBe(before + 1)
  await expect(page.locator('.state')).toContainText('all kept by the server')
}

const DAY_MS = 86_400_000
const casts = async ({ app }: Sheet): Promise<number> =>
  (
    (await (await fetch(`${app.url}/api/log/evidence`)).json()) as {
      tallies: { counts: { cast?: number } }[]
    }
  ).tallies.reduce((sum, t) => sum + (t.counts.cast ?? 0), 0)

test('a tap by a wrong clock is set aside with its reason and holds nothing up; mended, it goes', async ({
  sheet,
  page,
}) => {
  await begin(sheet)
  const state = page.locator('.state')
  const before = await casts(sheet)
  await page.clock.setFixedTime(Date.now() + 3 * DAY_MS)
  await page.getByRole('button', { name: /^Cast/ }).click()
  const aside = page.getByRole('region', { name: 'Entries set aside' })
  await expect(aside).toContainText('later than tomorrow')
  await page.clock.setFixedTime(Date.now())
  await page.getByRole('button', { name: /^Cast/ }).click()
  await expect.poll(() => casts(sheet)).toBe(before + 1)
  await expect(state).toContainText('1 set aside (below), the rest kept')
  await sheet.accessible()
  // as the region writes it: day, month, year, one part after the other
  const today = new Date()
  await aside.getByRole('spinbutton').first().focus()
  for (const part of [today.getDate(), today.getMonth() + 1])
    await page.keyboard.type(String(part).padStart(2, '0'))
  await page.keyboard.type(String(today.getFullYear()))
  await aside.getByRole('button', { name: 'Send again' }).click()
  await expect(aside).toHaveCount(0)
  await expect.poll(() => casts(sheet)).toBe(before + 2)
})

test('one that is set aside can be dropped, and that taken back', async ({ sheet, page }) => {
  await begin(sheet)
  await page.clock.setFixedTime(Date.now() + 3 * DAY_MS)
  await page.getByRole('button', { name: /^Cast/ }).click()
  const aside = page.getByRole('region', { name: 'Entries set aside' })
  await page.clock.setFixedTime(Date.now())
  await aside.getByRole('button', { name: 'Drop' }).click()
  await expect(aside).toHaveCount(0)
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Dropped' })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expect(aside).toContainText('later than tomorrow')
})

test('a clock that is far off is told; the browser is asked to keep what is kept', async ({
  sheet,
  page,
}) => {
  await page.addInitScript(() => {
    StorageManager.prototype.persist = () => Promise.resolve(((window as { asked?: boolean }).asked = true))
  })
  await begin(sheet)
  expect(await page.evaluate(() => (window as { asked?: boolean }).asked)).toBe(true)
  await page.clock.setFixedTime(Date.now() - (3 * DAY_MS) / 24)
  await page.getByRole('button', { name: /^Cast/ }).click()
  await expect(page.getByText("The clock of this phone is 3 hours behind the server's.")).toBeVisible()
})

test("two tabs share one session: neither loses the other's taps, and one that was ended stays ended", async ({
  sheet,
  page,
  context,
}) => {
  await begin(sheet)
  const other = await context.newPage()
  await other.goto(`${sheet.app.url}/bank`)
  const cast = (p: typeof page) => p.getByRole('button', { name: /^Cast/ })
  await expect(cast(other)).toBeVisible()
  const before = await casts(sheet)
  for (let i = 0; i < 5; i++) await Promise.all([cast(page).click(), cast(other).click()])
  await expect(cast(page)).toContainText('10')
  await expect(cast(other)).toContainText('10')
  await expect.poll(() => casts(sheet)).toBe(before + 10)
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End it' }).click()
  await expect(other.getByText('This session was ended in another tab.')).toBeVisible()
  await expect(cast(other)).toHaveCount(0)
  await other.reload()
  await expect(other.getByRole('heading', { name: 'Begin a session' })).toBeVisible()
  await other.close()
})

test('a server that hangs stops nothing for good', async ({ sheet, page }) => {
  await begin(sheet)
  const before = await casts(sheet)
  let hung = 0
  await page.route('**/api/log/entries', () => void hung++)
  await page.getByRole('button', { name: /^Cast/ }).click()
  await expect(page.locator('.state')).toContainText('1 waiting on this phone')
  await expect.poll(() => hung).toBe(1)
  await page.unroute('**/api/log/entries')
  // its time runs out, and it is sent again
  await expect.poll(() => casts(sheet)).toBe(before + 1)
  await expect(page.locator('.state')).toContainText('all kept by the server')
})

test('a phone that is full says so, keeps nothing quiet, and loses nothing that can still be saved', async ({
  sheet,
  page,
  context,
}) => {
  await page.addInitScript(() => {
    const { put } = IDBObjectStore.prototype
    IDBObjectStore.prototype.put = function (...given: Parameters<typeof put>) {
      if ((window as { full?: boolean }).full)
        throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
      return put.apply(this, given)
    }
  })
  await begin(sheet)
  const state = page.locator('.state')
  const before = await casts(sheet)
  await page.evaluate(() => void ((window as { full?: boolean }).full = true))
  await context.setOffline(true)
  await page.getByRole('button', { name: /^Cast/ }).click()
  await page.getByRole('button', { name: /^Cast/ }).click()
  await expect(state).toContainText('2 not kept by this phone')
  await expect(page.getByRole('alert').filter({ hasText: 'cannot keep what is tapped' })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Cast/ })).toContainText('2')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save what waits as a file' }).click()
  expect((await download).suggestedFilename()).toBe('taps-not-on-the-server.csv')
  await sheet.accessible()
  // the server can be reached again: from this page straight to it
  await context.setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect.poll(() => casts(sheet)).toBe(before + 2)
  await page.evaluate(() => void ((window as { full?: boolean }).full = false))
  await page.getByRole('button', { name: /^Cast/ }).click()
  await expect(state).toContainText('all kept by the server')
  await expect(page.getByText('cannot keep what is tapped')).toHaveCount(0)
  await expect.poll(() => casts(sheet)).toBe(before + 3)
})

/** Stores of a browser by the name of their database, each with what is kept under its keys. */
type Device = Readonly<Record<string, Readonly<Record<string, Readonly<Record<string, unknown>>>>>>
/** What a phone kept on which a build of the time before one's own fish and copies on the device was tapped on. */
const OLDER = JSON.parse(readFileSync(join(import.meta.dirname, 'olderDevice.json'), 'utf8')) as Device

/** Lays down what was kept, as the builds of then laid it down. */
const layDown = (page: Sheet['page'], device: Device): Promise<void> =>
  page.evaluate(async databases => {
    for (const [database, stores] of Object.entries(databases)) {
      const opening = indexedDB.open(database)
      opening.onupgradeneeded = () => {
        for (const name of Object.keys(stores)) opening.result.createObjectStore(name)
      }
      const open = await new Promise<IDBDatabase>((done, failed) => {
        opening.onsuccess = () => done(opening.result)
        opening.onerror = () => failed(opening.error!)
      })
      for (const [name, kept] of Object.entries(stores)) {
        const writing = open.transaction(name, 'readwrite')
        for (const [key, value] of Object.entries(kept)) writing.objectStore(name).put(value, key)
        await new Promise(done => (writing.oncomplete = done))
      }
      open.close()
    }
  }, device)

/** As sessions were kept when they had one water only. */
function withOneWater(device: Device): Device {
  const {
    stops,
    stop: _,
    ...rest
  } = device['dunecrest-bank']!.state!.now as { stops: object[]; stop: number }
  return { ...device, 'dunecrest-bank': { state: { now: { ...rest, water: stops[0] } } } }
}

/** The same with ids of its own. */
function another(device: Device): Device {
  const ids = new Map<string, string>()
  const anew = (id: string): string => {
    ids.set(id, ids.get(id) ?? randomUUID())
    return ids.get(id)!
  }
  return JSON.parse(JSON.stringify(device).replace(/[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}/g, anew)) as Device
}

for (const [form, device] of [
  ['as it was recorded', another(OLDER)],
  ['with one water', another(withOneWater(OLDER))],
] as const)
  test(`what a phone with an older build kept, ${form}, goes on and goes to the server once`, async ({
    sheet,
    page,
  }) => {
    const { url } = sheet.app
    const { session } = device['dunecrest-bank']!.state!.now as { session: string }
    const before = await casts(sheet)
    await page.goto(`${url}/favicon.svg`)
    await layDown(page, device)
    await page.goto(`${url}/bank`)
    await expect(page.getByRole('button', { name: /^Cast/ })).toContainText('5')
    await expect(page.locator('.state')).toContainText('all kept by the server')
    await expect(page.getByRole('region', { name: 'Entries set aside' })).toHaveCount(0)
    const { entries } = (await (await fetch(`${url}/api/log/${session}/entries?limit=500`)).json()) as {
      entries: { kind: string }[]
    }
    const casting = Array<string>(5).fill('cast')
    expect(entries.map(e => e.kind)).toEqual([
      'start',
      'rod',
      'rod',
      'rod',
      ...casting,
      'bite',
      'hooked',
      'rod',
    ])
    expect(await casts(sheet)).toBe(before + 5)
    // and the session goes on
    await page.getByRole('button', { name: /^Cast/ }).click()
    await expect.poll(() => casts(sheet)).toBe(before + 6)
  })
