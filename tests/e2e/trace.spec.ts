import { SAMPLE_TRUTH } from '../../app/features/trace/samplePhoto'
import { expect, test } from './support'

test('the sample photo is traced, put right by hand, kept in the box and laid on the bench', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/trace`)
  await page.getByRole('button', { name: 'Try the sample photo' }).click()
  const found = page.getByRole('complementary', { name: 'What was found' })
  await expect(found).toContainText('mm long')
  const length = Number((await found.locator('.big').first().innerText()).replace(/[^\d.]/g, ''))
  expect(Math.abs(length / SAMPLE_TRUTH.lengthMm - 1)).toBeLessThan(0.02)
  const high = Number((await found.locator('.big').nth(1).innerText()).replace(/[^\d.]/g, ''))
  expect(Math.abs(high / (SAMPLE_TRUTH.lengthMm * Math.max(...SAMPLE_TRUTH.height)) - 1)).toBeLessThan(0.05)

  const point = page.getByRole('slider', { name: 'outline point 7, one side' })
  await point.focus()
  for (let i = 0; i < 6; i++) await point.press('Shift+ArrowDown')
  await expect
    .poll(async () => Number((await found.locator('.big').nth(1).innerText()).replace(/[^\d.]/g, '')))
    .toBeGreaterThan(high + 1)
  await found.getByLabel('name').fill('traced shad')
  await found.getByRole('button', { name: 'Keep it in my box' }).click()
  await expect(found.getByText('traced shad is in the box.')).toBeVisible()
  await sheet.accessible()
  await found.getByRole('button', { name: 'Use it on the bench' }).click()
  await expect(page.getByLabel('length', { exact: true })).toHaveValue('92')
  await expect(page.getByRole('region', { name: 'Fit rules' })).toBeVisible()
})

test('a hook is measured by three clicks, and used', async ({ sheet, page }) => {
  await page.goto(`${sheet.app.url}/trace`)
  await sheet.choose('what', 'a hook')
  await page.getByRole('button', { name: 'Try the sample photo' }).click()
  const picture = page.getByRole('group', { name: 'What was found in it' })
  await expect(page.getByText('Click the middle of the eye.')).toBeVisible()
  for (const [x, y] of [
    [420, 560],
    [600, 560],
    [500, 500],
  ] as const)
    await picture.click({ position: { x, y } })
  const found = page.getByRole('complementary', { name: 'What was found' })
  await expect(found).toContainText('mm gap')
  const gap = Number((await found.locator('.big').nth(1).innerText()).replace(/[^\d.]/g, ''))
  const length = Number((await found.locator('.big').first().innerText()).replace(/[^\d.]/g, ''))
  expect(length / gap).toBeCloseTo(3, 1)
  await page.getByRole('slider', { name: 'point of the hook' }).press('ArrowUp')
  await found.getByRole('button', { name: 'Use it on the bench' }).click()
  await expect(page.getByText('own measurements of this hook (in use)')).toBeVisible()
})

test('a file that is no picture, and a picture without a card, are told', async ({ sheet, page }) => {
  await page.goto(`${sheet.app.url}/trace`)
  await page
    .getByLabel('Photograph', { exact: true })
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') })
  await expect(page.getByRole('alert')).toContainText(/not a picture/)
})
