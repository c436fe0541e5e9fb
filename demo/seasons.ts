import {
  assembleRig,
  drawFish,
  dropModel,
  evaluateRig,
  lineOf,
  lostBySlack,
  normal,
  placeKey,
  rigKey,
  seededRandom,
  strikeRig,
  tackleOf,
  tailTaker,
  takeOf,
  type BaitSpec,
  type Conditions,
  type Fish,
  type RigSpec,
  type StrikeRig,
  type Tackle,
} from '#core'
import type { LogKind } from '#schemas/ranges'
import type { LogEntry } from '#schemas/log'
import type { SpreadContent } from '#schemas/spread'
import { DEMO_SPREADS } from './spreads'

/**
 * What is true in the made-up water and unknown to the model: how much more often it snags, how many fish
 * take the tail that the model has elsewhere, and how baits fall.
 */
export const HIDDEN = {
  snag: 1.6,
  tails: 0.35,
  lnDrag: { slimShad: 0.2, stick: -0.15, deepShad: 0.08 } as Readonly<Record<string, number>>,
  lnEta: -0.2,
} as const

type Random = ReturnType<typeof seededRandom>

const START = Date.UTC(2025, 3, 5)
const DAY_MS = 86_400_000
const NOTES = [
  'wind got up',
  'bass on the edge',
  'bumps and no takes',
  'water like glass',
  'crabs in the margins',
  'first frost',
  'weed drifting through',
] as const

/** Share of casts that are touched, and of lost touches that show why. */
const TOUCHED = 0.26
const SEEN = 0.4

/** Chances of a cast with one rig in one place, as they truly are there. */
interface Truth {
  readonly letter: string
  readonly bait: BaitSpec
  readonly rig: RigSpec
  readonly snag: number
  readonly lost: number
  readonly strike: StrikeRig
  readonly tackle: Tackle
}

function truthsOf({ content }: (typeof DEMO_SPREADS)[number]): {
  readonly conditions: Conditions
  readonly truths: readonly Truth[]
} {
  const {
    water: { place: _, zone: __, ...water },
    line,
    bait,
    lanes,
    fishing,
  } = content
  const conditions: Conditions = {
    ...water,
    ...(fishing as object),
    lineKind: line.kind,
    lineStrengthN: line.strengthN,
  }
  return {
    conditions,
    truths: lanes.flatMap(({ letter, ...rig }): Truth[] => {
      const outcome = evaluateRig(bait, rig, conditions)
      if (!outcome.ok) return []
      const { snag } = outcome.value
      return [
        {
          letter,
          bait,
          rig,
          snag: Math.min(0.6, HIDDEN.snag * snag.snagPerCast.value),
          lost: 0.25,
          strike: strikeRig(assembleRig(bait, rig)),
          tackle: tackleOf(conditions, lineOf(line.kind, line.strengthN)),
        },
      ]
    }),
  }
}

/** What is fished in one place, and how it truly is there. */
type Place = { readonly content: SpreadContent } & ReturnType<typeof truthsOf>

let known: readonly Place[] | undefined
/** Where the demo fishes, and what is true there: several seconds of computing, the same whatever the seed. */
const placesOnce = (): readonly Place[] =>
  (known ??= DEMO_SPREADS.map((spread): Place => ({ content: spread.content, ...truthsOf(spread) })))

/**
 * Two made-up seasons on the bank: sessions of casts, bumps, bites, snags and notes, and drop tests, drawn
 * from hidden true values that differ from the model's. The same seed gives the same log.
 */
export function seasons(seed = 7, sessions = 44): LogEntry[] {
  const random = seededRandom(seed)
  const id = idsFrom(random)
  const shoal = drawFish(seed, 4000)
  const places = placesOnce()
  const days = Array.from({ length: sessions }, (_, n) => {
    const place = places[Math.floor(random() * places.length)]!
    const session = id()
    const at = START + Math.floor((n * 590) / sessions) * DAY_MS + Math.floor((6 + 9 * random()) * 3_600_000)
    return dayOut(place, shoal, { session, at, id, random })
  })
  return [...days.flat(), ...places.flatMap(place => dropTests(place, id, random))]
}

