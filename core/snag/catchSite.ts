import { PLASTICS, modulusPa } from '../tackle/materials'
import type { AssembledRig } from '../rig/assemble'
import { openingLoadN } from '../fit/wireStrength'
import { guardN } from '../rig/guard'
import type { Line } from '../tackle/lines'
import { weightSize, type WeightShape } from '../tackle/weights'

/** Where on a rig things lodge or hang. */
export type CatchSiteId =
  'point' | 'trailing' | 'head' | 'eye' | 'keeper' | 'knot' | 'skirt' | 'blade' | 'saddle'

/**
 * The point as a place where things lodge: an opening between tip and back, on an elliptic section of the
 * bait. Metres.
 */
export interface PointSite {
  /** opening above the back; negative under the skin */ readonly openingM: number
  readonly halfWidthM: number
  readonly halfHeightM: number
  /** load that presses a guard in front of the point down, N; 0 without one */ readonly guardN: number
  /** how far the plastic gives per newton pressed on it, m/N */ readonly givePerN: number
}

/**
 * Reads the point as a catch site off an assembled rig. The give is that of a block as wide as the bait under a line
 * load: 1 / (2·E·width).
 */
export function pointSite(rig: AssembledRig): PointSite {
  const { bait, parts, baitSpec } = rig
  const s = Math.min(bait.lengthM, Math.max(0.02 * bait.lengthM, parts.placement.path.tip.s))
  const width = bait.widthAt(s)
  return {
    openingM: parts.placement.openingM,
    guardN: guardN(rig.spec),
    halfWidthM: width / 2,
    halfHeightM: bait.heightAt(s) / 2,
    givePerN: 1 / (2 * modulusPa(PLASTICS[baitSpec.material].shore00) * width),
  }
}

/** A step or knot that strands hang on, m. */
interface Step {
  readonly id: CatchSiteId
  readonly heightM: number
}

/**
 * A head or weight as it goes into gaps: extents along, across and up, m; and the share of tight forks and
 * crevices it slips through or out of by its shape.
 */
export interface WedgeBody {
  readonly alongM: number
  readonly acrossM: number
  readonly highM: number
  readonly slips: Slips
}
interface Slips {
  readonly fork: number
  readonly crevice: number
}

/** All of a rig that cover can hold. */
export interface SnagRig {
  readonly points: readonly (PointSite & { readonly id: 'point' | 'trailing' })[]
  readonly steps: readonly Step[]
  readonly heads: readonly WedgeBody[]
  /** how far a sliding weight runs from the bait, m; 0 where they keep together */ readonly apartM: number
  /** load that opens the hook, N */ readonly openingLoadN: number
  readonly lineStrengthN: number
  /** part by which one rub works a hidden point out, on average; 0 where it is open */
  readonly wornPerRub: number
  /** the points once the hidden one has worked out; undefined where it is open */
  readonly wornPoints?: SnagRig['points']
}

/**
 * Share of tight gaps a shape slips through or out of. Between twigs, which give, a tapered nose guides
 * itself through and a flat or wide one does not; into a crevice of stone a tapered nose drives itself, where
 * a wide head rolls out over it. *Assumed*, from what is fished where.
 */
const SLIPS: Readonly<Record<WeightShape, Slips>> = {
  bullet: { fork: 0.9, crevice: 0.35 },
  stick: { fork: 0.9, crevice: 0.35 },
  belly: { fork: 0.8, crevice: 0.65 },
  keel: { fork: 0.75, crevice: 0.5 },
  slab: { fork: 0.55, crevice: 0.5 },
  ball: { fork: 0.5, crevice: 0.5 },
  wedge: { fork: 0.5, crevice: 0.55 },
  football: { fork: 0.4, crevice: 0.7 },
  mushroom: { fork: 0.3, crevice: 0.45 },
}

/**
 * Rubs after which a point has worked out of plain plastic, on average, by how it rests. *Assumed*, and set
 * so that a skin-hooked point in plain plastic is laid back every three casts or so in thick weed and every
 * eight in sparse, as people do: a calibration, no check.
 */
const RUBS = { flush: 6, skin: 12, buried: 45 } as const

/**
 * A point that has worked out stands at least by its wire over the back, and at most as far as one that was
 * pushed through, m. *Assumed.*
 */
const WORN_MOST_M = 0.0015

/**
 * A tether up to this is a joint; a free weight runs about so far ahead on slack, m. *Assumed*, as the tank
 * shows over two metres.
 */
const JOINT_M = 0.03
const FREE_M = 0.5

/** Height of a knot, in diameters of its line; typical. */
const KNOT = 4

