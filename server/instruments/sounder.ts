import { createConnection, createServer, type Server, type Socket } from 'node:net'
import { readSentence, sentence, type SounderReading } from '../../shared/nmea'

/** A source of depth and temperature over TCP, and what came of listening to it. */
export interface Sounder {
  readonly port: number
  readonly reading: () => SounderReading
  readonly counts: () => { readonly good: number; readonly malformed: number }
  readonly close: () => Promise<void>
}

/** Longest line kept while its end has not come; a longer one is no sentence. */
const LONGEST = 512

/**
 * Listens to a sounder that speaks NMEA 0183 on a local TCP port. A malformed sentence is counted and
 * skipped.
 */
export function listenTo(port: number, host = '127.0.0.1'): Sounder {
  let reading: SounderReading = {}
  let [good, malformed] = [0, 0]
  let rest = ''
  const socket: Socket = createConnection({ port, host })
  socket.setEncoding('latin1')
  socket.on('data', (chunk: string) => {
    const lines = (rest + chunk).split(/\r?\n/)
    rest = (lines.pop() ?? '').slice(-LONGEST)
    for (const line of lines) {
      if (line.trim() === '') continue
      const said = readSentence(line)
      if (said) {
        good++
        reading = { ...reading, ...said }
      } else malformed++
    }
  })
  socket.on('error', () => undefined)
  return {
    port,
    reading: () => reading,
    counts: () => ({ good, malformed }),
    close: async () => {
      if (socket.destroyed) return
      const gone = new Promise(resolve => socket.once('close', resolve))
      socket.destroy()
      await gone
    },
  }
}

/**
 * A made-up sounder on a free local port: depth that swings with the swell, a temperature, and now and then a
 * broken sentence. Plainly simulated.
 */
export async function simulateSounder(
  everyMs = 400,
): Promise<{ readonly port: number; readonly close: () => Promise<void> }> {
  const sockets = new Set<Socket>()
  let n = 0
  const say = (): string => {
    n++
    const depth = 3.4 + 0.25 * Math.sin(n / 5)
    const broken = n % 17 === 0 ? '$SDDPT,9x.9*ZZ\r\n' : ''
    return `${broken}${sentence(`SDDPT,${depth.toFixed(1)},0.0`)}\r\n${sentence(`SDMTW,${(14.6 + 0.1 * Math.sin(n / 40)).toFixed(1)},C`)}\r\n`
  }
  const server: Server = createServer(socket => {
    sockets.add(socket)
    socket.on('error', () => undefined)
    socket.on('close', () => sockets.delete(socket))
    socket.write(say())
  })
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
  const timer = setInterval(() => {
    for (const socket of sockets) socket.write(say())
  }, everyMs)
  timer.unref()
  return {
    port: (server.address() as { port: number }).port,
    close: async () => {
      clearInterval(timer)
      for (const socket of sockets) socket.destroy()
      await new Promise(resolve => server.close(resolve))
    },
  }
}
