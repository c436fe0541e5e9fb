import {
  assembleRig, castThrough, CAST_M, drawRig, hydroBody, evaluateStrike, lineOf, meetOn, obstaclesOf, problemsOf, retrievePosture, RETRIEVES, rollSamples, seededRandom, snagAfter, strikeAfter, snagDoubts, snagRig, snagTally, strikeRig, tackleOf, waterOf,
  type BaitSpec, type Conditions, type Evidence, type Fate, type LipId, type Measure, type Ride, type RigDrawing, type RigSpec, type SnagDoubtId, type SnagResult, type SnagRig,
} from '#core'
import type { Progress } from './progress'

/** Several rigs through the same cover. */
export interface CoverJob {
  readonly bait: BaitSpec
  readonly conditions: Conditions
  readonly lanes: readonly { readonly letter: string, readonly rig: RigSpec, readonly evidence?: Evidence }[]
  /** draws for each rig in all */ readonly draws: number
  /** which cast is shown */ readonly cast: number
}

export interface CastEvent { readonly atM: number, readonly obstacle: number, readonly sizeM: number, readonly fate: Fate, readonly lip?: LipId | 'wedged' }

export interface CoverLane {
  readonly letter: string
  readonly snag: SnagResult
  /** one cast, the same things met by every rig */ readonly events: readonly CastEvent[]
  /** meetings by size and fate, for every kind of obstacle: SIZE_BINS × 3 */ readonly sizes: readonly Float64Array[]
  /** opening of each point over the back, m; negative under the skin */ readonly openings: readonly { readonly id: LipId, readonly openingM: number }[]
  readonly drawing: RigDrawing
  /** chance that a bite is hooked, so that both sides of the trade stand together */ readonly hookUp: Measure
  /** what is least certain, and by how many minutes of the hour it moves */ readonly doubts: readonly { readonly id: SnagDoubtId, readonly minutes: number }[]
}

export interface CoverAnswer { readonly lanes: readonly CoverLane[], readonly obstacles: readonly { readonly name: string, readonly perCast: number, /** wood, stone or shell rather than weed */ readonly hard: boolean }[], readonly ms: number }

/** As the spread draws, so that its figures come again. */
const SEED = 20261

/** Draws between two looks for a cancellation. */
const PIECE = 500

/** Brings every rig through the cover. @returns undefined when it was called off */
export async function throughCover({ bait, conditions, lanes, draws, cast }: CoverJob, { tell, pause }: Progress): Promise<CoverAnswer | undefined> {
  const begun = performance.now()
  const obstacles = obstaclesOf(conditions.cover, conditions.bottom)
  const line = lineOf(conditions.lineKind, conditions.lineStrengthN)
  const water = waterOf(conditions.temperatureC, conditions.salinityGKg)
  const retrieve = RETRIEVES[conditions.retrieve ?? 'hop']
  const done: CoverLane[] = []
  const built = lanes.filter(lane => problemsOf(bait, lane.rig).length === 0)
  const meetings = castThrough(obstacles, { postures: { retrieveRollRad: [0], fallRollRad: [0] }, retrieve }, seededRandom(7919 + cast))
  for (const [i, { letter, rig: spec, evidence }] of built.entries()) {
    const assembled = assembleRig(bait, spec)
    const body = hydroBody(assembled.geometry, water)
    const ride: Ride = { postures: { retrieveRollRad: retrievePosture(body).rollRad, fallRollRad: rollSamples(body, conditions.depthM, line) }, retrieve }
    const rig: SnagRig = snagRig(assembled, line)
    const tally = snagTally(rig, obstacles, ride, seededRandom(SEED))
    const each = Math.ceil(draws / Math.max(1, obstacles.length))
    for (let n = 0; n < each; n += PIECE) {
      tally.draw(Math.min(PIECE, each - n))
      tell((i + Math.min(1, (n + PIECE) / each)) / built.length)
      if (!await pause()) return undefined
    }
    done.push({
      letter, snag: snagAfter(tally.result(), evidence?.snag), sizes: tally.sizes(), drawing: drawRig(assembled), hookUp: strikeAfter(evaluateStrike(strikeRig(assembled), tackleOf(conditions, line), seededRandom(SEED + 1)), evidence?.hook).hookUp,
      doubts: snagDoubts(rig, obstacles, ride, SEED),
      events: meetings.map(m => ({ atM: m.atM, obstacle: m.obstacle, ...eventOf(meetOn(rig, obstacles, ride, m)) })),
      openings: rig.points.map(({ id, openingM }) => ({ id, openingM })),
    })
  }
  const rate = (o: (typeof obstacles)[number]): number => o.perM * CAST_M * (o.on === 'bottom' ? retrieve.bottom : retrieve.cover)
  return { lanes: done, obstacles: obstacles.map(o => ({ name: o.name, perCast: rate(o), hard: !(o.kind === 'rod' && (o.strand === true || o.strengthN < 46)) })), ms: performance.now() - begun }
}

const eventOf = ({ fate, sizeM, lip }: ReturnType<typeof meetOn>): Pick<CastEvent, 'fate' | 'sizeM' | 'lip'> => ({ fate, sizeM, ...(lip ? { lip } : {}) })
