import { AxeBuilder } from '@axe-core/playwright'
import { readFileSync } from 'node:fs'
import { expect, test, type Sheet } from './support'

async function accessible({ page }: Sheet): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze()
  expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join('; ')}`)).toEqual([])
}
const sessionsOf = async ({ app }: Sheet): Promise<{ session: string, counts: Record<string, number> }[]> =>
  ((await (await fetch(`${app.url}/api/log/sessions?limit=500`)).json()) as { sessions: { session: string, counts: Record<string, number> }[] }).sessions

test.describe('on the bank', () => {
  test.use({ viewport: { width: 390, height: 844 } })

  test('twenty taps without a connection, the page closed and opened again: all twenty are on the server once', async ({ sheet, page, context }) => {
    await page.goto(`${sheet.app.url}/bank`)
    await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
    await expect(page.getByRole('button', { name: /^Cast/ })).toBeVisible()
    await expect(page.getByRole('status').first()).toContainText('all kept by the server')
    const before = (await sessionsOf(sheet)).length
    await expect.poll(() => page.evaluate(async () => Boolean(await (await caches.open('dunecrest-bank-1')).match('/bank'))), { timeout: 20_000 }).toBe(true)
    await page.reload()
    await expect(page.getByRole('button', { name: /^Cast/ })).toBeVisible()
    await expect.poll(() => page.evaluate(async () => (await (await caches.open('dunecrest-bank-1')).keys()).length)).toBeGreaterThan(8)
    await context.setOffline(true)
    for (let i = 0; i < 14; i++) await page.getByRole('button', { name: /^Cast/ }).click()
    for (const name of [/^Bump/, /^Bite/, /^Hooked/, /^Landed/]) await page.getByRole('button', { name }).click()
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
    await expect(again.getByRole('status').first()).toContainText('all kept by the server', { timeout: 20_000 })
    const sessions = await sessionsOf(sheet)
    expect(sessions.length).toBe(before)
    expect(sessions[0]!.counts).toMatchObject({ cast: 14, bump: 1, bite: 1, hooked: 1, landed: 1, snag: 1, freed: 1 })
    await again.close()
  })

  test('undo, another rod, a heavier weight, a note; targets are big enough for a cold thumb', async ({ sheet, page }) => {
    await page.goto(`${sheet.app.url}/bank`)
    await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
    await page.getByRole('button', { name: /^Cast/ }).click()
    await page.getByRole('button', { name: /^Bite/ }).click()
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(page.getByRole('button', { name: /^Bite/ })).toContainText('0')
    await expect(page.getByRole('status', { name: 'Last tap' })).toContainText('cast')
    await page.getByRole('button', { name: /^C / }).click()
    const weight = await page.locator('.hand').innerText()
    await page.getByRole('button', { name: 'Heavier' }).click()
    await expect(page.locator('.hand')).not.toHaveText(weight)
    await page.getByRole('button', { name: 'Note' }).click()
    await page.getByLabel('Note').fill('bass on the edge')
    await page.getByRole('button', { name: 'Keep' }).click()
    await expect(page.getByRole('status', { name: 'Last tap' })).toContainText('bass on the edge')
    for (const box of await Promise.all((await page.locator('.taps button, .rods button, .step, .undo').all()).map(b => b.boundingBox()))) {
      expect(box!.height).toBeGreaterThanOrEqual(56)
      expect(box!.width).toBeGreaterThanOrEqual(56)
    }
    await accessible(sheet)
    await page.getByRole('button', { name: 'End' }).click()
    await expect(page.getByRole('heading', { name: 'Begin a session' })).toBeVisible()
  })
})

test('drops move the bait: taps and the tank, a wrong one set aside, all forgotten again; the spread shows what was measured', async ({ sheet, page }) => {
  await page.goto(`${sheet.app.url}/log`)
  const timer = page.getByRole('region', { name: 'Drop timer' })
  await expect(timer.getByRole('button', { name: /^Splash/ })).toBeVisible()
  await timer.locator('.tap').dblclick({ delay: 5 })
  await expect(timer.getByRole('alert')).toContainText('Too quick')
  await expect(timer.locator('tbody tr').first()).toBeVisible()
  const count = await timer.locator('tbody tr').count()
  await timer.getByRole('button', { name: 'read the drop tank' }).click()
  await expect(timer.locator('tbody tr').first()).toContainText('tank')
  expect(await timer.locator('tbody tr').count()).toBe(count + 1)
  await expect(timer.getByRole('status')).toContainText(/drag|as the model says/)
  await expect(timer.locator('tr.out').first()).toContainText('set aside')
  await accessible(sheet)
  await page.getByRole('link', { name: 'Spread', exact: true }).click()
  await sheet.settled()
  await expect(sheet.row('A', 'fall').getByRole('img', { name: 'measured' })).toBeVisible()
  const measured = await sheet.figure('A', 'fall')
  await page.goto(`${sheet.app.url}/log`)
  await page.getByLabel('show the model\'s own figures').check()
  await page.getByRole('link', { name: 'Spread', exact: true }).click()
  await sheet.settled()
  await expect(sheet.row('A', 'fall').getByRole('img', { name: 'computed' })).toBeVisible()
  expect(await sheet.figure('A', 'fall')).not.toBe(measured)
})

test('two rigs compared from the tally, sessions opened, the log as CSV; a backup saved, and a bad one refused', async ({ sheet, page }) => {
  await page.goto(`${sheet.app.url}/log`)
  const tally = page.getByRole('region', { name: 'Tally' })
  await tally.getByRole('checkbox').nth(0).check()
  await tally.getByRole('checkbox').nth(1).check()
  await expect(tally.getByRole('status')).toContainText(/Hooked: .*points/)
  await page.getByRole('region', { name: 'Sessions' }).getByRole('button').first().click()
  await expect(page.getByRole('region', { name: 'Sessions' }).getByRole('listitem').nth(1)).toBeVisible()
  const csv = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Log as CSV' }).click()
  expect(readFileSync(await (await csv).path(), 'utf8').split('\r\n').length).toBeGreaterThan(1200)
  await page.getByRole('button', { name: 'Backup and instruments…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Backup and instruments' })
  await dialog.getByLabel('depth sounder').check()
  await expect(dialog).toContainText(/depth 3\.\d/, { timeout: 15_000 })
  await dialog.getByLabel('depth sounder').uncheck()
  const backup = page.waitForEvent('download')
  await dialog.getByRole('button', { name: 'Save a backup' }).click()
  const text = readFileSync(await (await backup).path(), 'utf8')
  expect(JSON.parse(text)).toMatchObject({ format: 'dunecrest-backup', version: 2 })
  await dialog.getByLabel('Backup to restore').setInputFiles({ name: 'bad.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"other"}') })
  await dialog.getByRole('button', { name: 'Replace everything' }).click()
  await expect(dialog.getByRole('alert').first()).toContainText(/not a backup/)
  await dialog.getByLabel('Backup to restore').setInputFiles({ name: 'good.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await dialog.getByRole('button', { name: 'Replace everything' }).click()
  await expect(page.getByText('Restored', { exact: true }).first()).toBeVisible({ timeout: 20_000 })
  await accessible(sheet)
})

test('a drop read off the made-up clip: stepped, scaled, marked nose and tail, kept with its pitch', async ({ sheet, page }) => {
  await page.goto(`${sheet.app.url}/log`)
  await page.getByRole('button', { name: 'from a clip…' }).click()
  const dialog = page.getByRole('dialog', { name: 'A drop from a clip' })
  await dialog.getByRole('button', { name: 'The made-up sample' }).click()
  const frame = dialog.getByRole('img', { name: /^Frame at/ })
  await expect(frame).toBeVisible({ timeout: 30_000 })
  await expect.poll(() => frame.evaluate(c => (c as HTMLCanvasElement).width)).toBe(360)
  /** Presses a place given in pixels of the clip. */
  const press = async (x: number, y: number): Promise<void> => {
    const box = (await frame.boundingBox())!
    await frame.click({ position: { x: x * box.width / 360, y: y * box.height / 480 } })
  }
  await press(23, 40)
  await press(23, 136)
  /** Where the bait is on the frame: the middle of its colour, and how far it reaches. */
  const bait = () => frame.evaluate((c) => {
    const canvas = c as HTMLCanvasElement
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
    let [left, right, sum, n] = [1e9, -1e9, 0, 0]
    const rows: [number, number][] = []
    for (let y = 0; y < canvas.height; y++) {
      for (let x = 60; x < canvas.width; x++) {
        const i = 4 * (y * canvas.width + x)
        if (Math.abs(data[i]! - 107) > 24 || Math.abs(data[i + 1]! - 90) > 24 || Math.abs(data[i + 2]! - 53) > 24) continue
        left = Math.min(left, x)
        right = Math.max(right, x)
        sum += y
        n++
        rows.push([x, y])
      }
    }
    const near = (x: number): number => rows.filter(r => Math.abs(r[0] - x) < 3).reduce((s, r, _, all) => s + r[1] / all.length, 0)
    return { left, right, y: sum / n, leftY: near(left), rightY: near(right) }
  })
  for (let k = 0; k < 2; k++) {
    const at = await bait()
    await press(at.right, at.rightY)
    await press(at.left, at.leftY)
    for (let i = 0; i < 2; i++) await dialog.getByRole('button', { name: 'Ten frames on' }).click()
  }
  await expect(dialog.locator('.read')).toContainText(/0\.\d+ m\/s, −?-?\d+°/)
  await accessible(sheet)
  await dialog.getByRole('button', { name: 'Keep this drop' }).click()
  await expect(page.getByRole('region', { name: 'Drop timer' }).locator('tbody tr').first()).toContainText('clip')
})
