import { describe, expect, it, vi } from 'vitest'
import { ensembleAfter, isLearned, type LoggedRig } from '#core'
import { learnLog, recallLog, type KeptLog, type LogMemory } from './logMemory'
import { logAlsoOnServer, readLog, writtenLog } from './logOnServer'
import type { Fetch } from './serverFile'
import { fileServer } from './testing'

const PLACE = 'wood/rock'
const logOf = (snags: number): LoggedRig[] => [
  { rigKey: 'slimShad 90 plain|E1|3/0|open', placeKey: PLACE, casts: 70, snags, touches: 0, hooked: 0 },
]
const making = '/_nuxt/calc.worker-abc.js'

/** A device's own memory. */
function device(): LogMemory & { kept: Map<string, KeptLog> } {
  const kept = new Map<string, KeptLog>()
  return {
    kept,
    making,
    read: place => Promise.resolve(kept.get(place)),
    write: (place, log) => Promise.resolve(void kept.set(place, log)),
  }
}
/** What is on its way is there. */
const arrived = (files: ReadonlyMap<string, Blob>): Promise<void> =>
  vi.waitFor(() => expect(files.size).toBe(1))

describe('what was learned of a log, for other devices', () => {
  it('is given to one that never saw it, to the last digit, and laid down there', async () => {
    const { files, calls, call } = fileServer()
    const learning = device()
    await learnLog(logOf(31), logAlsoOnServer(learning, call))
    await arrived(files)
    expect(calls).toEqual(['PUT /api/worked/calc.worker-abc.log.wood.rock'])
    const kept = learning.kept.get(PLACE)!
    const other = device()
    const memory = logAlsoOnServer(other, call)
    expect(await memory.read(PLACE, kept.key)).toStrictEqual(kept)
    expect(other.kept.get(PLACE)).toStrictEqual(kept)
    await memory.read(PLACE, kept.key)
    expect(calls).toHaveLength(2)
    // as a worker that was just started finds a log that another learned
    const longer = logOf(32)
    const file = writtenLog({ ...kept, key: kept.key.replace('"snags":31', '"snags":32') })
    const answering: Fetch = () =>
      Promise.resolve({ ok: true, json: () => Promise.resolve(JSON.parse(file)) })
    expect(isLearned(longer)).toBe(false)
    expect(await recallLog(longer, logAlsoOnServer(device(), answering))).toBe(true)
    expect([...ensembleAfter(longer).scores('standing', PLACE)]).toEqual([
      ...ensembleAfter(logOf(31)).scores('standing', PLACE),
    ])
  })
  it('of another log, place or making is not taken', async () => {
    const { files, call } = fileServer()
    const own = device()
    await learnLog(logOf(33), logAlsoOnServer(own, call))
    await arrived(files)
    const { key } = own.kept.get(PLACE)!
    const fresh = (): LogMemory => logAlsoOnServer(device(), call)
    expect(await fresh().read(PLACE, key.replace('"snags":33', '"snags":34'))).toBeUndefined()
    expect(await fresh().read('open/sand', key)).toBeUndefined()
    const newer = { ...device(), making: making.replace('abc', 'def') }
    expect(await recallLog(logOf(35), logAlsoOnServer(newer, call))).toBe(false)
  })
  it('is learned on the device where nobody answers, who is asked once', async () => {
    let asked = 0
    const gone: Fetch = () => {
      asked++
      return Promise.reject(new TypeError('no network'))
    }
    const own = device()
    const memory = logAlsoOnServer(own, gone)
    for (const snags of [36, 37]) {
      expect(await recallLog(logOf(snags), memory)).toBe(false)
      await learnLog(logOf(snags), memory)
      expect(isLearned(logOf(snags))).toBe(true)
    }
    expect(asked).toBe(1)
    expect(own.kept.get(PLACE)!.learned.from).toEqual(logOf(37))
  })
  it('waits no longer than it takes to learn', async () => {
    const mute: Fetch = (_url, { signal }) =>
      new Promise((_resolve, reject) =>
        signal.addEventListener('abort', () => reject(signal.reason as Error)),
      )
    expect(await logAlsoOnServer(device(), mute).read(PLACE, 'any')).toBeUndefined()
  })
  it('is no file that something else wrote', () => {
    for (const file of [undefined, null, [], {}, { key: 'k' }, { key: 'k', learned: { scores: {} } }])
      expect(readLog(file)).toBeUndefined()
  })
})
