import { expect, Sheet, test } from './support'

test('save, kill the server, reopen at the same address; then rename', async ({ sheet, page, app }) => {
  await sheet.open()
  await sheet.type('Name of this spread', 'Kept over night')
  await sheet.type('depth', '2.75')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page).toHaveURL(/\/spread\/[0-9a-f-]{36}$/)
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible()
  const address = page.url()
  const fall = await sheet.figure('A', 'fall')

  await app.restart('SIGKILL')
  await page.evaluate(() => localStorage.clear())
  await page.goto(address)
  await sheet.settled()
  await expect(page.getByLabel('Name of this spread')).toHaveValue('Kept over night')
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('2.75')
  expect(await sheet.figure('A', 'fall')).toBe(fall)

  await sheet.type('Name of this spread', 'Kept over night, renamed')
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible()
  await page.getByRole('button', { name: 'Spreads' }).click()
  await expect(page.getByRole('dialog').getByRole('row').nth(1)).toContainText('Kept over night, renamed')
})

test('the saved list: demo spreads, open, rename, delete and take it back', async ({ sheet, page }) => {
  await sheet.open()
  await page.getByRole('button', { name: 'Spreads' }).click()
  const dialog = page.getByRole('dialog')
  for (const name of [
    'Eelgrass flat, three ways',
    'Channel mouth, salted stick',
    'Mussel edge, first of the flood',
  ])
    await expect(dialog).toContainText(name)
  await dialog.getByRole('button', { name: 'Rename Channel mouth, salted stick' }).click()
  await dialog.getByLabel('New name for Channel mouth, salted stick').fill('Channel mouth, sticks')
  await page.keyboard.press('Enter')
  await expect(dialog.getByRole('button', { name: 'Channel mouth, sticks', exact: true })).toBeVisible()
  await dialog.getByRole('button', { name: 'Delete Mussel edge, first of the flood' }).click()
  const row = dialog.getByRole('row', { name: /^Mussel edge/ })
  await expect(row).toHaveCount(0)
  await dialog.getByRole('button', { name: 'Undo' }).click()
  await expect(row).toHaveCount(1)
  await dialog.getByRole('button', { name: 'Eelgrass flat, three ways', exact: true }).click()
  await sheet.settled()
  await expect(page.getByLabel('Place')).toHaveValue('Marrowgrass Lagoon, eelgrass flat')
})