/** All of a rig that cover can hold, whatever line it is tied to. */
export interface Untied extends Omit<SnagRig, 'steps' | 'lineStrengthN'> {
  /** steps before the knot and after it */ readonly steps: readonly [readonly Step[], readonly Step[]]
}

/** Reads everything that can catch off an assembled rig. */
export const snagRig = (rig: AssembledRig, line: Line): SnagRig => tiedTo(untied(rig), line)

/** A rig on its line: the knot is one more thing that strands hang on. */
export const tiedTo = ({ steps: [before, after], ...rest }: Untied, line: Line): SnagRig => ({
  ...rest,
  steps: [...before, { id: 'knot', heightM: KNOT * line.diameterM }, ...after],
  lineStrengthN: line.strengthN,
})

/** Reads everything that can catch off an assembled rig but its knot. */
export function untied(rig: AssembledRig): Untied {
  const { bait, parts, spec, baitSpec } = rig
  const weights = parts.compacts.filter(c => c.kind in SLIPS)
  const heads = [
    ...weights.map(c => ({
      alongM: c.size[0],
      acrossM: c.size[1],
      highM: c.size[2],
      slips: SLIPS[c.kind as WeightShape],
    })),
    ...(parts.second ? [wedgeOf(parts.second)] : []),
  ]
  const front = weights.find(c => c.at[0] > 0)
  const nose = bait.heightAt(0.03 * bait.lengthM)
  const lumps = (kind: 'skirt' | 'blade'): Step[] =>
    parts.compacts.filter(c => c.kind === kind).map(c => ({ id: kind, heightM: 0.3 * c.size[1] }))
  const point = pointSite(rig)
  const trailing = parts.trailing ? [{ ...trailingLip(rig), id: 'trailing' as const }] : []
  const worn = {
    ...point,
    id: 'point' as const,
    openingM: Math.max(
      point.openingM,
      parts.dims.wireM,
      Math.min(WORN_MOST_M, parts.placement.naturalOpeningM),
    ),
  }
  return {
    points: [{ ...point, id: 'point' }, ...trailing],
    ...(spec.pointRest === 'open' ? {} : { wornPoints: [worn, ...trailing] }),
    steps: [
      [
        ...(front
          ? [
              { id: 'head' as const, heightM: Math.abs(nose - front.size[2]) / 2 },
              { id: 'eye' as const, heightM: 3 * parts.dims.wireM },
            ]
          : []),
        ...(parts.placement.path.eye.s < 0 && !front
          ? [{ id: 'keeper' as const, heightM: 2 * parts.dims.wireM }]
          : []),
      ],
      [...lumps('skirt'), ...lumps('blade')],
    ],
    heads,
    apartM: parts.second && parts.second.tetherM > JOINT_M ? Math.min(FREE_M, parts.second.tetherM) : 0,
    openingLoadN: openingLoadN(parts.dims).value,
    wornPerRub:
      spec.pointRest === 'open' ? 0 : 1 / (RUBS[spec.pointRest] * PLASTICS[baitSpec.material].toughness),
  }
}

/** A weight as it goes into gaps. */
export function wedgeOf({
  shape,
  massKg,
  densityKgM3,
}: Pick<NonNullable<AssembledRig['parts']['second']>, 'shape' | 'massKg' | 'densityKgM3'>): WedgeBody {
  const size = weightSize(shape, massKg, densityKgM3)
  return { alongM: size.lengthM, acrossM: size.widthM, highM: size.heightM, slips: SLIPS[shape] }
}

/** A trailing hook stands open over the back by all of its gap. */
function trailingLip(rig: AssembledRig): PointSite {
  const {
    bait,
    parts: { trailing },
  } = rig
  const tip = trailing!.tip
  return {
    ...pointSite(rig),
    openingM: Math.max(0.001, tip.z - bait.topAt(Math.min(tip.s, bait.lengthM))),
    halfWidthM: bait.widthAt(tip.s) / 2,
    halfHeightM: bait.heightAt(tip.s) / 2,
    guardN: 0,
  }
}

/**
 * Opening that a long straight thing meets when it slides along the bait touching it at an angle round from
 * the back: height of the tip over the section's tangent there, (b + c)·cos(angle) - sqrt((a·sin)² +
 * (b·cos)²).
 * @param angleRad 0 along the back, ±pi/2 along a flank
 */
export function openingAt(site: PointSite, angleRad: number): number {
  const cos = Math.cos(angleRad)
  const [across, up] = [site.halfWidthM * Math.sin(angleRad), site.halfHeightM * cos]
  // these are millimetres: nothing that a careful hypotenuse would save
  const support = Math.sqrt(across * across + up * up)
  return (site.halfHeightM + site.openingM) * cos - support
}
