import { mmToM } from '../units'

/**
 * Hook sizes and typical dimensions. There is no standard between makers: the table holds typical wide-gap
 * hooks (±10 %), other styles are stated factors of it. All of it may be replaced by the angler's own
 * measurements.
 */
export const HOOK_SIZES = [
  '6',
  '4',
  '2',
  '1',
  '1/0',
  '2/0',
  '3/0',
  '4/0',
  '5/0',
  '6/0',
  '7/0',
  '8/0',
  '10/0',
  '12/0',
] as const
export type HookSize = (typeof HOOK_SIZES)[number]
export type HookStyle = 'wideGap' | 'bellyWeighted' | 'jig' | 'longJig' | 'worm' | 'straight'

/** Wire as sold, against the standard of the size. */
export const WIRE_GRADES = {
  fine: { name: 'fine wire', factor: 0.8 },
  standard: { name: 'standard wire', factor: 1 },
  heavy: { name: 'heavy wire', factor: 1.2 },
} as const
export type WireGrade = keyof typeof WIRE_GRADES

/** Lengths in metres. */
export interface HookDims {
  /** eye to the outside of the bend, along the shank */ readonly lengthM: number
  /** point to shank */ readonly gapM: number
  readonly wireM: number
  /** straight length between eye and step (wide gap) or eye and keeper (belly weighted) */
  readonly neckM: number
  /** drop from the eye line to the start of the shank */ readonly stepM: number
  /** straight length of the point leg in front of the bend */ readonly pointM: number
}

const WIDE_GAP_MM: Readonly<Record<HookSize, readonly [length: number, gap: number, wire: number]>> = {
  '6': [17, 6, 0.6],
  '4': [20, 7, 0.7],
  '2': [24, 8.5, 0.78],
  '1': [27, 9.5, 0.85],
  '1/0': [32, 11, 0.95],
  '2/0': [36, 12.5, 1.02],
  '3/0': [41, 14, 1.1],
  '4/0': [46, 16, 1.2],
  '5/0': [51, 17.5, 1.3],
  '6/0': [57, 19.5, 1.4],
  '7/0': [63, 21, 1.5],
  '8/0': [69, 23, 1.6],
  '10/0': [82, 27, 1.85],
  '12/0': [95, 31, 2.1],
}

/**
 * The ladder reads short beside what is fished: offset hooks are an eighth longer from 1/0 up, hooks with a
 * belly weight or a screw from 3/0 up. Typical; checked against the sizes that people fish every day.
 */
const LONGER = { by: 1.125, from: { offset: '1/0', belly: '3/0' } } as const satisfies {
  readonly by: number
  readonly from: Record<string, HookSize>
}

/** Length of a size on the ladder that all styles are factors of, m. */
export const ladderLengthM = (size: HookSize): number => mmToM(WIDE_GAP_MM[size][0])

/** Relative spread of hook dimensions between makers at one size. */
export const HOOK_SPREAD = 0.1

/**
 * Typical dimensions of a hook.
 * Factors, besides the longer shanks from 1/0 up: open jig hooks have a gap 0.75 of a wide-gap hook and a
 * length 0.92 (shank behind the head); a belly-weighted hook has the wide-gap outline with a short keeper
 * neck; worm hooks a gap of 0.8; long-shank heads a length of 1.25 of the size's; straight-shank hooks a gap
 * of 0.8, no neck and a small step down to the chin. Neck 0.15, step 0.3 and point 0.34 of length or gap are
 * typical of offset hooks.
 */
export function typicalHook(style: HookStyle, size: HookSize): HookDims {
  const [length, gap, wire] = WIDE_GAP_MM[size]
  const longer =
    style === 'jig' ||
    style === 'longJig' ||
    HOOK_SIZES.indexOf(size) < HOOK_SIZES.indexOf(LONGER.from[style === 'bellyWeighted' ? 'belly' : 'offset'])
      ? 1
      : LONGER.by
  const lengthM = longer * mmToM(length)
  const gapM = mmToM(gap)
  const wireM = mmToM(wire)
  if (style === 'jig')
    return { lengthM: 0.92 * lengthM, gapM: 0.75 * gapM, wireM, neckM: 0, stepM: 0, pointM: 0.3 * lengthM }
  if (style === 'longJig')
    return { lengthM: 1.25 * lengthM, gapM: 0.75 * gapM, wireM, neckM: 0, stepM: 0, pointM: 0.3 * lengthM }
  if (style === 'worm')
    return {
      lengthM,
      gapM: 0.8 * gapM,
      wireM,
      neckM: 0.13 * lengthM,
      stepM: 0.3 * gapM,
      pointM: 0.34 * lengthM,
    }
  if (style === 'straight')
    return {
      lengthM,
      gapM: 0.8 * gapM,
      wireM,
      neckM: 0.06 * lengthM,
      stepM: 0.22 * gapM,
      pointM: 0.34 * lengthM,
    }
  if (style === 'bellyWeighted') {
    return { lengthM, gapM, wireM, neckM: 0.1 * lengthM, stepM: 0.4 * gapM, pointM: 0.34 * lengthM }
  }
  return { lengthM, gapM, wireM, neckM: 0.15 * lengthM, stepM: 0.36 * gapM, pointM: 0.34 * lengthM }
}
