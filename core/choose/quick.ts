import { hydroBody, type HydroBody } from '../fall/hydroBody'
import { STANDARD_GRAVITY } from '../fall/loads'
import { roughFall, type RoughFall } from '../fall/trim'
import type { AssembledRig } from '../rig/assemble'
import { FAMILIES, USUAL_LEADER_M } from '../rig/families'
import type { FamilyId, RigSpec } from '../rig/spec'
import { WEIGHT_MATERIALS, weightSize, type WeightMaterial } from '../tackle/weights'
import type { Water } from '../water/water'
import { ballSinksM, SOFT_BEDS } from '../water/bed'
import type { Day } from './day'
import type { Load } from './limits'

/**
 * How a rig falls and comes to rest, quickly: the body by a rough steady fall, or with a weight of its own by
 * the balance of forces. SI, rad.
 */
export interface QuickFall extends Load {
  readonly pitchRad: number
  /** highest part over a hard bottom at rest, m */ readonly standsM: number
}

/** A bait with its hook, in a water: figures alone, so that thousands can be remembered. */
export interface QuickBody {
  readonly massKg: number
  readonly displacedKg: number
  readonly fall: RoughFall | undefined
  /** highest part over a hard bottom at rest, m; and the head on which it stands there, 0 where it lies */
  readonly standsM: number
  readonly headM: number
  readonly planM2: number
  readonly frontM2: number
}

/**
 * End-on and broadside drag of a bait against its plan area; a bullet's or ball's against its front.
 * *Assumed*, for the quick look only.
 */
const END_ON = 0.2
const BROADSIDE = 0.9
const LUMP = 0.45
/** Share of its outline that plastic gives way by when it is pushed through a hole. *Assumed.* */
const GIVES = 0.7

/** A body this steep, share of its length, rests on its head. */
const UPRIGHT = 0.4

export function quickBody(
  { geometry, parts }: AssembledRig,
  water: Water,
  near: RoughFall | undefined,
): QuickBody {
  const body = hydroBody(geometry, water)
  let planM2 = 0
  let frontM2 = 0
  for (const s of geometry.strips) {
    if (s.part !== 'bait') continue
    planM2 += s.lengthM * s.widthM
    frontM2 = Math.max(frontM2, GIVES * (Math.PI / 4) * s.widthM * s.heightM)
  }
  for (const {
    size: [, y, z],
  } of parts.compacts)
    frontM2 = Math.max(frontM2, (Math.PI / 4) * y * z)
  const stands = standsM(body)
  return {
    massKg: geometry.massKg,
    displacedKg: body.displacedKg,
    fall: roughFall(body, near),
    standsM: stands,
    headM: stands > UPRIGHT * body.lengthM ? Math.max(0, ...parts.compacts.map(c => c.size[1])) : 0,
    planM2,
    frontM2,
  }
}

/** Weight of a bait with its hook in water, N; negative where it floats. */
const wetOf = ({ massKg, displacedKg }: QuickBody): number => (massKg - displacedKg) * STANDARD_GRAVITY

/** Highest part over a bottom at rest, m: into a soft one the head it stands on sinks. */
function standsOver(body: QuickBody, bottom: Day['bottom']): number {
  const bed = SOFT_BEDS[bottom]
  if (!bed || body.headM === 0) return body.standsM
  return Math.max(0, body.standsM - ballSinksM(bed, Math.max(0, wetOf(body)), body.headM))
}

export const densityOf = (spec: Pick<RigSpec, 'weightDensityKgM3'>, material: WeightMaterial): number =>
  spec.weightDensityKgM3 ?? WEIGHT_MATERIALS[material].densityKgM3

/** The fall of a rig that is one body, over a bottom. Undefined where it floats. */
export function fallAsOne(body: QuickBody, bottom: Day['bottom']): QuickFall | undefined {
  const { massKg, fall, planM2, frontM2 } = body
  if (!fall) return undefined
  return {
    massKg,
    wetN: wetOf(body),
    sinkMS: fall.sinkMS,
    sideM2: planM2,
    frontM2,
    pitchRad: fall.pitchRad,
    standsM: standsOver(body, bottom),
  }
}

/**
 * The fall of a bait with a weight that hangs on its own, joined, ahead, below, or sliding, over a bottom.
 * Undefined where the pair floats.
 */
export function fallWithWeight(
  bait: QuickBody,
  bottom: Day['bottom'],
  lengthM: number,
  family: FamilyId,
  weightKg: number,
  densityKgM3: number,
  water: Water,
): QuickFall | undefined {
  const { massKg, planM2 } = bait
  const own = wetOf(bait)
  const wetN = own + weightKg * (1 - water.densityKgM3 / densityKgM3) * STANDARD_GRAVITY
  if (!(wetN > 0)) return undefined
  const { hangs, pegs } = FAMILIES[family]
  const size = weightSize(hangs?.shape ?? 'ball', weightKg, densityKgM3)
  const head = (Math.PI / 4) * size.widthM * size.heightM
  const level = hangs?.bait === 'level'
  const together = Math.sqrt(
    wetN / (0.5 * water.densityKgM3 * (LUMP * head + (level ? BROADSIDE : END_ON) * planM2)),
  )
  const free = pegs && bait.fall
  const joined = hangs?.bait === 'joined'
  const apart = !joined && !hangs?.stiff
  const up = own < 0
  return {
    massKg: massKg + weightKg,
    wetN,
    sideM2: planM2,
    frontM2: level ? bait.frontM2 + head : Math.max(bait.frontM2, head),
    sinkMS: free ? bait.fall!.sinkMS + (together - bait.fall!.sinkMS) * DRAGS_ALONG : together,
    ...(apart ? { aloneKg: massKg } : {}),
    pitchRad: level ? 0 : -1.2,
    standsM:
      level && up
        ? hangs.leaderM! + 0.5 * lengthM
        : joined && up
          ? size.heightM + 0.85 * lengthM
          : up
            ? USUAL_LEADER_M.L3
            : standsOver(bait, bottom),
  }
}

/** A free weight drags its bait along for a part of the way. *Assumed*, as the full simulation shows. */
const DRAGS_ALONG = 0.35

/** Attitudes tried for rest: lying, and for plastic that floats leaning and standing on the nose. */
const LYING = [0] as const
const ATTITUDES = [0, -0.8, -Math.PI / 2] as const

/** The plastic alone would rise. */
function buoyant({ geometry: { strips }, water }: HydroBody): boolean {
  let kg = 0
  for (const s of strips) if (s.part === 'bait') kg += s.massKg - water.densityKgM3 * s.displacedM3
  return kg < 0
}

/** Height of the highest part in the attitude of least energy on a hard bottom, m. */
function standsM(body: HydroBody): number {
  const {
    geometry: { outline, centre, massKg },
    displacedKg,
    buoyancyAt: [bx, , bz],
  } = body
  let least = Infinity
  let stands = 0
  for (const pitch of buoyant(body) ? ATTITUDES : LYING) {
    const [x, z] = [Math.sin(pitch), Math.cos(pitch)]
    let low = Infinity
    let high = -Infinity
    for (let i = 0; i < outline.length; i += 3) {
      const h = x * (outline[i]! - centre[0]) + z * (outline[i + 2]! - centre[2])
      low = Math.min(low, h)
      high = Math.max(high, h)
    }
    const energy = (massKg - displacedKg) * -low - displacedKg * (x * bx + z * bz)
    if (energy < least - 1e-9) {
      least = energy
      stands = high - low
    }
  }
  return stands
}
