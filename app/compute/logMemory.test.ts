import { describe, expect, it } from 'vitest'
import { bookOf, ensembleAfter, isLearned, type LoggedRig } from '#core'
import { learnLog, loggedOf, logsOf, recallLog, type KeptLog, type LogMemory } from './logMemory'
import type { EvaluateJob, Reply } from './protocol'
import { serve } from './serve'

const logOf = (snags: number): LoggedRig[] => [
  {
    rigKey: 'slimShad 90 plain|E1|3/0|open',
    placeKey: 'thickWeed/sand',
    casts: 60,
    snags,
    touches: 0,
    hooked: 0,
  },
]
function memoryOf(making = 'one'): LogMemory & { kept?: KeptLog } {
  const memory: LogMemory & { kept?: KeptLog } = {
    making,
    read: () => Promise.resolve(memory.kept && structuredClone(memory.kept)),
    write: (_place, kept) => Promise.resolve(void (memory.kept = kept)),
  }
  return memory
}

describe('what was learned of a log', () => {
  it('is kept, and taken from there by the same making for the same log only', async () => {
    const memory = memoryOf()
    await learnLog(logOf(40), memory)
    const z = ensembleAfter(logOf(40)).scores('standing', 'thickWeed/sand')
    const other = logOf(41)
    expect(await recallLog(other, memory)).toBe(false)
    // as another page finds it: the same log, learned there
    memory.kept = { ...memory.kept!, key: memory.kept!.key.replace('"snags":40', '"snags":41') }
    expect(await recallLog(other, { ...memory, making: 'another' })).toBe(false)
    expect(isLearned(other)).toBe(false)
    expect(await recallLog(other, memory)).toBe(true)
    expect([...ensembleAfter(other).scores('standing', 'thickWeed/sand')]).toEqual([...z])
  })
  it('of several places is kept for each', async () => {
    const kept = new Map<string, KeptLog>()
    const memory: LogMemory = {
      making: 'one',
      read: place => Promise.resolve(kept.get(place)),
      write: (place, log) => Promise.resolve(void kept.set(place, log)),
    }
    const at = (placeKey: string): LoggedRig[] => [{ ...logOf(21)[0]!, placeKey }]
    for (const place of ['wood/rock', 'open/sand']) await learnLog(at(place), memory)
    expect([...kept.keys()]).toEqual(['wood/rock', 'open/sand'])
    // as another page finds them
    for (const [place, { key, learned }] of kept)
      kept.set(place, { key: key.replace('"snags":21', '"snags":22'), learned })
    for (const place of ['wood/rock', 'open/sand']) {
      const again = [{ ...at(place)[0]!, snags: 22 }]
      expect(isLearned(again)).toBe(false)
      expect(await recallLog(again, memory)).toBe(true)
    }
  })
  it('is learned anew where the memory is shut', async () => {
    const shut: LogMemory = {
      making: 'one',
      read: () => Promise.reject(new Error('shut')),
      write: () => Promise.reject(new Error('shut')),
    }
    expect(await recallLog(logOf(7), shut)).toBe(false)
    await learnLog(logOf(7), shut)
    expect(isLearned(logOf(7))).toBe(true)
  })
  it('is found wherever a question carries it', () => {
    const logged = logOf(1)
    expect(loggedOf({ lanes: [{}, { evidence: { logged } }] })).toBe(logged)
    expect(loggedOf({ evidence: { logged } })).toBe(logged)
    const book = bookOf(
      [],
      [
        {
          rigKey: logged[0]!.rigKey,
          placeKey: logged[0]!.placeKey,
          casts: 60,
          snags: 1,
          bites: 0,
          hooked: 0,
        },
      ],
    )
    expect(loggedOf({ book, day: { cover: 'thickWeed', bottom: 'sand' } })).toEqual(logged)
    expect(loggedOf({ book, day: { cover: 'wood', bottom: 'sand' } })).toBeUndefined()
    expect(loggedOf({ book })).toBeUndefined()
    expect(loggedOf({})).toBeUndefined()
    const at = (cover: string) => ({ day: { cover, bottom: 'sand' } })
    expect(logsOf({ book, stops: [at('wood'), at('thickWeed'), at('thickWeed')] })).toEqual([logged])
    expect(logsOf({ stops: [at('thickWeed')] })).toEqual([])
    expect(logsOf({ evidence: { logged } })).toEqual([logged])
    expect(logsOf({})).toEqual([])
  })
})

describe('a sheet with a log that is seen for the first time', () => {
  const logged = logOf(58)
  const job: EvaluateJob = {
    bait: { form: 'slimShad', lengthM: 0.09, material: 'plain' },
    conditions: {
      depthM: 2,
      temperatureC: 15,
      salinityGKg: 0,
      cover: 'thickWeed',
      bottom: 'sand',
      lineKind: 'braid',
      lineStrengthN: 66,
    },
    lanes: [
      {
        letter: 'A',
        rig: { family: 'E1', hookSize: '3/0', weightKg: 0.005, weightMaterial: 'lead', pointRest: 'open' },
        evidence: { logged, snag: { tries: 60, hits: 58 } },
      },
    ],
  }
  const ask = async (memory: LogMemory): Promise<Reply[]> => {
    const replies: Reply[] = []
    await serve(message => replies.push(message), undefined, memory)({ type: 'evaluate', id: 1, job })
    return replies
  }
  const snagOf = (reply: Reply | undefined): { value: number; basis: string } | undefined =>
    reply?.type === 'lane' && reply.outcome.kind === 'done'
      ? reply.outcome.report.snag.snagPerCast
      : undefined
  it('shows the model by itself first, then what the log makes of it; the next time only that', async () => {
    const memory = memoryOf()
    const first = await ask(memory)
    expect(first.map(r => r.type)).toEqual(['lane', 'lane', 'done'])
    expect(snagOf(first[0])!.basis).toBe('computed')
    expect(snagOf(first[1])!.basis).toBe('logged')
    expect(snagOf(first[1])!.value).toBeGreaterThan(1.2 * snagOf(first[0])!.value)
    expect(memory.kept!.learned.from).toEqual(logged)
    const again = await ask(memory)
    expect(again.map(r => r.type)).toEqual(['lane', 'done'])
    expect(snagOf(again[0])).toEqual(snagOf(first[1]))
  })
})
