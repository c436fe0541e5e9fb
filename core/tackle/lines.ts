import { lbfToN } from '../units'

/**
 * Fishing lines. Diameter from breaking strength through a typical tensile stress of the finished line, so
 * any strength can be asked for. Elongation at break: braid 3–5 %, fluorocarbon 20–25 %, mono 25–30 %.
 */
export type LineKind = 'braid' | 'fluorocarbon' | 'mono'

export interface LineStock {
  readonly name: string
  /** breaking stress of the finished line, Pa */ readonly stressPa: number
  readonly stretchAtBreak: number
  readonly densityKgM3: number
}

/**
 * Stresses from common label pairs (typical): braid 10 lb at 0.15 mm, mono 10 lb at 0.30 mm, fluorocarbon 10
 * lb at
 * 0.29 mm. Labels of braid understate strength; the pair is what is printed.
 */
export const LINE_STOCKS: Readonly<Record<LineKind, LineStock>> = {
  braid: { name: 'braid', stressPa: 2.5e9, stretchAtBreak: 0.04, densityKgM3: 970 },
  fluorocarbon: { name: 'fluorocarbon', stressPa: 6.7e8, stretchAtBreak: 0.225, densityKgM3: 1780 },
  mono: { name: 'mono', stressPa: 6.3e8, stretchAtBreak: 0.275, densityKgM3: 1140 },
}
export const LINE_KINDS = Object.keys(LINE_STOCKS) as LineKind[]

/** Printed strengths offered, lb. */
export const LINE_STRENGTHS_LB = [4, 6, 8, 10, 12, 15, 17, 20, 25, 30, 40, 50, 65] as const

export interface Line {
  readonly kind: LineKind
  readonly strengthN: number
  readonly diameterM: number
  /** extensional stiffness EA, N: load per unit strain, taken linear to the break */
  readonly stiffnessN: number
  readonly densityKgM3: number
}

/** @throws RangeError unless strengthN > 0 */
export function lineOf(kind: LineKind, strengthN: number): Line {
  if (!(strengthN > 0)) throw new RangeError('lineOf: strengthN must be positive')
  const stock = LINE_STOCKS[kind]
  return {
    kind,
    strengthN,
    diameterM: Math.sqrt((4 * strengthN) / (Math.PI * stock.stressPa)),
    stiffnessN: strengthN / stock.stretchAtBreak,
    densityKgM3: stock.densityKgM3,
  }
}

export const lineFromLb = (kind: LineKind, strengthLb: number): Line => lineOf(kind, lbfToN(strengthLb))
