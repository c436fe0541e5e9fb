import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { build, ROOT } from '../scripts/prepare.mjs'
import { freePort, startServer } from '../scripts/serve.mjs'

const MADE = join(ROOT, 'test-results', 'made')
/** Where the folder lies that was made with the demo data, or without. */
export const madeFolder = (demo: boolean): string => join(MADE, demo ? 'demo' : 'empty')
/** Which build the folders were made by, laid down once both stand. */
const STAMP = join(MADE, 'build.sha256')
const BUILT = join(ROOT, '.cache', 'build.sha256')

/**
 * Makes data folders as the built server makes them on its first start, one empty and one with the demo data: that
 * takes a server most of its start, so what starts from nothing starts on a copy. Those of the same build stay.
 */
export default async function makeFolders(): Promise<void> {
  build()
  const built = readFileSync(BUILT, 'utf8')
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === built) return
  rmSync(MADE, { recursive: true, force: true })
  mkdirSync(MADE, { recursive: true })
  await Promise.all(
    [false, true].map(async demo => {
      const port = await freePort(demo ? 4380 : 4390)
      const { child } = await startServer({ port, folder: madeFolder(demo), demo, stdio: 'ignore' })
      const gone = new Promise(resolve => child.once('exit', resolve))
      child.kill('SIGTERM')
      await gone
    }),
  )
  writeFileSync(STAMP, built)
}

/** Puts a copy of a made folder where none was begun yet. */
export function begun(folder: string, demo: boolean): string {
  if (!existsSync(folder) && !existsSync(`${folder}.new`))
    cpSync(madeFolder(demo), folder, { recursive: true })
  return folder
}
