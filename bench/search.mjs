/** A phone is some four times slower than the machine that this runs on. */
const SLOWED = 4
/** Depths asked about one after the other, m. */
const DEPTHS = ['2.1', '2.4', '2.7', '3.0', '3.3']

/**
 * Searches through the demo box: the first pick in a browser that never saw the application, on the next visit, and
 * after a change; the same on a slowed phone; and a plan.
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
    await page.goto(`${url}/rods`)
    await until(page, 'trip.whole', 0)
    const plan = await page.evaluate(() => performance.getEntriesByName('trip.whole')[0].duration)
    await page.close()
    const phone = await context.newPage()
    await phone.setViewportSize({ width: 390, height: 844 })
    await (await context.newCDPSession(phone)).send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    await phone.goto(`${url}/pick`)
    const asked = await until(phone, 'pick.early', 0)
    return {
      'pick.fresh.ms': first,
      'pick.taken.ms': await onAnother(browser, url),
      'pick.first.ms': again,
      'pick.change.ms': changes.sort((a, b) => a - b)[Math.floor(changes.length / 2)],
      'pick.phone.ms': asked,
      'plan.day.ms': plan,
    }
  } finally {
    await context.close()
  }
}

/** A first pick on a device that never saw the application, where another has searched the same box. */
async function onAnother(browser, url) {
  const context = await browser.newContext({ reducedMotion: 'reduce' })
  try {
    const page = await context.newPage()
    await page.goto(`${url}/pick`)
    return await until(page, 'pick.early', 0)
  } finally {
    await context.close()
  }
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
