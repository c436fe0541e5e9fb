import { readFileSync } from 'node:fs'
import type { Locator } from '@playwright/test'
import { expect, test, type Sheet } from './support'

const row = (sheet: Sheet, letter: string) => sheet.page.getByRole('row', { name: new RegExp(`^${letter} `) })
async function openTank(sheet: Sheet): Promise<void> {
  await sheet.page.goto(`${sheet.app.url}/tank`)
  await ready(sheet)
}
async function ready({ page }: Sheet): Promise<void> {
  await expect(page.locator('.body')).toHaveAttribute('aria-busy', 'false')
  await expect(page.locator('td.down b').first()).toBeVisible()
}
async function down(sheet: Sheet, letter: string): Promise<number> {
  return Number((await row(sheet, letter).locator('td.down b').innerText()).replace(/[^\d.]/g, ''))
}
const figureIn = async (cell: Locator): Promise<number> =>
  Number((await cell.innerText()).replace('−', '-').replace(/[^\d.-]/g, ''))
async function showMe(sheet: Sheet, title: string | RegExp): Promise<void> {
  await sheet.page.getByRole('button', { name: 'Show me' }).click()
  await sheet.page.getByRole('menuitem', { name: title }).click()
  await ready(sheet)
}

test('the tank shows the sheet of the spread, and keeps it when going back', async ({ sheet, page }) => {
  await sheet.open()
  const fall = await sheet.figure('A', 'fall')
  await page.getByRole('link', { name: 'Tank' }).click()
  await ready(sheet)
  expect(await down(sheet, 'A')).toBe(fall)
  // the link that was followed has the focus: the space bar drops the rigs all the same
  await sheet.moving()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Pause the drop' })).toBeVisible()
  await page.keyboard.press('Space')
  await sheet.type('depth', '3')
  await expect.poll(() => down(sheet, 'A')).toBeGreaterThan(1.3 * fall)
  await page.getByRole('link', { name: 'Spread' }).click()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('3')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('2')
})

test('drop, pause, frame by frame, scrub; the figures follow', async ({ sheet, page }) => {
  await openTank(sheet)
  const clock = page.getByRole('slider', { name: 'Time of the drop' })
  await sheet.slide(clock, 1)
  const depth = async (): Promise<number> => figureIn(row(sheet, 'A').locator('td.depth'))
  const early = await depth()
  await sheet.slide(clock, 2)
  expect(await depth()).toBeGreaterThan(early + 0.2)
  await page.getByRole('button', { name: 'One frame on' }).click()
  expect(Number(await clock.getAttribute('aria-valuenow'))).toBeCloseTo(2 + 1 / 30, 1)
  await page.locator('body').press('Shift+ArrowLeft')
  expect(Number(await clock.getAttribute('aria-valuenow'))).toBeLessThan(1.1)
  await clock.focus()
  await page.keyboard.press('Space')
  await expect.poll(async () => Number(await clock.getAttribute('aria-valuenow'))).toBeGreaterThan(1.2)
  await page.keyboard.press('Space')
})

test('what-ifs change the drop and leave the old trace as a ghost', async ({ sheet, page }) => {
  await openTank(sheet)
  const clear = page.getByRole('button', { name: 'Clear ghosts' })
  await expect(clear).toBeDisabled()
  const before = await down(sheet, 'A')
  await row(sheet, 'A').getByRole('button', { name: 'weight up' }).click()
  await expect.poll(() => down(sheet, 'A')).toBeLessThan(before)
  await expect(clear).toBeEnabled()
  await clear.click()
  await expect(clear).toBeDisabled()
  for (let i = 0; i < 4; i++) await row(sheet, 'A').getByRole('button', { name: 'crooked by up' }).click()
  await ready(sheet)
  await expect(row(sheet, 'A').getByRole('group', { name: 'crooked by' })).toContainText('8.0 mm')
  await sheet.choose('material', 'salted plastisol')
  await expect.poll(() => down(sheet, 'B')).toBeLessThan(11)

  // plastic that bends, beside the stiff body that the sheet takes
  await clear.click()
  const bends = page.getByRole('checkbox', { name: 'plastic bends' })
  await bends.check()
  await expect(row(sheet, 'A')).toContainText(/stiff [\d.]+ s/)
  await expect(page.getByText('Drawn as they bend')).toBeVisible()
  await expect(clear).toBeEnabled()
  await bends.uncheck()
  await expect(row(sheet, 'A')).not.toContainText('stiff')
})

