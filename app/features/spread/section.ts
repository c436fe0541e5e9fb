import { BOTTOMS, CAST_M, COVERS, type BottomId, type CoverId } from '#core'

/**
 * Drawing of cover and bottom in a section: counts come from the meeting rates of the model, places from a
 * fixed scatter.
 */
export interface Stem {
  readonly kind: 'weed' | 'reed' | 'wood' | 'pad'
  readonly path: string
  readonly weight: number
}
interface Frame {
  readonly width: number
  readonly top: number
  readonly floor: number
}

/** Evenly spread, never regular: the fractional parts of multiples of the golden ratio. */
const scatter = (i: number, salt: number): number => ((i + 1) * 0.6180339887 + salt * 0.3247) % 1

export function growthOf(cover: CoverId, { width, top, floor }: Frame): Stem[] {
  const deep = floor - top
  return COVERS[cover].obstacles.flatMap((obstacle, k) => {
    const count = Math.round(obstacle.perM * CAST_M)
    return Array.from({ length: count }, (_, i): Stem => {
      const x = scatter(i, k) * width
      const r = scatter(i, k + 5)
      const thick = obstacle.kind === 'rod' ? obstacle.diameterM : obstacle.widthM
      const weight = Math.min(9, Math.max(1.4, thick * 350))
      if (cover === 'pads')
        return {
          kind: obstacle.name === 'edge of a pad' ? 'pad' : 'reed',
          weight: 2.2,
          path:
            obstacle.name === 'edge of a pad'
              ? `M${x} ${top + 2} h${16 + 14 * r}`
              : `M${x} ${floor} q${6 * (r - 0.5)} ${-deep / 2} ${10 * (r - 0.5)} ${-deep}`,
        }
      if (cover === 'mat')
        return {
          kind: 'weed',
          weight: 1.4,
          path: `M${x} ${top} q${4 * (r - 0.5)} 8 ${12 * (r - 0.5)} ${8 + 0.22 * deep * r}`,
        }
      if (cover === 'pilings')
        return {
          kind: 'wood',
          weight: obstacle.name === 'piling' ? 10 : 2,
          path:
            obstacle.name === 'piling'
              ? `M${x} ${floor} V${top - 10}`
              : `M${x - 4} ${floor - deep * r} l4 -5 l4 5`,
        }
      if (cover === 'boulders' && obstacle.kind === 'crevice')
        return { kind: 'wood', weight: 2, path: `M${x - 10} ${floor - 14} l9 14 l9 -14` }
      if (cover === 'boulders' && obstacle.name === 'boulder edge')
        return { kind: 'wood', weight: 2, path: `M${x - 18} ${floor} a18 ${10 + 8 * r} 0 0 1 36 0` }
      if (cover === 'wood') return { kind: 'wood', weight, path: branch(x, r, floor, deep, weight) }
      if (cover === 'reeds')
        return {
          kind: 'reed',
          weight: 2.2,
          path: `M${x} ${floor} q${4 * (r - 0.5)} ${-deep / 2} ${14 * (r - 0.5)} ${-deep - 12}`,
        }
      return { kind: 'weed', weight, path: blade(x, r, floor, deep) }
    })
  })
}

function blade(x: number, r: number, floor: number, deep: number): string {
  const h = deep * (0.45 + 0.4 * r)
  const sway = 10 * (r - 0.4)
  return `M${x} ${floor} q${sway} ${-h / 3} 0 ${-h / 2} t${sway} ${-h / 2}`
}

function branch(x: number, r: number, floor: number, deep: number, weight: number): string {
  const length = 26 + 90 * r + 6 * weight
  const rise = deep * (0.15 + 0.6 * r)
  const way = r > 0.5 ? 1 : -1
  return `M${x} ${floor - rise * 0.2} l${way * length} ${-rise * 0.8} m${-way * length * 0.45} ${rise * 0.36} l${way * length * 0.2} ${-rise * 0.5}`
}

export function stonesOf(
  bottom: BottomId,
  { width, floor, bed }: { readonly width: number; readonly floor: number; readonly bed: number },
): string[] {
  const rate = BOTTOMS[bottom].obstacles.reduce((sum, o) => sum + o.perM, 0)
  const count = bottom === 'mud' ? 0 : Math.round(30 + rate * CAST_M * 8)
  return Array.from({ length: count }, (_, i) => {
    const x = scatter(i, 1) * width
    const y = floor + 4 + scatter(i, 9) * (bed - 8)
    const r = 2 + 3 * scatter(i, 4)
    if (bottom === 'sand') return `M${x} ${y} h1.2`
    if (bottom === 'gravel')
      return `M${x - r} ${y} a${r} ${r * 0.7} 0 1 1 ${2 * r} 0 a${r} ${r * 0.7} 0 1 1 ${-2 * r} 0`
    if (bottom === 'rock')
      return `M${x - 3 * r} ${floor} l${2 * r} ${-2.6 * r} l${2.4 * r} ${0.8 * r} l${1.6 * r} ${1.8 * r}`
    return `M${x - r} ${floor - 1} q${r} ${-2.2 * r} ${2 * r} 0 z`
  })
}
