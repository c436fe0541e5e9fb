import { createReadStream, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomBytes } from 'node:crypto'
import { Worker } from 'node:worker_threads'
import type { BackupRecord, KeptBackup } from '#schemas/backup'
import { DEMO_BOX } from '../demo/box'
import { ROOT } from '../scripts/prepare.mjs'
import { freePort, startServer } from '../scripts/serve.mjs'
import { writeBackup } from '../server/services/backupFile'
import { fuzz } from '../tests/server/fuzz'
import { recordWrites, tryCuts } from '../tests/server/powerCutTrial'
import { seeded } from '../tests/server/random'

/**
 * Figures of keeping: what a power cut loses, what a fuzzer breaks, how fast single entries go in, and how
 * long anybody waits while a large backup is made and put back. Prints one JSON object; run as a program of
 * its own.
 */
const PLACES = 200
const REQUESTS = 20_000
const ENTRIES = 1000
const CLIENTS = 4
/** Things with photographs, and entries of the log: about 200 MB as JSON. */
const PICTURES = 1000
const PICTURE_BYTES = 138_000
const LOGGED = 60_000

const migrations = join(ROOT, 'server', 'db', 'migrations')
async function powerFigures(): Promise<Record<string, number>> {
  const outcomes = []
  for (const checkpoint of [true, false]) {
    const trial = await recordWrites(migrations, 120, checkpoint)
    outcomes.push(...(await tryCuts(trial, PLACES, seeded(checkpoint ? 11 : 12))))
    trial.clear()
  }
  for (const { why } of outcomes) if (why) console.error(`power: ${why}`)
  return {
    'power.cuts': outcomes.length,
    'power.lost': outcomes.reduce((sum, o) => sum + o.lost, 0),
    'power.unusable': outcomes.filter(o => !o.usable).length,
  }
}

const memoryOf = (pid: number): number =>
  1024 * Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1])
const post = async (url: string, body: object): Promise<Response> =>
  fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })

/** Single entries by several clients, each acknowledged before the next is sent. */
async function entryFigures(url: string): Promise<Record<string, number>> {
  const session = crypto.randomUUID()
  let sent = 0
  const begun = performance.now()
  await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      while (sent++ < ENTRIES) {
        const entry = {
          id: crypto.randomUUID(),
          session,
          at: new Date().toISOString(),
          kind: 'cast',
          rod: 'A',
          rigKey: 'stick|O1',
          placeKey: 'open/sand',
        }
        const { status } = await post(`${url}/api/log/entries`, { entries: [entry] })
        if (status !== 200) throw new Error(`entryFigures: ${status}`)
      }
    }),
  )
  return { 'log.single.perS': (1000 * ENTRIES) / (performance.now() - begun) }
}

async function* largeContent(): AsyncGenerator<BackupRecord> {
  const stamped = (n: number) => ({
    id: `cccccccc-0000-4000-8000-${String(n).padStart(12, '0')}`,
    revision: 1,
    deleted: false,
  })
  for (let n = 0; n < PICTURES; n++) {
    const photo = `data:image/jpeg;base64,/9j/${randomBytes(PICTURE_BYTES).toString('base64').replaceAll('=', '')}`
    yield {
      section: 'items',
      record: { ...stamped(n), item: { ...DEMO_BOX[n % DEMO_BOX.length]!, name: `thing ${n}` }, photo },
    }
  }
  for (let n = 0; n < LOGGED; n++) {
    const session = `dddddddd-0000-4000-8000-${String(Math.floor(n / 200)).padStart(12, '0')}`
    const at = new Date(Date.UTC(2024, 0, 1) + 60_000 * n).toISOString()
    const entry = {
      id: stamped(n).id.replace('cccccccc', 'eeeeeeee'),
      session,
      at,
      kind: 'cast' as const,
      rod: 'A',
      rigKey: 'slimShad 90 plain|W1|4/0|skin',
      placeKey: 'open/sand',
      data: { text: 'over the edge of the bar, a little wind' },
    }
    yield { section: 'entries', record: { entry, voided: false, excluded: false } }
  }
}

/**
 * Asks for health again and again from a thread of its own, as nothing that this one does may be counted.
 * @returns ends it, and gives the times, ms
 */
