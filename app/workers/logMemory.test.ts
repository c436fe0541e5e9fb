import { describe, expect, it } from 'vitest'
import { bookOf, ensembleAfter, isLearned, type LoggedRig } from '#core'
import { learnLog, loggedOf, recallLog, type KeptLog, type LogMemory } from './logMemory'

const logOf = (snags: number): LoggedRig[] => [{ rigKey: 'slimShad 90 plain|E1|3/0|open', placeKey: 'thickWeed/sand', casts: 60, snags, touches: 0, hooked: 0 }]
function memoryOf(): LogMemory & { kept?: KeptLog } {
  const memory: LogMemory & { kept?: KeptLog } = {
    read: () => Promise.resolve(memory.kept && structuredClone(memory.kept)),
    write: kept => Promise.resolve(void (memory.kept = kept)),
  }
  return memory
}

describe('what was learned of a log', () => {
  it('is kept, and taken from there by the same making for the same log only', async () => {
    const memory = memoryOf()
    await learnLog(logOf(40), memory, 'one')
    const z = ensembleAfter(logOf(40)).scores('standing', 'thickWeed/sand')
    const other = logOf(41)
    expect(await recallLog(other, memory, 'one')).toBe(false)
    // as another page finds it: the same log, learned there
    memory.kept = { ...memory.kept!, key: memory.kept!.key.replace('"snags":40', '"snags":41') }
    expect(await recallLog(other, memory, 'another')).toBe(false)
    expect(isLearned(other)).toBe(false)
    expect(await recallLog(other, memory, 'one')).toBe(true)
    expect([...ensembleAfter(other).scores('standing', 'thickWeed/sand')]).toEqual([...z])
  })
  it('is learned anew where the memory is shut', async () => {
    const shut: LogMemory = { read: () => Promise.reject(new Error('shut')), write: () => Promise.reject(new Error('shut')) }
    expect(await recallLog(logOf(7), shut, 'one')).toBe(false)
    await learnLog(logOf(7), shut, 'one')
    expect(isLearned(logOf(7))).toBe(true)
  })
  it('is found wherever a question carries it', () => {
    const logged = logOf(1)
    expect(loggedOf({ lanes: [{}, { evidence: { logged } }] })).toBe(logged)
    expect(loggedOf({ evidence: { logged } })).toBe(logged)
    const book = bookOf([], [{ rigKey: logged[0]!.rigKey, placeKey: logged[0]!.placeKey, casts: 60, snags: 1, bites: 0, hooked: 0 }])
    expect(loggedOf({ book, day: { cover: 'thickWeed', bottom: 'sand' } })).toEqual(logged)
    expect(loggedOf({ book, day: { cover: 'wood', bottom: 'sand' } })).toBeUndefined()
    expect(loggedOf({ book })).toBeUndefined()
    expect(loggedOf({})).toBeUndefined()
  })
})
