import { createServer as createPlain, type IncomingMessage, type RequestListener } from 'node:http'
import { createServer as createSecure } from 'node:https'
import { createServer, type Server, type Socket } from 'node:net'
import type { KeyPair } from './authority'

/** First byte of a TLS handshake. */
const HANDSHAKE = 0x16
/** A caller that says nothing is let go after so long, ms. */
const SILENT_MS = 10_000

/** How a request came in over the network. */
export type Way = 'secure' | 'plain'
const ways = new WeakMap<IncomingMessage, Way>()

/** How a request came in over the network; undefined for one from this machine's own door. */
export const wayOf = (request: IncomingMessage): Way | undefined => ways.get(request)

/** A door to the network that is open. */
export interface Door {
  readonly port: number
  close: () => Promise<void>
}

/**
 * Opens one port for both: who begins a TLS handshake is answered over https, all others over plain http; either way
 * the request is marked as one from the network.
 * @throws Error of the system where the port cannot be had
 */
export async function openDoor(
  answer: RequestListener,
  { cert, key }: KeyPair,
  host: string,
  port: number,
): Promise<Door> {
  const marked =
    (way: Way): RequestListener =>
    (request, response) => {
      ways.set(request, way)
      answer(request, response)
    }
  const secure = createSecure({ cert, key, minVersion: 'TLSv1.2' }, marked('secure'))
  const plain = createPlain(marked('plain'))
  const open = new Set<Socket>()
  const door = createServer(socket => {
    open.add(socket)
    socket.on('close', () => open.delete(socket))
    socket.on('error', () => socket.destroy())
    socket.setTimeout(SILENT_MS, () => socket.destroy())
    socket.once('data', first => {
      socket.pause()
      socket.setTimeout(0)
      socket.unshift(first)
      ;(first[0] === HANDSHAKE ? secure : plain).emit('connection', socket)
      process.nextTick(() => socket.resume())
    })
  })
  await listening(door, host, port)
  const address = door.address()
  return {
    port: typeof address === 'object' && address !== null ? address.port : port,
    close: () =>
      new Promise(done => {
        door.close(() => done())
        for (const socket of open) socket.destroy()
      }),
  }
}

const listening = (server: Server, host: string, port: number): Promise<void> =>
  new Promise((ready, failed) => {
    server.once('error', failed)
    server.listen(port, host, () => {
      server.off('error', failed)
      ready()
    })
  })
