import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import { cylinderCd } from './dragCurves'

/**
 * Drag of a slack line on a falling rig, as force over speed (N·s/m) at the tie point.
 *
 * The line follows its own track down, so most of it slides lengthwise: shear on a thin cylinder in laminar axial flow,
 * tau = 2·mu·U / (a·ln(4·nu·x/(U·a²))), Glauert & Lighthill, Proc. R. Soc. A 230 (1955) 188, leading term, taken at
 * half the wetted length; 2 is added inside the logarithm so that a very short line stays finite. A share `bow` of the
 * length is dragged broadside (`cylinderCd`). The line's own weight in water, below 0.05 g per metre, is left out.
 * @param wettedM length under water, m, here the depth of the tie point
 * @param speedMS speed of the tie point through the water
 */
export function lineDragPerSpeed(line: Line, water: Water, wettedM: number, speedMS: number, bow: number): number {
  if (!(wettedM > 0 && speedMS > 0)) return 0
  const radius = line.diameterM / 2
  const xi = (water.viscosityPaS / water.densityKgM3) * (wettedM / 2) / (speedMS * radius * radius)
  const alongPerSpeed = 4 * Math.PI * water.viscosityPaS * wettedM / Math.log(2 + 4 * xi)
  const re = water.densityKgM3 * speedMS * line.diameterM / water.viscosityPaS
  return alongPerSpeed + 0.5 * water.densityKgM3 * cylinderCd(re) * line.diameterM * wettedM * bow * speedMS
}
