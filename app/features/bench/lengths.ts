import type { RigDrawing } from '#core'
import type { BenchLook } from '~/compute/bench'

/** A length along the bait: from and to (m from the nose), and what it says. */
export interface BaitLength {
  readonly id: 'exit' | 'tail' | 'neck'
  readonly from: number
  readonly to: number
  readonly text: string
}

/** Shorter than this a push or a neck is not told, m. */
const LEAST_PUSH_M = 0.0005
const LEAST_NECK_M = 0.001

/** Lengths along the bait, to stand one under the other. @param says a length in words */
export function lengthsOf(
  { dims, fit }: Extract<BenchLook, { kind: 'rig' }>,
  says: (m: number) => string,
): BaitLength[] {
  const { exitM, exitAtM, bend, lengthM, neckM, eye, allowanceM } = dims
  const exit = exitAtM ?? exitM
  const push = allowanceM > LEAST_PUSH_M ? `, push ${says(allowanceM)} forward` : ''
  return [
    ...(exit === undefined
      ? []
      : [{ id: 'exit', from: 0, to: exit, text: `comes out at ${says(exit)}${push}` } as const]),
    {
      id: 'tail',
      from: Math.min(bend.s, lengthM),
      to: lengthM,
      text: `swims free ${says(Math.max(0, lengthM - bend.s))}, ${Math.round(100 * fit.freeTailShare)} %`,
    },
    ...(neckM > LEAST_NECK_M && eye.s + neckM > 0
      ? [{ id: 'neck', from: Math.max(0, eye.s), to: eye.s + neckM, text: `neck ${says(neckM)}` } as const]
      : []),
  ]
}

/**
 * Height of the back or the belly as drawn, at a place along the bait, m: the outline runs along the back to
 * the tail, and along the belly to the nose.
 */
export function surfaceAt({ shapes }: RigDrawing, s: number, side: 'back' | 'belly'): number {
  const { points } = shapes.find(shape => shape.kind === 'body')!
  const n = points.length / 2
  const half = n / 2
  const at = (i: number): number => (side === 'back' ? i : n - 1 - i)
  for (let i = 1; i < half; i++) {
    const [a, b] = [at(i - 1), at(i)]
    const [sa, sb] = [points[2 * a]!, points[2 * b]!]
    if (s > sb) continue
    const part = sb === sa ? 0 : Math.max(0, (s - sa) / (sb - sa))
    return points[2 * a + 1]! + part * (points[2 * b + 1]! - points[2 * a + 1]!)
  }
  return points[2 * at(half - 1) + 1]!
}
