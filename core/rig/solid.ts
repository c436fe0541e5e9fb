import { weightSize } from '../tackle/weights'
import type { AssembledRig } from './assemble'

/**
 * Numbers a station takes in `RigSolid.stations`: x, y and z of the section's middle, full width, full
 * height; m, about the centre of gravity.
 */
export const STATION_STRIDE = 5

/** A lump to be drawn in space: middle and full extents along x, y, z, m, about the centre of gravity. */
export interface SolidLump {
  readonly kind: string
  readonly at: readonly [number, number, number]
  readonly size: readonly [number, number, number]
}

/**
 * A rig in space, for drawing it at any attitude. Body axes: x toward the nose, y left, z to the back; origin
 * at the centre of gravity.
 */
export interface RigSolid {
  /** sections of the bait, nose to tail, STATION_STRIDE numbers each */ readonly stations: Float64Array
  /** the hook's wire in the pitch plane, x z pairs, eye to point */ readonly wire: Float64Array
  readonly wireM: number
  readonly lumps: readonly SolidLump[]
  readonly lengthM: number
  /** where the line or tether is tied */ readonly tie: readonly [number, number, number]
  /** a weight that hangs on its own */ readonly second?: {
    readonly diameterM: number
    readonly lineOnWeight: boolean
  }
}

const SECTIONS = 20

/** The same geometry that is dropped, as sections, wire and lumps. */
export function solidOf({ bait, parts, geometry }: AssembledRig): RigSolid {
  const [cx, cy, cz] = geometry.centre
  const stations = new Float64Array((SECTIONS + 1) * STATION_STRIDE)
  for (let i = 0; i <= SECTIONS; i++) {
    const s = (i / SECTIONS) * bait.bodyM
    stations.set(
      [-s - cx, bait.offAt(s) - cy, bait.middleAt(s) - cz, bait.widthAt(s), bait.heightAt(s)],
      i * STATION_STRIDE,
    )
  }
  return {
    stations,
    wire: Float64Array.from(parts.placement.path.points.flatMap(p => [-p.s - cx, p.z - cz])),
    wireM: parts.placement.path.wireM,
    lumps: geometry.compacts
      .filter(c => c.kind !== 'nose')
      .map(c => ({ kind: c.kind, at: [c.at[0] - cx, c.at[1] - cy, c.at[2] - cz], size: c.size })),
    lengthM: geometry.lengthM,
    tie: [geometry.tie[0] - cx, geometry.tie[1] - cy, geometry.tie[2] - cz],
    ...(parts.second
      ? {
          second: {
            diameterM: weightSize(parts.second.shape, parts.second.massKg, parts.second.densityKgM3).widthM,
            lineOnWeight: parts.second.lineOnWeight,
          },
        }
      : {}),
  }
}
