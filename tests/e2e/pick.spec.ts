import { readFileSync } from 'node:fs'
import { expect, fewerBaits, follow, test, type Sheet } from './support'

fewerBaits()

/** The day a trip is planned for where none is said. */
const nextDay = (): string => {
  const at = new Date(Date.now() + 24 * 3_600_000)
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 10)
}
const pick = ({ page }: Sheet) => page.getByRole('region', { name: 'Tie this on' })
async function settled(sheet: Sheet): Promise<void> {
  await expect(pick(sheet)).toBeVisible()
  await expect(sheet.page.getByRole('progressbar')).toHaveCount(0)
}

/** Does what asks for another pick, and waits until that has come whole: what stood before looks finished too. */
async function searched(sheet: Sheet, asks: () => Promise<void>): Promise<void> {
  const answers = (): Promise<number> =>
    sheet.page.evaluate(() => performance.getEntriesByName('pick.whole').length)
  const before = await answers()
  await asks()
  await expect.poll(answers).toBeGreaterThan(before)
  await settled(sheet)
}

test('from a spot to a rig with its reasons, and into the spread with the same figures', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/pick`)
  await sheet.choose('spot', 'Drowned willow')
  await expect(page.getByLabel('cover', { exact: true })).toContainText('drowned wood')
  await settled(sheet)
  await expect(pick(sheet).locator('h2')).toContainText(/punch rig|bullet/)
  await settled(sheet)
  expect(await pick(sheet).locator('.reasons li').count()).toBeGreaterThanOrEqual(3)
  await expect(page.getByRole('region', { name: 'Alternatives' }).getByRole('article')).toHaveCount(3)
  await expect(page.getByRole('region', { name: 'Why not' })).toContainText('ball jig head')
  await expect(page.getByRole('region', { name: 'My way' })).toContainText(/costs/)
  await sheet.accessible()
  const figures = await pick(sheet).locator('.figures dd').allInnerTexts()
  const [, , hooked, left] = figures.map(text => Number(/[\d.]+/.exec(text)![0]))
  await page.getByRole('button', { name: 'Put these in the Spread' }).click()
  await sheet.settled()
  expect(await sheet.figure('A', 'hook-up')).toBe(hooked)
  await expect(sheet.row('A', 'snag')).toContainText(`${left} min/h left`)
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: 'Redo' })).toBeEnabled()
})

test("a way of one's own narrows the search; everything can be looked through and pinned; nothing to pick is said plainly", async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/pick`)
  await settled(sheet)
  await searched(sheet, () => page.getByRole('button', { name: /open heads all day/ }).click())
  await expect(pick(sheet).locator('h2')).toContainText('open')
  await page.getByRole('button', { name: 'All candidates…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Everything that can be fished here' })
  await dialog.getByLabel('Find a bait or a rig').fill('curl grub')
  await expect(dialog.getByRole('row', { name: /curl grub/ }).first()).toBeVisible()
  await dialog.getByRole('button', { name: /^Pin / }).first().click()
  await sheet.accessible()
  await dialog.getByRole('button', { name: 'Put the pinned rig in the Spread' }).click()
  await sheet.settled()
  await expect(page.getByLabel('bait', { exact: true })).toContainText('grub')
  await follow(page, 'Pick')
  await settled(sheet)
  await sheet.type('depth', '40')
  await sheet.type('current', '2')
  await expect(page.getByRole('region', { name: 'Nothing to pick' })).toContainText(
    /holds this current|comes down/,
  )
  await expect(page.getByRole('button', { name: 'Look at what I do not own, too' })).toBeVisible()
})

