import { AxeBuilder } from '@axe-core/playwright'
import { test as base, expect, type BrowserContext, type Locator, type Page } from '@playwright/test'
import type { ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startServer } from '../../scripts/serve.mjs'
import { begun } from '../made'

/** A running application on a data folder of its own, with the demo data in it. */
export interface App {
  readonly url: string
  restart: (signal: NodeJS.Signals) => Promise<void>
}

async function stop(child: ChildProcess, signal: NodeJS.Signals): Promise<void> {
  const gone = new Promise(resolve => child.once('exit', resolve))
  child.kill(signal)
  await gone
}

/** What nobody asked for is not worked out beside a journey, which may stand longer than anglers do. */
export const NOT_AHEAD = (): void => localStorage.setItem('dunecrest.ahead', 'false')

/** Milliseconds by which workers and the server answer later, to find what a journey does not wait for. */
const LATE_MS = Number(process.env.LATE_MS ?? 0)

/** Lets what is asked of workers and of the server arrive later, in the order in which it was asked. */
async function late(context: BrowserContext): Promise<void> {
  await context.addInitScript(ms => {
    const [wait, send] = [globalThis.setTimeout.bind(globalThis), Worker.prototype.postMessage]
    Worker.prototype.postMessage = function (this: Worker, ...what: unknown[]) {
      wait(() => Reflect.apply(send, this, what), ms)
    }
  }, LATE_MS)
  await context.route('**/api/**', async route => {
    await new Promise(resolve => setTimeout(resolve, LATE_MS))
    await route.fallback()
  })
}

export const test = base.extend<{ sheet: Sheet }, { app: App }>({
  app: [
    async ({ playwright: _playwright }, use, info) => {
      const folder = mkdtempSync(join(tmpdir(), 'dunecrest-e2e-'))
      const options = {
        port: await freePort(4600 + 10 * info.workerIndex),
        folder: begun(join(folder, 'data'), true),
        demo: true,
        stdio: 'ignore' as const,
      }
      let { url, child } = await startServer(options)
      await use({
        url,
        restart: async signal => {
          await stop(child, signal)
          ;({ url, child } = await startServer(options))
        },
      })
      await stop(child, 'SIGTERM')
      rmSync(folder, { recursive: true, force: true })
    },
    { scope: 'worker' },
  ],
  context: async ({ context }, use) => {
    await context.addInitScript(NOT_AHEAD)
    if (LATE_MS > 0) await late(context)
    await use(context)
  },
  sheet: async ({ app, page }, use) => {
    await use(new Sheet(app, page))
  },
})
export { expect }

/**
 * For the journeys of a file the box holds one bait of each form and no more, so that looking through it takes half as
 * long: its other baits are taken out before them and come back after.
 */
