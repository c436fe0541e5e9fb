import { FAMILIES, HOOK_SIZES, LIMITS, type BenchDimensions } from '#core'
import type { Lane } from '#schemas/spread'
import { POINT_WORDS } from '#words/words'

/** What can be moved on the drawing: where it sits (m), what it says, and what a pull along the bait does. */
export interface Handle {
  readonly id: 'hook' | 'bend' | 'exit' | 'weight' | 'point'
  readonly label: string
  readonly at: { readonly s: number; readonly z: number }
  readonly value: string
  readonly by: (alongM: number) => Partial<Lane>
  /** one press of an arrow key, m */ readonly step: number
}

/** A pull by so much is one hook size, and one way of resting the point, m. */
const SIZE_PULL_M = 0.005
const REST_PULL_M = 0.003

const limited = (value: number, [low, high]: readonly [number, number]): number =>
  Math.round(Math.max(low, Math.min(high, value)) * 10000) / 10000

/** So many steps along a list, held at its ends. */
function along<T>(list: readonly T[], now: T, by: number): T {
  return list[Math.max(0, Math.min(list.length - 1, list.indexOf(now) + by))] ?? now
}

/** Handles of a rig. @param of height of the back as drawn (m), and lengths in words */
export function handlesOf(
  { exitM, exitAtM, bend, shank, tip, weight }: BenchDimensions,
  lane: Lane,
  of: { readonly backAt: (s: number) => number; readonly says: (m: number) => string },
): Handle[] {
  const { hookAtM = 0, weightAtM, hookSize, pointRest } = lane
  const { slides, pointRests } = FAMILIES[lane.family]
  const exit = exitAtM ?? exitM
  const hook: Handle = {
    id: 'hook',
    label: 'hook along the bait',
    at: { s: (shank.from.s + shank.to.s) / 2, z: (shank.from.z + shank.to.z) / 2 },
    value: `${of.says(hookAtM)} from where it usually sits`,
    by: ds => ({ hookAtM: limited(hookAtM + ds, LIMITS.hookAtM) }),
    step: 0.001,
  }
  const size: Handle = {
    id: 'bend',
    label: 'hook size',
    at: bend,
    value: `size ${hookSize}`,
    by: ds => ({ hookSize: along(HOOK_SIZES, hookSize, Math.round(ds / SIZE_PULL_M)) }),
    step: SIZE_PULL_M,
  }
  const out: Handle[] =
    exit === undefined || pointRest === 'open'
      ? []
      : [
          {
            id: 'exit',
            label: 'where the point is brought out',
            at: { s: exit, z: of.backAt(exit) },
            value: `${of.says(exit)} from the nose`,
            by: ds => ({ exitAtM: limited(exit + ds, LIMITS.exitAtM) }),
            step: 0.001,
          },
        ]
  const lead: Handle[] =
    weight && slides
      ? [
          {
            id: 'weight',
            label: 'weight along the bait',
            at: weight,
            value: `${of.says(weight.s)} from the nose`,
            by: ds => ({ weightAtM: limited((weightAtM ?? weight.s) + ds, LIMITS.weightAtM) }),
            step: 0.001,
          },
        ]
      : []
  const point: Handle[] =
    pointRests.length > 1
      ? [
          {
            id: 'point',
            label: 'how the point rests',
            at: tip,
            value: POINT_WORDS[pointRest],
            by: ds => ({ pointRest: along(pointRests, pointRest, Math.round(ds / REST_PULL_M)) }),
            step: REST_PULL_M,
          },
        ]
      : []
  return [hook, size, ...out, ...lead, ...point]
}
