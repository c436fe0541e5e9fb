import { Worker } from 'node:worker_threads'
import type { Answer, Failure, Request, Result, RowMode } from './engineProtocol'
import { NoRoom, roomBeside, SEGMENT_BYTES } from './room'

/** An error that PostgreSQL gave; `code` is its SQLSTATE. */
class EngineError extends Error {
  readonly code: string | undefined
  readonly detail: string | undefined
  readonly constraint: string | undefined
  constructor({ message, code, detail, constraint }: Failure) {
    super(message)
    this.name = 'EngineError'
    Object.assign(this, { code, detail, constraint })
  }
}

/** Thrown when the engine itself ended; it is opened anew with the next request. */
export class EngineDown extends Error {
  constructor(why: string) {
    super(`The data could not be reached: ${why} What was acknowledged is kept; try again.`)
    this.name = 'EngineDown'
  }
}

/** How often a statement that is under way is looked after, and how long it may take, ms. */
const LOOK_MS = 2_000
const LONGEST_MS = 180_000
/** How long a close may take before the thread is ended, ms: the log is on the disk in any case. */
const CLOSE_MS = 10_000

/** What the opening waits under. */
const OPENING = 0

interface Waiting {
  readonly resolve: (result: Result) => void
  readonly reject: (error: Error) => void
}
/** One life of the thread; after a failure there is another. */
interface Life {
  readonly worker: Worker
  readonly waiting: Map<number, Waiting>
}

/** What Drizzle asks of the embedded engine, inside a transaction or outside. */
export interface EngineClient {
  query: (sql: string, params?: readonly unknown[], options?: { rowMode?: RowMode }) => Promise<Result>
}

/**
 * The embedded PostgreSQL in a thread of its own, as the thread that answers requests sees it. Statements go
 * one after the other; a transaction has the engine to itself until it ends. A thread that dies, hangs for
 * want of disk or takes beyond all measure is ended, everything that waits for it is told, and the next
 * request opens it again: for the engine that is a crash, which loses nothing that was acknowledged.
 */
export class RemoteEngine implements EngineClient {
  readonly #thread: URL
  readonly #folder: string
  #life: Life | undefined
  #turn: Promise<unknown> = Promise.resolve()
  #next = 1
  #closed = false

  private constructor(thread: URL, folder: string) {
    this.#thread = thread
    this.#folder = folder
  }

  /**
   * @param thread where the thread's program lies
   * @param folder absolute path of the data folder
   * @throws Error when the folder cannot be opened
   */
  static async open(thread: URL, folder: string): Promise<RemoteEngine> {
    const engine = new RemoteEngine(thread, folder)
    engine.#life = await engine.#begin()
    return engine
  }

  query(
    sql: string,
    params: readonly unknown[] = [],
    { rowMode = 'object' }: { rowMode?: RowMode } = {},
  ): Promise<Result> {
    return this.#alone(life => this.#ask(life, { kind: 'query', id: this.#next++, sql, params, rowMode }))
  }

  async exec(sql: string): Promise<void> {
    await this.#alone(life => this.#ask(life, { kind: 'exec', id: this.#next++, sql }))
  }

  /** Runs several statements as one; where one of them fails, or `work` throws, nothing of it was done. */
  transaction<T>(work: (client: EngineClient) => Promise<T>): Promise<T> {
    return this.#alone(async life => {
      const query: EngineClient['query'] = (sql, params = [], { rowMode = 'object' } = {}) =>
        this.#ask(life, { kind: 'query', id: this.#next++, sql, params, rowMode })
      const begun = query('BEGIN')
      try {
        // the thread takes one after the other, so that the first statement need not wait for this answer
        const [made] = await Promise.all([work({ query }), begun])
        await query('COMMIT')
        return made
      } catch (error) {
        // where the thread has ended there is nothing to roll back
        await query('ROLLBACK').catch(() => undefined)
        throw error
      }
    })
  }

  async close(): Promise<void> {
    this.#closed = true
    const life = this.#life
    if (!life) return
    const done = this.#turn.then(() => this.#ask(life, { kind: 'close', id: this.#next++ }))
    const late = new Promise(resolve => setTimeout(resolve, CLOSE_MS).unref())
    await Promise.race([done, late]).catch(() => undefined)
    await life.worker.terminate()
  }

  /** Waits its turn, then works with a thread that lives. */
  #alone<T>(work: (life: Life) => Promise<T>): Promise<T> {
    const mine = this.#turn.then(async () => {
      if (this.#closed) throw new EngineDown('Dunecrest is ending.')
      this.#life ??= await this.#begin()
      return work(this.#life)
    })
    this.#turn = mine.catch(() => undefined)
    return mine
  }

  #ask(life: Life, request: Request): Promise<Result> {
    if (this.#life !== life) return Promise.reject(new EngineDown('it was opened anew meanwhile.'))
    return new Promise<Result>((resolve, reject) => {
      const begun = performance.now()
      const look = setInterval(() => void this.#lookAfter(life, begun), LOOK_MS)
      const settled =
        <A>(how: (value: A) => void) =>
        (value: A): void => {
          clearInterval(look)
          how(value)
        }
      life.waiting.set(request.id, { resolve: settled(resolve), reject: settled(reject) })
      life.worker.postMessage(request)
    })
  }

  /** Ends a thread that has no room to go on, which spins for ever, or that takes beyond all measure. */
  async #lookAfter(life: Life, begun: number): Promise<void> {
    const free = await roomBeside(this.#folder).catch(() => Infinity)
    if (free < SEGMENT_BYTES) return this.#end(life, new NoRoom(free))
    if (performance.now() - begun > LONGEST_MS) this.#end(life, new EngineDown('a statement took too long.'))
  }

  #end(life: Life, error: Error): void {
    if (this.#life === life) this.#life = undefined
    for (const { reject } of life.waiting.values()) reject(error)
    life.waiting.clear()
    void life.worker.terminate()
  }

  async #begin(): Promise<Life> {
    const worker = new Worker(this.#thread, { workerData: this.#folder })
    const life: Life = { worker, waiting: new Map() }
    const begun = performance.now()
    // it needs room to come back from a crash, too
    const look = setInterval(() => void this.#lookAfter(life, begun), LOOK_MS)
    try {
      // the opening waits like a statement, under a number that none has
      await new Promise<Result>((resolve, reject) => {
        life.waiting.set(OPENING, { resolve, reject })
        worker.on('message', (answer: Answer) => this.#hear(life, answer))
        worker.on('error', error => this.#end(life, new EngineDown(`${error.message}.`)))
        worker.on('exit', () => this.#end(life, new EngineDown('its thread ended.')))
      })
      return life
    } catch (error) {
      await worker.terminate()
      const free = await roomBeside(this.#folder).catch(() => Infinity)
      throw free < SEGMENT_BYTES ? new NoRoom(free) : error
    } finally {
      clearInterval(look)
    }
  }

  #hear({ waiting }: Life, answer: Answer): void {
    const id = 'id' in answer ? answer.id : OPENING
    const asked = waiting.get(id)
    waiting.delete(id)
    if (answer.kind === 'open') asked?.resolve({ rows: [], fields: [] })
    else if (answer.kind === 'done') asked?.resolve(answer.result)
    else asked?.reject(new EngineError(answer.failure))
  }
}
