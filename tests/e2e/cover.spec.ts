import { expect, test, type Sheet } from './support'

async function open({ page, app }: Sheet, path: string): Promise<void> {
  await page.goto(app.url + path)
  await expect(page.locator(path === '/cover' ? 'tbody tr' : '.huge').first()).toBeVisible()
}
const row = ({ page }: Sheet, letter: string) => page.getByRole('row', { name: new RegExp(`^${letter} `) })
async function left(sheet: Sheet, letter: string): Promise<number> {
  await expect(sheet.page.locator('.strip').getByRole('status')).toHaveCount(0)
  return Number(await row(sheet, letter).locator('.left b').innerText())
}

test('what the open head costs here is told in a sentence, and follows the cover and the way it is worked', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/cover')
  await expect(page.locator('.sentence')).toContainText(
    /C costs \d+ minutes an hour more .* hooks \d+ % of bites against \d+ %/,
  )
  const sparse = await left(sheet, 'C')
  await sheet.choose('cover', 'drowned wood')
  await expect.poll(() => left(sheet, 'C')).toBeLessThan(sparse)
  await expect(row(sheet, 'C')).toContainText(/twig|fork/)
  await sheet.choose('cover', 'open water')
  await sheet.choose('bottom', 'rock')
  await expect(row(sheet, 'C')).toContainText(/crevice|rock edge/)
  const hopped = await left(sheet, 'C')
  await sheet.choose('worked', 'swim')
  await expect.poll(() => left(sheet, 'C')).toBeGreaterThan(hopped)
  await page.keyboard.press('Control+z')
  await expect.poll(() => left(sheet, 'C')).toBe(hopped)
})

test('the same cast for every rig: drawn, told in words, played, and another one', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/cover')
  await sheet.choose('cover', 'drowned wood')
  const picture = page.getByRole('img', { name: /^The same cast for every rig/ })
  await expect(picture).toHaveAttribute('aria-label', /A: .* C: /)
  await expect.poll(async () => picture.getAttribute('aria-label')).toMatch(/C: .*hangs up/)
  const before = await picture.getAttribute('aria-label')
  await page.getByRole('button', { name: 'Another cast' }).click()
  await expect.poll(() => picture.getAttribute('aria-label')).not.toBe(before)
  await sheet.moving()
  await page.getByRole('button', { name: 'Bring the rigs in' }).click()
  await expect(page.getByRole('button', { name: 'Stop the retrieve' })).toBeVisible()
  await page.getByRole('button', { name: 'Stop the retrieve' }).click()
  await expect(page.getByRole('img', { name: /^Sizes met on a cast/ })).toBeVisible()
  await sheet.accessible()
})

test('why one rig catches and another does not, seen closely and by its numbers; the hour ends at the figures', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/cover')
  await sheet.choose('cover', 'drowned wood')
  await sheet.choose('bottom', 'sand')
  const minutes = await left(sheet, 'C')
  await expect(page.getByRole('figure', { name: /^Where an hour goes/ })).toHaveAccessibleName(
    new RegExp(`C leaves ${minutes} minutes`),
  )
  const close = page.getByRole('region', { name: 'One meeting closely' })
  const looks = close.getByRole('figure')
  await expect(looks).toHaveCount(3)
  await expect(close).toContainText(/hangs up|picks up weed/)
  const where = await close.getByRole('heading').innerText()
  await page.getByRole('button', { name: 'The next meeting' }).click()
  await expect(close.getByRole('heading')).not.toHaveText(where)
  // every figure told is a number held against another
  for (const words of await looks.allInnerTexts()) expect(words).toMatch(/\d+(\.\d+)? (mm|cm)|from behind/)
  await sheet.slide(page.getByRole('slider', { name: 'How far the rigs have come' }), 5)
  // what would help C here, made on the sheet and taken back
  await page.getByText('C', { exact: true }).first().click()
  const changes = page.getByRole('region', { name: 'What one change would do' })
  await expect(changes).toContainText('rig C')
  await expect(changes.getByRole('listitem').first()).toContainText(/^\+\d+\(/)
  const asItWas = await row(sheet, 'C').innerText()
  await changes.getByRole('button', { name: 'Try it' }).first().click()
  // the best change may move hook-ups alone
  await expect.poll(() => row(sheet, 'C').innerText()).not.toBe(asItWas)
  await page.keyboard.press('Control+z')
  await expect.poll(() => row(sheet, 'C').innerText()).toBe(asItWas)
  await sheet.accessible()
})

test('a bite, link by link: a soft one leaves the point covered, a slack line sets too weak; the weakest link is named', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/strike')
  const weakest = page.locator('.weakest')
  await expect(weakest).toContainText('hooked')
  await sheet.slide(page.getByRole('slider', { name: 'Force of the bite' }), 3)
  await expect(weakest).toContainText('point stays covered')
  await page.getByRole('button', { name: 'A middling bite again' }).click()
  await sheet.slide(page.getByRole('slider', { name: 'Slack in the line' }), 1.1)
  await expect(weakest).toContainText('set too weak')
  await page.getByRole('button', { name: 'A middling bite again' }).click()
  const all = async (): Promise<number> => Number((await page.locator('.huge').innerText()).match(/^\d+/)![0])
  const hidden = await all()
  await page.getByRole('button', { name: /^C ball jig head/ }).click()
  await expect.poll(all).toBeGreaterThan(hidden)
  await sheet.choose('they', 'nip at it')
  await expect(page.getByRole('region', { name: 'All bites' })).toContainText('fish that nip')
  await sheet.accessible()
})

