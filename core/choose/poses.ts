import type { Drop } from '../fall/drop'
import { isHeld } from '../fall/dropMiddle'
import { quiverOf, type Quiver } from '../fall/bend/quiver'
import { product } from '../fall/bend/dropBent'
import { fallAtCentre } from '../fall/evaluateFall'
import { SAMPLE_STRIDE } from '../fall/recorder'
import type { Rest } from '../fall/rest'
import { fromHeadingPitchRoll, pitchOf, rotate, type Quaternion } from '../numerics/quaternion'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { asTheyLie, type BentLink } from './bentFall'
import type { Conditions } from './conditions'
import { prepareRig, type PreparedRig } from './prepareRig'

/** How a rig lies in the water at one moment. Angles in radians. */
export interface Pose {
  /** of the part that the hook holds */ readonly attitude: Quaternion
  /** of that part, nose up positive */ readonly pitchRad: number
  /** of each link behind the hook's against the one that it hangs on, w x y z; left out where nothing bends */
  readonly bent?: Float64Array
  /** between nose and tail, 0 where it is straight */ readonly foldRad: number
}

/** A rig as it falls, as it is drawn along, and as it comes to lie. */
export interface Poses {
  /** how its plastic hangs together, where it bends in one of them */ readonly links: readonly BentLink[]
  /** towards the end of its fall, and how it comes to lie; left out where it does not come down */
  readonly falls?: Pose & {
    /** of a bait without a tail of its own, on a slack line */ readonly quiver?: Quiver
  }
  readonly lies?: Pose & { readonly rest: Rest }
  /** on a tight line */ readonly rides: Pose & { /** over and over */ readonly rolls: boolean }
}

/** The moment of a fall that is shown, of its time: it has settled, and touches nothing. */
const SHOWN = 0.9

/**
 * How a rig lies in the water and on the line of the sheet: falling, on a slow retrieve, and on the bottom.
 * @throws RangeError when the rig or the water cannot be built, or its ride cannot be followed
 */
export function posesOf(bait: BaitSpec, spec: RigSpec, conditions: Conditions): Poses {
  const prepared = prepareRig(bait, spec, conditions)
  const links = asTheyLie(prepared.bodies.links?.() ?? [], prepared.rig)
  const ride = prepared.postureOf()
  const rides = {
    ...posed(links, fromHeadingPitchRoll(0, ride.pitchRad.at(-1)!, ride.rollRad.at(-1)!), ride.bent),
    rolls: Math.max(...ride.rollRad) - Math.min(...ride.rollRad) > Math.PI,
  }
  const found = fallAtCentre(prepared.bodies, prepared.fall)
  if (!found.ok) return { links, rides }
  const { drop, rest } = found.value
  const count = drop.samples.length / SAMPLE_STRIDE
  let n = 0
  while (n < count - 1 && drop.samples[n * SAMPLE_STRIDE]! < SHOWN * drop.timeS) n++
  const [w, x, y, z] = drop.samples.subarray(n * SAMPLE_STRIDE + 4, n * SAMPLE_STRIDE + 8)
  const joints = 'bent' in drop ? drop.bent.length / count : 0
  return {
    links,
    rides,
    falls: {
      ...posed(
        links,
        [w!, x!, y!, z!],
        'bent' in drop ? drop.bent.slice(n * joints, (n + 1) * joints) : undefined,
      ),
      ...quivers(prepared, drop),
    },
    lies: { ...posed(links, fromHeadingPitchRoll(0, rest.pitchRad, rest.rollRad), rest.bent), rest },
  }
}

function quivers(
  { rig, bodies: { links, typical, weight }, fall }: PreparedRig,
  drop: Drop,
): { readonly quiver?: Quiver } {
  if (rig.bait.form.tail || weight || !links || isHeld(fall)) return {}
  const quiver = quiverOf(links(), typical, drop, fall.factors)
  return quiver ? { quiver } : {}
}

const posed = (links: readonly BentLink[], attitude: Quaternion, bent: Float64Array | undefined): Pose => ({
  attitude,
  pitchRad: pitchOf(attitude),
  ...(bent ? { bent } : {}),
  foldRad: bent ? foldOf(links, bent) : 0,
})

/**
 * Angle between a bait's nose and its tail, rad: 0 where it is straight, pi where it is doubled up.
 * @param bent attitude of each link behind the root against the one that it hangs on, w x y z each
 */
export function foldOf(links: readonly BentLink[], bent: Float64Array): number {
  const turned: Quaternion[] = [[1, 0, 0, 0]]
  let [nose, tail] = [0, 0]
  for (let n = 1; n < links.length; n++) {
    const [w, x, y, z] = bent.subarray(4 * n - 4, 4 * n)
    turned.push(product(turned[links[n]!.parent]!, [w!, x!, y!, z!]))
    if (links[n]!.behind) tail = n
    else nose = n
  }
  const [a, b] = [rotate(turned[nose]!, [1, 0, 0]), rotate(turned[tail]!, [1, 0, 0])]
  return Math.acos(Math.max(-1, Math.min(1, a[0] * b[0] + a[1] * b[1] + a[2] * b[2])))
}
