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
  const length = Number((await found.locator('.big').first().innerText()).replace(/ mm[\s\S]*/, ''))
  expect(Math.abs(length / SAMPLE_TRUTH.lengthMm - 1)).toBeLessThan(0.02)
  const high = Number((await found.locator('.big').nth(1).innerText()).replace(/ mm[\s\S]*/, ''))
  expect(Math.abs(high / (SAMPLE_TRUTH.lengthMm * Math.max(...SAMPLE_TRUTH.height)) - 1)).toBeLessThan(0.05)

  const point = page.getByRole('slider', { name: 'outline point 7, one side' })
  await point.focus()
  for (let i = 0; i < 6; i++) await point.press('Shift+ArrowDown')
  await expect
    .poll(async () => Number((await found.locator('.big').nth(1).innerText()).replace(/ mm[\s\S]*/, '')))
    .toBeGreaterThan(high + 1)
  const long = await found.locator('.big').first().innerText()
  await found.getByLabel('name').fill('traced shad')
  await found.getByRole('button', { name: 'Keep it in my box' }).click()
  await expect(found.getByText('traced shad is in the box.')).toBeVisible()
  await sheet.accessible()
  await found.getByRole('button', { name: 'Use it on the bench' }).click()
  await expect(page.getByLabel('length', { exact: true })).toHaveValue(
    String(Math.round(Number(long.replace(/ mm[\s\S]*/, '')))),
  )
  await expect(page.getByRole('region', { name: 'Fit rules' })).toBeVisible()
})

test('another thing is taken for the bait by a tap, corners are set by hand, and another scale is told', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/trace`)
  await page.getByRole('button', { name: 'Try the sample photo' }).click()
  const found = page.getByRole('complementary', { name: 'What was found' })
  const length = async (): Promise<number> =>
    Number((await found.locator('.big').first().innerText()).replace(/ mm[\s\S]*/, ''))
  await expect(found).toContainText('2 things lie there')
  const first = await length()
  await page.getByRole('button', { name: 'Thing 2: take this one for the bait' }).press('Enter')
  await expect.poll(length).toBeLessThan(0.7 * first)
  await page.getByRole('button', { name: 'Thing 1: take this one for the bait' }).click()
  await expect.poll(length).toBe(first)

  const corner = page.getByRole('slider', { name: 'corner 2 of the card' })
  await corner.press('Shift+ArrowRight')
  await expect(found).toContainText('Card set by hand')
  await expect.poll(length).not.toBe(first)

  await sheet.choose('beside', 'a coin')
  await expect(found.getByRole('alert')).toContainText('No coin was found')
  await sheet.choose('beside', 'a ruler')
  await expect(found).toContainText('By the two marks of the ruler')
  await sheet.type('between the marks', '200')
  await expect(page.getByRole('slider', { name: 'one end of the ruler' })).toBeVisible()
  await expect.poll(length).toBeGreaterThan(0)
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
  const gap = Number((await found.locator('.big').nth(1).innerText()).replace(/ mm[\s\S]*/, ''))
  const length = Number((await found.locator('.big').first().innerText()).replace(/ mm[\s\S]*/, ''))
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
