import { execFileSync, spawnSync } from 'node:child_process'
import { mkdirSync, rmSync, statfsSync } from 'node:fs'
import { join } from 'node:path'
import type { LogEntry } from '#schemas/log'
import { DEMO_BOX } from '../../demo/box'
import { pathToFileURL } from 'node:url'
import { ROOT } from '../../scripts/prepare.mjs'
import { RemoteEngine } from '../../server/db/remoteEngine'
import { call, runServer, type Answer } from './support'

/**
 * A program of its own, run where it may mount a small disk that nobody else sees: fills the disk under a
 * running server, and tells as JSON what came of it. Use: fullDisk.scenario.ts FOLDER
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
const MB = 1024 * 1024
/**
 * Takes all room but so much; the server may take some of it at the same moment, so it is tried until it is
 * done.
 */
function fill(leave: number): void {
  for (let spare = 0; ; spare += 0.25 * MB) {
    const size = Math.floor(freeBytes() - leave - spare)
    if (size <= 0 || spawnSync('fallocate', ['-l', String(size), filler]).status === 0) return
    rmSync(filler, { force: true })
  }
}

const server = await runServer(join(disk, 'data'))
const session = crypto.randomUUID()
const entry = (): LogEntry => ({
  id: crypto.randomUUID(),
  session,
  at: new Date().toISOString(),
  kind: 'cast',
  rod: 'A',
  rigKey: 'stick|O1',
  placeKey: 'open/sand',
})
const acknowledged: string[] = []
async function log(): Promise<Answer> {
  const e = entry()
  const answer = await call(`${server.url}/api/log/entries`, 'POST', { entries: [e] })
  if (answer.status === 200) acknowledged.push(e.id)
  return answer
}
const health = async (): Promise<number> => (await call(`${server.url}/api/health`, 'GET')).status
const loggedIds = async (): Promise<Set<string>> => {
  const { entries } = (await call(`${server.url}/api/log/${session}/entries?limit=500`, 'GET'))
    .body as unknown as { entries: LogEntry[] }
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
const items = Array.from({ length: 9000 }, (_, i) => ({
  ...DEMO_BOX[i % DEMO_BOX.length]!,
  name: `spare ${i}`,
  notes: 'x'.repeat(490),
}))
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
const halfWritten =
  ((await call(`${server.url}/api/box`, 'GET')).body.items as { name: string }[]).length % items.length

// full once more, and asked to end: it ends
fill(0)
void log().catch(() => undefined)
const begun = performance.now()
const ended = await Promise.race([
  server.stop('SIGTERM').then(() => true),
  new Promise<boolean>(resolve => setTimeout(() => resolve(false), 30_000)),
])
const endedS = (performance.now() - begun) / 1000
if (!ended) await server.stop('SIGKILL')
rmSync(filler)
const again = await runServer(join(disk, 'data'))
const { entries } = (await call(`${again.url}/api/log/${session}/entries?limit=500`, 'GET'))
  .body as unknown as { entries: LogEntry[] }
const there = new Set(entries.map(e => e.id))
await again.stop()
// the engine alone, made to begin a new segment of its log where there is no room for one: it would spin for
// ever
rmSync(join(disk, 'data'), { recursive: true })
const engine = await RemoteEngine.open(
  pathToFileURL(join(ROOT, '.output', 'server', 'engineThread.mjs')),
  join(disk, 'other'),
)
await engine.exec('create table kept (n int primary key); insert into kept select generate_series(1, 100)')
fill(4 * MB)
const spinning = performance.now()
let ending = ''
for (let i = 0; i < 40 && ending === ''; i++) {
  await engine
    .query('insert into kept values ($1)', [1000 + i])
    .then(() => engine.query('select pg_switch_wal()'))
    .catch(
      (error: Error) =>
        void (ending = `${error.name} ${(error as { code?: string }).code ?? ''} ${error.message}`),
    )
}
const spunS = (performance.now() - spinning) / 1000
const meanwhile = await engine.query('select 1').then(
  () => 'answered',
  (error: Error) => error.name,
)
rmSync(filler)
const keptRows = (await engine.query('select count(*)::int as n from kept where n <= 100')).rows as {
  n: number
}[]
await engine.query('insert into kept values (5000)')
await engine.close()

console.log(
  JSON.stringify({
    segment: { ending, meanwhile, kept: keptRows[0]!.n, spunS },
    little: { status: little.status, message: little.body.message },
    readMeanwhile,
    roomAgain,
    tries,
    caught: caught && { status: caught.status, message: caught.body.message, alive: caught.body.alive },
    healthFull,
    refusedFull,
    recovered: statuses.at(-1),
    lost,
    halfWritten,
    ended,
    endedS,
    lostAfter: acknowledged.filter(id => !there.has(id)).length,
  }),
)
process.exit(0)
