import { evaluateFall, type FallResult } from '../fall/evaluateFall'
import type { DropFailure } from '../fall/drop'
import { hydroBody } from '../fall/hydroBody'
import type { Outcome } from '../outcome'
import type { RigGeometry } from '../rig/geometry'
import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'

/** Drops a weight or a bait on its own, on a line or free. */
export function evaluateBare(
  geometry: RigGeometry,
  water: Water,
  depthM: number,
  line?: Line,
): Outcome<FallResult, DropFailure> {
  return evaluateFall({ typical: hydroBody(geometry, water) }, { depthM, ...(line ? { line } : {}) })
}