function watchHealth(url: string): () => Promise<number[]> {
  const program = `const { parentPort, workerData } = require('node:worker_threads')
    const http = require('node:http'), agent = new http.Agent({ keepAlive: true }), times = []
    let on = true
    const ask = () => new Promise(done => { const begun = performance.now(); http.get(workerData, { agent }, r => { r.resume(); r.on('end', () => done(times.push(performance.now() - begun))) }).on('error', () => done(times.push(60000))) })
    ;(async () => { while (on) { await ask(); await new Promise(r => setTimeout(r, 20)) } parentPort.postMessage(times) })()
    parentPort.on('message', () => { on = false })`
  const worker = new Worker(program, { eval: true, workerData: `${url}/api/health` })
  return async () => {
    const times = new Promise<number[]>(resolve => worker.once('message', resolve))
    worker.postMessage('stop')
    const all = await times
    await worker.terminate()
    return all
  }
}

/** Sends a file piece by piece. */
function upload(url: string, path: string): Promise<KeptBackup> {
  return new Promise((resolve, reject) => {
    const asked = request(
      url,
      {
        method: 'POST',
        headers: { 'content-type': 'application/gzip', 'content-length': statSync(path).size },
      },
      response => {
        const pieces: Buffer[] = []
        response.on('data', (piece: Buffer) => void pieces.push(piece))
        response.on('end', () => {
          const text = Buffer.concat(pieces).toString('utf8')
          if (response.statusCode === 201) resolve(JSON.parse(text) as KeptBackup)
          else reject(new Error(`upload: ${response.statusCode} ${text.slice(0, 300)}`))
        })
      },
    )
    asked.on('error', reject)
    createReadStream(path).pipe(asked)
  })
}

async function backupFigures(url: string, pid: number, home: string): Promise<Record<string, number>> {
  const path = join(home, 'large.json.gz')
  const { bytes } = await writeBackup(path, () => new Date().toISOString(), largeContent())
  let most = 0
  const memory = setInterval(() => void (most = Math.max(most, memoryOf(pid))), 50)
  const ended = watchHealth(url)
  try {
    const took = await backupTimes(url, path)
    const times = (await ended()).sort((a, b) => a - b)
    return {
      'backup.size.MB': bytes / 1e6,
      ...took,
      'health.p95.ms': times[Math.floor(0.95 * times.length)]!,
      'health.worst.ms': times.at(-1)!,
      'server.memory.most.MB': most / 1e6,
    }
  } finally {
    clearInterval(memory)
  }
}

/** Brings a large backup, puts it back, keeps what is there then, and puts that back over as much. */
async function backupTimes(url: string, path: string): Promise<Record<string, number>> {
  const timed = async <T>(run: () => Promise<T>): Promise<[T, number]> => {
    const begun = performance.now()
    return [await run(), (performance.now() - begun) / 1000]
  }
  const restore = async (name: string): Promise<void> => {
    const response = await post(`${url}/api/backups/${name}/restore`, {})
    if (!response.ok) throw new Error(`restore: ${response.status} ${await response.text()}`)
  }
  const [brought, bringS] = await timed(() => upload(`${url}/api/backups/upload`, path))
  const [, restoreS] = await timed(() => restore(brought.name))
  const [kept, makeS] = await timed(
    async () => (await post(`${url}/api/backups`, {})).json() as Promise<KeptBackup>,
  )
  const [, againS] = await timed(() => restore(kept.name))
  return {
    'backup.bring.s': bringS,
    'backup.restore.s': restoreS,
    'backup.make.s': makeS,
    'backup.replace.s': againS,
  }
}

const home = mkdtempSync(join(tmpdir(), 'dunecrest-bench-'))
const power = await powerFigures()
const { url, child } = await startServer({
  port: await freePort(4150),
  folder: join(home, 'data'),
  demo: true,
  stdio: 'ignore',
})
try {
  const entries = await entryFigures(url)
  const { failures, statuses } = await fuzz(url, {
    requests: REQUESTS,
    seed: 1,
    clients: 8,
    memoryNow: () => memoryOf(child.pid!),
  })
  for (const { asked, status } of failures) console.error(`fuzz: ${status} ${asked.slice(0, 400)}`)
  const answered = Object.entries(statuses).reduce(
    (sum, [status, n]) => (Number(status) >= 500 ? sum + n : sum),
    0,
  )
  const large = await backupFigures(url, child.pid!, home)
  console.log(
    JSON.stringify({
      ...power,
      ...entries,
      ...large,
      'fuzz.requests': REQUESTS,
      'fuzz.5xx': answered,
      'fuzz.unanswered': statuses[0] ?? 0,
    }),
  )
} finally {
  child.kill('SIGTERM')
  await new Promise(resolve => child.once('exit', resolve))
  rmSync(home, { recursive: true, force: true })
}
process.exit(0)
