import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { USUAL_UTILITY } from '#core'
import { starterContent } from '~/sheet/starter'
import { createCalcClient, type CalcError, type Endpoint } from './client'
import type { EvaluateJob, LaneOutcome, Questions, Reply, Request } from './protocol'
import { serve } from './serve'

const {
  water: { place: _, ...water },
  line,
  bait,
  lanes,
} = starterContent()
const job: EvaluateJob = {
  bait,
  conditions: { ...water, lineKind: line.kind, lineStrengthN: line.strengthN },
  lanes: lanes.map(({ letter, ...rig }) => ({ letter, rig })),
}

/** A worker under the test's hand: records requests, answers only when told. */
function puppet() {
  const sent: Request[] = []
  const state = {
    terminated: false,
    reply: (_: Reply): void => undefined,
    crash: (_: string): void => undefined,
  }
  const endpoint: Endpoint = {
    send: request => void sent.push(request),
    onReply: listener => void (state.reply = listener),
    onCrash: listener => void (state.crash = listener),
    terminate: () => void (state.terminated = true),
  }
  return { endpoint, sent, state }
}

const verdict = {
  kind: 'none',
  letters: [],
  behind: [],
  decidedBy: 'nothing',
  utility: USUAL_UTILITY,
  rigs: [],
  differences: [],
  settles: [],
  out: [],
} as const
const outcome: LaneOutcome = { kind: 'invalid', problems: [] }
const codeOf = (promise: Promise<unknown>): Promise<string> =>
  promise.then(
    () => 'answered',
    (error: CalcError) => error.code,
  )

describe('the calculating client', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('hands on lanes as they come and resolves with the verdict', async () => {
    const { endpoint, state } = puppet()
    const seen: string[] = []
    const call = createCalcClient(() => endpoint).evaluate(job, { onLane: letter => void seen.push(letter) })
    state.reply({ type: 'lane', id: 1, letter: 'A', outcome })
    state.reply({ type: 'lane', id: 99, letter: 'Z', outcome })
    state.reply({ type: 'done', id: 1, verdict })
    expect(await call).toBe(verdict)
    expect(seen).toEqual(['A'])
  })

  it('hands on what stands of an answer before the whole of it, and nothing after', async () => {
    const { endpoint, state } = puppet()
    const early: unknown[] = []
    const call = createCalcClient(() => endpoint).ask(
      'fits',
      { baits: [], rigs: [] } as unknown as Questions['fits']['job'],
      { onEarly: answer => void early.push(answer) },
    )
    state.reply({ type: 'early', id: 1, answer: [] })
    state.reply({ type: 'answer', id: 1, answer: [] })
    state.reply({ type: 'early', id: 1, answer: [] })
    expect(await call).toEqual([])
    expect(early).toEqual([[]])
  })

  it('settles at once when called off, tells the worker, and drops the late answer', async () => {
    const { endpoint, sent, state } = puppet()
    const abort = new AbortController()
    const seen: string[] = []
    const call = codeOf(
      createCalcClient(() => endpoint).evaluate(job, {
        signal: abort.signal,
        onLane: letter => void seen.push(letter),
      }),
    )
    abort.abort()
    expect(await call).toBe('aborted')
    expect(sent[1]).toEqual({ type: 'cancel', id: 1 })
    state.reply({ type: 'lane', id: 1, letter: 'A', outcome })
    state.reply({ type: 'done', id: 1, verdict })
    expect(seen).toEqual([])
    expect(
      await codeOf(createCalcClient(() => endpoint).evaluate(job, { signal: AbortSignal.abort() })),
    ).toBe('aborted')
  })

  it('ends a worker that misses the deadline, with every call that waits on it, and starts another', async () => {
    const first = puppet()
    const second = puppet()
    const puppets = [first, second]
    const client = createCalcClient(() => puppets.shift()!.endpoint, 1000)
    const calls = [codeOf(client.evaluate(job)), codeOf(client.evaluate(job))]
    vi.advanceTimersByTime(1001)
    expect(await Promise.all(calls)).toEqual(['deadline', 'deadline'])
    expect(first.state.terminated).toBe(true)
    const next = client.evaluate(job)
    second.state.reply({ type: 'done', id: 3, verdict })
    expect(await next).toBe(verdict)
  })

  it('settles every call when the worker crashes, and starts another for the next', async () => {
    const first = puppet()
    const second = puppet()
    const puppets = [first, second]
    const client = createCalcClient(() => puppets.shift()!.endpoint)
    const calls = [codeOf(client.evaluate(job)), codeOf(client.evaluate(job))]
    first.state.crash('out of memory')
    expect(await Promise.all(calls)).toEqual(['crashed', 'crashed'])
    const next = client.evaluate(job)
    first.state.crash('again, too late')
    second.state.reply({ type: 'done', id: 3, verdict })
    expect(await next).toBe(verdict)
  })

  it('passes a failure of the calculation on in words', async () => {
    const { endpoint, state } = puppet()
    const call = createCalcClient(() => endpoint).evaluate(job)
    state.reply({ type: 'failed', id: 1, message: 'no such form' })
    await expect(call).rejects.toMatchObject({ code: 'failed', message: 'no such form' })
  })
})

describe('the calculating worker', () => {
  const run = async (
    request: EvaluateJob,
    replies: Reply[] = [],
    handle = serve(reply => void replies.push(reply)),
  ) => {
    await handle({ type: 'evaluate', id: 1, job: request })
    return replies
  }

  it('answers every lane in order and then the verdict', async () => {
    const replies = await run(job)
    expect(replies.map(r => (r.type === 'lane' ? r.letter : r.type))).toEqual(['A', 'B', 'C', 'done'])
    expect(replies.every(r => r.type !== 'lane' || r.outcome.kind === 'done')).toBe(true)
  })

  it('sends only what can cross: plain data and typed arrays', async () => {
    for (const reply of await run(job)) expect(() => structuredClone(reply)).not.toThrow()
  })

  it('stops between lanes when called off', async () => {
    const replies: Reply[] = []
    const handle = serve(reply => {
      replies.push(reply)
      void handle({ type: 'cancel', id: 1 })
    })
    await handle({ type: 'evaluate', id: 1, job })
    expect(replies).toHaveLength(1)
  })

  it('gives the very same outcome again for an unchanged lane', async () => {
    const replies: Reply[] = []
    const handle = serve(reply => void replies.push(reply))
    await run(job, replies, handle)
    await run(job, replies, handle)
    const [a, b] = replies.filter(r => r.type === 'lane' && r.letter === 'A')
    expect(a?.type === 'lane' && b?.type === 'lane' && a.outcome === b.outcome).toBe(true)
  })

  it('tells which field cannot be built and that a floating rig floats', async () => {
    const floating = {
      ...job,
      bait: { ...bait, material: 'floating' as const },
      lanes: [{ letter: 'B', rig: { ...job.lanes[1]!.rig } }],
    }
    const [afloat] = await run(floating)
    expect(afloat).toMatchObject({ type: 'lane', outcome: { kind: 'failed', code: 'floats' } })
    const [wrong] = await run({ ...job, bait: { ...bait, lengthM: 0.04 }, lanes: job.lanes.slice(0, 1) })
    expect(wrong).toMatchObject({ outcome: { kind: 'invalid', problems: [{ field: 'rig.hookSize' }] } })
  })
})
