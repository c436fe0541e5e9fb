import { measure, type Measure } from '../outcome'
import { Z90 } from '../numerics/statistics'
import type { SecondWeight } from '../rig/families/family'
import type { RigGeometry } from '../rig/geometry'
import type { Line } from '../tackle/lines'
import { airBody, type Flight } from './airBody'
import { farthest, fly, type Flyer, type FlyingLine, type Landing } from './flight'
import { launchSpeed, loadOf, type CastingRod, type MeasuredCast } from './launch'
import { skipOf, type Skip } from './skip'
import { splashOf, type Splash, type WaterClarity } from './splash'

/** Wind, m/s at ten metres: in the face, from behind, or across the cast. */
export interface Wind {
  readonly speedMS: number
  readonly from: 'ahead' | 'behind' | 'across'
}

/** What a rig is thrown with, and where. SI. */
export interface CastPlace {
  readonly rod: CastingRod
  readonly line: Line
  readonly depthM: number
  readonly waterKgM3: number
  readonly wind?: Wind
  readonly clarity?: WaterClarity
  /** casts that were measured with this rod */ readonly measured?: readonly MeasuredCast[]
}

/** How far a rig is thrown, how it lands, and whether it skips. SI. */
export interface CastResult {
  /** with the wind as it is */ readonly distanceM: Measure
  /** in still air; left out where there is no wind */ readonly stillM?: Measure
  /** carried to the lee by a wind across, m; left out where there is none */ readonly asideM?: number
  readonly flight: Flight
  /** lighter or heavier than the rod is sold to cast, as anglers use such figures */
  readonly load: ReturnType<typeof loadOf>
  readonly splash: Splash
  readonly skip: Skip
  /** measured casts against what the model said of them, a factor; left out without any */
  readonly moved?: number
}

/** Friction at spool and guides, times the pull that gets the line going; and a steady pull, N. *Assumed.* */
const SPOOL = 1
const STEADY_N = 0.01
/** Height of the hand over the water, m; and the wind there against that at ten metres (log profile). */
export const HAND_M = 1.8
const LOW_WIND = 0.85

/**
 * One standard deviation of what is not known, as factors: the angler's arm, drag of a limp body in the air,
 * pull of the line; and of one cast beside another with the same tackle. *Assumed.*
 */
export const CAST_GSD = { arm: 1.12, drag: 1.35, line: 1.5 } as const
const CAST_SCATTER = 1.1

/** Speed goes with the arm; the rest are of the rig and the line. */
interface Doubted {
  readonly arm: number
  readonly drag: number
  readonly line: number
}
const USUAL: Doubted = { arm: 1, drag: 1, line: 1 }

export const lineBehind = ({ densityKgM3, diameterM }: Line, factor: number): FlyingLine => ({
  kgPerM: factor * densityKgM3 * (Math.PI / 4) * diameterM ** 2,
  diameterM: factor * diameterM,
  spool: SPOOL,
  steadyN: factor * STEADY_N,
})

/** Wind at the hand along the cast: with it (+) or against it, m/s. */
export const windAlong = (wind: Wind | undefined): number =>
  wind ? LOW_WIND * wind.speedMS * ALONG[wind.from] : 0
const ALONG = { ahead: -1, behind: 1, across: 0 } as const
/** And across it. */
const windAcross = (wind: Wind | undefined): number => (wind?.from === 'across' ? LOW_WIND * wind.speedMS : 0)

/** Distance of a usual cast, and the spread of its logarithm. */
function thrown(
  body: Pick<Flyer, 'massKg' | 'dragAreaM2'>,
  { rod, line }: Pick<CastPlace, 'rod' | 'line'>,
  windMS: number,
  acrossMS = 0,
): { readonly landing: ReturnType<typeof farthest>; readonly sd: number } {
  const flyer = ({ drag, line: pull }: Doubted): Flyer => ({
    massKg: body.massKg,
    dragAreaM2: drag * body.dragAreaM2,
    line: lineBehind(line, pull),
  })
  const speedMS = launchSpeed(rod, body.massKg)
  const from = { fromM: HAND_M, windMS, acrossMS }
  const landing = farthest(flyer(USUAL), { speedMS, ...from })
  const logs = (Object.keys(CAST_GSD) as (keyof Doubted)[]).map(key => {
    const by = { ...USUAL, [key]: CAST_GSD[key] }
    const angle = landing.angleRad
    const other = fly(flyer(by), { speedMS: speedMS * by.arm, angleRad: angle, ...from })
    return Math.log(other.distanceM / landing.distanceM)
  })
  return { landing, sd: Math.hypot(...logs) }
}

/** What measured casts leave of the doubt in a logarithm of distance, and by how much they move it. */
function learned(
  measured: readonly MeasuredCast[],
  sd: number,
  of: (massKg: number) => number,
): { readonly shift: number; readonly sd: number } {
  if (measured.length === 0) return { shift: 0, sd }
  const scatter = Math.log(CAST_SCATTER)
  const mean = measured.reduce((sum, m) => sum + Math.log(m.distanceM / of(m.massKg)), 0) / measured.length
  const held = sd ** -2 + measured.length / scatter ** 2
  return { shift: (mean * measured.length) / scatter ** 2 / held, sd: Math.hypot(held ** -0.5, scatter / 2) }
}

/**
 * Cast of a rig by ballistics with drag: launched as fast as the rod lets go of it, drawn back by air and line,
 * at the rise that gets it farthest. Measured casts of the same rod move the distance and narrow it: they are
 * taken to be of lures that fly as a compact one does, and to carry over to every rig of that rod.
 * @throws RangeError when the rig has no mass
 */
export function evaluateCast(
  geometry: RigGeometry,
  second: SecondWeight | undefined,
  place: CastPlace,
): CastResult {
  const body = airBody(geometry, second)
  const { rod, wind, measured = [] } = place
  const along = windAlong(wind)
  const across = windAcross(wind)
  const calm = along === 0 && across === 0
  const still = thrown(body, place, 0)
  const moved = learned(measured, still.sd, massKg => compactCast(massKg, place))
  const blown = calm ? still : thrown(body, place, along, across)
  const extra = Math.sqrt(Math.max(0, blown.sd ** 2 - still.sd ** 2))
  const of = ({ distanceM }: Landing, more: number): Measure => {
    const sd = Z90 * Math.hypot(moved.sd, more)
    const value = distanceM * Math.exp(moved.shift)
    return measure(
      value,
      value * Math.exp(-sd),
      value * Math.exp(sd),
      measured.length > 0 ? 'measured' : 'computed',
    )
  }
  return {
    distanceM: of(blown.landing, extra),
    ...(calm ? {} : { stillM: of(still.landing, 0) }),
    ...(across === 0 ? {} : { asideM: blown.landing.asideM }),
    flight: body.flight,
    load: loadOf(body.massKg, rod.castKg),
    splash: splashOf(body, blown.landing, place.depthM, place.clarity),
    // a weight that flies ahead goes in first, and holds the rest
    skip: second ? { hops: 0, underM: 0 } : skipOf(body, place.waterKgM3),
    ...(measured.length > 0 ? { moved: Math.exp(moved.shift) } : {}),
  }
}

/** Drag area of a compact lure of so much mass, as casts are measured with, m²: lead, tail first. *Assumed.* */
const compactDragM2 = (massKg: number): number => 0.9e-4 * (massKg / 0.01) ** (2 / 3)
const compactCast = (massKg: number, place: CastPlace): number =>
  thrown({ massKg, dragAreaM2: compactDragM2(massKg) }, place, 0).landing.distanceM
