import '#nitro-internal-pollyfills'
import { createServer } from 'node:http'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { closeNetwork, offerNetwork } from './network/network'
import { setupGracefulShutdown, trapUnhandledNodeErrors } from 'nitropack/runtime/internal/index'

// what is made here is for its owner alone, whatever the shell says
process.umask(0o077)

/** This machine alone; the network has a door of its own, where devices are paired. */
const host = '127.0.0.1'
const port = Number(process.env.PORT ?? 3000)

const nitro = useNitroApp()
const listener = toNodeListener(nitro.h3App)
const server = createServer(listener)
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is in use. Set PORT to another.` : error)
  process.exit(1)
})
server.listen(port, host, () => {
  const address = server.address()
  if (address !== null && typeof address === 'object')
    console.log(`Listening on http://${host}:${address.port}`)
})
// a start that was given up, or whose starter died, leaves nobody holding the data folder
process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'))
nitro.hooks.hook('close', closeNetwork)
void offerNetwork(listener)
trapUnhandledNodeErrors()
setupGracefulShutdown(server, nitro)

export default {}
