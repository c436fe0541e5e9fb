import type { KeptSearch, SearchStore } from './searchMemory'

type Memory = KeptSearch['memory']
type Part = keyof Memory
type Table = Map<string, never>

const PARTS = ['laid', 'bodies', 'falls', 'met', 'hooked'] as const satisfies readonly Part[]

/** What searches worked out as text: figures and names alone, which come back to the last digit. */
export const writtenOut = (memory: Memory): string => JSON.stringify(PARTS.map(part => [...memory[part]]))

/**
 * Takes what was written out. The entries are those of this very making of the program, so they are not looked at
 * one by one.
 * @throws TypeError where it is no such file
 */
export function readBack(file: unknown): Memory {
  if (!Array.isArray(file) || file.length !== PARTS.length || !file.every(Array.isArray))
    throw new TypeError('Not what searches worked out.')
  const tables = file.map((rows): Table => new Map(rows as [string, never][]))
  const [laid, bodies, falls, met, hooked] = tables as [Table, Table, Table, Table, Table]
  return { laid, bodies, falls, met, hooked }
}

/** The parts of `fetch` that are needed, so that it can be tried without a network. */
export type Fetch = (
  url: string,
  options?: { method: string; headers: Record<string, string>; body: Blob },
) => Promise<{ readonly ok: boolean; readonly json: () => Promise<unknown> }>

/** So much more than what was sent last is worth sending. */
const WORTH_SENDING = 1.1

/** Characters of what was written out, compressed. */
async function compressed(text: string): Promise<Blob> {
  return new Response(new Blob([text]).stream().pipeThrough(new CompressionStream('gzip'))).blob()
}

/**
 * A store whose things are also on the server, so that a device which never searched need not begin from nothing.
 * Without a connection it is the store alone.
 * @param half which of the workers this is: each meets mostly what it worked out itself
 */
export function alsoOnServer(store: SearchStore, half: string, call: Fetch): SearchStore {
  const name = `${store.making
    .split('/')
    .at(-1)!
    .replace(/\.\w+$/, '')}.${half}`
  const url = `/api/worked/${encodeURIComponent(name)}`
  let sent = 0
  return {
    making: store.making,
    async read() {
      const here = await store.read().catch(() => undefined)
      if (here?.making === store.making) return here
      const answered = await call(url)
      if (!answered.ok) return undefined
      const memory = readBack(await answered.json())
      sent = sizeOf(memory)
      return { making: store.making, memory }
    },
    async write(kept) {
      const size = sizeOf(kept.memory)
      const [written] = await Promise.allSettled([
        store.write(kept),
        size < WORTH_SENDING * sent ? undefined : send(kept.memory),
      ])
      if (written.status === 'rejected') throw written.reason
    },
  }

  async function send(memory: Memory): Promise<void> {
    const { ok } = await call(url, {
      method: 'PUT',
      headers: { 'content-type': 'application/gzip' },
      body: await compressed(writtenOut(memory)),
    })
    if (ok) sent = sizeOf(memory)
  }
}

const sizeOf = (memory: Memory): number => Object.values(memory).reduce((sum, { size }) => sum + size, 0)
