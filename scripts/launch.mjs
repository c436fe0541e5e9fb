import { build, installDependencies } from './prepare.mjs'
import { freePort, startServer } from './serve.mjs'

/** Installs and builds what is missing, starts the server, prints its address, and ends with it. */
export async function launch({ folder, demo, title }) {
  installDependencies()
  build()
  try {
    const port = await freePort(Number(process.env.PORT ?? 3000))
    const { url, child } = await startServer({ port, folder: process.env.DUNECREST_DATA ?? folder, demo })
    console.log(`\n  ${title} is at ${url}\n  Stop it with Ctrl-C.\n`)
    for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal))
    child.on('exit', code => process.exit(code ?? 0))
  }
  catch (error) {
    console.error(error.message)
    process.exit(1)
  }
}
