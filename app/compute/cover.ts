import {
  afloat,
  amongOf,
  castThrough,
  CAST_M,
  drawRig,
  fallWayOf,
  dropPrepared,
  fromBelow,
  meetOn,
  obstaclesOf,
  onSurface,
  prepareRig,
  problemsOf,
  reachOf,
  RETRIEVES,
  retrievePath,
  rideOnTop,
  seededRandom,
  snagDoubts,
  snagTally,
  strikeOf,
  USUAL_SEED,
  type CloseUp,
  type Conditions,
  type CatchSiteId,
  type Measure,
  type Placed,
  type PreparedRig,
  type Ride,
  type RigDrawing,
  type Leg,
  type ThingLook,
  type SnagDoubtId,
  type SnagResult,
} from '#core'
import type { Progress } from './progress'
import type { SheetJob } from './sheetJob'

/** Several rigs through the same cover. */
export interface CoverJob extends SheetJob {
  /** draws for each rig and kind of obstacle; SNAG_DRAWS gives the figures of the sheet */
  readonly draws: number
  /** which cast is shown */ readonly cast: number
}

/** What becomes of one rig at one thing of the cast, looked at closely. */
export type CastEvent = CloseUp & {
  readonly atM: number
  readonly obstacle: number
  /** the rig floats, and the thing does not reach up to it */ readonly below?: true
}

export interface CoverLane {
  readonly letter: string
  readonly snag: SnagResult
  /** one cast, the same things met by every rig */ readonly events: readonly CastEvent[]
  /** meetings by size and fate, for every kind of obstacle: SIZE_BINS × 3 */
  readonly sizes: readonly Float64Array[]
  /** each point in its section of the bait: opening over the back, m, negative under the skin; half width, half height */
  readonly openings: readonly {
    readonly id: CatchSiteId
    readonly openingM: number
    readonly halfWidthM: number
    readonly halfHeightM: number
  }[]
  readonly drawing: RigDrawing
  /** its way through the cast, as it is worked */ readonly path: readonly Leg[]
  /** chance that a bite is hooked, so that both sides of the trade stand together */ readonly hookUp: Measure
  /** what is least certain, and by how many minutes of the hour it moves */ readonly doubts: readonly {
    readonly id: SnagDoubtId
    readonly minutes: number
  }[]
}

export interface CoverAnswer {
  readonly lanes: readonly CoverLane[]
  readonly obstacles: readonly {
    readonly name: string
    readonly perCast: number
    readonly look: ThingLook
    /** wood, stone or shell rather than weed */ readonly hard: boolean
  }[]
  readonly ms: number
}

/** One moment of a body at rest, back up. */
const UPRIGHT = Float64Array.of(0, 0, 0, 0, 1, 0, 0, 0)

/** How a rig goes through a place, and what it meets there: one that does not sink rides over it, as it floats. */
export function throughPlace(
  prepared: PreparedRig,
  drop: ReturnType<typeof dropPrepared>,
  obstacles: readonly Placed[],
): { readonly ride: Ride; readonly met: readonly Placed[]; readonly afloat: boolean } {
  if (drop.ok) return { ride: prepared.rideOf(drop.value), met: obstacles, afloat: false }
  if (drop.code !== 'floats')
    return { ride: prepared.rideOf({ samples: UPRIGHT }), met: obstacles, afloat: false }
  const { rollRad } = afloat(prepared.rig.geometry, prepared.water.densityKgM3)
  return { ride: rideOnTop(rollRad), met: onSurface(obstacles), afloat: true }
}

/** Whether a thing that others meet at a place reaches up to one that floats: the same things on every cast. */
const reachesUp = (thing: Placed, atM: number): boolean => (atM * 997) % 1 < reachOf(thing)

/** The way of a rig through a cast: lifted or drawn as it is worked, falling as it fell. */
function wayThrough(
  prepared: PreparedRig,
  drop: ReturnType<typeof dropPrepared>,
  { retrieve = 'hop', depthM }: Conditions,
): Leg[] {
  const { pitchRad } = prepared.postureOf()
  const tight = pitchRad.reduce((sum, p) => sum + p, 0) / pitchRad.length
  return retrievePath(retrieve, depthM, CAST_M, drop.ok ? fallWayOf(drop.value) : undefined, tight)
}

const stayedBelow = ({ site: _, ...seen }: CastEvent): CastEvent => ({ ...seen, fate: 'past', below: true })

/** Draws between two looks for a cancellation. */
const PIECE = 500

/** Brings every rig through the cover. @returns undefined when it was called off */
export async function throughCover(
  { bait, conditions, lanes, draws, cast }: CoverJob,
  { tell, pause }: Progress,
): Promise<CoverAnswer | undefined> {
  const begun = performance.now()
  const obstacles = obstaclesOf(conditions.cover, conditions.bottom)
  const retrieve = RETRIEVES[conditions.retrieve ?? 'hop']
  const done: CoverLane[] = []
  const built = lanes.filter(lane => problemsOf(bait, lane.rig).length === 0)
  const meetings = castThrough(
    obstacles,
    { postures: { retrieveRollRad: [0], fallRollRad: [0] }, retrieve },
    seededRandom(7919 + cast),
  )
  for (const [i, { letter, rig: spec, evidence }] of built.entries()) {
    const prepared = prepareRig(bait, spec, evidence ? { ...conditions, evidence } : conditions)
    const drop = dropPrepared(prepared)
    const { ride, met, afloat: onTop } = throughPlace(prepared, drop, obstacles)
    const { snag: rig } = prepared
    const tally = snagTally(rig, met, ride, seededRandom(USUAL_SEED))
    for (let n = 0; n < draws; n += PIECE) {
      tally.draw(Math.min(PIECE, draws - n))
      tell((i + Math.min(1, (n + PIECE) / draws)) / built.length)
      if (!(await pause())) return undefined
    }
    done.push({
      letter,
      snag: tally.result(amongOf(prepared)),
      sizes: tally.sizes(),
      drawing: drawRig(prepared.rig),
      path: wayThrough(prepared, drop, conditions),
      hookUp: onTop ? fromBelow(strikeOf(prepared).hookUp) : strikeOf(prepared).hookUp,
      doubts: snagDoubts(rig, met, ride),
      events: meetings.map(m => {
        const seen = { atM: m.atM, obstacle: m.obstacle, ...meetOn(rig, met, ride, m) }
        return onTop && !reachesUp(obstacles[m.obstacle]!, m.atM) ? stayedBelow(seen) : seen
      }),
      openings: rig.points.map(({ id, openingM, halfWidthM, halfHeightM }) => ({
        id,
        openingM,
        halfWidthM,
        halfHeightM,
      })),
    })
  }
  const rate = (o: (typeof obstacles)[number]): number =>
    o.perM * CAST_M * (o.on === 'bottom' ? retrieve.bottom : retrieve.cover)
  return {
    lanes: done,
    obstacles: obstacles.map(o => ({
      name: o.name,
      perCast: rate(o),
      look: o.look,
      hard: !(o.kind === 'rod' && (o.strand === true || o.strengthN < 46)),
    })),
    ms: performance.now() - begun,
  }
}
