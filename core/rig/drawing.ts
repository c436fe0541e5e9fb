import type { Limb } from '../tackle/forms'
import type { AssembledRig } from './assemble'
import type { BaitShape } from './bait'
import type { FamilyParts } from './families/family'
import type { Compact } from './geometry'
import type { HookPath } from './hookPath'
import { weightCompact } from './parts'

/** A closed or open outline in the pitch plane: x metres from the nose toward the tail, z metres up. */
export interface DrawnShape {
  readonly kind: 'body' | 'tail' | 'wire' | 'weight' | 'eye' | 'slot'
  /** x, z pairs */ readonly points: Float64Array
  readonly closed: boolean
  /** stroke width for wire, m */ readonly strokeM?: number
  /** a stretch of wire hidden in the plastic */ readonly hidden?: boolean
}

export interface RigDrawing {
  readonly shapes: readonly DrawnShape[]
  /** bounds in metres: left, bottom, right, top */ readonly bounds: readonly [number, number, number, number]
  /** centre of gravity, x z */ readonly centre: readonly [number, number]
}

const OUTLINE_STEPS = 60
const ROUND_STEPS = 28

/**
 * Side view of a rig from the same geometry that is dropped. Metres; x toward the tail so that the nose is at
 * 0.
 */
export function drawRig(rig: AssembledRig): RigDrawing {
  const shapes = [...drawBait(rig), ...drawHook(rig), ...drawWeights(rig)]
  const [cx, , cz] = rig.geometry.centre
  return { shapes, bounds: boundsOf(shapes), centre: [-cx, cz] }
}

function drawBait({ bait }: AssembledRig): DrawnShape[] {
  const L = bait.soldM
  const top: number[] = []
  const bottom: number[] = []
  for (let i = 0; i <= OUTLINE_STEPS; i++) {
    const s = (i / OUTLINE_STEPS) * bait.bodyM
    top.push(s, bait.topAt(s))
    bottom.unshift(s, bait.bottomAt(s))
  }
  const shapes: DrawnShape[] = [
    { kind: 'body', points: Float64Array.from([...top, ...bottom]), closed: true },
  ]
  for (const limb of bait.limbs) {
    const s = bait.placeOf(limb.at)
    shapes.push({ kind: 'tail', points: limbOutline(limb, s, bait), closed: true })
  }
  if (bait.slot) {
    const [from, to] = bait.slot
    const depth = (bait.form.slotDepth ?? 0) * L
    const xs = [from, from + 0.02, to - 0.02, to].map(bait.placeOf)
    const points = xs.flatMap((x, i) => [x, bait.topAt(x) - (i === 1 || i === 2 ? depth : 0)])
    if (xs[0]! > 0) shapes.push({ kind: 'slot', points: Float64Array.from(points), closed: false })
  }
  return shapes
}

/** A paddle, fin or claw as an oval; what streams as a tapering blade that curls a little. */
function limbOutline(limb: Limb, s: number, bait: BaitShape): Float64Array {
  const [half, high] = [(limb.thickness * bait.soldM) / 2, (limb.height * bait.soldM) / 2]
  const z = bait.bowAt(s)
  if (limb.kind !== 'curl') return round(s, z, half, high)
  const points: number[] = []
  for (const side of [1, -1]) {
    for (let i = 0; i <= 12; i++) {
      const t = side === 1 ? i / 12 : 1 - i / 12
      const middle = high * (0.9 * Math.sin(2.6 * t) - 0.2 * t)
      points.push(
        s - half + 2 * half * t,
        z - middle + side * high * 0.45 * (1 - t) * (0.4 + t) + side * 0.02 * high,
      )
    }
  }
  return Float64Array.from(points)
}

const drawHook = ({ bait, parts }: AssembledRig): DrawnShape[] =>
  [parts.placement.path, ...(parts.trailing ? [parts.trailing] : [])].flatMap(path => drawWire(path, bait))

