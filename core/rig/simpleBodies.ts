import { weightSize, type WeightShape } from '../tackle/weights'
import { sumParts, type RigGeometry, type Strip } from './geometry'
import { extents } from './parts'

/** A weight alone. @throws RangeError unless mass and density are positive */
export function bareWeight(shape: WeightShape, massKg: number, densityKgM3: number): RigGeometry {
  if (!(massKg > 0 && densityKgM3 > 0)) throw new RangeError('bareWeight: mass and density must be positive')
  const size = extents(weightSize(shape, massKg, densityKgM3))
  return sumParts(
    [],
    [{ kind: shape, at: [0, 0, 0], size, massKg, displacedM3: massKg / densityKgM3, joined: false }],
    [size[0] / 2, 0, 0],
  )
}

/**
 * A straight round rod, the textbook body for cross-flow drag.
 * @param lengthM, diameterM metres; @param densityKgM3 of the rod
 */
export function rod(lengthM: number, diameterM: number, densityKgM3: number, pieces = 24): RigGeometry {
  const ds = lengthM / pieces
  const displacedM3 = (Math.PI / 4) * diameterM ** 2 * ds
  const strips = Array.from({ length: pieces }, (_, i): Strip => ({
    at: [-(i + 0.5) * ds, 0, 0],
    axis: [1, 0, 0],
    side: [0, 1, 0],
    up: [0, 0, 1],
    lengthM: ds,
    widthM: diameterM,
    heightM: diameterM,
    massKg: displacedM3 * densityKgM3,
    displacedM3,
    wet: true,
    part: 'bait',
  }))
  return sumParts(strips, [], [0, 0, 0])
}
