import { describe, expect, it } from 'vitest'
import { bookOf, conditionsFor, evaluateRig, rigKey, type Goods, type Stop } from '#core'
import { createCalcClient, type Endpoint } from './client'
import { modelDrop } from './drops'
import { pickFrom, type PickAnswer } from './pick'
import type { Helper } from './progress'
import type { Reply } from './protocol'
import { asHelper, serve } from './serve'
import { day, goods } from './testing'
import { planOut } from './trip'

const EMPTY: Goods = { baits: [], hooks: [], heads: [], weights: [], lines: [], rods: [] }
const quiet = { tell: () => undefined, pause: () => Promise.resolve(true) }

/** A second worker in this process, that answers like a real one; or one that has crashed. */
const helperOf = (alive: boolean): Helper =>
  asHelper(
    createCalcClient((): Endpoint => {
      let listener: (reply: Reply) => void = () => undefined
      let crash: (message: string) => void = () => undefined
      const handle = serve(reply => listener(structuredClone(reply)))
      return {
        send: request =>
          alive ? void handle(structuredClone(request)) : void setTimeout(() => crash('gone'), 0),
        onReply: l => void (listener = l),
        onCrash: c => void (crash = c),
        terminate: () => undefined,
      }
    }),
  )

describe('the picking worker', () => {
  it('sends only what can cross, the best first, with the front of the cloud marked', async () => {
    const answer = (await pickFrom({ day, goods, beyond: false }, quiet))!
    expect(() => structuredClone(answer)).not.toThrow()
    expect(answer.picks.length).toBeGreaterThanOrEqual(2)
    const scores = answer.cloud.map(c => c.score)
    expect([...scores].sort((a, b) => b - a)).toEqual(scores)
    expect(answer.cloud.some(c => c.front)).toBe(true)
    expect(answer.cloud.every(c => c.front)).toBe(false)
  })
  it('sends the picks as they stand before what is told beside them', async () => {
    const sent: PickAnswer[] = []
    const answer = (await pickFrom(
      { day, goods, beyond: false },
      { ...quiet, early: early => void sent.push(early) },
    ))!
    expect(sent).toHaveLength(2)
    for (const { picks, whatIfs, steps } of sent) {
      expect(picks.length).toBeGreaterThan(0)
      expect([whatIfs, steps]).toEqual([[], []])
    }
    // what the first of them show are figures in full, as every view has them
    const [{ rig, bait, outfit, match, report }] = sent[0]!.picks as [PickAnswer['picks'][number]]
    const alone = evaluateRig(goods.baits[bait]!.spec, rig, conditionsFor(day, outfit, match))
    expect(alone.ok && alone.value).toEqual(report)
    expect(sent[0]!.whyNots).toEqual([])
    const { picks, whyNots, odds, reasons } = sent[1]!
    expect(whyNots.length).toBeGreaterThan(0)
    expect(answer).toMatchObject({ picks, whyNots, odds, reasons })
    expect(answer.whatIfs.length).toBeGreaterThan(2)
  })
  it('says of an empty box that there is nothing, before and after', async () => {
    const sent: PickAnswer[] = []
    const answer = await pickFrom(
      { day, goods: EMPTY, beyond: false },
      { ...quiet, early: early => void sent.push(early) },
    )
    expect(sent.map(s => s.nothing)).toEqual(['noBaits'])
    expect(answer).toMatchObject({ nothing: 'noBaits', picks: [], whatIfs: [] })
  })
  it('comes to the same with a second worker, and with one that crashes', async () => {
    const many = {
      ...goods,
      baits: [
        ...goods.baits,
        { id: 'grub', name: 'grub', spec: { form: 'grub', lengthM: 0.07, material: 'plain' } as const },
      ],
    }
    const [alone, two, crashed] = await Promise.all(
      [undefined, helperOf(true), helperOf(false)].map(
        async helper =>
          (await pickFrom({ day, goods: many, beyond: false }, { ...quiet, ...(helper ? { helper } : {}) }))!,
      ),
    )
    const plain = ({ ms: _, ...answer }: NonNullable<typeof alone>) => answer
    expect(plain(two!)).toEqual(plain(alone!))
    expect(plain(crashed!)).toEqual(plain(alone!))
  })
  it('calls the second worker off with itself', async () => {
    const helper = helperOf(true)
    const asked: AbortSignal[] = []
    const watched: Helper = {
      ...helper,
      screenPart: (job, signal) => (asked.push(signal), helper.screenPart(job, signal)),
    }
    expect(
      await pickFrom(
        {
          day,
          goods: {
            ...goods,
            baits: Array.from({ length: 60 }, (_, i) => ({
              id: `b${i}`,
              name: `b${i}`,
              spec: { form: 'slimShad', lengthM: 0.07 + 0.0005 * i, material: 'plain' } as const,
            })),
          },
          beyond: false,
        },
        { tell: () => undefined, pause: () => Promise.resolve(false), helper: watched },
      ),
    ).toBeUndefined()
    expect(asked.length).toBeGreaterThan(0)
    expect(asked.every(signal => signal.aborted)).toBe(true)
    expect(asked[0]!.aborted).toBe(true)
  })
  it('tells how far it is and stops where nobody waits any more', async () => {
    const parts: number[] = []
    let looks = 0
    const many = {
      ...goods,
      baits: Array.from({ length: 30 }, (_, i) => ({
        id: `b${i}`,
        name: `b${i}`,
        spec: { form: 'slimShad', lengthM: 0.08 + 0.001 * i, material: 'plain' } as const,
      })),
    }
    const stopped = await pickFrom(
      { day, goods: many, beyond: false },
      { tell: part => void parts.push(part), pause: async () => ++looks < 2 },
    )
    expect(stopped).toBeUndefined()
    expect(parts.length).toBeGreaterThan(0)
    expect(Math.max(...parts)).toBeLessThan(1)
  })
  it("gives a finalist the figures that the angler's own tally moved", async () => {
    const plain = (await pickFrom({ day, goods, beyond: false }, quiet))!
    const [first] = plain.picks
    const bait = plain.baits[first!.bait]!.spec
    const book = bookOf(
      [],
      [
        {
          rigKey: rigKey(bait, first!.rig),
          placeKey: 'sparseWeed/sand',
          casts: 200,
          snags: 30,
          bites: 30,
          hooked: 8,
        },
      ],
    )
    const moved = (await pickFrom({ day, goods, beyond: false, book }, quiet))!
    const same = moved.picks.find(p => rigKey(moved.baits[p.bait]!.spec, p.rig) === rigKey(bait, first!.rig))!
    expect(same.report.strike.hookUp.basis).toBe('logged')
    expect(same.score).toBeLessThan(first!.score)
  })
})

