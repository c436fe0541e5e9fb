import { afterAll, beforeAll } from 'vitest'
import type { ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startServer } from '../../scripts/serve.mjs'
import type { SpreadContent } from '#schemas/spread'
import { DEMO_SPREADS } from '../../demo/spreads'

export const content = (): SpreadContent => structuredClone(DEMO_SPREADS[2]!.content)

export interface Running { readonly url: string, readonly folder: string, readonly child: ChildProcess, stop: (signal?: NodeJS.Signals) => Promise<void> }

let nextPort = 4400 + 20 * Number(process.env.VITEST_POOL_ID ?? 0)

/** A folder of its own for one test, and how to clear it away. */
export function dataFolder(): { readonly path: string, readonly clear: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-test-'))
  return { path: join(folder, 'data'), clear: () => rmSync(folder, { recursive: true, force: true }) }
}

/** The built server on a data folder. */
export async function runServer(folder: string): Promise<Running> {
  const port = await freePort(nextPort)
  nextPort = port + 1
  const { url, child } = await startServer({ port, folder, demo: false, stdio: 'ignore' })
  return {
    url, folder, child,
    stop: async (signal = 'SIGTERM') => {
      if (child.exitCode !== null || child.signalCode !== null) return
      const gone = new Promise(resolve => child.once('exit', resolve))
      child.kill(signal)
      await gone
    },
  }
}

/** One server for all tests of a file, on a folder of its own, stopped and cleared away after them. */
export function ownServer(): { readonly now: Running, again: (signal?: NodeJS.Signals) => Promise<void> } {
  const data = dataFolder()
  let running: Running
  beforeAll(async () => void (running = await runServer(data.path)))
  afterAll(async () => {
    await running.stop()
    data.clear()
  })
  return {
    get now() {
      return running
    },
    again: async (signal) => {
      await running.stop(signal)
      running = await runServer(data.path)
    },
  }
}

export interface Answer { readonly status: number, readonly body: Record<string, unknown> & { data?: { fields?: { path: string, message: string }[] } } }

export async function call(url: string, method: string, body?: unknown): Promise<Answer> {
  const response = await fetch(url, {
    method, ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: typeof body === 'string' ? body : JSON.stringify(body) }),
  })
  const text = await response.text()
  return { status: response.status, body: text === '' ? {} : JSON.parse(text) as Answer['body'] }
}
