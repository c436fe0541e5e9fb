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

/** A bait with its hook, in a water. */
export interface QuickBody {
  readonly body: HydroBody
  readonly fall: RoughFall | undefined
  readonly standsM: number
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
  { depthM, bottom }: Pick<Day, 'depthM' | 'bottom'>,
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
  const bed = SOFT_BEDS[bottom]
  const stands = standsM(body)
  const head = Math.max(0, ...parts.compacts.map(c => c.size[1]))
  const sinks =
    bed && head > 0 && stands > UPRIGHT * body.lengthM
      ? ballSinksM(bed, Math.max(0, body.geometry.massKg - body.displacedKg) * STANDARD_GRAVITY, head)
      : 0
  return {
    body,
    fall: roughFall(body, depthM / 2, near),
    standsM: Math.max(0, stands - sinks),
    planM2,
    frontM2,
  }
}

export const densityOf = (spec: Pick<RigSpec, 'weightDensityKgM3'>, material: WeightMaterial): number =>
  spec.weightDensityKgM3 ?? WEIGHT_MATERIALS[material].densityKgM3

/** The fall of a rig that is one body. Undefined where it floats. */
export function fallAsOne({
  body,
  fall,
  standsM: stands,
  planM2,
  frontM2,
}: QuickBody): QuickFall | undefined {
  if (!fall) return undefined
  const { massKg } = body.geometry
  return {
    massKg,
    wetN: (massKg - body.displacedKg) * STANDARD_GRAVITY,
    sinkMS: fall.sinkMS,
    sideM2: planM2,
    frontM2,
    pitchRad: fall.pitchRad,
    standsM: stands,
  }
}

/**
 * The fall of a bait with a weight that hangs on its own, joined, ahead, below, or sliding. Undefined where
 * the pair floats.
 */
export function fallWithWeight(
  bait: QuickBody,
  lengthM: number,
  family: FamilyId,
  weightKg: number,
  densityKgM3: number,
  water: Water,
): QuickFall | undefined {
  const { body, planM2 } = bait
  const own = (body.geometry.massKg - body.displacedKg) * STANDARD_GRAVITY
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
    massKg: body.geometry.massKg + weightKg,
    wetN,
    sideM2: planM2,
    frontM2: level ? bait.frontM2 + head : Math.max(bait.frontM2, head),
    sinkMS: free ? bait.fall!.sinkMS + (together - bait.fall!.sinkMS) * DRAGS_ALONG : together,
    ...(apart ? { aloneKg: body.geometry.massKg } : {}),
    pitchRad: level ? 0 : -1.2,
    standsM:
      level && up
        ? hangs.leaderM! + 0.5 * lengthM
        : joined && up
          ? size.heightM + 0.85 * lengthM
          : up
            ? USUAL_LEADER_M.L3
            : bait.standsM,
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
