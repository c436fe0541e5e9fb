import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { waterOf } from '../water/water'
import {
  cylinderCd,
  ellipseFactor,
  finiteLengthFactor,
  formFactor,
  frictionCf,
  sphereCd,
  inverseCubeRoot,
} from './dragCurves'
import { lineDragPerSpeed } from './lineDrag'

describe('inverseCubeRoot', () => {
  it('is x to the power of minus a third, from a neighbour or from far off', () => {
    // 2e-12: two fourth-order steps from at most a twelfth away; double precision does the rest
    for (const x of [1e-6, 0.3, 7, 2.5e4, 8e9]) {
      for (const near of [0, 0.93, 0.97, 1, 1.04, 1.07, 3]) {
        const value = inverseCubeRoot(x, near * x ** (-1 / 3))
        expect(Math.abs(value * Math.cbrt(x) - 1)).toBeLessThan(2e-12)
      }
    }
  })
})

describe('drag curves against published values', () => {
  // Clift, Grace & Weber, Bubbles, Drops and Particles (1978), the standard drag curve of the sphere, whose
  // sources scatter by some 5 %
  it.each([
    [1, 27.1],
    [10, 4.26],
    [100, 1.09],
    [1000, 0.471],
    [1e4, 0.402],
    [1e5, 0.48],
  ])('sphere at Re %d', (re, cd) => {
    expect(Math.abs(sphereCd(re) / cd - 1)).toBeLessThan(0.06)
  })
  // Wieselsberger's measurements as in White, Viscous Fluid Flow, fig. 3-38, read to a tenth
  it.each([
    [10, 3.1],
    [100, 1.45],
    [1000, 1.05],
    [1e4, 1.1],
  ])('cylinder across the flow at Re %d, within the stated 10 % and the reading', (re, cd) => {
    expect(Math.abs(cylinderCd(re) / cd - 1)).toBeLessThan(0.17)
  })
  it('Blasius friction of a plate', () => expect(frictionCf(1e4)).toBeCloseTo(0.01328, 6))
  it('stays finite at rest', () => {
    for (const f of [sphereCd, cylinderCd, frictionCf]) expect(Number.isFinite(f(0))).toBe(true)
  })
  // Delany & Sorensen, NACA TN 3038 (1953): elliptic cylinders of 2:1 below their drag crisis, on frontal
  // height; a plate as in Hoerner p. 3-15
  it.each([
    [0.02, 0.01, 1.6],
    [0.01, 0.02, 0.6],
    [0.01, 0.01, 1.1],
    [1, 1e-4, 1.98],
  ])('ellipse %d across and %d along the flow', (breadth, chord, cd) => {
    expect(Math.abs((1.1 * ellipseFactor(breadth, chord)) / cd - 1)).toBeLessThan(0.06)
  })
  it('an ellipse that shows less of itself to the flow never has more drag', () => {
    let before = Infinity
    for (let ratio = 50; ratio > 0.02; ratio *= 0.9) {
      const area = ratio * ellipseFactor(ratio, 1)
      expect(area).toBeLessThan(before)
      before = area
    }
  })
  it('loses drag round the ends of short bodies', () => {
    expect(finiteLengthFactor(2)).toBeCloseTo(0.55, 12)
    expect(finiteLengthFactor(40)).toBeCloseTo(0.82, 12)
    expect(finiteLengthFactor(10)).toBeGreaterThan(0.55)
  })
  it('a body of revolution at 5:1 has about a fifth of form drag on top of friction', () =>
    expect(formFactor(0.2)).toBeCloseTo(1.19, 2))
})

describe('drag of a slack line', () => {
  const water = waterOf(15, 0)
  it('is nothing without line in the water or without motion', () => {
    expect(lineDragPerSpeed(lineFromLb('mono', 8), water, 0, 1, 0.03)).toBe(0)
    expect(lineDragPerSpeed(lineFromLb('mono', 8), water, 2, 0, 0.03)).toBe(0)
  })
  it('grows with depth, with thickness and with the bow in the line', () => {
    const at = (lb: number, depthM: number, bow: number): number =>
      lineDragPerSpeed(lineFromLb('mono', lb), water, depthM, 0.5, bow)
    expect(at(8, 4, 0.03)).toBeGreaterThan(1.8 * at(8, 2, 0.03))
    expect(at(30, 2, 0.03)).toBeGreaterThan(at(4, 2, 0.03))
    expect(at(8, 2, 0.06)).toBeGreaterThan(at(8, 2, 0.01))
  })
  it('is a few thousandths of a newton at two metres and half a metre a second', () => {
    // shear alone, worked by hand: 4 pi mu L / ln(2 + 4 nu L/2 / (U a^2)) U for 8 lb mono, a = 0.134 mm:
    // 0.0040 N with the bow of 3 %
    const force = 0.5 * lineDragPerSpeed(lineFromLb('mono', 8), water, 2, 0.5, 0.03)
    expect(force).toBeGreaterThan(0.002)
    expect(force).toBeLessThan(0.008)
  })
})