/** Ids that the same random numbers make again. */
const idsFrom = (random: Random) => (): string => {
  const hex = Array.from({ length: 32 }, () => Math.floor(16 * random()).toString(16))
  hex[12] = '4'
  hex[16] = '89ab'[Math.floor(4 * random())]!
  const s = hex.join('')
  return `${s.slice(0, 8)}-${s.slice(8, 12)}-${s.slice(12, 16)}-${s.slice(16, 20)}-${s.slice(20)}`
}

interface Outing {
  readonly session: string
  /** when it begins, ms */ readonly at: number
  readonly id: () => string
  readonly random: Random
}

/** One session: casts with the rigs of a place, and what came of them. */
function dayOut({ content, truths }: Place, shoal: readonly Fish[], outing: Outing): LogEntry[] {
  const { session, id, random } = outing
  const { place, depthM, temperatureC, salinityGKg, cover, bottom } = content.water
  const entries: LogEntry[] = []
  let { at } = outing
  const log = (kind: LogKind, t?: Truth, data?: LogEntry['data']): void => {
    at += 1000 * Math.ceil(20 + 80 * random())
    entries.push({
      id: id(),
      session,
      at: new Date(at).toISOString(),
      kind,
      ...(t ? { rod: t.letter, rigKey: rigKey(t.bait, t.rig), placeKey: placeKey(cover, bottom) } : {}),
      ...(data ? { data } : {}),
    })
  }
  log('start', undefined, { place, depthM, temperatureC, salinityGKg, cover, bottom })
  let rod = truths[Math.floor(random() * truths.length)]!
  for (let c = 0, casts = 18 + Math.floor(22 * random()); c < casts; c++) {
    if (random() < 0.12) rod = truths[Math.floor(random() * truths.length)]!
    log('cast', rod)
    if (random() < rod.snag) {
      log('snag', rod)
      log(random() < rod.lost ? 'lost' : 'freed', rod)
    }
    if (random() < TOUCHED) touch(rod, shoal, random, kind => log(kind, rod))
    if (random() < 0.02) log('reskin', rod)
  }
  if (random() < 0.5) log('note', undefined, { text: NOTES[Math.floor(random() * NOTES.length)]! })
  log('end')
  return entries
}

/** A fish of the shoal at the bait, as the hidden truth has it. */
function touch(rod: Truth, shoal: readonly Fish[], random: Random, log: (kind: LogKind) => void): void {
  const fish = tailTaker(shoal[Math.floor(random() * shoal.length)]!, HIDDEN.tails)
  const { loss } = takeOf(rod.strike, rod.tackle, fish)
  log(loss === 'tailNip' || loss === 'letGo' ? 'bump' : 'bite')
  if (!loss) {
    log('hooked')
    if (random() < 0.85) log('landed')
  } else if (random() < SEEN) {
    if (loss === 'tailNip') log('nipped')
    else if (loss === 'notReached') log('covered')
    else if (lostBySlack(rod.strike, rod.tackle, fish)) log('onSlack')
  }
}

/** Seven drops of one rig of a place, the fifth of them plainly mistimed. */
function dropTests({ content, conditions, truths }: Place, id: () => string, random: Random): LogEntry[] {
  const t = truths.find(one => one.rig.family !== 'O2') ?? truths[0]!
  const found = dropModel(t.bait, t.rig, conditions)
  if (!found.ok) return []
  const model = found.value
  const session = id()
  const { depthM, temperatureC, salinityGKg } = conditions
  return Array.from({ length: 7 }, (_, k): LogEntry => {
    const truth = model.byDrag * (HIDDEN.lnDrag[t.bait.form] ?? 0) + model.byEta * HIDDEN.lnEta
    const seconds = k === 4 ? 0.4 * model.seconds : model.seconds * Math.exp(truth + 0.04 * normal(random))
    return {
      id: id(),
      session,
      at: new Date(START + 400 * DAY_MS + k * 60_000).toISOString(),
      kind: 'drop',
      data: {
        place: 'drop test',
        drop: {
          bait: content.bait,
          rig: t.rig,
          depthM,
          temperatureC,
          salinityGKg,
          seconds: Number(seconds.toFixed(2)),
          from: 'taps',
          model,
        },
      },
    }
  })
}
