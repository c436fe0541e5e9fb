import { cutRig } from '../fall/bend/cut'
import { BULLET_DRAG } from '../fall/compactDrag'
import type { FallBodies } from '../fall/dropAny'
import { hydroBody, type HydroBody } from '../fall/hydroBody'
import type { TetheredWeight } from '../fall/tether'
import { assembleRig, hookMoved, type AssembledRig } from '../rig/assemble'
import { limpness } from '../rig/limpness'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { PLASTICS } from '../tackle/materials'
import { weightSize } from '../tackle/weights'
import type { Water } from '../water/water'

/** Everything of a rig that falls, packed for a water. @throws RangeError when it cannot be built */
export function bodiesOfRig(bait: BaitSpec, spec: RigSpec, water: Water): FallBodies {
  return fallBodiesOf(assembleRig(bait, spec), water)
}

/** What falls at the middle of everything that is uncertain of it. */
export const typicalOf = (rig: AssembledRig, water: Water): FallBodies => ({
  typical: hydroBody(rig.geometry, water),
  ...secondOf(rig, water),
  limp: limpness(rig) * water.densityKgM3,
  links: plastic => cutRig(rig, water, plastic),
})

/** The same of a rig that is built already. */
export const fallBodiesOf = (rig: AssembledRig, water: Water): FallBodies => ({
  ...typicalOf(rig, water),
  ...variantsOf(rig, water),
})

/**
 * The weight that hangs on its own, as the fall takes it; a bullet meets the water as its streamlined nose
 * does.
 */
function secondOf(rig: AssembledRig, water: Water): { readonly weight?: TetheredWeight } {
  const { second } = rig.parts
  if (!second) return {}
  const { densityKgM3 } = second
  return {
    weight: {
      massKg: second.massKg,
      displacedKg: (second.massKg / densityKgM3) * water.densityKgM3,
      diameterM: weightSize(second.shape, second.massKg, densityKgM3).widthM,
      dragFactor: second.dragFactor ?? (second.shape === 'bullet' ? BULLET_DRAG : 1),
      tetherM: second.tetherM,
      lineOnWeight: second.lineOnWeight,
    },
  }
}

/** A hand meets a mark on the bait within this, m. *Assumed.* */
const LAID_WITHIN_M = 0.002

/**
 * The rig with its hook laid forward and back; and with its plastic at both ends of the material's density,
 * unless the density is given.
 */
function variantsOf(rig: AssembledRig, water: Water): Omit<FallBodies, 'typical'> {
  const placed = {
    forward: hydroBody(hookMoved(rig, -LAID_WITHIN_M), water),
    back: hydroBody(hookMoved(rig, LAID_WITHIN_M), water),
  }
  if (rig.baitSpec.densityKgM3 !== undefined) return placed
  const at = (densityKgM3: number): HydroBody =>
    hydroBody(assembleRig({ ...rig.baitSpec, densityKgM3 }, rig.spec).geometry, water)
  const { low, high } = PLASTICS[rig.baitSpec.material].density
  return { light: at(low), dense: at(high), ...placed }
}
