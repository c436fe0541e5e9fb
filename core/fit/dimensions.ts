import type { AssembledRig } from '../rig/assemble'
import { gapFillM, pointPlace } from '../rig/gap'
import { PLASTICS } from '../tackle/materials'
import { spareOverBend } from './guide'
import { squeezeShare } from './squeeze'

/** A place in the pitch plane: s metres behind the nose, z metres above the nose–tail line. */
type Place = { readonly s: number; readonly z: number }

/** Places and lengths of a rig that a bench drawing carries as dimension lines. Metres. */
export interface BenchDimensions {
  /** as fished */ readonly lengthM: number
  readonly eye: Place
  readonly tip: Place
  /** back of the bend, hindmost */ readonly bend: Place
  readonly shank: { readonly from: Place; readonly to: Place }
  readonly neckM: number
  readonly gapM: number
  readonly wireM: number
  /** where the untouched hook would come out of the back; undefined when it does not */
  readonly exitM?: number
  /** where the point is brought out, if not there */ readonly exitAtM?: number
  /** plastic in the gap at the point: where, from and to, and its height when squeezed */ readonly fill: {
    readonly s: number
    readonly bottomZ: number
    readonly topZ: number
    readonly heightM: number
    readonly squeezedM: number
  }
  /** middle of the heaviest weight fixed to the hook */ readonly weight?: Place
  readonly openingM: number
  /** plastic to push toward the nose so that the bait lies flat over the bend; 0 for open hooks */
  readonly allowanceM: number
}

/** Reads the dimensions off an assembled rig. */
export function benchDimensions(rig: AssembledRig): BenchDimensions {
  const { bait, parts, spec, baitSpec } = rig
  const { path, exitM, openingM } = parts.placement
  const s = pointPlace(rig)
  const heightM = gapFillM(rig)
  const topZ = bait.topAt(s)
  const heaviest = [...parts.compacts].sort((a, b) => b.massKg - a.massKg)[0]
  return {
    lengthM: bait.lengthM,
    eye: path.eye,
    tip: path.tip,
    bend: path.points.reduce((far, p) => (p.s > far.s ? p : far)),
    shank: path.shank,
    neckM: parts.dims.neckM,
    gapM: parts.dims.gapM,
    wireM: parts.dims.wireM,
    ...(exitM === undefined ? {} : { exitM }),
    ...(spec.exitAtM === undefined ? {} : { exitAtM: spec.exitAtM }),
    fill: {
      s,
      bottomZ: topZ - heightM,
      topZ,
      heightM,
      squeezedM: heightM * (1 - squeezeShare(PLASTICS[baitSpec.material].shore00).value),
    },
    ...(heaviest ? { weight: { s: -heaviest.at[0], z: heaviest.at[2] } } : {}),
    openingM,
    allowanceM: spec.pointRest === 'open' ? 0 : spareOverBend(rig),
  }
}
