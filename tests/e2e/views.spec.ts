import { expect, test } from './support'

/** Every view, and something on it that is there only once it has worked something out. */
const VIEWS = [
  ['/bench', 'img', /./], ['/tank', 'img', /From the side/], ['/cover', 'img', /./], ['/strike', 'region', 'This bite'], ['/pick', 'region', 'Tie this on'], ['/rods', 'article', 'Rod A'],
  ['/log', 'region', 'Tally'], ['/box', 'button', /^everything/], ['/bank', 'button', 'With the rigs on the sheet'], ['/trace', 'heading', /./],
] as const

for (const [path, role, name] of VIEWS) {
  for (const [theme, width, height] of [['dusk', 390, 844], ['glare', 1280, 800]] as const) {
    test(`${path} in the ${theme} theme at ${width}: nothing runs off the side, nothing fails, all can be read`, async ({ sheet, page }) => {
      test.setTimeout(90_000)
      const wrong: string[] = []
      page.on('pageerror', error => void wrong.push(error.message))
      page.on('console', message => message.type() === 'error' && void wrong.push(message.text()))
      await page.setViewportSize({ width, height })
      await page.addInitScript(set => localStorage.setItem('dunecrest.theme', set), theme)
      await page.goto(sheet.app.url + path)
      await expect(page.getByRole(role, { name }).first()).toBeVisible({ timeout: 60_000 })
      await expect(page.locator('html')).toHaveAttribute('data-theme', theme)
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
      await sheet.accessible()
      expect(wrong).toEqual([])
    })
  }
}
