import { chromium } from '@playwright/test'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { BROWSER_FLAGS } from '../scripts/browser.mjs'
import { build } from '../scripts/prepare.mjs'
import { findBrowser } from '../scripts/programs.mjs'
import { freePort, startServer } from '../scripts/serve.mjs'
import { bankFigures } from './bank.mjs'
import { memoryFigures } from './memory.mjs'
import { searchFigures } from './search.mjs'

/**
 * Figures of the page: from a changed input to updated lanes, with three lanes and with five, in the browser.
 */
export async function pageFigures() {
  build()
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-bench-'))
  const { url, child } = await startServer({
    port: await freePort(4100),
    folder: join(folder, 'data'),
    demo: true,
    stdio: 'ignore',
  })
  const browser = await chromium.launch({ executablePath: findBrowser(), args: BROWSER_FLAGS })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
    await page.goto(url)
    const measured = () =>
      page.evaluate(() => performance.getEntriesByName('spread.change').map(entry => entry.duration))
    const change = async value => {
      const before = (await measured()).length
      await page.getByLabel('depth', { exact: true }).fill(value)
      await page.keyboard.press('Enter')
      await page.waitForFunction(n => performance.getEntriesByName('spread.change').length > n, before)
    }
    await page.waitForFunction(() => performance.getEntriesByName('spread.change').length > 0)
    for (let i = 0; i < 14; i++) await change(String(1.5 + 0.07 * i))
    const three = await measured()
    for (const name of FURTHER) await addRig(page, name)
    await page.waitForFunction(() => document.querySelectorAll('article .row').length >= 25)
    const added = (await measured()).length
    for (let i = 0; i < 14; i++) await change(String(1.52 + 0.07 * i))
    const five = (await measured()).slice(added)
    return {
      'spread.first.ms': three[0],
      'page.js.gzip.kB': await scriptsKB(browser, url),
      'spread.change.ms': warmMedian(three),
      'spread.change5.ms': warmMedian(five),
      ...(await tankFigures(browser, url)),
      ...(await coverFigures(browser, url)),
      'cover.frame.p95.ms': await castFrames(browser, url),
      'strike.frame.p95.ms': await playedFrames(browser, url, 'Strike', 'Play the bite'),
      ...(await searchFigures(browser, url)),
      ...(await bankFigures(browser, url)),
      ...(await logFigures(url)),
      ...(await memoryFigures(url)),
    }
  } finally {
    await browser.close()
    child.kill('SIGTERM')
    await new Promise(resolve => child.once('exit', resolve))
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Scripts that the first view loads until its figures stand, as they come over the wire, kB. */
async function scriptsKB(browser, url) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(url)
  await page.waitForFunction(() => performance.getEntriesByName('spread.change').length > 0)
  const bytes = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter(entry => entry.name.endsWith('.js'))
      .reduce((sum, entry) => sum + entry.encodedBodySize, 0),
  )
  await page.close()
  return bytes / 1000
}

/** The median after the first few. */
function warmMedian(all) {
  const warm = all.slice(4).sort((a, b) => a - b)
  return warm[Math.floor(warm.length / 2)]
}

/** Rigs beside the three of the first sheet. */
const FURTHER = [/pegged|bullet/, 'hinged ball']
async function addRig(page, name) {
  await page.getByRole('button', { name: 'Add a rig' }).click()
  await page.getByRole('menuitem', { name }).first().click()
}

/**
 * Five rigs in the tank: from leaving the spread to the first drop running, and the time between frames while
 * they fall, are scrubbed, and are changed twice a second.
 */
async function tankFigures(browser, url) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(url)
  await page.waitForFunction(() => performance.getEntriesByName('spread.change').length > 0)
  for (const name of FURTHER) await addRig(page, name)
  await page.waitForFunction(() => document.querySelectorAll('article .row').length >= 25)
  const begun = await page.evaluate(() => performance.now())
  await page.getByRole('link', { name: 'Tank' }).click()
  await page.waitForFunction(() => document.querySelectorAll('td.down b').length === 5)
  const started = (await page.evaluate(() => performance.now())) - begun
  const frames = await page.evaluate(async () => {
    const slider = document.querySelector('.controls [role=slider]')
    const gaps = []
    let last = await new Promise(requestAnimationFrame)
    const heavier = document.querySelector('[aria-label="weight up"]')
    for (let i = 0; i < 360; i++) {
      if (i >= 240 && i % 30 === 0) heavier.click()
      if (i >= 120 && i < 240) {
        slider.dispatchEvent(
          new KeyboardEvent('keydown', { key: 'ArrowRight', shiftKey: true, bubbles: true }),
        )
      }
      const now = await new Promise(requestAnimationFrame)
      gaps.push(now - last)
      last = now
    }
    return gaps.sort((a, b) => a - b)
  })
  await page.close()
  return { 'tank.start5.ms': started, 'tank.frame.p95.ms': frames[Math.floor(0.95 * frames.length)] }
}

