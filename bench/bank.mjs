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

/**
 * Bank mode on a slowed phone without a connection: from asking for it to its first keys, in a browser that has just
 * been started, the middle of five; and twelve taps one after the other.
 */
export async function bankFigures(browser, url) {
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
    const times = []
    for (let i = 0; i < 5; i++) times.push(await opened(context, url))
    return {
      'bank.open.ms': times.sort((a, b) => a - b)[2],
      'bank.session12.ms': await session(context, url),
    }
  } finally {
    await context.close()
  }
}

async function slowed(context) {
  const page = await context.newPage()
  const devtools = await context.newCDPSession(page)
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  return page
}

/**
 * From asking for bank mode to the key that begins a session, by the page's own clock, ms. The page watches for it
 * itself: looking into it from outside would hold it up.
 */
async function opened(context, url) {
  const page = await slowed(context)
  await page.addInitScript(() => {
    const watch = new MutationObserver(() => {
      const there = [...document.querySelectorAll('button')].some(b =>
        b.textContent.includes('With the rigs'),
      )
      if (!there) return
      watch.disconnect()
      requestAnimationFrame(() => performance.mark('begins'))
    })
    watch.observe(document, { childList: true, subtree: true })
  })
  await page.goto(`${url}/bank`, { waitUntil: 'commit' })
  for (;;) {
    await new Promise(resolve => setTimeout(resolve, 500))
    const [mark] = await page.evaluate(() => performance.getEntriesByName('begins').map(e => e.startTime))
    if (mark === undefined) continue
    await page.close()
    return mark
  }
}

/** Twelve taps of a session, each as soon as what is tapped is there, ms. */
async function session(context, url) {
  const page = await slowed(context)
  await page.goto(`${url}/bank`)
  await page.getByRole('button', { name: 'With the rigs on the sheet' }).click()
  await page.getByRole('button', { name: /^Cast/ }).waitFor()
  const begun = await page.evaluate(() => performance.now())
  for (const name of TAPS) await page.getByRole('button', { name, exact: typeof name === 'string' }).click()
  await page.getByRole('heading', { name: 'Begin a session' }).waitFor()
  const took = (await page.evaluate(() => performance.now())) - begun
  await page.close()
  return took
}
