import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync, statfsSync } from 'node:fs'
import { join } from 'node:path'
import type { LogEntry } from '#schemas/log'
import { DEMO_BOX } from '../../demo/box'
import { call, runServer, type Answer } from './support'

/**
 * A program of its own, run where it may mount a small disk that nobody else sees: fills the disk under a running server, and
 * tells as JSON what came of it.
 * Use: fullDisk.scenario.ts FOLDER
 */
const [folder] = process.argv.slice(2) as [string]
const disk = join(folder, 'disk')
const filler = join(disk, 'filler')
mkdirSync(disk)
execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=160m', 'tmpfs', disk])
const freeBytes = (): number => {
  const { bavail, bsize } = statfsSync(disk)
  return bavail * bsize
}
const fill = (leave: number): void => void execFileSync('fallocate', ['-l', String(freeBytes() - leave), filler])
const MB = 1024 * 1024

const server = await runServer(join(disk, 'data'))
const session = crypto.randomUUID()
const entry = (): LogEntry => ({ id: crypto.randomUUID(), session, at: new Date().toISOString(), kind: 'cast', rod: 'A', rigKey: 'stick|O1', placeKey: 'open/sand' })
const acknowledged: string[] = []
async function log(): Promise<Answer> {
  const e = entry()
  const answer = await call(`${server.url}/api/log/entries`, 'POST', { entries: [e] })
  if (answer.status === 200) acknowledged.push(e.id)
  return answer
}
const health = async (): Promise<number> => (await call(`${server.url}/api/health`, 'GET')).status
const loggedIds = async (): Promise<Set<string>> => {
  const { entries } = (await call(`${server.url}/api/log/${session}/entries?limit=500`, 'GET')).body as unknown as { entries: LogEntry[] }
  return new Set(entries.map(e => e.id))
}

for (let i = 0; i < 30; i++) await log()
// little is left: a write is refused before it is begun, reading goes on
fill(12 * MB)
const little = await log()
const readMeanwhile = (await loggedIds()).size
rmSync(filler)
const roomAgain = (await log()).status

// it goes in the middle of a large write, and the engine finds no room for its log
const items = Array.from({ length: 9000 }, (_, i) => ({ ...DEMO_BOX[i % DEMO_BOX.length]!, name: `spare ${i}`, notes: 'x'.repeat(490) }))
let caught: Answer | undefined
let tries = 0
while (caught?.status !== 507 && tries++ < 6) {
  const large = call(`${server.url}/api/box`, 'POST', { items })
  await new Promise(resolve => setTimeout(resolve, 250 + 150 * tries))
  fill(0)
  const alive = await health()
  const answer = await large
  caught = { status: answer.status, body: { ...answer.body, alive } }
  if (answer.status !== 507) rmSync(filler)
}
const healthFull = await health()
const refusedFull = (await log()).status
rmSync(filler, { force: true })
const statuses: number[] = []
for (let i = 0; i < 20; i++) statuses.push((await log()).status)
const ids = await loggedIds()
const lost = acknowledged.filter(id => !ids.has(id)).length
const halfWritten = ((await call(`${server.url}/api/box`, 'GET')).body.items as { name: string }[]).length % items.length

// full once more, and asked to end: it ends
fill(0)
void log().catch(() => undefined)
const begun = performance.now()
const ended = await Promise.race([server.stop('SIGTERM').then(() => true), new Promise<boolean>(resolve => setTimeout(() => resolve(false), 30_000))])
const endedS = (performance.now() - begun) / 1000
if (!ended) await server.stop('SIGKILL')
rmSync(filler)
const again = await runServer(join(disk, 'data'))
const { entries } = (await call(`${again.url}/api/log/${session}/entries?limit=500`, 'GET')).body as unknown as { entries: LogEntry[] }
const there = new Set(entries.map(e => e.id))
await again.stop()
console.log(JSON.stringify({
  little: { status: little.status, message: little.body.message }, readMeanwhile, roomAgain, tries,
  caught: caught && { status: caught.status, message: caught.body.message, alive: caught.body.alive },
  healthFull, refusedFull, recovered: statuses.at(-1), lost, halfWritten, ended, endedS, lostAfter: acknowledged.filter(id => !there.has(id)).length,
}))
process.exit(0)