test('why one rig misses and what would help: a loss is opened, a change is tried on the sheet and taken back', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/strike')
  const flow = page.getByRole('figure', { name: /^A hundred bites: A hooks \d+, B hooks \d+, C hooks \d+$/ })
  await expect(flow).toBeVisible()
  const hooked = async (): Promise<number> =>
    Number((await page.locator('.huge').innerText()).match(/^\d+/)![0])
  // the drawing ends at the figure
  await expect(flow).toHaveAccessibleName(new RegExp(`A hooks ${await hooked()},`))
  await page
    .getByRole('region', { name: 'All bites' })
    .getByRole('button', { name: 'point stays covered' })
    .click()
  await expect(page.locator('.weakest')).toContainText('point stays covered')
  await page.getByRole('button', { name: 'A middling bite again' }).click()
  const before = await hooked()
  const change = page.getByRole('listitem').filter({ hasText: 'a slit along the belly' })
  await expect(change).toContainText(/\+\d+ ?\(−?\d+ to \d+\)/)
  await change.getByRole('button', { name: 'Try it' }).click()
  await expect.poll(hooked).toBeGreaterThan(before)
  await page.keyboard.press('Control+z')
  await expect.poll(hooked).toBe(before)
  await sheet.accessible()
})

test('the weakest link at thirty metres: the bite in motion comes to the force that decides it, for the next fish too', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/strike')
  await sheet.type('bite at', '30')
  const time = page.getByRole('slider', { name: 'Seconds of the bite' })
  const motion = page.getByRole('img', { name: /^The bite from the side/ })
  await time.press('Home')
  await expect(motion).toHaveAccessibleName(/0\.00 seconds after the mouth closes: the mouth opens/)
  await time.press('End')
  // the chain, the motion and the chart tell one bite: the one at thirty metres, once it is worked out
  const reaches = async (): Promise<string> =>
    /([\d.]+ lb) reach the hook/.exec(await page.getByRole('region', { name: 'The chain' }).innerText())![1]!
  const chart = page.getByRole('figure', { name: /^The set brings/ })
  await expect(async () => {
    const force = await reaches()
    expect(await motion.getAttribute('aria-label')).toContain(`${force} at the hook`)
    expect(await chart.getAttribute('aria-label')).toContain(`brings ${force} to the hook`)
  }).toPass()
  await sheet.moving()
  await page.getByRole('button', { name: 'Play the bite' }).click()
  await page.getByRole('button', { name: 'Stop the bite' }).click()
  const weakest = page.locator('.weakest')
  const fish = new Set<string>()
  for (let n = 0; n < 6; n++) {
    await page.getByRole('button', { name: 'Next bite' }).click()
    await expect(page.locator('div.body')).toHaveAttribute('aria-busy', 'false')
    fish.add(await weakest.innerText())
  }
  // fish differ, and so do the links that fail
  expect(fish.size).toBeGreaterThan(1)
})

test('cover and strike show the figures of the spread', async ({ sheet, page }) => {
  await sheet.open()
  const hook = await sheet.figure('A', 'hook-up')
  await page.getByRole('link', { name: 'Strike' }).click()
  await expect(page.locator('.huge')).toContainText(`${hook} `)
})

test('what was counted here moves every rig, and is told; on request the model stands alone', async ({
  sheet,
  page,
}) => {
  await open(sheet, '/cover')
  const foot = page.locator('.foot')
  await expect(foot).toContainText(
    /A: Moved from \d+ % by (\d+ casts with .* here, )+\d+ casts with .* here and \d+ casts with \d+ others\./,
  )
  await left(sheet, 'A')
  const moved = await row(sheet, 'A').innerText()
  await page.getByRole('link', { name: 'Log' }).click()
  await page.getByLabel("show the model's own figures").check()
  await page.getByRole('link', { name: 'Cover' }).click()
  await expect(foot).toBeVisible()
  await expect(foot).not.toContainText('Moved from')
  await left(sheet, 'A')
  expect(await row(sheet, 'A').innerText()).not.toBe(moved)
})

test('the trade: bites an hour and what a rig is worth decide, ranges that overlap are not ranked', async ({
  sheet,
  page,
}) => {
  await sheet.open()
  await sheet.choose('cover', 'drowned wood')
  await sheet.settled()
  await page.getByRole('button', { name: 'Trade-off' }).click()
  const dialog = page.getByRole('dialog')
  await sheet.slide(dialog.getByRole('slider', { name: 'Bites an hour' }), 2)
  await sheet.slide(dialog.getByRole('slider', { name: 'Fish that a lost rig is worth' }), 1)
  await expect(dialog.locator('.sentence')).not.toContainText('C')
  await page.keyboard.press('Escape')
  await sheet.choose('cover', 'open water')
  await sheet.settled()
  await page.getByRole('button', { name: 'Trade-off' }).click()
  await sheet.slide(dialog.getByRole('slider', { name: 'Bites an hour' }), 20)
  await sheet.slide(dialog.getByRole('slider', { name: 'Fish that a lost rig is worth' }), 0)
  await expect(dialog.locator('.sentence')).toContainText('C')
  await sheet.accessible()
})
