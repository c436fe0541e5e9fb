import { chromium } from '@playwright/test'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { BROWSER_FLAGS } from '../scripts/browser.mjs'
import { build, findBrowser } from '../scripts/prepare.mjs'
import { freePort, startServer } from '../scripts/serve.mjs'

/** Figures of the page: from a changed input to updated lanes, with three lanes, in the browser. */
export async function pageFigures() {
  build()
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-bench-'))
  const { url, child } = await startServer({ port: await freePort(4100), folder: join(folder, 'data'), demo: true, stdio: 'ignore' })
  const browser = await chromium.launch({ executablePath: findBrowser(), args: BROWSER_FLAGS })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })
    await page.goto(url)
    const measured = () => page.evaluate(() => performance.getEntriesByName('spread.change').map(entry => entry.duration))
    const change = async (value) => {
      const before = (await measured()).length
      await page.getByLabel('depth', { exact: true }).fill(value)
      await page.keyboard.press('Enter')
      await page.waitForFunction(n => performance.getEntriesByName('spread.change').length > n, before)
    }
    await page.waitForFunction(() => performance.getEntriesByName('spread.change').length > 0)
    for (let i = 0; i < 14; i++) await change(String(1.5 + 0.07 * i))
    const all = await measured()
    const warm = all.slice(4).sort((a, b) => a - b)
    return { 'spread.first.ms': all[0], 'spread.change.ms': warm[Math.floor(warm.length / 2)] }
  }
  finally {
    await browser.close()
    child.kill('SIGTERM')
    await new Promise(resolve => child.once('exit', resolve))
    rmSync(folder, { recursive: true, force: true })
  }
}
