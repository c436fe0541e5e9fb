import { spawn } from 'node:child_process'
import { existsSync, mkdirSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { ROOT } from '../../scripts/prepare.mjs'
import { freePort, startServer } from '../../scripts/serve.mjs'
import { lockFolder } from '../../server/db/lock'
import { begun } from '../made'
import { call, content, dataFolders, runServer, type Running } from './support'

const { fresh, clear } = dataFolders()
const servers: Running[] = []
const serve = async (path: string): Promise<Running> => {
  const server = await runServer(path)
  servers.push(server)
  return server
}
afterEach(async () => {
  for (const server of servers.splice(0)) await server.stop('SIGKILL')
  clear()
})

describe('the data folder', () => {
  it('loses nothing acknowledged when it is killed ten times in the middle of a thousand writes', async () => {
    const path = fresh()
    const spreads = new Set<string>()
    const taps = new Set<string>()
    const session = crypto.randomUUID()
    for (let round = 0; round < 10; round++) {
      const server = await serve(path)
      let sent = 0
      const writeSpreads = async (): Promise<void> => {
        while (sent++ < 1000) {
          const answer = await call(`${server.url}/api/spreads`, 'POST', {
            name: `round ${round} number ${sent}`,
            content: content(),
          }).catch(() => undefined)
          if (answer?.status !== 201) return
          spreads.add(answer.body.id as string)
        }
      }
      const tap = async (): Promise<void> => {
        while (sent++ < 1000) {
          const id = crypto.randomUUID()
          const answer = await call(`${server.url}/api/log/entries`, 'POST', {
            entries: [
              {
                id,
                session,
                at: new Date().toISOString(),
                kind: 'cast',
                rigKey: 'stick|O1',
                placeKey: 'open/sand',
              },
            ],
          }).catch(() => undefined)
          if (answer?.status !== 200) return
          taps.add(id)
        }
      }
      const writers = [writeSpreads(), writeSpreads(), tap(), tap(), tap()]
      // killed once so many more are acknowledged, however fast the machine is: the writers are then in the
      // middle of the next
      for (const enough = taps.size + 10 + 3 * round; taps.size < enough;)
        await new Promise(resolve => setTimeout(resolve, 5))
      await server.stop('SIGKILL')
      await Promise.all(writers)
    }
    const server = await serve(path)
    const kept = (await call(`${server.url}/api/spreads`, 'GET')).body.spreads as { id: string }[]
    const keptSpreads = new Set(kept.map(s => s.id))
    expect(spreads.size).toBeGreaterThan(30)
    expect([...spreads].filter(id => !keptSpreads.has(id))).toEqual([])
    const keptTaps = new Set<string>()
    for (let offset = 0; ; offset += 500) {
      const { entries } = (
        await call(`${server.url}/api/log/${session}/entries?limit=500&offset=${offset}`, 'GET')
      ).body as unknown as { entries: { id: string }[] }
      for (const { id } of entries) keptTaps.add(id)
      if (entries.length < 500) break
    }
    expect(taps.size).toBeGreaterThan(200)
    expect([...taps].filter(id => !keptTaps.has(id))).toEqual([])
    const { tallies } = (await call(`${server.url}/api/log/evidence`, 'GET')).body as unknown as {
      tallies: { counts: { cast: number } }[]
    }
    expect(tallies[0]!.counts.cast).toBe(keptTaps.size)
  })

  it('is refused to a second process, which says so and ends', async () => {
    const path = fresh()
    const first = await serve(path)
    const env = { ...process.env, NODE_ENV: 'production', PORT: '0', DUNECREST_DATA: path }
    const second = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
      env,
      stdio: ['ignore', 'ignore', 'pipe'],
    })
    let said = ''
    second.stderr.on('data', (chunk: Buffer) => void (said += String(chunk)))
    const code = await new Promise(resolve => second.once('exit', resolve))
    expect(code).toBe(1)
    expect(said).toContain(`in use by another Dunecrest (process ${first.child.pid})`)
    expect((await call(`${first.url}/api/health`, 'GET')).status).toBe(200)
  })

  it('is free again when a start is given up', async () => {
    const path = fresh()
    await expect(
      startServer({
        port: await freePort(4950),
        folder: path,
        demo: false,
        stdio: 'ignore',
        patienceMs: 300,
      }),
    ).rejects.toThrow('did not answer in time')
    mkdirSync(dirname(path), { recursive: true })
    lockFolder(path)()
  })

  it('is free again when whoever started the server dies in the middle of it', async () => {
    const path = begun(fresh(), false)
    const program = `import { startServer } from ${JSON.stringify(join(ROOT, 'scripts', 'serve.mjs'))}
      console.log('starting'); await startServer({ port: ${await freePort(4960)}, folder: ${JSON.stringify(path)}, demo: false, stdio: 'ignore' })`
    const starter = spawn(process.execPath, ['--input-type=module', '--eval', program], {
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    await new Promise(resolve => starter.stdout.once('data', resolve))
    await expect.poll(() => existsSync(`${path}.lock`), { timeout: 30_000 }).toBe(true)
    starter.kill('SIGKILL')
    const isFree = (): boolean => {
      try {
        lockFolder(path)()
        return true
      } catch {
        return false
      }
    }
    await expect.poll(isFree, { timeout: 30_000, interval: 200 }).toBe(true)
  })

  it('opens again where it was cut off while it was made for the first time', async () => {
    const path = fresh()
    const child = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
      env: { ...process.env, NODE_ENV: 'production', PORT: '0', DUNECREST_DATA: path },
      stdio: 'ignore',
    })
    await expect
      .poll(() => existsSync(join(`${path}.new`, 'base')) || existsSync(path), {
        timeout: 30_000,
        interval: 20,
      })
      .toBe(true)
    const gone = new Promise(resolve => child.once('exit', resolve))
    child.kill('SIGKILL')
    await gone
    const server = await serve(path)
    expect((await call(`${server.url}/api/spreads`, 'GET')).status).toBe(200)
    expect(existsSync(`${path}.new`)).toBe(false)
  })
})
