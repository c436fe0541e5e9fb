import type { Page } from '@playwright/test'
import { FOREIGN } from '../../words/foreign'
import { UNIT_SYSTEMS, type UnitSystem } from '../../words/units'
import { expect, fewerBaits, test, VIEWS } from './support'

/** Each theme at both widths. */
const LOOKS = [
  ['day', 1280],
  ['day', 390],
  ['glare', 390],
  ['dusk', 390],
  ['glare', 1280],
  ['dusk', 1280],
] as const

/** Everything on a page that is read, heard or shown under the pointer; what people typed themselves left out. */
const figuresOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said: string[] = []
    const textOf = (of: Element): string => {
      const copy = of.cloneNode(true) as Element
      copy.querySelectorAll('script, style, [data-own]').forEach(n => n.remove())
      return copy.textContent ?? ''
    }
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_ELEMENT)
    for (let at = walker.currentNode as Element; at; at = walker.nextNode() as Element) {
      if (at.closest('script, style, [data-own], [role=combobox]')) continue
      for (const name of ['aria-label', 'aria-valuetext', 'title', 'placeholder'])
        said.push(at.getAttribute(name) ?? '')
      const own = [...at.childNodes].filter(n => n.nodeType === Node.TEXT_NODE)
      // a figure and its unit often stand in neighbouring elements
      if (own.length > 0 && at.parentElement) said.push(textOf(at.parentElement).slice(0, 600))
    }
    return [...new Set(said.map(s => s.replace(/\s+/g, ' ').trim()))].filter(s => /\d/.test(s))
  })

/** Chooses units as another tab's choice would arrive. */
const count = (page: Page, system: UnitSystem): Promise<boolean> =>
  page.evaluate(newValue => {
    localStorage.setItem('dunecrest.units', newValue)
    return window.dispatchEvent(
      new StorageEvent('storage', { key: 'dunecrest.units', newValue, storageArea: localStorage }),
    )
  }, system)

fewerBaits()
test.use({ viewport: { width: 390, height: 844 } })
// views know nothing of one another
test.describe.configure({ mode: 'parallel' })
for (const [path, role, name] of VIEWS) {
  test(`${path} on a phone and a screen, by day, at dusk and in glare: nothing runs off the side, nothing fails, all can be read, in every system of units`, async ({
    sheet,
    page,
  }) => {
    const wrong: string[] = []
    page.on('pageerror', error => void wrong.push(error.message))
    page.on('console', message => message.type() === 'error' && void wrong.push(message.text()))
    await page.addInitScript(() => localStorage.setItem('dunecrest.theme', 'dusk'))
    await page.goto(sheet.app.url + path)
    await expect(page.getByRole(role, { name }).first()).toBeVisible()
    await expect(page.getByRole(role, { name }).first()).toBeEnabled()
    // lanes stand before their figures do, and are dimmed meanwhile
    if (path === '/') await sheet.settled()
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dusk')
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    for (const [theme, width] of LOOKS) {
      await page.setViewportSize({ width, height: 844 })
      await sheet.wear(theme)
      await test.step(`${theme} at ${width}`, () => sheet.accessible())
      expect(await page.evaluate(() => document.documentElement.scrollWidth), theme).toBe(width)
    }
    for (const system of UNIT_SYSTEMS) {
      await count(page, system)
      await expect
        .poll(async () => (await figuresOn(page)).filter(t => FOREIGN[system].test(t)), system)
        .toEqual([])
    }
    // in another system's units nearly every view would be found out
    if (!['/bank', '/trace', '/log'].includes(path))
      expect((await figuresOn(page)).some(t => FOREIGN.imperial.test(t))).toBe(true)
    expect(wrong).toEqual([])
  })
}
