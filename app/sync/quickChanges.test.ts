import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { BoxItem } from '#schemas/box'
import type { StoredDocument, TideContent } from '#schemas/spot'
import { useBox } from './box'
import { useTides } from './documents'

interface Counted {
  readonly id: string
  readonly revision: number
  readonly item: { readonly count: number }
}
interface Asked {
  readonly body: { readonly revision: number; readonly content: TideContent; readonly changes: Counted[] }
  readonly answer: (row: object) => void
  readonly refuse: (status: number) => void
}
const asked = vi.hoisted(() => [] as Asked[])
vi.mock('ofetch', () => ({
  ofetch: (_: string, { body }: { body: Asked['body'] }) =>
    new Promise((answer, fail) => {
      asked.push({
        body,
        answer,
        refuse: statusCode =>
          fail(Object.assign(new Error('no'), { statusCode, data: { message: 'Not so.' } })),
      })
    }),
}))

const at = (...levelsM: number[]): TideContent => ({
  kind: 'table',
  turns: levelsM.map((heightM, i) => ({ at: `2026-11-0${i + 1}T06:00`, heightM })),
})
const row = (revision: number, content: TideContent): StoredDocument<'tide'> =>
  ({ id: 't', kind: 'tide', name: 'Harbour', revision, content, updatedAt: '' }) as StoredDocument<'tide'>

/** The store with one table in it, and what of it is shown. */
function held(): { tides: ReturnType<typeof useTides>; shown: () => StoredDocument<'tide'> } {
  const tides = useTides()
  tides.list = [row(3, at(4, 1))]
  return { tides, shown: () => tides.byId.get('t')! }
}
const sent = (n: number): Promise<Asked> => vi.waitUntil(() => asked[n], { timeout: 5000 })

beforeEach(() => {
  asked.length = 0
  setActivePinia(createPinia())
})

describe('a document that is changed faster than the server answers', () => {
  it('shows each change at once, and has them all in the end, each on what became of the one before', async () => {
    const { tides, shown } = held()
    const first = tides.change(shown(), 'Harbour', at(4, 2))
    expect(shown().content).toEqual(at(4, 2))
    const second = tides.change(shown(), 'Harbour', at(4, 2, 5))
    expect(tides.busy).toBe(true)
    const one = await sent(0)
    expect(asked).toHaveLength(1)
    one.answer(row(4, one.body.content))
    await first
    expect(shown().content).toEqual(at(4, 2, 5))
    const third = tides.change(shown(), 'Harbour', at(5))
    const two = await sent(1)
    expect(two.body.revision).toBe(4)
    two.answer(row(5, two.body.content))
    await second
    const three = await sent(2)
    expect(three.body.revision).toBe(5)
    three.answer(row(6, three.body.content))
    await third
    expect(shown()).toEqual(row(6, at(5)))
    expect([tides.busy, tides.error]).toEqual([false, undefined])
  })
  it('stands again as the server has it where that refuses, and says why', async () => {
    const { tides, shown } = held()
    const change = tides.change(shown(), 'Harbour', at(9))
    ;(await sent(0)).refuse(400)
    expect(await change).toBeUndefined()
    expect(shown()).toEqual(row(3, at(4, 1)))
    expect(tides.error).toBe('Not so.')
  })
  it('is not written over what was made of it elsewhere, though that is on the device by now', async () => {
    const { tides, shown } = held()
    const begunOn = shown()
    tides.list = [row(7, at(8))]
    const change = tides.change(begunOn, 'Harbour', at(4))
    const one = await sent(0)
    expect(one.body.revision).toBe(3)
    one.refuse(409)
    await change
    expect(shown()).toEqual(row(7, at(8)))
  })
  it('is gone where it is deleted meanwhile', async () => {
    const { tides, shown } = held()
    const change = tides.change(shown(), 'Harbour', at(4))
    const removal = tides.remove('t')
    const one = await sent(0)
    one.answer(row(4, one.body.content))
    await change
    ;(await sent(1)).answer({})
    expect(await removal).toBe(true)
    expect(tides.list).toEqual([])
  })
})

describe('a count in the box that is tapped faster than the server answers', () => {
  it('goes up by every tap, and down again by every undo', async () => {
    const box = useBox()
    box.items = [{ id: 'b', name: 'Stick', count: 2, revision: 1, photographed: false } as BoxItem]
    const count = (): number => box.byId.get('b')!.count
    const more = (): Promise<boolean> => box.change(['b'], item => ({ ...item, count: item.count + 1 }))
    const taps = [more(), more(), more()]
    box.undo()
    const seen: number[] = []
    for (let n = 0; n < 4; n++) {
      const { body, answer } = await sent(n)
      const { id, revision, item } = body.changes[0]!
      expect(revision).toBe(n + 1)
      answer({ items: [{ ...item, id, revision: n + 2, photographed: false }] })
      await vi.waitUntil(() => box.byId.get('b')!.revision === n + 2, { timeout: 5000 })
      seen.push(count())
    }
    expect(await Promise.all(taps)).toEqual([true, true, true])
    expect(seen).toEqual([3, 4, 5, 4])
    expect([box.canUndo, box.canRedo, box.error]).toEqual([true, true, undefined])
  })
})
