import { VIEWS } from './places'
import { expect, test } from './support'

test.use({ viewport: { width: 390, height: 844 } })
for (const [path, role, name] of VIEWS) {
  test(`${path} on a phone at dusk: nothing runs off the side, nothing fails, all can be read`, async ({
    sheet,
    page,
  }) => {
    test.setTimeout(90_000)
    const wrong: string[] = []
    page.on('pageerror', error => void wrong.push(error.message))
    page.on('console', message => message.type() === 'error' && void wrong.push(message.text()))
    await page.addInitScript(() => localStorage.setItem('dunecrest.theme', 'dusk'))
    await page.goto(sheet.app.url + path)
    await expect(page.getByRole(role, { name }).first()).toBeVisible({ timeout: 60_000 })
    await expect(page.getByRole(role, { name }).first()).toBeEnabled({ timeout: 60_000 })
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dusk')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    await sheet.accessible()
    expect(wrong).toEqual([])
  })
}