function drawWire(path: HookPath, bait: BaitShape): DrawnShape[] {
  const within = (s: number, z: number): boolean =>
    s > 0 && s < bait.bodyM && z < bait.topAt(s) && z > bait.bottomAt(s)
  const fine: number[] = []
  for (let i = 0; i < path.points.length - 1; i++) {
    const a = path.points[i]!
    const b = path.points[i + 1]!
    const n = Math.max(1, Math.ceil(Math.hypot(b.s - a.s, b.z - a.z) / 0.0008))
    for (let k = 0; k < n; k++) fine.push(a.s + ((b.s - a.s) * k) / n, a.z + ((b.z - a.z) * k) / n)
  }
  fine.push(path.tip.s, path.tip.z)
  const shapes: DrawnShape[] = []
  let start = 0
  for (let i = 2; i < fine.length; i += 2) {
    const last = i + 2 >= fine.length
    const was = within(fine[i - 2]!, fine[i - 1]!)
    if (last || within(fine[i]!, fine[i + 1]!) !== was) {
      shapes.push({
        kind: 'wire',
        points: Float64Array.from(fine.slice(start, i + 2)),
        closed: false,
        strokeM: path.wireM,
        hidden: was,
      })
      start = i
    }
  }
  shapes.push({
    kind: 'eye',
    points: round(path.eye.s, path.eye.z, 1.6 * path.wireM, 1.6 * path.wireM),
    closed: true,
    strokeM: 0.7 * path.wireM,
  })
  return shapes
}

function drawWeights({ parts }: AssembledRig): DrawnShape[] {
  return [...parts.compacts, ...secondDrawn(parts)].map(c => {
    const [x, , z] = c.at
    const [length, , height] = c.size
    if (c.kind === 'bullet') {
      const nose = -x - length / 2
      const h = height / 2
      const points = [
        nose,
        z - 0.15 * h,
        nose,
        z + 0.15 * h,
        nose + 0.55 * length,
        z + 0.9 * h,
        nose + length,
        z + h,
        nose + length,
        z - h,
        nose + 0.55 * length,
        z - 0.9 * h,
      ]
      return { kind: 'weight', points: Float64Array.from(points), closed: true }
    }
    if (c.kind === 'mushroom' || c.kind === 'wedge' || c.kind === 'slab')
      return { kind: 'weight', points: flatHead(c), closed: true }
    return { kind: 'weight', points: round(-x, z, length / 2, height / 2), closed: true }
  })
}

/** A head with a flat face: a half round, its flat side ahead, or tilted down by 45 degrees. */
function flatHead({ kind, at: [x, , z], size: [length, , height] }: Compact): Float64Array {
  const tilt = kind === 'wedge' ? -Math.PI / 4 : 0
  const points: number[] = []
  for (let i = 0; i <= 14; i++) {
    const a = -Math.PI / 2 + (Math.PI * i) / 14
    const [u, v] = [length * (Math.cos(a) - 0.5), (height / 2) * Math.sin(a)]
    points.push(-x + u * Math.cos(tilt) - v * Math.sin(tilt), z + u * Math.sin(tilt) + v * Math.cos(tilt))
  }
  return Float64Array.from(points)
}

/**
 * A weight on a long or free tether is drawn near its bait: what matters is its size. m ahead of the nose, or
 * below it.
 */
const DRAWN_AHEAD_M = 0.012

function secondDrawn({ second, tie }: FamilyParts): Compact[] {
  if (!second) return []
  const away = Math.min(second.tetherM, DRAWN_AHEAD_M)
  const at = second.lineOnWeight ? { s: tie.s - away, z: tie.z } : { s: tie.s, z: tie.z - away }
  return [weightCompact(second.shape, second.massKg, second.densityKgM3, at, false)]
}

function round(x: number, z: number, rx: number, rz: number): Float64Array {
  const points = new Float64Array(2 * ROUND_STEPS)
  for (let i = 0; i < ROUND_STEPS; i++) {
    const angle = (2 * Math.PI * i) / ROUND_STEPS
    points[2 * i] = x + rx * Math.cos(angle)
    points[2 * i + 1] = z + rz * Math.sin(angle)
  }
  return points
}

function boundsOf(shapes: readonly DrawnShape[]): [number, number, number, number] {
  const bounds: [number, number, number, number] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const { points } of shapes) {
    for (let i = 0; i < points.length; i += 2) {
      bounds[0] = Math.min(bounds[0], points[i]!)
      bounds[1] = Math.min(bounds[1], points[i + 1]!)
      bounds[2] = Math.max(bounds[2], points[i]!)
      bounds[3] = Math.max(bounds[3], points[i + 1]!)
    }
  }
  return bounds
}
