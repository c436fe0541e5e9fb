/** The parts of `fetch` that are needed, so that it can be tried without a network. */
export type Fetch = (
  url: string,
  options: {
    readonly method?: string
    readonly headers?: Record<string, string>
    readonly body?: Blob
    readonly signal: AbortSignal
  },
) => Promise<{ readonly ok: boolean; readonly json: () => Promise<unknown> }>

/** A file on the server of what a device worked out, so that another need not work it out again. */
export interface ServerFile {
  /** @returns what is in it, undefined where there is none; rejects where nobody answers */
  readonly read: () => Promise<unknown>
  /** @returns whether it was taken; rejects where nobody answers */
  readonly write: (text: string) => Promise<boolean>
}

/** Nobody waits for what is sent, and a slow connection takes a while, ms. */
const SENDING_MS = 20_000

/**
 * @param making address of the program that worked it out: another makes its own
 * @param part what of it, in letters, digits, points and dashes
 * @param patienceMs longest wait for what is asked for
 */
export function serverFile(making: string, part: string, call: Fetch, patienceMs: number): ServerFile {
  const program = making
    .split('/')
    .at(-1)!
    .replace(/\.\w+$/, '')
  const url = `/api/worked/${encodeURIComponent(`${program}.${part}`)}`
  return {
    async read() {
      const answered = await call(url, { signal: AbortSignal.timeout(patienceMs) })
      return answered.ok ? answered.json() : undefined
    },
    async write(text) {
      const { ok } = await call(url, {
        method: 'PUT',
        headers: { 'content-type': 'application/gzip' },
        body: await compressed(text),
        signal: AbortSignal.timeout(SENDING_MS),
      })
      return ok
    },
  }
}

/** Characters, compressed. */
async function compressed(text: string): Promise<Blob> {
  return new Response(new Blob([text]).stream().pipeThrough(new CompressionStream('gzip'))).blob()
}
