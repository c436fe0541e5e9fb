/** A phone is some four times slower than the machine that this runs on. */
const SLOWED = 4
/** Depths asked about one after the other, m. */
const DEPTHS = ['2.1', '2.4', '2.7', '3.0', '3.3']

/**
 * Searches through the demo box: the first pick in a browser that never saw the application, on the next visit, and
 * after a change; the same on a slowed phone; and a plan, in waters never looked at and once they were.
 */
export async function searchFigures(browser, url) {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    reducedMotion: 'reduce',
  })
  try {
    const page = await context.newPage()
    await page.goto(`${url}/pick`)
    const first = await until(page, 'pick.early', 0)
    await until(page, 'pick.whole', 0)
    const changes = []
    for (const depth of DEPTHS) {
      const before = await page.evaluate(() => performance.getEntriesByName('pick.early').length)
      await page.getByLabel('depth', { exact: true }).fill(depth)
      const begun = await page.evaluate(() => performance.now())
      await page.keyboard.press('Enter')
      changes.push((await until(page, 'pick.early', before)) - begun)
    }
    // what was worked out is laid down once the last is answered whole and nothing more is asked
    await until(page, 'pick.whole', 1)
    await page.waitForTimeout(6000)
    await page.reload()
    const again = await until(page, 'pick.early', 0)
    const plan = await planned(page, url)
    await page.close()
    const phone = await context.newPage()
    await phone.setViewportSize({ width: 390, height: 844 })
    await (await context.newCDPSession(phone)).send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    await phone.goto(`${url}/pick`)
    const asked = await until(phone, 'pick.early', 0)
    // left open it would begin to work things out by itself, beside what is measured next
    await phone.close()
    return {
      'pick.fresh.ms': first,
      'pick.first.ms': again,
      'pick.change.ms': changes.sort((a, b) => a - b)[Math.floor(changes.length / 2)],
      'pick.phone.ms': asked,
      'plan.first.ms': plan,
      ...(await onAnother(browser, url)),
    }
  } finally {
    await context.close()
  }
}

/** So long a page is left alone until it has worked out the box for the waters of all spots, ms. */
const LEFT_ALONE_MS = 60_000

/**
 * On a device that never saw the application, where another has searched the same box: its first pick, and a plan
 * after it was left alone for a while.
 */
async function onAnother(browser, url) {
  const context = await browser.newContext({ reducedMotion: 'reduce' })
  try {
    const page = await context.newPage()
    await page.goto(`${url}/pick`)
    const taken = await until(page, 'pick.early', 0)
    await until(page, 'pick.whole', 0)
    await page.waitForTimeout(LEFT_ALONE_MS)
    return { 'pick.taken.ms': taken, 'plan.day.ms': await planned(page, url) }
  } finally {
    await context.close()
  }
}

/** How long a plan takes on a page that was just opened, ms. */
async function planned(page, url) {
  await page.goto(`${url}/rods`)
  await until(page, 'trip.whole', 0)
  return page.evaluate(() => performance.getEntriesByName('trip.whole')[0].duration)
}

/** When the page has told of something once more than `before`, by its own clock, ms. */
async function until(page, name, before) {
  await page.waitForFunction(([n, k]) => performance.getEntriesByName(n).length > k, [name, before], {
    timeout: 120_000,
  })
  return page.evaluate(
    ([n, k]) => {
      const { startTime, duration } = performance.getEntriesByName(n)[k]
      return startTime + duration
    },
    [name, before],
  )
}
