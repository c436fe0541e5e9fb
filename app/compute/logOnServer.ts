import type { KeptLog, LogMemory } from './logMemory'
import { serverFile, type Fetch, type ServerFile } from './serverFile'

/** Learning anew takes a device no longer than this, ms. */
const PATIENCE_MS = 1000

/**
 * A memory of logs whose things are also on the server, so that a device which never saw a log need not learn it.
 * Where the server does not answer once it is not asked again: learning is quicker than waiting for it each time.
 */
export function logAlsoOnServer(memory: LogMemory, call: Fetch): LogMemory {
  let silent = false
  const fileOf = (place: string): ServerFile =>
    serverFile(memory.making, `log.${place.replaceAll(/[^\w.-]/g, '.')}`, call, PATIENCE_MS)
  return {
    making: memory.making,
    async read(place, key) {
      const here = await memory.read(place, key).catch(() => undefined)
      if (here?.key === key || silent) return here
      const there = readLog(
        await fileOf(place)
          .read()
          .catch(() => void (silent = true)),
      )
      if (there?.key !== key) return here
      await memory.write(place, there).catch(() => undefined)
      return there
    },
    async write(place, kept) {
      // nobody waits for a server to take it
      if (!silent)
        void fileOf(place)
          .write(writtenLog(kept))
          .catch(() => undefined)
      await memory.write(place, kept)
    },
  }
}

/** What was learned of a log as text; figures come back to the last digit. */
export const writtenLog = ({ key, learned }: KeptLog): string =>
  JSON.stringify({
    key,
    learned: { ...learned, scores: Object.entries(learned.scores).map(([id, z]) => [id, [...z]]) },
  })

/** Takes what `writtenLog` wrote; undefined where it is no such file. */
export function readLog(file: unknown): KeptLog | undefined {
  const { key, learned } = (file ?? {}) as {
    readonly key?: string
    readonly learned?: Omit<KeptLog['learned'], 'scores'> & { readonly scores?: unknown }
  }
  if (typeof key !== 'string' || !Array.isArray(learned?.scores)) return undefined
  const scores = (learned.scores as [string, number[]][]).map(
    ([id, z]) => [id, Float64Array.from(z)] as const,
  )
  return { key, learned: { ...learned, scores: Object.fromEntries(scores) } }
}
