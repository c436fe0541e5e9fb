import { readFileSync } from 'node:fs'
import type { Page } from '@playwright/test'
import { expect, follow, test, type Sheet } from './support'

const sessionsOf = async ({ app }: Sheet): Promise<{ session: string; counts: Record<string, number> }[]> =>
  (
    (await (await fetch(`${app.url}/api/log/sessions?limit=500`)).json()) as {
      sessions: { session: string; counts: Record<string, number> }[]
    }
  ).sessions

/** Nothing that can be tapped is smaller than a cold thumb: 56 px each way, a tick with its words. */
const bigEnough = (page: Page): Promise<void> =>
  expect
    .poll(() =>
      page.evaluate(() =>
        [...document.querySelectorAll('button, a, input, textarea, [role=combobox], [role=slider]')]
          .filter(e => e.checkVisibility() && !e.closest('[aria-hidden=true], [inert]'))
          .map(e => (e.closest('label') ?? e).getBoundingClientRect())
          .filter(({ width, height }) => width > 1 && (width < 56 || height < 56))
          .map(({ width, height, x, y }) => `${width} x ${height} at ${x}, ${y}`),
      ),
    )
    .toEqual([])

test.describe('on the bank', () => {
  test.use({ viewport: { width: 390, height: 844 }, serviceWorkers: 'allow' })

  test('twenty taps without a connection, the page closed and opened again: all twenty are on the server once', async ({
    sheet,
    page,
    context,
  }) => {
    const before = (await sessionsOf(sheet)).length + 1
    await page.goto(`${sheet.app.url}/bank`)
    await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
    await expect(page.getByRole('button', { name: /^Cast/ })).toBeVisible()
    // before anything is laid by, all is kept too
    await expect.poll(async () => (await sessionsOf(sheet)).length).toBe(before)
    await expect(page.getByRole('status').first()).toContainText('all kept by the server')
    await sheet.standsOnDevice()
    await page.reload()
    await expect(page.getByRole('button', { name: /^Cast/ })).toBeVisible()
    await context.setOffline(true)
    for (let i = 0; i < 14; i++) await page.getByRole('button', { name: /^Cast/ }).click()
    for (const name of [/^Touch only/, /^Bite/, /^Hooked/, /^Landed/])
      await page.getByRole('button', { name }).click()
    await page.getByRole('button', { name: /^Snag/ }).click()
    await page.getByRole('button', { name: 'Freed' }).click()
    await expect(page.getByRole('status').first()).toContainText('20 waiting on this phone')
    await page.close()
    const again = await context.newPage()
    await again.goto(`${sheet.app.url}/bank`)
    await expect(again.getByRole('button', { name: /^Cast/ })).toContainText('14')
    await expect(again.getByRole('status').first()).toContainText('20 waiting')
    await context.setOffline(false)
    await again.reload()
    await expect(again.getByRole('status').first()).toContainText('all kept by the server')
    const sessions = await sessionsOf(sheet)
    expect(sessions.length).toBe(before)
    expect(sessions[0]!.counts).toMatchObject({
      cast: 14,
      bump: 1,
      bite: 1,
      hooked: 1,
      landed: 1,
      snag: 1,
      freed: 1,
    })
    await again.close()
  })

  test('in bright light it is worn for glare by itself, in shade as it was chosen; what is chosen in the sun stands', async ({
    sheet,
    page,
  }) => {
    await page.addInitScript(() => {
      class Sensor extends EventTarget {
        illuminance = 0
        start(): void {
          Object.assign(globalThis, {
            light: (lux: number) => {
              this.illuminance = lux
              this.dispatchEvent(new Event('reading'))
            },
          })
        }
        stop(): void {
          this.illuminance = 0
        }
      }
      Object.assign(globalThis, { AmbientLightSensor: Sensor })
    })
    const light = (lux: number): Promise<void> =>
      page.evaluate(lx => (globalThis as unknown as { light: (lx: number) => void }).light(lx), lux)
    await page.goto(`${sheet.app.url}/bank`)
    await expect(page.getByRole('button', { name: 'With the rigs on the sheet' })).toBeVisible()
    const worn = page.locator('html')
    await expect(worn).toHaveAttribute('data-theme', 'day')
    await light(40_000)
    await expect(worn).toHaveAttribute('data-theme', 'glare')
    await light(6_000)
    await expect(worn).toHaveAttribute('data-theme', 'glare')
    await light(800)
    await expect(worn).toHaveAttribute('data-theme', 'day')
    await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
    await page.getByRole('button', { name: 'Hand, size, theme' }).click()
    await page.getByRole('button', { name: 'dusk', exact: true }).click()
    await light(40_000)
    await expect(worn).toHaveAttribute('data-theme', 'dusk')
  })

  test('undo, another rod, a heavier weight, a note; targets are big enough for a cold thumb', async ({
    sheet,
    page,
  }) => {
    await page.goto(`${sheet.app.url}/bank`)
    await expect(page.getByRole('button', { name: 'With the rigs on the sheet' })).toBeEnabled()
    await bigEnough(page)
    await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
    await page.getByRole('button', { name: /^Cast/ }).click()
    await page.getByRole('button', { name: /^Touch only/ }).click()
    await bigEnough(page)
    await page.getByRole('button', { name: 'Tail nipped' }).click()
    await expect(page.getByRole('status', { name: 'Last tap' })).toContainText('tail nipped')
    await expect(page.getByRole('button', { name: 'Tail nipped' })).toHaveCount(0)
    await page.getByRole('button', { name: /^Bite/ }).click()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('button', { name: /^Bite/ })).toContainText('0')
    await expect(page.getByRole('status', { name: 'Last tap' })).toContainText('tail nipped')
    await page.getByRole('button', { name: /^C / }).click()
    const weight = await page.locator('.hand').innerText()
    await page.getByRole('button', { name: 'Heavier' }).click()
    await expect(page.locator('.hand')).not.toHaveText(weight)
    await expect(page.getByRole('status', { name: 'Last tap' })).toContainText('weight')
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.locator('.hand')).toHaveText(weight, { useInnerText: true })
    await page.getByRole('button', { name: 'Heavier' }).click()
    await page.getByRole('button', { name: 'Note' }).click()
    await bigEnough(page)
    await page.getByLabel('Note').fill('bass on the edge')
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByRole('status', { name: 'Last tap' })).toContainText('bass on the edge')
    await bigEnough(page)
    await sheet.accessible()
    const {
      sessions: [latest],
    } = (await (await fetch(`${sheet.app.url}/api/log/sessions?limit=1`)).json()) as {
      sessions: { session: string }[]
    }
    const { entries } = (await (
      await fetch(`${sheet.app.url}/api/log/${latest!.session}/entries`)
    ).json()) as { entries: { kind: string; data?: { rig?: object; weightKg?: number } }[] }
    const tied = entries.filter(e => e.kind === 'rod')
    expect(tied.filter(e => e.data?.rig && e.data.weightKg === undefined)).toHaveLength(3)
    expect(tied.filter(e => e.data?.weightKg !== undefined)).toHaveLength(1)
    await page.getByRole('button', { name: 'End', exact: true }).click()
    await bigEnough(page)
    await page.getByRole('button', { name: 'End it' }).click()
    await expect(page.getByRole('heading', { name: 'Begin a session' })).toBeVisible()
    await bigEnough(page)
    // ended by mistake: it goes on as it was
    await page.getByRole('button', { name: 'Open the last one again' }).click()
    await expect(page.getByRole('button', { name: /^Cast/ })).toContainText('1')
    await page.getByRole('button', { name: 'History' }).click()
    const history = page.getByRole('dialog', { name: 'History of this session' })
    await expect(history).toContainText(/C: .* → /)
    await expect(history).toContainText('note: bass on the edge')
    await bigEnough(page)
    await page.keyboard.press('Escape')
    await page.getByRole('button', { name: 'Hand, size, theme' }).click()
    await page.getByRole('button', { name: 'left', exact: true }).click()
    await page.getByRole('button', { name: 'dusk', exact: true }).click()
    await bigEnough(page)
    await sheet.accessible()
    await page.keyboard.press('Escape')
    await expect(page.locator('main.bank')).toHaveClass(/left/)
    await page.getByRole('button', { name: /^C / }).click()
    await expect(page.getByRole('dialog', { name: /^Rod C/ })).toContainText('of bites')
    await bigEnough(page)
  })
})

