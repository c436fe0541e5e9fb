import { typicalHook } from '../tackle/hooks'
import { trailingOf, type StrikeRig, type Tackle } from './bite'
import { shareHooked } from './evaluateStrike'
import { drawFish } from './fish'

/** Bites on which changes are tried: enough, since the same bites meet each. */
const CHANGE_DRAWS = 1200

const SMALL = typicalHook('straight', '6')
/** A small hook at the end of a short trace through the tail; the plastic in its gap *assumed*. */
const TRAILING = trailingOf(SMALL)

/** One change that could be made, and what hook-up it would give. */
export interface Change {
  readonly id: ChangeId
  readonly hookUp: number
  /** over what it is without the change */ readonly gain: number
}
export type ChangeId =
  | 'finerWire'
  | 'lighterSkin'
  | 'slit'
  | 'stifferRod'
  | 'keepMoving'
  | 'nearer'
  | 'noStretch'
  | 'softer'
  | 'smallerBait'
  | 'trailingHook'
  | 'scent'

/**
 * What one change would give most, on the same bites: finer wire, a lighter skin over the point, a slit
 * belly, a stiffer rod, keeping it moving, half the distance, line that does not stretch, softer plastic, a
 * bait smaller by 15 % on the same hook, a small hook trailing in the tail, scent. Best first; changes that
 * give nothing are left out.
 */
export function bestChanges(rig: StrikeRig, tackle: Tackle, seed: number, draws = CHANGE_DRAWS): Change[] {
  const fish = drawFish(seed, draws)
  return changesOf(rig, tackle, (r, t) => shareHooked(r, t, fish))
}

/** The same by any way of finding the share that is hooked. */
export function changesOf(
  rig: StrikeRig,
  tackle: Tackle,
  hooked: (rig: StrikeRig, tackle: Tackle) => number,
): Change[] {
  const now = hooked(rig, tackle)
  const tried: Readonly<Record<ChangeId, () => number>> = {
    finerWire: () =>
      hooked({ ...rig, wireM: 0.8 * rig.wireM, openingLoadN: 0.8 ** 3 * rig.openingLoadN }, tackle),
    lighterSkin: () => hooked({ ...rig, coverM: Math.max(0, rig.coverM - 0.0012) }, tackle),
    slit: () =>
      hooked({ ...rig, filledM: Math.min(rig.filledM, Math.max(0.003, 0.45 * rig.filledM)) }, tackle),
    stifferRod: () =>
      hooked(rig, { ...tackle, rodNPerM: 1.45 * tackle.rodNPerM, rodMostN: 1.4 * tackle.rodMostN }),
    keepMoving: () => hooked(rig, { ...tackle, moving: true }),
    nearer: () => hooked(rig, { ...tackle, distanceM: tackle.distanceM / 2 }),
    noStretch: () =>
      hooked(rig, {
        ...tackle,
        line: { ...tackle.line, stiffnessN: Math.max(tackle.line.stiffnessN, tackle.line.strengthN / 0.04) },
      }),
    smallerBait: () => hooked({ ...rig, filledM: 0.85 * rig.filledM, lengthM: 0.85 * rig.lengthM }, tackle),
    trailingHook: () => hooked({ ...rig, trailing: TRAILING }, tackle),
    scent: () => hooked(rig, { ...tackle, scented: true }),
    softer: () =>
      hooked({ ...rig, modulusPa: 0.75 * rig.modulusPa, squeezeMost: rig.squeezeMost + 0.04 }, tackle),
  }
  return (Object.entries(tried) as [ChangeId, () => number][])
    .map(([id, run]) => {
      const hookUp = run()
      return { id, hookUp, gain: hookUp - now }
    })
    .filter(c => c.gain > 0.005)
    .sort((a, b) => b.hookUp - a.hookUp)
}
