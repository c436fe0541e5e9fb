import { spawnSync } from 'node:child_process'
import { expect, it } from 'vitest'
import { fuzz } from './fuzz'
import { call, ownServer } from './support'

const server = ownServer()
const MB = 1024 * 1024
/** Memory of the server's process, bytes. */
const memoryNow = (): number =>
  1024 *
  Number(
    spawnSync('ps', ['-o', 'rss=', '-p', String(server.now.child.pid)], { encoding: 'utf8' }).stdout.trim(),
  )

it('whatever is asked, in five thousand requests by chance, is answered or refused: nothing breaks, hangs, or grows', async () => {
  const {
    failures,
    statuses,
    longestRefusal,
    memory: [atFirst, atLast],
    requests,
  } = await fuzz(server.now.url, { requests: 5000, seed: 20_26, clients: 8, memoryNow })
  expect(failures).toEqual([])
  expect(Object.values(statuses).reduce((a, b) => a + b, 0)).toBe(requests)
  // enough of it is taken, and enough refused, for the rest to mean anything
  expect(statuses[200]! + statuses[201]!).toBeGreaterThan(500)
  expect(statuses[422]).toBeGreaterThan(500)
  expect(longestRefusal).toBeLessThan(20_000)
  expect(atLast - atFirst).toBeLessThan(300 * MB)
  expect((await call(`${server.now.url}/api/health`, 'GET')).status).toBe(200)
  // what was taken can be kept and read back
  expect((await call(`${server.now.url}/api/backups`, 'POST')).status).toBe(201)
})