test('drops move the bait: taps and the tank, a wrong one set aside, all forgotten again; the spread shows what was measured', async ({
  sheet,
  page,
}) => {
  await page.clock.install()
  await page.goto(`${sheet.app.url}/log`)
  const timer = page.getByRole('region', { name: 'Drop timer' })
  await expect(timer.getByRole('button', { name: /^Splash/ })).toBeVisible()
  await sheet.timed(timer.locator('.tap'), 50, timer.locator('.tap'))
  await expect(timer.getByRole('alert')).toContainText('Too quick')
  await expect(timer.locator('tbody tr').first()).toBeVisible()
  const count = await timer.locator('tbody tr').count()
  await timer.getByRole('button', { name: 'read the drop tank' }).click()
  await timer.getByRole('button', { name: 'Keep it' }).click()
  await expect(timer.locator('tbody tr').first()).toContainText('tank')
  expect(await timer.locator('tbody tr').count()).toBe(count + 1)
  await expect(timer.getByRole('status')).toContainText(/than the model|as the model says/)
  await expect(timer.locator('tr.out').first()).toContainText('set aside')
  await sheet.accessible()
  await page.getByRole('link', { name: 'Spread', exact: true }).click()
  await sheet.settled()
  await expect(sheet.row('A', 'fall').getByRole('img', { name: 'measured' })).toBeVisible()
  // the middle may round to the same tenth either way; what the drops settle is how far it may be off
  const width = async (): Promise<number> => {
    const [, low, high] =
      /([\d.]+) to ([\d.]+) s to the bottom/.exec(
        (await sheet.row('A', 'fall').getAttribute('title')) ?? '',
      ) ?? []
    return Number(high) - Number(low)
  }
  const measured = await width()
  await follow(page, 'Log')
  await page.getByLabel("show the model's own figures").check()
  await page.getByRole('link', { name: 'Spread', exact: true }).click()
  await sheet.settled()
  await expect(sheet.row('A', 'fall').getByRole('img', { name: 'computed' })).toBeVisible()
  expect(await width()).toBeGreaterThan(measured + 0.15)
})

