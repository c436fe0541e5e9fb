import { readFileSync } from 'node:fs'
import { DEMO_BOX } from '../../demo/box'
import { boxCsv } from '../../shared/boxTable'
import { expect, test, type Sheet } from './support'

async function openBox({ page, app }: Sheet): Promise<void> {
  await page.goto(`${app.url}/box`)
  await expect(page.locator('tbody td.name').first()).toBeVisible()
}
const total = async ({ page }: Sheet): Promise<number> =>
  Number(
    await page
      .getByRole('button', { name: /^everything/ })
      .locator('b')
      .innerText(),
  )
const names = ({ page }: Sheet) => page.locator('tbody td.name input')
async function choose({ page }: Sheet, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Import' }).click()
  await page
    .getByLabel('File to import')
    .setInputFiles({ name: 'things.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
}

test('find, sort, change a count and a name where they stand, and take it all back', async ({
  sheet,
  page,
}) => {
  await openBox(sheet)
  expect(await total(sheet)).toBe(DEMO_BOX.length)
  await page.getByLabel('Find in the box').fill('floating craw')
  await expect(names(sheet)).toHaveCount(2)
  const count = page.locator('tbody td.count input').first()
  await count.fill('33')
  await count.press('Enter')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
  await count.fill('many')
  await count.press('Enter')
  await expect(page.getByRole('alert')).toContainText('A whole number')
  await page.reload()
  await expect(names(sheet).first()).toBeVisible()
  await page.getByLabel('Find in the box').fill('floating craw')
  await expect(page.locator('tbody td.count input').first()).toHaveValue('33')
  await page.locator('tbody td.count input').first().fill('9')
  await page.locator('tbody td.count input').first().press('Enter')
  await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()

  await page.getByLabel('Find in the box').fill('')
  await page.getByRole('button', { name: /^hooks/ }).click()
  await page.getByRole('columnheader', { name: 'Size' }).getByRole('button').click()
  await expect(page.locator('tbody td.size').first()).toHaveText('4')
  await page.getByRole('columnheader', { name: 'Size' }).getByRole('button').click()
  await expect(page.locator('tbody td.size').first()).toHaveText('6/0')
})

test('several at once: counts, tags, duplicates, taking out; each in one step of undo', async ({
  sheet,
  page,
}) => {
  await openBox(sheet)
  const before = await total(sheet)
  await page.getByRole('button', { name: /^lines/ }).click()
  await page.getByLabel('Choose everything listed').check()
  const chosen = page.getByRole('region', { name: 'Chosen things' })
  await expect(chosen).toContainText('9 chosen')
  await chosen.getByRole('button', { name: 'One more of each' }).click()
  await expect(page.locator('tbody td.count input').first()).toHaveValue('2')
  await chosen.getByLabel('Tag for all chosen').fill('spools')
  await chosen.getByRole('button', { name: 'Tag', exact: true }).click()
  await expect(page.locator('tbody td.tags input').first()).toHaveValue('spools')
  await chosen.getByRole('button', { name: 'Duplicate' }).click()
  await expect.poll(() => total(sheet)).toBe(before + 9)
  await page.keyboard.press('Control+z')
  await expect.poll(() => total(sheet)).toBe(before)
  await chosen.getByRole('button', { name: 'Take out' }).click()
  await expect.poll(() => total(sheet)).toBe(before - 9)
  for (let i = 0; i < 3; i++) {
    await expect(page.getByRole('button', { name: 'Undo' })).toBeEnabled()
    await page.getByRole('button', { name: 'Undo' }).click()
  }
  await expect.poll(() => total(sheet)).toBe(before)
  await expect(page.locator('tbody td.tags input').first()).toHaveValue('')
  await expect(page.locator('tbody td.count input').first()).toHaveValue('1')
})

test('what fits this bait in my box, and on to the bench with it', async ({ sheet, page }) => {
  await openBox(sheet)
  await page.getByRole('button', { name: 'Details of paddle-tail shad 90, mullet' }).click()
  const fits = page.getByRole('region', { name: 'What fits this bait in my box' })
  await expect(fits.getByRole('listitem').first()).toContainText('in the back slot')
  await expect(fits.getByRole('listitem').filter({ hasText: '4/0' }).first()).toBeVisible()
  await fits.getByRole('button', { name: /Rig screw-lock 4\/0, 1\/8 oz belly/ }).click()
  await expect(page.getByRole('region', { name: 'Rig on the bench' })).toContainText('belly-weighted 4/0')
  await expect(page.getByLabel('bait', { exact: true }).first()).toContainText('slim paddle-tail shad')
})

test('a bait is weighed in air and in water, its density taken and set back; weights that cannot be are told', async ({
  sheet,
  page,
}) => {
  await openBox(sheet)
  await page.getByLabel('Find in the box').fill('paddle-tail shad 90, mullet')
  await page.getByRole('button', { name: /^Details of paddle-tail shad 90, mullet/ }).click()
  await page.getByRole('button', { name: 'Weigh it…' }).click()
  const dialog = page.getByRole('dialog', { name: /^Weigh paddle-tail shad 90/ })
  const says = dialog.getByRole('status')
  await expect(says).toContainText('Weigh it in air')
  await expect(dialog.getByRole('button', { name: 'Use this density' })).toBeDisabled()
  await sheet.choose('in fresh water it', 'sinks')
  await expect(says).toContainText(/^Between 0\.99\d and 1\.\d+ g\/cm³/)
  await dialog.getByRole('button', { name: 'read the scale' }).nth(0).click()
  await dialog.getByRole('button', { name: 'read the scale' }).nth(1).click()
  await expect(says).toContainText(/^1\.0\d+ g\/cm³ \(1\.0\d+ to 1\.0\d+ by the scale's step\), weighed\.$/)
  const found = Number((await says.innerText()).slice(0, 5))
  await sheet.accessible()
  await sheet.type('hanging in water', '200')
  await expect(says).toContainText('must weigh less than in air')
  await dialog.getByRole('button', { name: 'read the scale' }).nth(1).click()
  await dialog.getByRole('button', { name: 'Use this density' }).click()
  await expect(page.getByLabel('density')).toHaveValue(found.toFixed(2).replace(/0$/, ''))
  await page.getByRole('button', { name: 'Back to the typical density' }).click()
  await expect(page.getByRole('button', { name: 'Back to the typical density' })).toHaveCount(0)
})

test('a table is read and shown first; one with errors changes nothing and says which rows and why', async ({
  sheet,
  page,
}) => {
  await openBox(sheet)
  const before = await total(sheet)
  await choose(
    sheet,
    'kind,name,count,form,length_mm,material\r\nbait,good one,3,slimShad,80,plain\r\nbait,too long,1,slimShad,900,plain\r\nboat,dinghy,1,,,\r\nbait,,x,stick,100,plain\r\n',
  )
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('alert')).toContainText('3 of 4 rows cannot be read')
  await expect(
    dialog.getByRole('row', { name: /^3 length_mm Bait length must be a number from 30 to 400 mm/ }),
  ).toBeVisible()
  await expect(dialog.getByRole('row', { name: /^4 kind Kind: expected one of/ })).toBeVisible()
  await expect(dialog.getByRole('row', { name: /^5 count "x" is not a number/ })).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Put them in' })).toBeDisabled()
  await page.keyboard.press('Escape')
  await page.reload()
  await expect(names(sheet).first()).toBeVisible()
  expect(await total(sheet)).toBe(before)
  await choose(sheet, 'colour of the boat\r\nblue\r\n')
  await expect(dialog.getByRole('alert')).toContainText('no columns "kind" and "name"')
})

test('five thousand rows come in within seconds, with progress, and go in one step', async ({
  sheet,
  page,
}) => {
  await openBox(sheet)
  const before = await total(sheet)
  const many = Array.from({ length: 5000 }, (_, i) => ({
    ...DEMO_BOX[i % DEMO_BOX.length]!,
    name: `spare ${i}`,
  }))
  await choose(sheet, boxCsv(many))
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByRole('status')).toContainText('5000 things')
  await dialog.getByRole('button', { name: 'Put 5000 things in' }).click()
  await expect(dialog).toBeHidden()
  expect(await total(sheet)).toBe(before + 5000)
  expect(await page.locator('tbody tr').count()).toBeLessThan(80)
  await page.getByLabel('Find in the box').fill('spare 4999')
  await expect(names(sheet)).toHaveCount(1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => total(sheet)).toBe(before)
})

test('what is listed goes out and comes in again the same', async ({ sheet, page }) => {
  await openBox(sheet)
  await page.getByRole('button', { name: /^rods/ }).click()
  await page.getByRole('button', { name: 'Export' }).click()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'as CSV' }).click(),
  ])
  const csv = readFileSync(await download.path(), 'utf8')
  expect(csv.trim().split('\r\n')).toHaveLength(5)
  const before = await total(sheet)
  await choose(sheet, csv)
  await page.getByRole('dialog').getByRole('button', { name: 'Put 4 things in' }).click()
  await expect.poll(() => total(sheet)).toBe(before + 4)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(() => total(sheet)).toBe(before)
})

test('the box is accessible, with a thing open and one chosen', async ({ sheet, page }) => {
  await openBox(sheet)
  await page.getByLabel('Find in the box').fill('tube')
  await page.getByRole('button', { name: 'Details of tube 100, green pumpkin' }).click()
  await expect(
    page.getByRole('region', { name: 'What fits this bait in my box' }).getByRole('listitem').first(),
  ).toBeVisible()
  await page.getByRole('checkbox', { name: 'Choose tube 80, smoke' }).click()
  await sheet.accessible()
})