export function fewerBaits(): void {
  let out: readonly string[] = []
  const post = (url: string, what: string): Promise<Response> =>
    fetch(`${url}/api/box/${what}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ids: out }),
    })
  test.beforeAll(async ({ app }) => {
    const { items } = (await (await fetch(`${app.url}/api/box`)).json()) as {
      items: { id: string; name: string; details: { kind: string; form: string } }[]
    }
    const baits = items
      .filter(({ details }) => details.kind === 'bait')
      .sort((a, b) => b.name.localeCompare(a.name))
    const seen = new Set<string>()
    out = baits.filter(({ details: { form } }) => seen.has(form) || !seen.add(form)).map(({ id }) => id)
    expect((await post(app.url, 'delete')).status).toBe(204)
  })
  test.afterAll(async ({ app }) => {
    expect((await post(app.url, 'restore')).status).toBe(200)
  })
}

/** Every view, and something on it that is there only once it has worked something out. */
export const VIEWS = [
  ['/', 'article', 'Rig A:'],
  ['/bench', 'region', 'Fit rules'],
  ['/tank', 'button', 'Export'],
  ['/cover', 'img', /./],
  ['/strike', 'region', 'This bite'],
  ['/pick', 'region', 'Tie this on'],
  ['/rods', 'article', 'Rod A'],
  ['/log', 'region', 'Tally'],
  ['/box', 'button', /^everything/],
  ['/bank', 'button', 'With the rigs on the sheet'],
  ['/trace', 'heading', /./],
] as const

/** Goes to another view by its link, as a person does; what is loaded stays. */
export const follow = (page: Page, view: string): Promise<void> =>
  page.getByRole('navigation', { name: 'Views' }).getByRole('link', { name: view, exact: true }).click()

/** The sheet as a person sees it. */
export class Sheet {
  constructor(
    readonly app: App,
    readonly page: Page,
  ) {}

  async open(path = '/'): Promise<void> {
    await this.page.goto(this.app.url + path)
    await this.settled()
  }

  /** Waits until every lane shows the figures of what is on the sheet. */
  async settled(): Promise<void> {
    // a log that is seen for the first time takes a busy machine a while
    await expect(this.verdict.locator('.first')).not.toHaveText(/Working out/)
    await expect(this.verdict).toHaveAttribute('aria-busy', 'false')
  }

  /**
   * Presses one button and, exactly so long after by the page's clock, another: however busy the machine is.
   * Needs `page.clock.install()`.
   */
  async timed(first: Locator, ms: number, second: Locator): Promise<void> {
    const { clock } = this.page
    await clock.pauseAt(await this.page.evaluate(() => Date.now() + 5000))
    await first.click()
    await clock.runFor(ms)
    await second.click()
    await clock.resume()
  }

  /** Puts the page into a theme, as the settings do. */
  wear(theme: 'day' | 'dusk' | 'glare'): Promise<void> {
    return this.page.evaluate(to => {
      document.documentElement.dataset.theme = to
      document.documentElement.classList.toggle('dark', to === 'dusk')
    }, theme)
  }

  /** Lets things move from here on, and waits until the page knows it. */
  async moving(): Promise<void> {
    await this.page.emulateMedia({ reducedMotion: 'no-preference' })
    await this.page.waitForFunction(
      () =>
        new Promise<boolean>(resolve =>
          requestAnimationFrame(() =>
            requestAnimationFrame(() => resolve(!matchMedia('(prefers-reduced-motion: reduce)').matches)),
          ),
        ),
    )
  }

  /** Waits until the whole application is kept on the device. */
  async standsOnDevice(timeout = 60_000): Promise<void> {
    await expect
      .poll(() => this.page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state), {
        timeout,
      })
      .toBe('activated')
  }

  /** Nothing on the page stands in the way of those who cannot see or point. */
  async accessible(): Promise<void> {
    // a colour half way through its transition is nobody's contrast: none begins from here on, and those
    // under way end
    await this.page.emulateMedia({ reducedMotion: 'reduce' })
    // what is being worked out anew is dimmed, and not for reading
    await this.page.waitForFunction(() => !document.querySelector('.busy'))
    await this.page.waitForFunction(() =>
      document
        .getAnimations()
        .every(a => a.playState !== 'running' || a.effect?.getComputedTiming().endTime === Infinity),
    )
    // there are no frames to be looked into, nor is it told what passes: both take three times as long as the rest
    const { violations } = await new AxeBuilder({ page: this.page })
      .setLegacyMode()
      .options({ resultTypes: ['violations'] })
      .analyze()
    expect(violations.map(v => `${v.id}: ${v.nodes.map(n => n.target.join(' ')).join('; ')}`)).toEqual([])
  }

  get verdict() {
    return this.page.getByRole('region', { name: 'Verdict' })
  }
  lane(letter: string) {
    return this.page.getByRole('article', { name: `Rig ${letter}:` })
  }
  row(letter: string, name: string) {
    return this.lane(letter).locator('.row', { has: this.page.locator('.name', { hasText: name }) })
  }
  async figure(letter: string, name: string): Promise<number> {
    const text = await this.row(letter, name).locator('.number b').innerText()
    return Number(text.replace('−', '-').replace(/[^\d.-]/g, ''))
  }

  /** Types into a field and leaves it, as a person would. */
  async type(label: string, text: string): Promise<void> {
    const field = this.page.getByLabel(label, { exact: true })
    await field.fill(text)
    await field.press('Enter')
  }

  /** Moves a bar to a value by its keys. */
  async slide(bar: Locator, value: number): Promise<void> {
    const at = async (name: string): Promise<number> => Number(await bar.getAttribute(name))
    await bar.focus()
    await bar.press('Home')
    await bar.press('ArrowRight')
    const least = await at('aria-valuemin')
    const step = (await at('aria-valuenow')) - least
    await bar.press('Home')
    const steps = Math.round((value - least) / step)
    for (let n = 0; n < Math.floor(steps / 10); n++) await bar.press('Shift+ArrowRight')
    for (let n = 0; n < steps % 10; n++) await bar.press('ArrowRight')
    await expect.poll(() => at('aria-valuenow')).toBeCloseTo(value, 3)
  }

  async choose(label: string, option: string | RegExp): Promise<void> {
    await this.page.getByLabel(label, { exact: true }).first().click()
    await this.page.getByRole('option', { name: option, exact: true }).click()
  }
}