test('a trip: rods for its stops, weights that follow the tide, countdown, packing, calendar; kept and saved', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/rods`)
  await expect(page.getByRole('article', { name: 'Rod A' })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Change plan' }).getByRole('listitem').first()).toContainText(
    'rod A',
  )
  await expect(page.getByRole('region', { name: 'Countdown' }).getByRole('columnheader').nth(1)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Packing list' })).toContainText('in the box')
  await page.getByLabel('Stop 1 from').fill('noon')
  await page.getByLabel('Stop 1 from').press('Enter')
  await expect(page.getByRole('alert')).toContainText('time of day')
  await page.getByLabel('Stop 1 from').fill('6:30')
  await page.getByLabel('Stop 1 from').press('Enter')
  await expect(page.getByRole('progressbar')).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Change plan' }).getByRole('listitem').first()).toContainText(
    '06:30',
  )
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Calendar (.ics)' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toMatch(
    /BEGIN:VCALENDAR[\s\S]*SUMMARY:Eelgrass flat/,
  )
  await page.getByLabel('Local rules').fill('42 cm, two fish')
  await page.getByLabel('Local rules').blur()
  await sheet.accessible()
  await page.getByLabel('Name of this trip').fill('First frost')
  await page.getByRole('button', { name: 'Save trip' }).click()
  await expect(page.getByText('Saved: First frost').first()).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Local rules')).toHaveValue('42 cm, two fish')
  await expect(page.getByLabel('Name of this trip')).toHaveValue('First frost')

  await page.getByRole('button', { name: 'Take to the bank' }).click()
  await expect(page).toHaveURL(/\/bank$/)
  await page.getByRole('button', { name: 'First frost' }).click()
  const rods = page.getByRole('navigation', { name: 'Rod in hand' }).getByRole('button')
  await expect(rods.first()).toHaveAttribute('aria-pressed', 'true')
  expect(await rods.count()).toBeGreaterThanOrEqual(2)
  await page.getByRole('button', { name: /^Cast/ }).click()
  const here = page.locator('.here')
  await expect(here).toContainText('Eelgrass flat')
  await here.click()
  await page.getByRole('navigation', { name: 'Spot' }).getByRole('button').nth(2).click()
  await expect(here).not.toContainText('Eelgrass flat')
  await page.getByRole('button', { name: /^Cast/ }).click()
  await expect(page.getByRole('status').first()).toContainText('all kept by the server')
  await sheet.accessible()
  const { sessions } = (await (await fetch(`${sheet.app.url}/api/log/sessions?limit=1`)).json()) as {
    sessions: { session: string; counts: object }[]
  }
  expect(sessions[0]!.counts).toEqual({ cast: 2 })
  const { entries } = (await (
    await fetch(`${sheet.app.url}/api/log/${sessions[0]!.session}/entries`)
  ).json()) as { entries: { kind: string; placeKey?: string }[] }
  const places = entries.filter(e => e.kind === 'cast').map(e => e.placeKey)
  expect(new Set(places).size).toBe(2)
  await page.getByRole('button', { name: 'End', exact: true }).click()
  await page.getByRole('button', { name: 'End it' }).click()
})

test('spots: from the sheet, renamed, deleted and back, out as GPX and in again', async ({ sheet, page }) => {
  await page.goto(`${sheet.app.url}/rods`)
  await page.getByRole('button', { name: 'Spots…' }).click()
  const dialog = page.getByRole('dialog', { name: 'Spots' })
  await expect(dialog.getByRole('listitem')).toHaveCount(8)
  const download = page.waitForEvent('download')
  await dialog.getByRole('button', { name: 'Save as GPX' }).click()
  const gpx = readFileSync(await (await download).path(), 'utf8')
  expect(gpx.match(/<wpt /g)).toHaveLength(8)
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'one.gpx',
    mimeType: 'application/gpx+xml',
    buffer: Buffer.from('<gpx><wpt lat="0.41" lon="-0.2"><name>Old pier</name></wpt></gpx>'),
  })
  await expect(dialog.getByRole('listitem')).toHaveCount(9)
  // the fifth of five is not taken: it says so, and which
  let asked = 0
  await page.route('**/api/documents/spot', route =>
    route.request().method() === 'POST' && ++asked === 5
      ? route.fulfill({ status: 507, json: { message: 'The disk that holds the data is full.' } })
      : route.fallback(),
  )
  const five = [1, 2, 3, 4, 5].map(n => `<wpt lat="0.4${n}" lon="-0.2"><name>Mark ${n}</name></wpt>`).join('')
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'five.gpx',
    mimeType: 'application/gpx+xml',
    buffer: Buffer.from(`<gpx>${five}</gpx>`),
  })
  await expect(dialog.getByRole('alert')).toHaveText(
    '4 of 5 spots were read in. Mark 5: The disk that holds the data is full.',
  )
  await page.unroute('**/api/documents/spot')
  await dialog
    .locator('input[type=file]')
    .setInputFiles({ name: 'bad.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from('<gpx><wpt') })
  await expect(dialog.getByRole('alert')).toContainText('not well-formed')
  await dialog.getByRole('button', { name: /^Old pier/ }).click()
  await dialog.getByRole('button', { name: 'Delete' }).click()
  await expect(dialog.getByRole('listitem')).toHaveCount(12)
})

test('one fish in sight in thin, clear water: what lands softly is picked, with the chance to reach it; covering water, how much of it', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/pick`)
  await sheet.type('depth', '0.4')
  await sheet.choose('casting', 'one fish in sight')
  await settled(sheet)
  await expect(page.getByLabel('it is off', { exact: true })).toHaveValue('12')
  await expect(pick(sheet)).toContainText(/lands softly/)
  await expect(pick(sheet).locator('.reasons')).toContainText(
    /take notice|off is reached|the one cast counts/,
  )
  await sheet.choose('casting', 'covering water')
  await settled(sheet)
  await expect(pick(sheet).locator('.reasons')).toContainText(/covers .* of water in an hour/)
})

