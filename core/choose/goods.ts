import { FAMILIES, looseFamilies } from '../rig/families'
import type { BaitSpec, FamilyId, PointRest, RigSpec } from '../rig/spec'
import {
  HOOK_SIZES,
  typicalHook,
  WIRE_GRADES,
  type HookDims,
  type HookSize,
  type HookStyle,
  type WireGrade,
} from '../tackle/hooks'
import type { Line } from '../tackle/lines'
import { OUNCE_STEPS_KG, type WeightMaterial, type WeightShape } from '../tackle/weights'
import type { RodPower } from '../tackle/rods'
import type { Way } from './day'

/**
 * What can be rigged with, plainly. `id` is the owner's own; the same bait in several colours is several
 * baits.
 */
export interface Goods {
  readonly baits: readonly { readonly id: string; readonly name: string; readonly spec: BaitSpec }[]
  readonly hooks: readonly {
    readonly id: string
    readonly style: HookStyle
    readonly size: HookSize
    readonly wire?: WireGrade
    readonly gap?: 'standard' | 'deep'
    readonly weightKg?: number
    readonly weightMaterial?: WeightMaterial
    readonly own?: Partial<HookDims>
  }[]
  readonly heads: readonly {
    readonly id: string
    readonly family: FamilyId
    readonly size: HookSize
    readonly weightKg: number
    readonly weightMaterial: WeightMaterial
    readonly own?: Partial<HookDims>
  }[]
  readonly weights: readonly {
    readonly id: string
    readonly shape: WeightShape
    readonly weightKg: number
    readonly weightMaterial: WeightMaterial
  }[]
  readonly lines: readonly { readonly id: string; readonly line: Line }[]
  readonly rods: readonly {
    readonly id: string
    readonly name: string
    readonly power: RodPower
    readonly lengthM?: number
    readonly castKg: readonly [number, number]
  }[]
}

/** A way to rig any bait from a box: a family on a hook, and the weights that go with it. */
export interface Rigging {
  readonly base: Omit<RigSpec, 'weightKg' | 'weightMaterial' | 'pointRest'>
  readonly points: readonly PointRest[]
  readonly weights: readonly Loaded[]
  readonly hookId: string
}
export interface Loaded {
  readonly weightKg: number
  readonly weightMaterial: WeightMaterial
  readonly itemId?: string
}

/** Weights that are sold loose. */
const LOOSE_SHAPES: readonly WeightShape[] = ['bullet', 'ball', 'football', 'stick']

/** Loose weights are used within a family's usual range, and a little over either end. */
const usual = (family: FamilyId, kg: number): boolean => {
  const { usualKg } = FAMILIES[family]
  return !usualKg || (kg >= 0.9 * usualKg[0] && kg <= 1.1 * usualKg[1])
}

/**
 * Every way of rigging that a box holds. Points are those of the family, narrowed by the angler's own way.
 */
export function riggingsOf(goods: Goods, way: Way = {}): Rigging[] {
  const leadless = <T extends { readonly weightMaterial?: WeightMaterial }>(x: T): boolean =>
    !(way.unleaded && x.weightMaterial === 'lead')
  const found: Rigging[] = []
  const add = (
    family: FamilyId,
    hookId: string,
    hook: HookOf,
    weights: readonly Loaded[],
    more: Partial<RigSpec> = {},
  ): void => {
    const points = FAMILIES[family].pointRests.filter(p => allowed(p, way))
    if (points.length > 0 && weights.length > 0)
      found.push({ base: { family, ...hook, ...more }, points, weights, hookId })
  }
  for (const head of goods.heads.filter(leadless)) add(head.family, head.id, hookOf(head), [head])
  for (const hook of goods.hooks.filter(leadless)) {
    const { style, id, weightKg, weightMaterial = 'lead' } = hook
    if (weightKg !== undefined) {
      for (const family of looseFamilies(style, 'onHook'))
        add(family, id, hookOf(hook), [{ weightKg, weightMaterial }])
      continue
    }
    for (const family of looseFamilies(style))
      add(family, id, hookOf(hook), [{ weightKg: 0, weightMaterial: 'lead' }])
    for (const shape of LOOSE_SHAPES) {
      const loose = goods.weights
        .filter(w => w.shape === shape && leadless(w))
        .map(({ weightKg: kg, weightMaterial: of, id: itemId }): Loaded => ({
          weightKg: kg,
          weightMaterial: of,
          itemId,
        }))
      for (const family of looseFamilies(style, shape)) {
        const fitting = loose.filter(w => usual(family, w.weightKg))
        const laid = style === 'straight' ? straightIn(hook) : hookOf(hook)
        if (!FAMILIES[family].pegs) add(family, id, laid, fitting)
        else
          for (const peg of ['pegged', 'free'] as const)
            if (!way.peg || way.peg === peg) add(family, id, laid, fitting, { peg })
      }
    }
  }
  return found
}