test('two rigs compared from the tally, sessions opened, the log as CSV; a backup saved, and a bad one refused', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/log`)
  const tally = page.getByRole('region', { name: 'Tally' })
  await tally.getByRole('checkbox').nth(0).check()
  await tally.getByRole('checkbox').nth(1).check()
  await expect(tally.getByRole('status')).toContainText(/Hooked: .*points/)
  await page
    .getByRole('region', { name: 'Sessions' })
    .getByRole('button', { name: /[1-9]\d casts/ })
    .first()
    .click()
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('listitem').nth(1)).toBeVisible()
  const sums = page.getByRole('region', { name: 'In all' }).locator('.sums')
  const all = await sums.innerText()
  const counts = page.getByLabel('counts for the tally')
  await counts.click()
  await expect(page.getByRole('region', { name: 'Sessions' })).toContainText('left out')
  await expect(sums).not.toHaveText(all, { useInnerText: true })
  await counts.click()
  await expect(sums).toHaveText(all, { useInnerText: true })
  await page.getByRole('button', { name: 'Tables, backup, instruments…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Tables, backup and instruments' })
  await dialog.getByLabel('depth sounder').click()
  await expect(dialog).toContainText(/depth 3\.\d/)
  await dialog.getByLabel('depth sounder').click()
  const backup = page.waitForEvent('download')
  await dialog.getByRole('link', { name: 'Save a backup' }).click()
  const text = readFileSync(await (await backup).path(), 'utf8')
  expect(JSON.parse(text)).toMatchObject({ format: 'dunecrest-backup', version: 3 })
  await dialog.getByLabel('Backup to restore').setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"other"}'),
  })
  await expect(dialog.getByRole('alert').first()).toContainText(/not a backup/)
  await expect(dialog.getByRole('button', { name: 'Replace everything' })).toHaveCount(0)

  // what is logged after the backup goes when it is put back, and comes again when that is taken back
  const casts = async (): Promise<number> =>
    ((await (await fetch(`${sheet.app.url}/api/backups`)).json()) as { here: { entries: number } }).here
      .entries
  const before = await casts()
  const entry = {
    id: crypto.randomUUID(),
    session: crypto.randomUUID(),
    at: new Date().toISOString(),
    kind: 'cast',
  }
  await fetch(`${sheet.app.url}/api/log/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries: [entry] }),
  })
  await dialog
    .getByLabel('Backup to restore')
    .setInputFiles({ name: 'good.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await expect(dialog.getByRole('alert').filter({ hasText: 'take the place of everything' })).toContainText(
    `${before.toLocaleString('en')} log entries`,
  )
  await expect(dialog.getByRole('alert').filter({ hasText: 'take the place of everything' })).toContainText(
    `${(before + 1).toLocaleString('en')} log entries`,
  )
  await sheet.accessible()
  await dialog.getByRole('button', { name: 'Replace everything' }).click()
  await expect(dialog.getByRole('status').filter({ hasText: 'Restored' })).toBeVisible()
  expect(await casts()).toBe(before)
  await expect(dialog.getByRole('list', { name: 'Kept backups' })).toContainText('before a restore')
  await dialog.getByRole('button', { name: 'Take that back' }).click()
  await expect.poll(casts).toBe(before + 1)
})

