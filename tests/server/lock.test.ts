import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { ROOT } from '../../scripts/prepare.mjs'
import { DataFolderInUse, lockFolder } from '../../server/db/lock'
import { dataFolders } from './support'

const { fresh, clear } = dataFolders()
const children: ChildProcess[] = []
afterEach(async () => {
  await Promise.all(children.splice(0).map(end))
  clear()
})
async function end(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return
  const gone = new Promise(resolve => child.once('exit', resolve))
  child.kill('SIGKILL')
  await gone
}

/**
 * A program that takes the lock as the application does, says whether it has it, and holds it until it is
 * ended.
 */
const TAKER = `
  import { lockFolder } from ${JSON.stringify(join(ROOT, 'server', 'db', 'lock.ts'))}
  try { lockFolder(process.argv[1]); console.log('held'); setInterval(() => {}, 1000) } catch (error) { console.log(error.message) }`
const command = (folder: string): string[] => [
  process.execPath,
  '--import',
  'tsx',
  '--input-type=module',
  '--eval',
  TAKER,
  folder,
]

/**
 * Starts a taker, by way of another command where one is given.
 * @returns the process, and the first thing it says
 */
function take(
  folder: string,
  through: readonly string[] = [],
): { readonly child: ChildProcess; readonly said: Promise<string> } {
  const [program, ...rest] = [...through, ...command(folder)] as [string, ...string[]]
  const child = spawn(program, rest, { cwd: ROOT, stdio: ['ignore', 'pipe', 'inherit'] })
  children.push(child)
  return {
    child,
    said: new Promise(resolve => child.stdout.once('data', (text: Buffer) => resolve(String(text).trim()))),
  }
}

describe('the lock beside a data folder', () => {
  it('is held once in one process, and again after it was given back', () => {
    const path = fresh()
    const unlock = lockFolder(path)
    expect(readFileSync(`${path}.lock`, 'utf8')).toBe(`process ${process.pid}\n`)
    expect(() => lockFolder(path)).toThrow(DataFolderInUse)
    unlock()
    unlock()
    lockFolder(path)()
  })
  it('refuses another process while this one holds it, by name and number', async () => {
    const path = fresh()
    const unlock = lockFolder(path)
    expect(await take(path).said).toBe(
      `The data folder ${path} is in use by another Dunecrest (process ${process.pid}). Stop that one, or set DUNECREST_DATA to another folder.`,
    )
    unlock()
  })
  it('ends with the process that held it, however that ends', async () => {
    const path = fresh()
    const first = take(path)
    expect(await first.said).toBe('held')
    expect(() => lockFolder(path)).toThrow(DataFolderInUse)
    await end(first.child)
    lockFolder(path)()
    expect(existsSync(`${path}.lock`)).toBe(true)
  })
  it.each([
    ['nothing', ''],
    ['nonsense', 'nonsense'],
    ['the number of a process that lives', String(process.ppid)],
  ])('is taken where %s stands in its file and nobody holds it', (_, text) => {
    const path = fresh()
    writeFileSync(`${path}.lock`, text)
    lockFolder(path)()
  })
  it('of several that come at once over one that was left behind, one has it', async () => {
    for (let round = 0; round < 3; round++) {
      const path = fresh()
      writeFileSync(`${path}.lock`, '99999999')
      const said = await Promise.all([take(path), take(path), take(path), take(path)].map(t => t.said))
      expect(said.filter(s => s === 'held')).toHaveLength(1)
    }
  })
  it('holds across namespaces of processes, where their numbers say nothing', async () => {
    const path = fresh()
    // both are process 1 or 2 where they are
    const apart = ['unshare', '--map-root-user', '--pid', '--fork', '--kill-child', '--']
    const first = take(path, apart)
    expect(await first.said).toBe('held')
    expect(await take(path, apart).said).toContain('is in use by another Dunecrest')
  })
})
