import type { Verdict } from '#core'
import type { EvaluateJob, LaneOutcome, QuestionId, Questions, Reply, Request } from './protocol'

/** The part of a worker the client needs, so that it can be tried without a browser. */
export interface Endpoint {
  send: (request: Request) => void
  onReply: (listener: (reply: Reply) => void) => void
  onCrash: (listener: (message: string) => void) => void
  terminate: () => void
}

export type CalcErrorCode = 'aborted' | 'deadline' | 'crashed' | 'failed'

/** Why a calculation gave no answer. */
export class CalcError extends Error {
  constructor(
    readonly code: CalcErrorCode,
    message: string,
  ) {
    super(message)
    this.name = 'CalcError'
  }
}

interface CallOptions<Answer = unknown> {
  readonly signal?: AbortSignal
  /** called as each lane is ready */ readonly onLane?: (letter: string, outcome: LaneOutcome) => void
  /** called as a long answer gets on, 0 to 1 */ readonly onProgress?: (part: number) => void
  /** called with what stands of a long answer already */ readonly onEarly?: (answer: Answer) => void
}

export interface CalcClient {
  evaluate: (job: EvaluateJob, options?: CallOptions) => Promise<Verdict>
  /** asks one question */ ask: <Q extends QuestionId>(
    about: Q,
    job: Questions[Q]['job'],
    options?: CallOptions<Questions[Q]['answer']>,
  ) => Promise<Questions[Q]['answer']>
  /** starts the worker before it is asked anything; `searching` where it will have to look through a box */
  ready: (searching?: boolean) => void
  close: () => void
}

interface Pending {
  readonly resolve: (answer: unknown) => void
  readonly reject: (error: CalcError) => void
  readonly onLane: CallOptions['onLane']
  readonly onProgress: CallOptions['onProgress']
  readonly onEarly: ((answer: unknown) => void) | undefined
}

/**
 * Speaks to a worker: every call settles, by an answer, an abort, its deadline, or the worker's end. After a
 * crash or a missed deadline the next call starts a new worker. Answers to calls that are over are dropped.
 * @param spawn starts a worker
 * @param deadlineMs longest a call may take, or go on without a sign of progress
 */
export function createCalcClient(spawn: () => Endpoint, deadlineMs = 15_000): CalcClient {
  const pending = new Map<number, Pending>()
  let endpoint: Endpoint | undefined
  let lastId = 0

  function start(): Endpoint {
    const started = spawn()
    started.onReply(receive)
    started.onCrash(message => started === endpoint && stop('crashed', message))
    return started
  }

  /** Ends the worker and settles every call that waits on it. */
  function stop(code: CalcErrorCode, message: string): void {
    endpoint?.terminate()
    endpoint = undefined
    for (const call of [...pending.values()]) call.reject(new CalcError(code, message))
  }

  function receive(reply: Reply): void {
    const call = pending.get(reply.id)
    if (!call) return
    if (reply.type === 'progress') call.onProgress?.(reply.part)
    else if (reply.type === 'early') call.onEarly?.(reply.answer)
    else if (reply.type === 'lane') call.onLane?.(reply.letter, reply.outcome)
    else if (reply.type === 'done') call.resolve(reply.verdict)
    else if (reply.type === 'answer') call.resolve(reply.answer)
    else call.reject(new CalcError('failed', reply.message))
  }

  function call(
    request: (id: number) => Request,
    { signal, onLane, onProgress, onEarly }: CallOptions,
  ): Promise<unknown> {
    if (signal?.aborted) return Promise.reject(new CalcError('aborted', 'The calculation was called off.'))
    const worker = (endpoint ??= start())
    const id = ++lastId
    return new Promise<unknown>((resolve, reject) => {
      const abort = (): void => {
        worker.send({ type: 'cancel', id })
        settle(() => reject(new CalcError('aborted', 'The calculation was called off.')))
      }
      const wait = () =>
        setTimeout(
          () => stop('deadline', `The calculation took longer than ${deadlineMs / 1000} s and was stopped.`),
          deadlineMs,
        )
      let timer = wait()
      const settle = (then: () => void): void => {
        clearTimeout(timer)
        signal?.removeEventListener('abort', abort)
        pending.delete(id)
        then()
      }
      // a call that gets on is alive: its deadline begins anew
      const getsOn = (part: number): void => {
        clearTimeout(timer)
        timer = wait()
        onProgress?.(part)
      }
      pending.set(id, {
        resolve: answer => settle(() => resolve(answer)),
        reject: error => settle(() => reject(error)),
        onLane,
        onProgress: getsOn,
        onEarly,
      })
      signal?.addEventListener('abort', abort)
      worker.send(request(id))
    })
  }

  const evaluate = (job: EvaluateJob, options: CallOptions = {}): Promise<Verdict> =>
    call(id => ({ type: 'evaluate', id, job }), options) as Promise<Verdict>

  const ask = <Q extends QuestionId>(
    about: Q,
    job: Questions[Q]['job'],
    options: CallOptions<Questions[Q]['answer']> = {},
  ): Promise<Questions[Q]['answer']> =>
    call(id => ({ type: 'ask', id, about, job }), options as CallOptions) as Promise<Questions[Q]['answer']>

  const ready = (searching = false): void => {
    const worker = (endpoint ??= start())
    if (searching) worker.send({ type: 'prepare' })
  }

  return { evaluate, ask, ready, close: () => stop('aborted', 'The page was left.') }
}