type HookOf = Pick<RigSpec, 'hookSize' | 'wire' | 'gap' | 'hook'>
const hookOf = ({
  size,
  own,
  ...rest
}: {
  readonly size: HookSize
  readonly own?: Partial<HookDims>
  readonly wire?: WireGrade
  readonly gap?: 'standard' | 'deep'
}): HookOf => ({
  hookSize: size,
  ...(rest.wire ? { wire: rest.wire } : {}),
  ...(rest.gap ? { gap: rest.gap } : {}),
  ...(own ? { hook: own } : {}),
})

/** A straight hook's dimensions, for a family that is laid out for another hook. */
const straightIn = ({ size, wire = 'standard', own }: Goods['hooks'][number]): HookOf => {
  const typical = typicalHook('straight', size)
  return { hookSize: size, hook: { ...typical, wireM: typical.wireM * WIRE_GRADES[wire].factor, ...own } }
}

/** A point that the angler's own way allows: a school about hidden points says nothing of open ones. */
const allowed = (point: PointRest, { point: asked, heads }: Way): boolean =>
  point === 'open'
    ? heads !== 'weedless'
    : heads !== 'open' && (asked === undefined || asked === 'open' || point === asked)

/**
 * Hook sizes by style that shops keep, and families they are for: what could be bought to go with the baits
 * of a box.
 */
const SOLD: readonly {
  readonly family: FamilyId
  readonly sizes: readonly HookSize[]
  readonly kg: readonly number[]
  readonly material: WeightMaterial
}[] = [
  ...(['E1', 'E2', 'E3', 'E5', 'J1', 'J2', 'J4', 'L1', 'L2', 'W1', 'O2', 'O4'] as const).map(family => {
    const { usualKg, weighted } = FAMILIES[family]
    const kg =
      weighted && usualKg
        ? OUNCE_STEPS_KG.filter(k => k >= 0.99 * usualKg[0] && k <= 1.01 * usualKg[1]).filter(
            (_, i) => i % 2 === 0,
          )
        : [0]
    return {
      family,
      sizes: HOOK_SIZES.slice(0, 11),
      kg,
      // loose bullets are sold in tungsten as often as not
      material: FAMILIES[family].loose?.weight === 'bullet' ? ('tungsten' as const) : ('lead' as const),
    }
  }),
]

/** What could be bought beyond a box: common families in every size, the same baits. */
export function beyondTheBox(way: Way = {}): Rigging[] {
  return SOLD.flatMap(({ family, sizes, kg, material }) =>
    sizes.flatMap((hookSize): Rigging[] => {
      const points = FAMILIES[family].pointRests.filter(p => allowed(p, way))
      const weightMaterial = way.unleaded ? 'tungsten' : material
      return points.length === 0
        ? []
        : [
            {
              base: { family, hookSize, ...(FAMILIES[family].pegs ? { peg: way.peg ?? 'pegged' } : {}) },
              points,
              weights: kg.map(weightKg => ({ weightKg, weightMaterial })),
              hookId: '',
            },
          ]
    }),
  )
}