test('over shell with braid, and for pike, a leader is asked for with its reason', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/pick`)
  await sheet.choose('bottom', 'shell bed')
  await sheet.choose('clarity', 'stained')
  await settled(sheet)
  await expect(pick(sheet)).toContainText(/Leader: .* fluorocarbon.*shell edge/)
  await sheet.choose('fish', 'pike')
  await settled(sheet)
  await expect(pick(sheet)).toContainText(/Leader: .* wire.*teeth of pike/)
})

test("a trip by one's own tide table, wind and water; what is simulated says so", async ({ sheet, page }) => {
  // a server far away: what is typed meanwhile is kept as well
  await page.route('**/api/documents/tide/*', async route => {
    await new Promise(done => setTimeout(done, 700))
    await route.continue()
  })
  await page.goto(`${sheet.app.url}/rods`)
  const source = page.locator('.source')
  await expect(source).toContainText('simulated tide', { timeout: 90_000 })
  await expect(source).toContainText('simulated weather')
  await sheet.choose('tide', 'tables and constants…')
  const dialog = page.getByRole('dialog', { name: 'Tides' })
  const date = nextDay()
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'harbour.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('at,height_m\nnoon,3'),
  })
  await expect(dialog.getByRole('alert')).toContainText('Row 2, at')
  await dialog.locator('input[type=file]').setInputFiles({
    name: 'harbour.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `date,time,height_m\n${date},05:10,4.3\n${date},11:25,0.7\n${date},17:40,4.1\n${date},23:50,0.9\n`,
    ),
  })
  await expect(dialog.getByLabel('Time of the turn at 11:25')).toBeVisible()
  await dialog.getByLabel('level at 11:25').fill('0.9')
  await dialog.getByLabel('level at 11:25').press('Tab')
  await dialog.getByRole('button', { name: 'Take out the turn at 23:50' }).click()
  await expect(dialog.getByText('3 high and low waters')).toBeVisible()
  await sheet.accessible()
  await dialog.getByRole('button', { name: 'Plan by it' }).click()
  await sheet.choose('wind', 'as typed')
  await sheet.type('wind of the day', '9')
  await sheet.type('water', '8')
  await expect(source).toContainText('your own tide, harbour', { timeout: 90_000 })
  await expect(source).toContainText('wind as typed')
  await page.getByRole('button', { name: 'Undo' }).first().click()
  await expect(page.getByLabel('water', { exact: true })).not.toHaveValue('8')
})

test('pike under a mat: a floating frog beside the punch rig, and on the sheet as it is fished on top', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/pick`)
  await sheet.choose('spot', 'Weed mat')
  await settled(sheet)
  await expect(pick(sheet).locator('h2')).toContainText('punch rig')
  const onTop = page.getByRole('region', { name: 'On top' })
  await expect(onTop).toContainText('frog')
  await expect(onTop).toContainText('point up')
  await expect(onTop).toContainText(/\d+ % of takes from below hooked/)
  await onTop.getByRole('button', { name: /alone in the Spread/ }).click()
  await expect(sheet.lane('A')).toContainText('afloat')
  await expect(page.getByText('None of these sinks: fish them on top.')).toBeVisible()
  await page.getByRole('link', { name: 'Tank' }).click()
  await expect(page.getByText(/^Afloat: /)).toBeVisible()
})

test("a fish of one's own: made, described, sought, saved as a file and read again", async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/pick`)
  await sheet.choose('fish', 'make or change one…')
  const dialog = page.getByRole('dialog', { name: 'Your own fish' })
  await dialog.getByLabel('like', { exact: true }).click()
  await page.getByRole('option', { name: 'wrasse' }).click()
  await dialog.getByRole('button', { name: 'Make one of these' }).click()
  await dialog.getByLabel('name', { exact: true }).fill('reef ghost')
  const cold = dialog.getByLabel('hardly move below')
  await cold.fill('16')
  await cold.press('Tab')
  await expect(dialog.getByText('Temperatures must rise')).toBeVisible()
  await cold.fill('3')
  await cold.press('Tab')
  await dialog.getByRole('checkbox', { name: 'frogs' }).click()
  await dialog.getByLabel('mostly').click()
  await page.getByRole('option', { name: 'frogs' }).click()
  await dialog.getByRole('button', { name: /^reef ghost/ }).waitFor()
  await sheet.accessible()
  await dialog.getByRole('listitem').filter({ hasText: 'reef ghost' }).getByText('Fish for it').click()
  await settled(sheet)
  await expect(page.getByLabel('fish', { exact: true })).toContainText('reef ghost')
  await expect(page.getByLabel('they eat')).toContainText('frogs')

  await sheet.choose('fish', 'make or change one…')
  const saved = page.waitForEvent('download')
  await dialog.getByRole('button', { name: 'Save as a file' }).click()
  const path = await (await saved).path()
  expect(JSON.parse(readFileSync(path, 'utf8')).fish.at(-1)).toMatchObject({
    name: 'reef ghost',
    like: 'wrasse',
  })
  await dialog.getByRole('button', { name: 'Delete' }).click()
  await expect(dialog.getByRole('button', { name: /^reef ghost/ })).toHaveCount(0)
  await dialog.locator('input[type=file]').setInputFiles(path)
  await expect(dialog.getByRole('button', { name: /^reef ghost/ })).toHaveCount(1)
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('fish', { exact: true })).not.toContainText('reef ghost')
})
