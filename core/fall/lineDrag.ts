import { GRAVITY_MS2 } from '../constants'
import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import { cylinderCd } from './dragCurves'

/**
 * Drag of a line that slides lengthwise, as force over speed (N·s/m): shear on a thin cylinder in laminar
 * axial flow, tau = 2·mu·U / (a·ln(4·nu·x/(U·a²))), Glauert & Lighthill, Proc. R. Soc. A 230 (1955) 188,
 * leading term, taken at half the wetted length; 2 is added inside the logarithm so that a very short line
 * stays finite.
 * @param wettedM length under water, m
 * @param speedMS speed along itself, above 0
 */
export function shearPerSpeed(line: Line, water: Water, wettedM: number, speedMS: number): number {
  const radius = line.diameterM / 2
  const xi = ((water.viscosityPaS / water.densityKgM3) * (wettedM / 2)) / (speedMS * radius * radius)
  return (4 * Math.PI * water.viscosityPaS * wettedM) / Math.log(2 + 4 * xi)
}

/** Slower than this a line's own weight is spread over this speed, m/s: it only keeps the quotient finite. */
const LEAST_MS = 0.02

/**
 * What the line of an open spool does to a falling rig, as force over speed (N·s/m) at the tie point, against
 * the motion.
 *
 * Drawn off without tension, the line follows its own track down, so most of it slides lengthwise
 * (`shearPerSpeed`), helped or hindered by its own weight in water, which along any curve comes to weight
 * times depth. A line cannot push: one that sinks by itself lets the rig go and no more. A share `bow` of the
 * length is dragged broadside (`cylinderCd`). This is what a held line comes to whose rod end gives way
 * without any pull.
 * @param wettedM length under water, m, here the depth of the tie point
 * @param speedMS speed of the tie point through the water
 */
export function lineDragPerSpeed(
  line: Line,
  water: Water,
  wettedM: number,
  speedMS: number,
  bow: number,
): number {
  if (!(wettedM > 0 && speedMS > 0)) return 0
  const re = (water.densityKgM3 * speedMS * line.diameterM) / water.viscosityPaS
  const weightN =
    (((line.densityKgM3 - water.densityKgM3) * GRAVITY_MS2 * Math.PI) / 4) * line.diameterM ** 2 * wettedM
  const along = shearPerSpeed(line, water, wettedM, speedMS) - weightN / Math.max(LEAST_MS, speedMS)
  return (
    Math.max(0, along) + 0.5 * water.densityKgM3 * cylinderCd(re) * line.diameterM * wettedM * bow * speedMS
  )
}
