import { mkdirSync, rmSync } from 'node:fs'
import { build } from '../../scripts/prepare.mjs'
import { freePort, startServer } from '../../scripts/serve.mjs'
import { MADE, madeFolder } from './support'

/**
 * The server tests run the application as it is shipped, so it must be built. Making a data folder takes a server most
 * of its start: one is made empty and one with the demo data, and what starts from nothing starts on a copy.
 */
export default async function setup(): Promise<void> {
  build()
  rmSync(MADE, { recursive: true, force: true })
  mkdirSync(MADE, { recursive: true })
  await Promise.all(
    [false, true].map(async demo => {
      const { child } = await startServer({
        port: await freePort(demo ? 4380 : 4390),
        folder: madeFolder(demo),
        demo,
        stdio: 'ignore',
      })
      const gone = new Promise(resolve => child.once('exit', resolve))
      child.kill('SIGTERM')
      await gone
    }),
  )
}