/** Time between frames while five rigs come through the same cast, 95 in 100 within, ms. */
const castFrames = (browser, url) => playedFrames(browser, url, 'Cover', 'Bring the rigs in')

/** Time between frames while a view of five rigs plays, 95 in 100 within, ms. */
async function playedFrames(browser, url, view, play) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(url)
  await page.waitForFunction(() => performance.getEntriesByName('spread.change').length > 0)
  for (const name of FURTHER) await addRig(page, name)
  await page.waitForFunction(() => document.querySelectorAll('article .row').length >= 25)
  await page.getByRole('link', { name: view }).click()
  const key = page.getByRole('button', { name: play })
  await key.waitFor()
  // what is worked out beside it comes first
  await page.waitForTimeout(8000)
  await key.click()
  const frames = await framesOf(page, 240)
  await page.close()
  return frames[Math.floor(0.95 * frames.length)]
}

/** Times between so many frames, the shortest first, ms. */
const framesOf = (page, count) =>
  page.evaluate(async n => {
    const gaps = []
    let last = await new Promise(requestAnimationFrame)
    for (let i = 0; i < n; i++) {
      const now = await new Promise(requestAnimationFrame)
      gaps.push(now - last)
      last = now
    }
    return gaps.sort((a, b) => a - b)
  }, count)

/**
 * From stopping a run of draws to the page being free of it; and the longest the page was held while rigs
 * were brought through.
 */
async function coverFigures(browser, url) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  await page.goto(`${url}/cover`)
  await page.waitForSelector('tbody tr')
  const figures = await page.evaluate(async () => {
    let longest = 0
    let last = performance.now()
    const watch = setInterval(() => {
      longest = Math.max(longest, performance.now() - last)
      last = performance.now()
    }, 5)
    const again = [...document.querySelectorAll('.strip button')].find(b =>
      b.textContent.includes('Another cast'),
    )
    again.click()
    const showing = () => document.querySelector('.strip [role=status] button')
    for (let i = 0; i < 200 && !showing(); i++) await new Promise(resolve => setTimeout(resolve, 1))
    if (!showing()) throw new Error('coverFigures: nothing was under way to be stopped')
    const begun = performance.now()
    showing().click()
    while (document.querySelector('.strip [role=status]'))
      await new Promise(resolve => setTimeout(resolve, 1))
    const ended = performance.now() - begun
    clearInterval(watch)
    return { ended, longest }
  })
  await page.close()
  return { 'snag.cancel.ms': figures.ended, 'snag.pageHeld.ms': figures.longest }
}

const ENTRIES = 100_000
const AT_ONCE = 2000
const PER_SESSION = 250
const KINDS = ['cast', 'cast', 'cast', 'cast', 'bump', 'bite', 'hooked', 'landed', 'snag', 'freed']

/**
 * A hundred thousand entries in the log; then the slowest of what any page asks the server for, the middle of
 * five times.
 */
async function logFigures(url) {
  const session = n => `aaaaaaaa-aaaa-4aaa-8aaa-${String(n).padStart(12, '0')}`
  for (let from = 0; from < ENTRIES; from += AT_ONCE) {
    const entries = Array.from({ length: AT_ONCE }, (_, i) => {
      const n = from + i
      const s = Math.floor(n / PER_SESSION)
      return {
        id: `bbbbbbbb-bbbb-4bbb-8bbb-${String(n).padStart(12, '0')}`,
        session: session(s),
        at: new Date(Date.UTC(2024, 0, 1) + 86_400_000 * s + 20_000 * (n % PER_SESSION)).toISOString(),
        kind: KINDS[n % KINDS.length],
        rod: 'A',
        rigKey: `slimShad ${60 + 5 * (s % 12)} plain|W1|4/0|skin`,
        placeKey: ['thickWeed/shell', 'open/sand', 'wood/mud'][s % 3],
      }
    })
    const response = await fetch(`${url}/api/log/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
    })
    if (!response.ok) throw new Error(`the log refused: ${response.status} ${await response.text()}`)
  }
  const asked = [
    'spreads',
    'box',
    'documents/spot',
    'documents/trip',
    'instruments',
    'log/evidence',
    'log/sessions?limit=20',
    `log/sessions?limit=20&offset=${ENTRIES / PER_SESSION - 20}`,
    `log/${session(7)}/entries?limit=500`,
  ]
  const middles = []
  for (const path of asked) {
    const times = []
    for (let i = 0; i < 5; i++) {
      const begun = performance.now()
      await (await fetch(`${url}/api/${path}`)).json()
      times.push(performance.now() - begun)
    }
    middles.push(times.sort((a, b) => a - b)[2])
  }
  return { 'log.page100k.ms': Math.max(...middles) }
}
