import { chromium } from '@playwright/test'
import { readFileSync } from 'node:fs'
import { BROWSER_FLAGS } from '../scripts/browser.mjs'
import { findBrowser } from '../scripts/programs.mjs'

/** Things in a box that has grown large. */
const THINGS = 1000
/** How much longer the baits of a further box are than those of the one before. */
const STEP = 0.031

/** How often it is looked while the page works, ms. */
const LOOK_MS = 500

/**
 * Memory of a page that has chosen out of a large box, its workers with it, MB: of the process that shows it, as the
 * system counts what is its own. At its most while it works, and held afterwards: for the better part what nobody needs
 * any more, collected late or not given back, as there is room on this machine. And collected and given back to the last
 * page, as when memory runs short, which is what it takes. Changes the box. Nothing where the system does not tell.
 */
export async function memoryFigures(url) {
  await fill(url)
  const browser = await chromium.launch({
    executablePath: findBrowser(),
    args: [...BROWSER_FLAGS, '--js-flags=--expose-gc'],
  })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    const system = await browser.newBrowserCDPSession()
    const used = async () => {
      const { processInfo } = await system.send('SystemInfo.getProcessInfo')
      return Math.max(...processInfo.filter(({ type }) => type === 'renderer').map(({ id }) => ownMB(id)))
    }
    await page.goto(`${url}/pick`)
    let most = 0
    while (await page.evaluate(() => performance.getEntriesByName('pick.whole').length === 0)) {
      most = Math.max(most, await used())
      await page.waitForTimeout(LOOK_MS)
    }
    const collect = async flavor => {
      for (const one of [page, ...page.workers()])
        await one.evaluate(flavor => globalThis.gc({ type: 'major', execution: 'sync', flavor }), flavor)
      // what is collected is given back to the system a little later
      await page.waitForTimeout(2000)
    }
    if (!Number.isFinite(most)) return {}
    await collect('regular')
    const held = await used()
    await collect('last-resort')
    return {
      'page.memory1000.MB': await used(),
      'page.memory1000.held.MB': held,
      'page.memory1000.most.MB': most,
    }
  } finally {
    await browser.close()
  }
}

/** What is a process's own, MB. */
function ownMB(id) {
  try {
    return Number(/^RssAnon:\s+(\d+) kB/m.exec(readFileSync(`/proc/${id}/status`, 'utf8'))[1]) / 1024
  } catch {
    return NaN
  }
}

/** The box over and over, its baits each time a little longer, until it holds so many things. */
async function fill(url) {
  const { items } = await (await fetch(`${url}/api/box`)).json()
  const more = []
  for (let n = items.length; n < THINGS; n++) {
    const { name, count, tags, notes, details } = items[n % items.length]
    const times = Math.floor(n / items.length)
    const grown =
      details.kind === 'bait' ? { ...details, lengthM: details.lengthM * (1 + STEP * times) } : details
    more.push({ name: `${name} ${times}`, count, tags, notes, details: grown })
  }
  const answer = await fetch(`${url}/api/box`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ items: more }),
  })
  if (!answer.ok) throw new Error(`the box was not filled: ${(await answer.json()).message}`)
}
