import { typicalHook } from '../tackle/hooks'
import { trailingOf, type StrikeRig, type Tackle } from './bite'
import type { Measure } from '../outcome'
import type { Draws } from '../uncertainty/draws'
import { measureOf } from '../uncertainty/members'
import { shareHooked } from './evaluateStrike'
import { drawFish } from './fish'
import { hookedMembers } from './strikeMembers'

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

/** The rig and the tackle with each change made. */
const changed = (
  rig: StrikeRig,
  tackle: Tackle,
): Readonly<Record<ChangeId, readonly [StrikeRig, Tackle]>> => ({
  finerWire: [{ ...rig, wireM: 0.8 * rig.wireM, openingLoadN: 0.8 ** 3 * rig.openingLoadN }, tackle],
  lighterSkin: [{ ...rig, coverM: Math.max(0, rig.coverM - 0.0012) }, tackle],
  slit: [{ ...rig, filledM: Math.min(rig.filledM, Math.max(0.003, 0.45 * rig.filledM)) }, tackle],
  stifferRod: [rig, { ...tackle, rodNPerM: 1.45 * tackle.rodNPerM, rodMostN: 1.4 * tackle.rodMostN }],
  keepMoving: [rig, { ...tackle, moving: true }],
  nearer: [rig, { ...tackle, distanceM: tackle.distanceM / 2 }],
  noStretch: [
    rig,
    {
      ...tackle,
      line: { ...tackle.line, stiffnessN: Math.max(tackle.line.stiffnessN, tackle.line.strengthN / 0.04) },
    },
  ],
  smallerBait: [{ ...rig, filledM: 0.85 * rig.filledM, lengthM: 0.85 * rig.lengthM }, tackle],
  trailingHook: [{ ...rig, trailing: TRAILING }, tackle],
  scent: [rig, { ...tackle, scented: true }],
  softer: [{ ...rig, modulusPa: 0.75 * rig.modulusPa, squeezeMost: rig.squeezeMost + 0.04 }, tackle],
})

/** Least gain that is told, of all bites. */
const LEAST_GAIN = 0.005

/** The same by any way of finding the share that is hooked. */
export function changesOf(
  rig: StrikeRig,
  tackle: Tackle,
  hooked: (rig: StrikeRig, tackle: Tackle) => number,
): Change[] {
  const now = hooked(rig, tackle)
  return (Object.entries(changed(rig, tackle)) as [ChangeId, readonly [StrikeRig, Tackle]][])
    .map(([id, [otherRig, otherTackle]]) => {
      const hookUp = hooked(otherRig, otherTackle)
      return { id, hookUp, gain: hookUp - now }
    })
    .filter(c => c.gain > LEAST_GAIN)
    .sort((a, b) => b.hookUp - a.hookUp)
}

/** A change with what it adds in every member of the ensemble. */
export interface DoubtfulChange extends Change {
  /** the gain, with its range */ readonly by: Measure
}

/**
 * How sure the gain of the best changes is: both rigs meet the same fish in every member.
 * @param most how many are looked at, the best first
 */
export function changesAmong(
  rig: StrikeRig,
  tackle: Tackle,
  changes: readonly Change[],
  among: Draws,
  most = 5,
): DoubtfulChange[] {
  const [first] = changes
  if (!first) return []
  // shares of some hundred fish may be none or all of them; the odds of members want neither
  const inside = (share: number): number => Math.min(0.999, Math.max(0.001, share))
  const now = hookedMembers(rig, tackle, inside(first.hookUp - first.gain), among).members
  const made = changed(rig, tackle)
  return changes.slice(0, most).map(change => {
    const [otherRig, otherTackle] = made[change.id]
    const { members } = hookedMembers(otherRig, otherTackle, inside(change.hookUp), among)
    return {
      ...change,
      by: measureOf(
        change.gain,
        members.map((h, m) => h - now[m]!),
      ),
    }
  })
}
