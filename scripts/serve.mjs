import { spawn } from 'node:child_process'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

/** The first free port from `first` on, on this machine alone. */
export async function freePort(first) {
  for (let port = first; port < first + 200; port++) {
    const free = await new Promise((resolve) => {
      const probe = createServer()
      probe.once('error', () => resolve(false))
      probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
    })
    if (free) return port
  }
  throw new Error(`No free port from ${first} on.`)
}

/**
 * Starts the built server and waits until it answers.
 * @returns the address and the process
 */
export async function startServer({ port, folder, demo, stdio = 'inherit' }) {
  const env = { ...process.env, NODE_ENV: 'production', HOST: '127.0.0.1', PORT: String(port), DUNECREST_DATA: folder, ...(demo ? { DUNECREST_DEMO: '1' } : {}) }
  const child = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], { cwd: ROOT, env, stdio })
  const url = `http://127.0.0.1:${port}`
  const ended = new Promise((_, reject) => child.once('exit', code => reject(new Error(`The server ended with code ${code}.`))))
  const answers = (async () => {
    for (let i = 0; i < 240; i++) {
      const response = await fetch(`${url}/api/health`).catch(() => undefined)
      if (response?.ok) return
      await new Promise(resolve => setTimeout(resolve, 250))
    }
    throw new Error('The server did not answer within a minute.')
  })()
  await Promise.race([answers, ended])
  ended.catch(() => undefined)
  return { url, child }
}