test('a current carries the rigs, a tight line swings them in', async ({ sheet }) => {
  await openTank(sheet)
  const travelled = async (which: 0 | 1): Promise<number> =>
    Number((await row(sheet, 'A').locator('td.drift').innerText()).replaceAll('−', '-').split(', ')[which])
  const away = (): Promise<number> => travelled(0)
  const still = await away()
  await sheet.type('current', '0.5')
  await expect.poll(away).toBeGreaterThan(still + 0.5)
  await sheet.choose('setting', 'across, to the left')
  await expect.poll(() => travelled(1)).toBeGreaterThan(0.5)
  await sheet.type('current', '0')
  await sheet.choose('line held', 'closed bail')
  await expect.poll(away).toBeLessThan(still - 0.3)
})

test('set pieces: what is argued about can be seen', async ({ sheet, page }) => {
  await openTank(sheet)
  await showMe(sheet, 'A hinge and floating plastic')
  await expect(row(sheet, 'A')).toContainText('stands, tail up')
  await sheet.choose('material', 'salted plastisol')
  await expect(row(sheet, 'A')).toContainText('lies')

  await showMe(sheet, 'Weight pegged or free')
  await expect.poll(async () => (await down(sheet, 'B')) > 2 * (await down(sheet, 'A'))).toBe(true)
  await row(sheet, 'B').getByRole('button', { name: 'free: peg it' }).click()
  await expect
    .poll(async () => Math.abs((await down(sheet, 'B')) - (await down(sheet, 'A'))) < 0.05)
    .toBe(true)

  await showMe(sheet, 'Thin line and thick')
  const thin = await down(sheet, 'B')
  await sheet.type('line strength', '40')
  await expect.poll(() => down(sheet, 'B')).toBeGreaterThan(thin)

  await showMe(sheet, 'A head in a tube, moved back')
  const pitch = async (letter: string): Promise<number> => figureIn(row(sheet, letter).locator('td.pitch'))
  await sheet.slide(page.getByRole('slider', { name: 'Time of the drop' }), 1.5)
  expect(await pitch('A')).toBeLessThan(await pitch('D'))
})

test('a feeding zone is set, counted, told, and goes with undo', async ({ sheet, page }) => {
  await openTank(sheet)
  await page.getByRole('button', { name: 'say how deep the fish are' }).click()
  await expect(page.getByRole('columnheader', { name: 'Among the fish' })).toBeVisible()
  await sheet.type('fish from', '1')
  const inZone = async (): Promise<number> => figureIn(row(sheet, 'B').locator('td.zone'))
  await expect.poll(inZone).toBeGreaterThan(0.3 * (await down(sheet, 'B')))
  await expect(page.getByRole('img', { name: /From the side/ })).toHaveAttribute(
    'aria-label',
    /among the fish/,
  )
  await sheet.type('depth', '1.4')
  await expect(page.getByLabel('to', { exact: true })).toHaveValue('1.4')
  await page.getByRole('button', { name: 'Fish at any depth' }).click()
  await expect(page.getByRole('columnheader', { name: 'Among the fish' })).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('fish from')).toBeVisible()
})

test('the drops go out as CSV and JSON', async ({ sheet, page }) => {
  await openTank(sheet)
  const file = async (kind: string): Promise<string> => {
    await page.getByRole('button', { name: 'Export' }).click()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: kind }).click(),
    ])
    return readFileSync(await download.path(), 'utf8')
  }
  const csv = (await file('CSV'))
    .trim()
    .split('\r\n')
    .map(line => line.split(','))
  expect(csv[0]!.slice(0, 3)).toEqual(['rig', 'time_s', 'depth_m'])
  const last = csv.filter(line => line[0] === 'A').pop()!
  expect(Number(last[1])).toBeCloseTo(await down(sheet, 'A'), 1)
  const json = JSON.parse(await file('JSON')) as {
    format: string
    drops: { rig: string; moments: { timeS: number }[] }[]
  }
  expect(json.format).toBe('dunecrest-drop')
  expect(json.drops.map(d => d.rig)).toEqual(['A', 'B', 'C'])
  expect(json.drops[0]!.moments.length).toBe(csv.filter(line => line[0] === 'A').length)
})

test('the tank is accessible, fits the screen and tells each drop in words', async ({ sheet, page }) => {
  await openTank(sheet)
  await sheet.accessible()
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(800)
  await expect(page.getByRole('img', { name: /From the side/ })).toHaveAttribute(
    'aria-label',
    /A: down in .* then lies, point up/,
  )
})
