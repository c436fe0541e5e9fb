import { afterAll, beforeAll } from 'vitest'
import type { ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { request } from 'node:http'
import { request as requestSecurely } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort, startServer } from '../../scripts/serve.mjs'
import type { SpreadContent } from '#schemas/spread'
import { DEMO_SPREADS } from '../../demo/spreads'
import { begun } from '../made'

export const content = (): SpreadContent => structuredClone(DEMO_SPREADS[2]!.content)

export interface Running {
  readonly url: string
  readonly folder: string
  readonly child: ChildProcess
  stop: (signal?: NodeJS.Signals) => Promise<void>
}

let nextPort = 4400 + 20 * Number(process.env.VITEST_POOL_ID ?? 0)

/** A folder of its own for one test, and how to clear it away. */
export function dataFolder(): { readonly path: string; readonly clear: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-test-'))
  return { path: join(folder, 'data'), clear: () => rmSync(folder, { recursive: true, force: true }) }
}

/** Folders of their own for the tests of a file, all cleared away together. */
export function dataFolders(): { readonly fresh: () => string; readonly clear: () => void } {
  const folders: ReturnType<typeof dataFolder>[] = []
  return {
    fresh() {
      const folder = dataFolder()
      folders.push(folder)
      return folder.path
    },
    clear() {
      for (const folder of folders.splice(0)) folder.clear()
    },
  }
}

/** The built server on a data folder; one that was not begun yet is a copy of one that was made before. */
export async function runServer(
  folder: string,
  demo = false,
  env: Readonly<Record<string, string>> = {},
): Promise<Running> {
  const port = await freePort(nextPort)
  nextPort = port + 1
  const { url, child } = await startServer({ port, folder: begun(folder, demo), demo, stdio: 'ignore', env })
  return {
    url,
    folder,
    child,
    stop: async (signal = 'SIGTERM') => {
      if (child.exitCode !== null || child.signalCode !== null) return
      const gone = new Promise(resolve => child.once('exit', resolve))
      child.kill(signal)
      await gone
    },
  }
}

/** One server for all tests of a file, on a folder of its own, stopped and cleared away after them. */
export function ownServer(demo = false): {
  readonly now: Running
  again: (signal?: NodeJS.Signals) => Promise<void>
} {
  const data = dataFolder()
  let running: Running
  beforeAll(async () => void (running = await runServer(data.path, demo)))
  afterAll(async () => {
    await running.stop()
    data.clear()
  })
  return {
    get now() {
      return running
    },
    again: async signal => {
      await running.stop(signal)
      running = await runServer(data.path, demo)
    },
  }
}

export interface Answer {
  readonly status: number
  readonly body: Record<string, unknown> & { data?: { fields?: { path: string; message: string }[] } }
}

/** Asks as a page of the application does: what changes something brings JSON. */
export async function call(url: string, method: string, body?: unknown): Promise<Answer> {
  const sends = body !== undefined || method === 'POST' || method === 'PUT'
  const response = await fetch(url, {
    method,
    ...(sends
      ? {
          headers: { 'content-type': 'application/json' },
          body: typeof body === 'string' ? body : JSON.stringify(body ?? {}),
        }
      : {}),
  })
  const text = await response.text()
  return { status: response.status, body: text === '' ? {} : (JSON.parse(text) as Answer['body']) }
}

/** Trusts an authority, whatever name is asked for: names are what some tests try. */
const trusting = (ca: string) => ({ ca, checkServerIdentity: () => undefined })

export interface RawAnswer {
  readonly status: number
  readonly headers: Readonly<Record<string, string | string[] | undefined>>
  readonly text: string
}

/** Asks with any headers at all, `Host` and `Origin` too, which `fetch` would set by itself. */
export function raw(
  url: string,
  method: string,
  headers: Readonly<Record<string, string>> = {},
  body?: string | Buffer,
  /** the authority that vouches for the other side, PEM */ ca?: string,
): Promise<RawAnswer> {
  return new Promise((resolve, reject) => {
    const framed =
      body === undefined ? headers : { 'content-length': String(Buffer.byteLength(body)), ...headers }
    const over = url.startsWith('https:') ? requestSecurely : request
    const asked = over(
      url,
      { method, headers: framed, agent: false, ...(ca ? trusting(ca) : {}) },
      response => {
        const pieces: Buffer[] = []
        response.on('data', (piece: Buffer) => void pieces.push(piece))
        response.on('end', () =>
          resolve({
            status: response.statusCode!,
            headers: response.headers,
            text: Buffer.concat(pieces).toString('utf8'),
          }),
        )
        response.on('error', reject)
      },
    )
    asked.on('error', reject)
    asked.end(body)
  })
}