describe('the planning worker', () => {
  const start = Date.UTC(2026, 5, 10, 6)
  const stops: Stop[] = [{ name: 'flat', from: start, to: start + 3 * 3_600_000, day, tide: 0, currentMS: 0 }]
  it('counts down for every rod and weight as the evaluation does', async () => {
    const plan = (await planOut({ stops, goods, rods: 2 }, quiet))!
    expect(() => structuredClone(plan)).not.toThrow()
    expect(plan.countdowns.length).toBeGreaterThan(0)
    for (const c of plan.countdowns) {
      const { finalist: f } = plan.rods[c.rod]!
      const again = evaluateRig(
        goods.baits[f.bait]!.spec,
        { ...f.rig, weightKg: c.weightKg },
        { ...conditionsFor(day, f.outfit, f.match), depthM: c.depthM },
      )
      expect(again.ok && again.value.fall.timeS.value).toBe(c.bottomS)
      const seconds = c.seconds.filter(Number.isFinite)
      expect([...seconds].sort((a, b) => a - b)).toEqual(seconds)
      expect(seconds.at(-1)!).toBeLessThanOrEqual(c.bottomS + 1e-9)
    }
  })
  it('comes to the same with a second worker, and with one that crashes', async () => {
    const two: Stop[] = [
      ...stops,
      {
        ...stops[0]!,
        name: 'edge',
        from: start + 3 * 3_600_000,
        to: start + 5 * 3_600_000,
        day: { ...day, depthM: 4, cover: 'thickWeed' },
      },
    ]
    const [alone, helped, crashed] = await Promise.all(
      [undefined, helperOf(true), helperOf(false)].map(helper =>
        planOut({ stops: two, goods, rods: 2 }, { ...quiet, ...(helper ? { helper } : {}) }),
      ),
    )
    expect(alone!.rods.length).toBeGreaterThan(0)
    expect(helped).toEqual(alone)
    expect(crashed).toEqual(alone)
  })
  it('has no rod for an empty box, and says at which stops', async () =>
    expect(await planOut({ stops, goods: EMPTY, rods: 2 }, quiet)).toMatchObject({
      rods: [],
      without: ['flat'],
    }))
  it('stops when it is called off', async () =>
    expect(
      await planOut(
        { stops, goods, rods: 2 },
        { tell: () => undefined, pause: () => Promise.resolve(false) },
      ),
    ).toBeUndefined())
})

describe('the model of a drop', () => {
  const conditions = {
    depthM: 2,
    temperatureC: 15,
    salinityGKg: 35,
    lineKind: 'braid',
    lineStrengthN: 67,
  } as const
  it('takes longer with more drag, and says that a floating rig floats', () => {
    const found = modelDrop({
      bait: goods.baits[0]!.spec,
      rig: { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin' },
      conditions,
    })
    expect(found).toMatchObject({ ok: true })
    if (found.ok) expect(found.model.byDrag).toBeGreaterThan(0)
    expect(
      modelDrop({
        bait: { ...goods.baits[0]!.spec, material: 'floating' },
        rig: { family: 'O2', hookSize: '4/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' },
        conditions,
      }),
    ).toMatchObject({ ok: false, message: expect.stringMatching(/never sinks/) as string })
  })
})