test('the log and the drops go out as tables and come in again once; a row that is wrong is told', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/log`)
  await expect(page.getByRole('region', { name: 'Drop timer' }).locator('tbody tr').first()).toBeVisible()
  await page.getByRole('button', { name: 'Tables, backup, instruments…' }).click()
  const tables = page.getByRole('region', { name: 'Tables' })
  const saved = async (name: string): Promise<string> => {
    const download = page.waitForEvent('download')
    await tables.getByRole('button', { name }).click()
    return readFileSync(await (await download).path(), 'utf8')
  }
  const count = async (): Promise<number> =>
    ((await (await fetch(`${sheet.app.url}/api/log/evidence`)).json()) as { drops: object[] }).drops.length
  const log = await saved('Log as CSV')
  expect(log.split('\r\n').length).toBeGreaterThan(1200)
  const drops = await saved('Drops as CSV')
  const before = await count()
  expect(drops.split('\r\n')).toHaveLength(before + 2)
  const read = (name: string, text: string): Promise<void> =>
    tables
      .getByLabel('Table to read')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

  await read('drops.csv', drops)
  await expect(tables.getByRole('status')).toContainText(`${before} drops.`)
  await tables.getByRole('button', { name: /^Put in/ }).click()
  await expect(page.getByText('read in', { exact: false }).first()).toBeVisible()
  expect(await count()).toBe(before)

  const [heading, first] = drops.split('\r\n') as [string, string]
  const columns = heading.split(',')
  const fresh = first
    .split(',')
    .map((cell, i) => (columns[i] === 'id' ? '' : columns[i] === 'at' ? '2026-11-01T08:00:00Z' : cell))
    .join(',')
  await read('mine.csv', [heading, fresh, fresh.replace('2026-11-01', 'All Saints')].join('\r\n'))
  await expect(tables.getByRole('status')).toContainText('1 drops, and 1 thing wrong')
  await expect(tables.getByRole('status')).toContainText('row 3, at: Expected a date and time.')
  await sheet.accessible()
  await tables.getByRole('button', { name: 'Put in 1' }).click()
  await expect.poll(count).toBe(before + 1)
  await expect(tables.getByRole('status')).toHaveCount(0)

  await read('log.csv', log.split('\r\n').slice(0, 40).join('\r\n'))
  await tables.getByRole('button', { name: 'Put in 39' }).click()
  await expect(tables.getByRole('status')).toHaveCount(0)
  await read('shopping.csv', 'eggs,milk\r\n6,1')
  await expect(tables.getByRole('alert')).toContainText('neither a log')
})

test('a bucket held against a ball: the thumb found late, drops in it told as on open water; a bait too long is refused', async ({
  sheet,
  page,
}) => {
  await page.clock.install()
  await page.goto(`${sheet.app.url}/log`)
  const timer = page.getByRole('region', { name: 'Drop timer' })
  await timer.getByRole('button', { name: 'baths…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Baths and buckets' })
  await expect(dialog.getByRole('status')).toContainText(/your thumb is 0\.1\d s late/)
  await dialog.getByRole('button', { name: 'New bath or bucket' }).click()
  await expect(dialog.getByRole('status')).toContainText('Until then drops here count as doubtful')
  await sheet.type('depth of water', '9000')
  await expect(dialog.getByRole('alert')).toContainText('depth of water must lie between')
  await sheet.type('depth of water', '120')
  for (let i = 0; i < 4; i++) {
    await sheet.timed(
      dialog.getByRole('button', { name: /^Let go/ }),
      900 + 20 * i,
      dialog.getByRole('button', { name: /^Knock/ }),
    )
    await expect(dialog.getByRole('list', { name: 'Taps' }).getByRole('listitem')).toHaveCount(i + 1)
  }
  await expect(dialog.getByRole('status')).toContainText(
    /^The ball falls for 0\.80 s here\. 4 of 4 taps: your thumb is 0\.13 s late/,
  )
  await sheet.accessible()
  await dialog.getByRole('button', { name: 'Drop in this one' }).click()
  await expect(timer).toContainText('1.2 m deep')
  await sheet.timed(timer.locator('.tap'), 2600, timer.locator('.tap'))
  await expect(timer.locator('tbody tr').first()).toContainText('Bucket')
  const { drops } = (await (await fetch(`${sheet.app.url}/api/log/evidence`)).json()) as {
    drops: {
      drop: { seconds: number; depthM: number; bath: { tappedS: number; lagS: number; slowed: number } }
    }[]
  }
  const { seconds, depthM, bath } = drops.at(-1)!.drop
  expect(depthM).toBe(1.2)
  expect(bath.tappedS).toBeCloseTo(2.6, 2)
  expect(bath.slowed).toBeGreaterThan(0.8)
  expect(bath.slowed).toBeLessThan(1)
  expect(seconds).toBeCloseTo((bath.tappedS - bath.lagS) * bath.slowed, 9)
  await expect(timer.locator('tbody tr').first()).toContainText(`${seconds.toFixed(2)} s`)

  await timer.getByRole('button', { name: 'baths…' }).click()
  await sheet.type('narrower width', '10')
  await dialog.getByRole('button', { name: 'Drop in this one' }).click()
  await sheet.timed(timer.locator('.tap'), 1500, timer.locator('.tap'))
  await expect(timer.getByRole('alert')).toContainText('too narrow')
  await sheet.choose('in', 'open water')
  await expect(timer.getByLabel('depth')).toBeVisible()
})

test('touches that do not stick are read: tail nips named with what would help; another rig named where it hangs up less', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/log`)
  const tally = page.getByRole('region', { name: 'Tally' })
  await expect(tally.getByText(/Most like tail nips \(\d+ %\)/).first()).toBeVisible()
  await expect(tally.getByText(/with a small hook trailing in the tail/).first()).toBeVisible()
  await expect(
    tally.getByText(/^Hangs up on \d+ % of casts; .* here on \d+ %, settled\.$/).first(),
  ).toBeVisible()
})