test('deleting the spread on the sheet keeps the sheet, and can be taken back', async ({ sheet, page }) => {
  await sheet.open()
  await sheet.type('Name of this spread', 'Deleted while open')
  await sheet.type('depth', '1.9')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page).toHaveURL(/\/spread\//)
  const address = page.url()
  await page.getByRole('button', { name: 'Spreads' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Delete Deleted while open' }).click()
  await expect(page.getByText('not saved yet')).toBeVisible()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('1.9')
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(page).toHaveURL(address)
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible()
})

test('unsaved work survives closing the page, and can be discarded', async ({ sheet, page }) => {
  await sheet.open()
  await page.getByRole('button', { name: 'Spreads' }).click()
  await page
    .getByRole('dialog')
    .getByRole('button', { name: 'Eelgrass flat, three ways', exact: true })
    .click()
  await expect(page.getByLabel('Name of this spread')).toHaveValue('Eelgrass flat, three ways')
  await sheet.settled()
  await sheet.type('depth', '3.2')
  await expect(page.getByText('unsaved changes', { exact: true })).toBeVisible()
  await page.reload()
  await sheet.settled()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('3.2')
  await page.getByRole('button', { name: 'Discard', exact: true }).click()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('2')
  await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible()
})

test('a sheet that was never saved is not thrown away without a question', async ({ sheet, page }) => {
  await sheet.open()
  await sheet.type('depth', '3.7')
  const fresh = page.getByRole('button', { name: 'New', exact: true })
  await fresh.click()
  const question = page.getByRole('dialog', { name: 'This sheet is not saved' })
  await question.getByRole('button', { name: 'Stay on it' }).click()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('3.7')
  await fresh.click()
  await question.getByRole('button', { name: 'Throw it away' }).click()
  await expect(question).toBeHidden()
  await expect(page.getByLabel('depth', { exact: true })).not.toHaveValue('3.7')
  // nothing to lose: no question
  await fresh.click()
  await expect(question).toBeHidden()
  await sheet.type('depth', '3.6')
  await fresh.click()
  await question.getByRole('button', { name: 'Save it first' }).click()
  await expect(page.getByText(/^Saved: /).first()).toBeVisible()
  await expect(page.getByLabel('depth', { exact: true })).not.toHaveValue('3.6')
})

test('a sheet that was changed in another tab says so, hides nothing, and takes what stands there', async ({
  sheet,
  page,
  context,
}) => {
  await sheet.open()
  // how far the tank goes under the verdict, px
  const hidden = async (): Promise<number> => {
    const tank = (await page.getByRole('region', { name: 'Tank' }).boundingBox())!
    return tank.y + tank.height - (await sheet.verdict.boundingBox())!.y
  }
  expect(await hidden()).toBeLessThan(1)
  const other = new Sheet(sheet.app, await context.newPage())
  await other.open()
  await other.type('depth', '3')
  const notice = page.getByRole('alert').filter({ hasText: 'changed in another tab' })
  await expect(notice).toBeVisible()
  await expect.poll(hidden).toBeLessThan(1)
  await notice.getByRole('button', { name: 'Take what stands there' }).click()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('3')
  await expect(notice).toHaveCount(0)
})

test('a change saved elsewhere is not overwritten', async ({ sheet, page, app }) => {
  await sheet.open()
  await sheet.type('Name of this spread', 'Two windows')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page).toHaveURL(/\/spread\//)
  const id = page.url().split('/').pop()
  const other = await page.request.put(`${app.url}/api/spreads/${id}`, {
    data: { revision: 1, name: 'Two windows, the other' },
  })
  expect(other.status()).toBe(200)
  await sheet.type('depth', '1.1')
  await page.keyboard.press('Control+s')
  await expect(page.getByText(/saved elsewhere meanwhile/).first()).toBeVisible()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('1.1')
})

test('an address that leads nowhere says so and shows the way out', async ({ page, app }) => {
  await page.goto(`${app.url}/spread/00000000-0000-4000-8000-000000000000`)
  await expect(page.getByRole('heading', { level: 2 })).toContainText('no spread at this address')
  await page.getByRole('link', { name: 'Go to a fresh sheet' }).click()
  await expect(page.getByRole('article')).toHaveCount(3)
  await page.goto(`${app.url}/nowhere/at/all`)
  await expect(page.getByRole('heading', { level: 2 })).toHaveText('There is nothing at this address')
  await page.getByRole('button', { name: 'Go to the sheet' }).click()
  await expect(page.getByRole('article')).toHaveCount(3)
})

test('no server: the sheet still computes, and saving keeps it on the device until there is one', async ({
  sheet,
  page,
  context,
}) => {
  await sheet.open()
  await context.setOffline(true)
  await sheet.type('depth', '3')
  await sheet.settled()
  await page.keyboard.press('Control+s')
  await expect(page.getByText(/^Kept on this device/).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Kept: 1 on this device' })).toBeVisible()
  await expect(page.getByLabel('depth', { exact: true })).toHaveValue('3')
  await context.setOffline(false)
  await page.evaluate(() => window.dispatchEvent(new Event('online')))
  await expect(page.getByRole('button', { name: 'Kept: all on the server' })).toBeVisible()
})

test('a save whose answer is lost makes one spread, with what was changed since', async ({
  sheet,
  page,
  app,
}) => {
  const named = async (): Promise<{ id: string; revision: number }[]> =>
    (
      (await (await fetch(`${app.url}/api/spreads`)).json()) as {
        spreads: { id: string; name: string; revision: number }[]
      }
    ).spreads.filter(s => s.name === 'Said once')
  await sheet.open()
  await sheet.type('Name of this spread', 'Said once')
  // it reaches the server; the answer does not come back
  await page.route('**/api/spreads', async route => {
    if (route.request().method() !== 'POST') return route.fallback()
    await route.fetch()
    await route.abort()
  })
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText(/^Kept on this device/).first()).toBeVisible()
  expect(await named()).toHaveLength(1)
  await page.unrouteAll({ behavior: 'wait' })
  await sheet.type('depth', '3.5')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  // it goes by itself, however long it takes
  const depth = async (): Promise<number> => {
    const [one] = await named()
    const { content } = (await (await fetch(`${app.url}/api/spreads/${one!.id}`)).json()) as {
      content: { water: { depthM: number } }
    }
    return content.water.depthM
  }
  await expect.poll(depth).toBe(3.5)
  expect(await named()).toHaveLength(1)
})
