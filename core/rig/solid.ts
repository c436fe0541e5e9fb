import type { AssembledRig } from './assemble'

/** Numbers a station takes in `RigSolid.stations`: x and z of the section's middle, full width, full height; m, about the centre of gravity. */
export const STATION_STRIDE = 4

/** A lump to be drawn in space: middle and full extents along x, y, z, m, about the centre of gravity. */
export interface SolidLump { readonly kind: string, readonly at: readonly [number, number, number], readonly size: readonly [number, number, number] }

/** A rig in space, for drawing it at any attitude. Body axes: x toward the nose, y left, z to the back; origin at the centre of gravity. */
export interface RigSolid {
  /** sections of the bait, nose to tail, STATION_STRIDE numbers each */ readonly stations: Float64Array
  /** the hook's wire in the pitch plane, x z pairs, eye to point */ readonly wire: Float64Array
  readonly wireM: number
  readonly lumps: readonly SolidLump[]
  readonly lengthM: number
}

const SECTIONS = 20

/** The same geometry that is dropped, as sections, wire and lumps. */
export function solidOf({ bait, parts, geometry }: AssembledRig): RigSolid {
  const [cx, , cz] = geometry.centre
  const stations = new Float64Array((SECTIONS + 1) * STATION_STRIDE)
  for (let i = 0; i <= SECTIONS; i++) {
    const s = (i / SECTIONS) * bait.lengthM
    stations.set([-s - cx, bait.middleAt(s) - cz, bait.widthAt(s), bait.heightAt(s)], i * STATION_STRIDE)
  }
  return {
    stations,
    wire: Float64Array.from(parts.placement.path.points.flatMap(p => [-p.s - cx, p.z - cz])),
    wireM: parts.placement.path.wireM,
    lumps: geometry.compacts.filter(c => c.kind !== 'nose').map(c => ({ kind: c.kind, at: [c.at[0] - cx, c.at[1], c.at[2] - cz], size: c.size })),
    lengthM: geometry.lengthM,
  }
}
