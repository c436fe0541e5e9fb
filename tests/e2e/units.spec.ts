import type { Page } from '@playwright/test'
import { FOREIGN } from '../../words/foreign'
import { UNIT_SYSTEMS } from '../../words/units'
import { VIEWS } from './places'
import { expect, test } from './support'

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

for (const system of UNIT_SYSTEMS)
  test(`every page in ${system} units names no other`, async ({ sheet, page }) => {
    test.setTimeout(240_000)
    await page.addInitScript(units => localStorage.setItem('dunecrest.units', units), system)
    const found: string[] = []
    let seen = 0
    for (const [path, role, name] of VIEWS) {
      await page.goto(sheet.app.url + path)
      await expect(page.getByRole(role, { name }).first()).toBeVisible({ timeout: 60_000 })
      await expect(page.getByRole(role, { name }).first()).toBeEnabled({ timeout: 60_000 })
      const texts = await figuresOn(page)
      seen += texts.length
      found.push(
        ...texts
          .filter(t => FOREIGN[system].test(t))
          .map(t => `${path}: ${FOREIGN[system].exec(t)![0]} in ${t.slice(0, 160)}`),
      )
    }
    expect(seen).toBeGreaterThan(300)
    expect(found).toEqual([])
  })
