import type { KeptSearch, SearchStore } from './searchMemory'
import { serverFile, type Fetch } from './serverFile'

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

/** So much more than what was sent last is worth sending. */
const WORTH_SENDING = 1.1

/** A phone with a weak connection gets a box of a thousand things in this time or works it out, ms. */
const PATIENCE_MS = 20_000

/**
 * A store whose things are also on the server, so that a device which never searched need not begin from nothing.
 * Without a connection it is the store alone.
 * @param half which of the workers this is: each meets mostly what it worked out itself
 */
export function alsoOnServer(store: SearchStore, half: string, call: Fetch): SearchStore {
  const file = serverFile(store.making, half, call, PATIENCE_MS)
  let sent = 0
  return {
    making: store.making,
    async read() {
      const here = await store.read().catch(() => undefined)
      if (here?.making === store.making) return here
      const there = await file.read()
      if (there === undefined) return undefined
      const memory = readBack(there)
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
    if (await file.write(writtenOut(memory))) sent = sizeOf(memory)
  }
}

const sizeOf = (memory: Memory): number => Object.values(memory).reduce((sum, { size }) => sum + size, 0)
