import { expect, test } from './support'

test('no request leaves the machine', async ({ sheet, page, app }) => {
  const asked: string[] = []
  page.on('request', request => void asked.push(request.url()))
  await sheet.open()
  await sheet.choose('theme', 'dusk')
  await page.getByRole('button', { name: 'Spreads' }).click()
  await expect(page.getByRole('dialog').getByRole('table')).toBeVisible()
  expect(asked.length).toBeGreaterThan(5)
  expect(
    asked.filter(url => !url.startsWith(app.url) && !url.startsWith('data:') && !url.startsWith('blob:')),
  ).toEqual([])
  expect(
    await page.evaluate(
      () =>
        document.fonts.check('16px "Archivo Variable"') &&
        document.fonts.check('16px "Source Sans 3 Variable"'),
    ),
  ).toBe(true)
})

test('accessible in every theme, sheet and dialogs', async ({ sheet, page }) => {
  await sheet.open()
  await sheet.type('length', '60')
  await sheet.settled()
  const scan = async (...themes: readonly ('day' | 'dusk' | 'glare')[]): Promise<void> => {
    for (const theme of themes) {
      await sheet.wear(theme)
      await test.step(theme, () => sheet.accessible())
    }
  }
  // by day it is looked at with every other view
  await scan('dusk', 'glare')
  await page.getByRole('button', { name: 'Spreads' }).click()
  await expect(page.getByRole('dialog').getByRole('table')).toBeVisible()
  await scan('day', 'dusk', 'glare')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toBeVisible()
  await scan('day', 'dusk', 'glare')
})

test('everything of a sheet and its verdict is on a 1280 x 800 screen without scrolling', async ({
  sheet,
  page,
}) => {
  const kept = (await (await page.request.get(`${sheet.app.url}/api/spreads`)).json()) as {
    readonly spreads: readonly { readonly id: string; readonly name: string }[]
  }
  // four rigs, a verdict of many words, rigs that do not fit well
  const made = kept.spreads.filter(({ name }) => /^(Channel mouth|Sand bar)/.test(name))
  expect(made).toHaveLength(2)
  for (const path of ['/', ...made.map(({ id }) => `/spread/${id}`)]) {
    await sheet.open(path)
    expect(await page.evaluate(() => document.documentElement.scrollHeight), path).toBeLessThanOrEqual(800)
    expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(1280)
  }
})

test('a printed sheet carries its name, figures and verdict, and nothing to press', async ({
  sheet,
  page,
}) => {
  await sheet.open()
  await sheet.type('Name of this spread', 'For the tackle box')
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByText('Dunecrest: For the tackle box')).toBeVisible()
  await expect(sheet.row('A', 'fall')).toBeVisible()
  await expect(sheet.verdict).toBeVisible()
  for (const name of ['Save', 'Add a rig', 'weight up'])
    await expect(page.getByRole('button', { name }).first()).toBeHidden()
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })
  test('nothing runs off the side, and a tap on the strip comes to its lane', async ({ sheet, page }) => {
    await sheet.open()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    await page.getByRole('navigation', { name: 'Rigs' }).getByRole('button').nth(2).tap()
    await expect(sheet.lane('C').locator('.grip')).toBeInViewport()
    const target = await sheet.lane('C').getByRole('button', { name: 'hook up' }).boundingBox()
    expect(target!.width).toBeGreaterThanOrEqual(44)
  })
  test('the header leaves the screen to the sheet, its rarer keys behind one', async ({ sheet, page }) => {
    await sheet.open()
    const header = await page.locator('header').first().boundingBox()
    expect(header!.height).toBeLessThan(120)
    for (const view of await page.getByRole('navigation', { name: 'Views' }).getByRole('link').all())
      expect((await view.boundingBox())!.height).toBeGreaterThanOrEqual(40)
    await page.getByRole('button', { name: 'More', exact: true }).tap()
    await page.getByRole('menuitemcheckbox', { name: 'theme: dusk' }).tap()
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dusk')
  })
})
