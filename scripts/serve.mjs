import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

/** The first free port from `first` on, on this machine alone. */
export async function freePort(first) {
  for (let port = first; port < first + 200; port++) {
    const free = await new Promise(resolve => {
      const probe = createServer()
      probe.once('error', () => resolve(false))
      probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
    })
    if (free) return port
  }
  throw new Error(`No free port from ${first} on.`)
}

/**
 * How long a start may take, ms: a large folder that was cut off in the middle of writing comes back slowly.
 */
const PATIENCE_MS = 180_000
/** How long a server that is given up may take to end by itself, ms. */
const END_MS = 10_000

/**
 * Starts the built server and waits until it answers. One that does not is ended before this fails, so that
 * nobody is left holding the data folder; and one whose starter dies ends by itself, as the line between the
 * two breaks.
 * @returns the address and the process
 */
export async function startServer({
  port,
  folder,
  demo,
  stdio = 'inherit',
  patienceMs = PATIENCE_MS,
  env: more = {},
}) {
  const env = {
    ...process.env,
    ...more,
    NODE_ENV: 'production',
    PORT: String(port),
    DUNECREST_DATA: folder,
    ...(demo ? { DUNECREST_DEMO: '1' } : {}),
  }
  const child = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
    cwd: ROOT,
    env,
    stdio: [stdio, stdio, stdio, 'ipc'],
  })
  const url = `http://127.0.0.1:${port}`
  let waiting = true
  const ended = new Promise((_, reject) =>
    child.once('exit', code => reject(new Error(`The server ended with code ${code}.`))),
  )
  ended.catch(() => undefined)
  const answers = (async () => {
    const until = performance.now() + patienceMs
    while (waiting && performance.now() < until) {
      const response = await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(5000) }).catch(
        () => undefined,
      )
      if (response?.ok) return
      await new Promise(resolve => setTimeout(resolve, 100))
    }
    throw new Error('The server did not answer in time.')
  })()
  try {
    await Promise.race([answers, ended])
  } catch (error) {
    waiting = false
    await end(child)
    throw error
  }
  return { url, child }
}

/** Ends a process: by asking, and where that does nothing, at once. */
async function end(child) {
  if (child.exitCode !== null || child.signalCode !== null) return
  const gone = new Promise(resolve => child.once('exit', resolve))
  child.kill('SIGTERM')
  const timer = setTimeout(() => child.kill('SIGKILL'), END_MS)
  await gone
  clearTimeout(timer)
}
