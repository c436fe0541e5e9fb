import type { Drop } from '../fall/drop'
import { isHeld } from '../fall/dropMiddle'
import { quiverOf, type Quiver } from '../fall/bend/quiver'
import { product } from '../fall/bend/dropBent'
import { fallAtCentre } from '../fall/evaluateFall'
import { LINE_MARKS } from '../fall/holdLine'
import { LINE_EVERY, SAMPLE_STRIDE } from '../fall/recorder'
import type { Rest } from '../fall/rest'
import { fromHeadingPitchRoll, pitchOf, rotate, type Quaternion, type Vec3 } from '../numerics/quaternion'
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
    /** where a held line leads from the knot, a unit vector, the rod ahead; left out on an open spool */
    readonly lineAlong?: Vec3
    /** of a bait without a tail of its own, on a slack line */ readonly quiver?: Quiver
  }
  readonly lies?: Pose & { readonly rest: Rest }
  /** on a tight line */ readonly rides: Pose & { /** over and over */ readonly rolls: boolean }
}

/** A drop has the rod behind the rig, a ride ahead of it; a fall on a held line is turned to agree. */
const ROUND: Quaternion = [0, 0, 0, 1]

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
  const { linePath } = drop
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
        linePath ? product(ROUND, [w!, x!, y!, z!]) : [w!, x!, y!, z!],
        'bent' in drop ? drop.bent.slice(n * joints, (n + 1) * joints) : undefined,
      ),
      ...quivers(prepared, drop),
      ...leading(drop, n),
    },
    lies: { ...posed(links, fromHeadingPitchRoll(0, rest.pitchRad, rest.rollRad), rest.bent), rest },
  }
}

/** Where a held line leads at a sample of a fall, with the rod ahead; the last of its points is the knot. */
function leading({ linePath }: Drop, sample: number): { readonly lineAlong?: Vec3 } {
  if (!linePath) return {}
  const each = 3 * LINE_MARKS
  const at = Math.min(linePath.length / each - 1, Math.floor(sample / LINE_EVERY))
  const [x0, y0, z0, x1, y1, z1] = linePath.subarray((at + 1) * each - 6, (at + 1) * each)
  const along: Vec3 = [x1! - x0!, y1! - y0!, z0! - z1!]
  const length = Math.hypot(...along)
  return length > 0 ? { lineAlong: [along[0] / length, along[1] / length, along[2] / length] } : {}
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
