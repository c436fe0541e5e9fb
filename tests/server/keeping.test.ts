import { spawn } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { ROOT } from '../../scripts/prepare.mjs'
import { call, content, dataFolder, runServer, type Running } from './support'

const folders: ReturnType<typeof dataFolder>[] = []
const servers: Running[] = []
const fresh = (): string => {
  const folder = dataFolder()
  folders.push(folder)
  return folder.path
}
const serve = async (path: string): Promise<Running> => {
  const server = await runServer(path)
  servers.push(server)
  return server
}
afterEach(async () => {
  for (const server of servers.splice(0)) await server.stop('SIGKILL')
  for (const folder of folders.splice(0)) folder.clear()
})

describe('the data folder', () => {
  it('keeps all that was acknowledged when the server is killed in the middle of writing', async () => {
    const path = fresh()
    const acknowledged = new Set<string>()
    for (let round = 0; round < 3; round++) {
      const server = await serve(path)
      const writers = Array.from({ length: 4 }, async (_, w) => {
        for (let i = 0; ; i++) {
          const answer = await call(`${server.url}/api/spreads`, 'POST', { name: `round ${round} writer ${w} number ${i}`, content: content() }).catch(() => undefined)
          if (answer?.status !== 201) return
          acknowledged.add(answer.body.id as string)
        }
      })
      await new Promise(resolve => setTimeout(resolve, 1200))
      await server.stop('SIGKILL')
      await Promise.all(writers)
    }
    const server = await serve(path)
    const { body } = await call(`${server.url}/api/spreads`, 'GET')
    const found = new Set((body.spreads as { id: string }[]).map(s => s.id))
    expect(acknowledged.size).toBeGreaterThan(30)
    expect([...acknowledged].filter(id => !found.has(id))).toEqual([])
  }, 60_000)

  it('loses nothing acknowledged when it is killed ten times in the middle of a thousand writes to the log', async () => {
    const path = fresh()
    const acknowledged = new Set<string>()
    const session = crypto.randomUUID()
    for (let round = 0; round < 10; round++) {
      const server = await serve(path)
      let sent = 0
      const writers = Array.from({ length: 4 }, async () => {
        while (sent++ < 1000) {
          const id = crypto.randomUUID()
          const answer = await call(`${server.url}/api/log/entries`, 'POST', { entries: [{ id, session, at: new Date().toISOString(), kind: 'cast', rigKey: 'stick|O1', placeKey: 'open/sand' }] }).catch(() => undefined)
          if (answer?.status !== 200) return
          acknowledged.add(id)
        }
      })
      // killed once so many more are acknowledged, however fast the machine is: the writers are then in the middle of the next
      for (const enough = acknowledged.size + 10 + 3 * round; acknowledged.size < enough;) await new Promise(resolve => setTimeout(resolve, 5))
      await server.stop('SIGKILL')
      await Promise.all(writers)
    }
    const server = await serve(path)
    const found = new Set<string>()
    for (let offset = 0; ; offset += 500) {
      const { entries } = (await call(`${server.url}/api/log/${session}/entries?limit=500&offset=${offset}`, 'GET')).body as unknown as { entries: { id: string }[] }
      for (const { id } of entries) found.add(id)
      if (entries.length < 500) break
    }
    expect(acknowledged.size).toBeGreaterThan(200)
    expect([...acknowledged].filter(id => !found.has(id))).toEqual([])
    const { tallies } = (await call(`${server.url}/api/log/evidence`, 'GET')).body as unknown as { tallies: { counts: { cast: number } }[] }
    expect(tallies[0]!.counts.cast).toBe(found.size)
  }, 180_000)

  it('is refused to a second process, which says so and ends', async () => {
    const path = fresh()
    const first = await serve(path)
    const env = { ...process.env, NODE_ENV: 'production', HOST: '127.0.0.1', PORT: '0', DUNECREST_DATA: path }
    const second = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], { env, stdio: ['ignore', 'ignore', 'pipe'] })
    let said = ''
    second.stderr.on('data', (chunk: Buffer) => void (said += String(chunk)))
    const code = await new Promise(resolve => second.once('exit', resolve))
    expect(code).toBe(1)
    expect(said).toContain(`in use by another Dunecrest (process ${first.child.pid})`)
    expect((await call(`${first.url}/api/health`, 'GET')).status).toBe(200)
  })

  it('takes over a lock whose process is gone, and gives its own back on a normal end', async () => {
    const path = fresh()
    const gone = spawn(process.execPath, ['-e', ''])
    await new Promise(resolve => gone.once('exit', resolve))
    writeFileSync(`${path}.lock`, String(gone.pid))
    const server = await serve(path)
    expect(readFileSync(`${path}.lock`, 'utf8')).toBe(String(server.child.pid))
    await server.stop('SIGTERM')
    expect(existsSync(`${path}.lock`)).toBe(false)
  })
})
