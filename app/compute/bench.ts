import {
  assembleRig,
  benchDimensions,
  drawRig,
  evaluateFit,
  findSize,
  HOOK_SIZES,
  hydroBody,
  lineOf,
  posesOf,
  problemsOf,
  riggingGuide,
  solidOf,
  straightness,
  waterOf,
  type BenchDimensions,
  type Conditions,
  type FitResult,
  type HookSize,
  type Poses,
  type Problem,
  type RigDrawing,
  type RiggingGuide,
  type RigSolid,
  type RigSpec,
  type SizeAnswer,
  type Straightness,
  type BaitSpec,
} from '#core'

/** One rig on the bench, and the water that it is for. */
export interface BenchJob {
  readonly bait: BaitSpec
  readonly rig: RigSpec
  readonly conditions: Conditions
}

/** What can be seen at once: the drawing, its dimensions, every fit rule, and the sizes below and above. */
export type BenchLook =
  | {
      readonly kind: 'rig'
      readonly drawing: RigDrawing
      readonly solid: RigSolid
      readonly dims: BenchDimensions
      readonly fit: FitResult
      readonly below?: RigDrawing
      readonly above?: RigDrawing
    }
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }

/** What takes longer: the best size, how straight it must be, and how to rig it. */
export interface BenchAdvice {
  readonly sizes: SizeAnswer
  readonly straight: Straightness
  readonly guide: RiggingGuide
}

export function lookAt({ bait, rig, conditions: { lineKind, lineStrengthN } }: BenchJob): BenchLook {
  const problems = problemsOf(bait, rig)
  if (problems.length > 0) return { kind: 'invalid', problems }
  const assembled = assembleRig(bait, rig)
  const ghost = (by: 1 | -1): RigDrawing | undefined => {
    const size = HOOK_SIZES[HOOK_SIZES.indexOf(rig.hookSize) + by] as HookSize | undefined
    const other = size && { ...rig, hookSize: size }
    return other && problemsOf(bait, other).length === 0 ? drawRig(assembleRig(bait, other)) : undefined
  }
  const [below, above] = [ghost(-1), ghost(1)]
  return {
    kind: 'rig',
    drawing: drawRig(assembled),
    solid: solidOf(assembled),
    dims: benchDimensions(assembled),
    fit: evaluateFit(assembled, lineOf(lineKind, lineStrengthN)),
    ...(below ? { below } : {}),
    ...(above ? { above } : {}),
  }
}

/** @throws RangeError when the rig cannot be built */
export function adviseOn({ bait, rig, conditions }: BenchJob): BenchAdvice {
  const { lineKind, lineStrengthN, temperatureC, salinityGKg } = conditions
  const line = lineOf(lineKind, lineStrengthN)
  const water = waterOf(temperatureC, salinityGKg)
  const assembled = assembleRig(bait, rig)
  const straight = straightness(
    bendM => hydroBody(assembleRig(bait, { ...rig, bendM }).geometry, water),
    line,
  )
  return {
    sizes: findSize(bait, rig, line),
    straight,
    guide: riggingGuide(assembled, evaluateFit(assembled, line), straight),
  }
}

/**
 * How it lies in the water; nothing for what cannot be built.
 * @throws RangeError when its ride cannot be followed
 */
export const posesFor = ({ bait, rig, conditions }: BenchJob): Poses | undefined =>
  problemsOf(bait, rig).length > 0 ? undefined : posesOf(bait, rig, conditions)
