import { build, installDependencies } from './prepare.mjs'
import { freePort, startServer } from './serve.mjs'

/** Installs and builds what is missing, starts the server, prints its address, and ends with it. */
export async function launch({ folder, demo, title }) {
  // what the program is told in words, the server hears by its environment
  if (process.argv.includes('--lan')) process.env.DUNECREST_LAN = '1'
  installDependencies()
  build()
  try {
    const port = await freePort(Number(process.env.PORT ?? 3000))
    const { url, child } = await startServer({ port, folder: process.env.DUNECREST_DATA ?? folder, demo })
    console.log(`\n  ${title} is at ${url}\n  Stop it with Ctrl-C.\n`)
    // asked to end, it ends the server first; were it killed itself, the server would see that and end
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => child.kill('SIGTERM'))
    child.on('exit', code => process.exit(code ?? 0))
  } catch (error) {
    console.error(error.message)
    process.exit(1)
  }
}