test('a drop read off the made-up clip: stepped, scaled, marked nose and tail, kept with its pitch', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/log`)
  await page.getByRole('button', { name: 'from a clip…' }).click()
  const dialog = page.getByRole('dialog', { name: 'A drop from a clip' })
  await dialog.getByRole('button', { name: 'The made-up sample' }).click()
  const frame = dialog.getByRole('img', { name: /^Frame at/ })
  await expect(frame).toBeVisible()
  await expect.poll(() => frame.evaluate(c => (c as HTMLCanvasElement).width)).toBe(360)
  /** Presses a place given in pixels of the clip. */
  const press = async (x: number, y: number): Promise<void> => {
    const box = (await frame.boundingBox())!
    await frame.click({ position: { x: (x * box.width) / 360, y: (y * box.height) / 480 } })
  }
  await press(23, 40)
  await press(23, 136)
  /** Where the bait is on the frame: the middle of its colour, and how far it reaches. */
  const bait = () =>
    frame.evaluate(c => {
      const canvas = c as HTMLCanvasElement
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
      let [left, right, sum, n] = [1e9, -1e9, 0, 0]
      const rows: [number, number][] = []
      for (let y = 0; y < canvas.height; y++) {
        for (let x = 60; x < canvas.width; x++) {
          const i = 4 * (y * canvas.width + x)
          if (
            Math.abs(data[i]! - 107) > 24 ||
            Math.abs(data[i + 1]! - 90) > 24 ||
            Math.abs(data[i + 2]! - 53) > 24
          )
            continue
          left = Math.min(left, x)
          right = Math.max(right, x)
          sum += y
          n++
          rows.push([x, y])
        }
      }
      const near = (x: number): number =>
        rows.filter(r => Math.abs(r[0] - x) < 3).reduce((s, r, _, all) => s + r[1] / all.length, 0)
      return { left, right, y: sum / n, leftY: near(left), rightY: near(right) }
    })
  for (const seconds of ['0.00', '0.67']) {
    await expect(dialog.getByRole('img', { name: `Frame at ${seconds} seconds` })).toBeVisible()
    const at = await bait()
    await press(at.right, at.rightY)
    await press(at.left, at.leftY)
    // pressed at once, however long the player takes for a frame
    for (let i = 0; i < 2; i++) await dialog.getByRole('button', { name: 'Ten frames on' }).click()
  }
  await expect(dialog.locator('.read')).toContainText(/0\.\d+ m\/s, −?-?\d+°/)
  await sheet.accessible()
  await dialog.getByRole('button', { name: 'Keep this drop' }).click()
  await expect(page.getByRole('region', { name: 'Drop timer' }).locator('tbody tr').first()).toContainText(
    'clip',
  )
})

test.describe('afterwards, on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, serviceWorkers: 'allow' })

  test('a session is put right without a connection: its place, its notes, whether it counts; each can be taken back', async ({
    sheet,
    page,
    context,
  }) => {
    await page.goto(`${sheet.app.url}/log`)
    await sheet.standsOnDevice()
    await page.reload()
    await expect(page.getByText('Everything is kept on this device.').first()).toBeVisible()
    const days = page.getByRole('region', { name: 'Sessions' })
    const day = days.getByRole('button', { name: /[1-9]\d casts/ }).first()
    await page.getByRole('button', { name: 'Sessions', exact: true }).click()
    const counts = await day.locator('small').innerText()
    await context.setOffline(true)
    await page.reload()
    await page.getByRole('button', { name: 'Sessions', exact: true }).click()
    await day.click()
    await expect(days.getByLabel('another note')).toBeVisible()
    await sheet.accessible()

    await days.getByLabel('place', { exact: true }).fill('Whelk bar')
    await days.getByLabel('place', { exact: true }).press('Enter')
    await expect(day).toContainText('Whelk bar')
    await days.getByLabel('another note').fill('took on the drop')
    await days.getByLabel('another note').press('Enter')
    const note = days.getByLabel(/^note, /)
    await expect(note).toHaveValue('took on the drop')
    await note.fill('took on the drop, green water')
    await note.blur()
    await expect(days.getByRole('list', { name: 'What was tapped' })).toContainText('green water')
    await days.getByLabel('place', { exact: true }).fill(' ')
    await days.getByLabel('place', { exact: true }).press('Enter')
    await expect(days.getByText('A place needs a name.')).toBeVisible()
    await expect(days.getByLabel('place', { exact: true })).toHaveValue('Whelk bar')
    await days.getByLabel('counts for the tally').click()
    await expect(day).toContainText('left out')

    // taken out by mistake, and brought back
    await note.fill('')
    await note.blur()
    await expect(note).toHaveCount(0)
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Note taken out' })
      .getByRole('button', { name: 'Undo' })
      .click()
    await expect(note).toHaveValue('took on the drop, green water')

    // closed and opened without a connection it is still so
    await page.reload()
    await page.getByRole('button', { name: 'Sessions', exact: true }).click()
    await expect(day).toContainText('Whelk bar')
    await expect(day).toContainText('left out')

    await context.setOffline(false)
    await page.reload()
    await expect(page.getByRole('button', { name: 'Kept: all on the server' })).toBeVisible()
    const sessions = (await (await fetch(`${sheet.app.url}/api/log/sessions?limit=500`)).json()) as {
      sessions: { session: string; place: string; excluded: boolean; from: string; to: string }[]
    }
    const there = sessions.sessions.filter(s => s.place === 'Whelk bar')
    expect(there).toHaveLength(1)
    expect(there[0]!.excluded).toBe(true)
    // put right today, it lasted no longer for that
    expect(Date.parse(there[0]!.to) - Date.parse(there[0]!.from)).toBeLessThan(86_400_000)
    const { entries } = (await (
      await fetch(`${sheet.app.url}/api/log/${there[0]!.session}/entries?limit=500`)
    ).json()) as { entries: { kind: string; data?: { text?: string } }[] }
    expect(entries.filter(e => e.kind === 'note').map(e => e.data!.text)).toEqual([
      'took on the drop, green water',
    ])
    // and what was tapped is what it was
    await page.getByRole('button', { name: 'Sessions', exact: true }).click()
    await expect(day.locator('small')).toHaveText(`${counts}; left out`)
  })
})
