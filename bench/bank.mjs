import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startServer } from '../scripts/serve.mjs'
import { bareBrowser } from './bare.mjs'

/** A phone is some four times slower than the machine that this runs on. */
const SLOWED = 4
/** A short session: three casts with what came of them, one rod for another, ended. */
const TAPS = [
  /^Cast/,
  /^Touch only/,
  /^Cast/,
  /^Bite/,
  /^Hooked/,
  /^Landed/,
  /^B /,
  /^Cast/,
  /^Snag/,
  'Freed',
  'End',
  'End it',
]

/** How often a page is looked into, ms: looking holds it up. */
const LOOK_MS = 500

/** Bank mode on a slowed phone without a connection: how long it takes to open, and twelve taps one after the other. */
export async function bankFigures(browser, url) {
  return { 'bank.open.ms': await opening(), 'bank.session12.ms': await session(browser, url) }
}

/**
 * From asking for bank mode to the key that begins a session, by the page's own clock: in a browser that was just
 * started, its server gone, the middle of five, ms.
 */
async function opening() {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-bench-'))
  const profile = join(folder, 'profile')
  const { url, child } = await startServer({
    port: await freePort(4140),
    folder: join(folder, 'data'),
    demo: true,
    stdio: 'ignore',
  })
  try {
    await takenAlong(profile, `${url}/bank`)
    await ended(child)
    const times = []
    for (let i = 0; i < 5; i++) times.push(await opened(profile, `${url}/bank`))
    return times.sort((a, b) => a - b)[2]
  } finally {
    await ended(child)
    rmSync(folder, { recursive: true, force: true })
  }
}

/** The application laid down in a profile, at home. */
async function takenAlong(profile, address) {
  const browser = bareBrowser(profile)
  const page = await browser.open()
  await page.send('Page.navigate', { url: address })
  await until(() => page.value('navigator.serviceWorker.getRegistration().then(r => !!r?.active)'))
  await page.send('Page.reload')
  await until(() => page.value('!!navigator.serviceWorker.controller && !!document.querySelector("button")'))
  await browser.close()
}

/** The page watches for the key itself. */
const WATCH = `{
  const watch = new MutationObserver(() => {
    if (![...document.querySelectorAll('button')].some(b => b.textContent.includes('With the rigs'))) return
    watch.disconnect()
    requestAnimationFrame(() => performance.mark('begins'))
  })
  watch.observe(document, { childList: true, subtree: true })
}`

async function opened(profile, address) {
  const browser = bareBrowser(profile)
  const page = await browser.open()
  await page.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  await page.send('Page.enable')
  await page.send('Page.addScriptToEvaluateOnNewDocument', { source: WATCH })
  await page.send('Page.navigate', { url: address })
  const at = await until(() => page.value(`performance.getEntriesByName('begins')[0]?.startTime`))
  await browser.close()
  return at
}

/** Asks again and again until there is an answer. */
async function until(ask) {
  for (let n = 0; n < 120; n++) {
    await new Promise(resolve => setTimeout(resolve, LOOK_MS))
    const answer = await ask()
    if (answer) return answer
  }
  throw new Error('What was waited for did not come.')
}

async function ended(child) {
  if (child.exitCode !== null || child.signalCode !== null) return
  child.kill('SIGTERM')
  await new Promise(resolve => child.once('exit', resolve))
}

/** Twelve taps of a session, each as soon as what is tapped is there, ms. */
async function session(browser, url) {
  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    hasTouch: true,
    reducedMotion: 'reduce',
    serviceWorkers: 'allow',
  })
  try {
    const home = await context.newPage()
    await home.goto(`${url}/bank`)
    await home.evaluate(async () => (await navigator.serviceWorker.ready).active?.state)
    await home.waitForFunction(() => navigator.serviceWorker.controller !== null || location.reload())
    await home.getByRole('button', { name: 'With the rigs on the sheet' }).waitFor()
    await home.close()
    await context.setOffline(true)
    return await tapped(await context.newPage(), url)
  } finally {
    await context.close()
  }
}

async function tapped(page, url) {
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  await page.goto(`${url}/bank`)
  await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
  await page.getByRole('button', { name: /^Cast/ }).waitFor()
  const begun = await page.evaluate(() => performance.now())
  for (const name of TAPS) await page.getByRole('button', { name, exact: typeof name === 'string' }).click()
  await page.getByRole('heading', { name: 'Begin a session' }).waitFor()
  const took = (await page.evaluate(() => performance.now())) - begun
  return took
}
