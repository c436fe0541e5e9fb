import { BAIT_FORMS } from '../tackle/forms'
import { HOOK_SIZES } from '../tackle/hooks'
import { PLASTICS } from '../tackle/materials'
import { WEIGHT_MATERIALS } from '../tackle/weights'
import { dimsOf } from './dims'
import { FAMILIES } from './families'
import { LIMITS, type BaitSpec, type Problem, type RigSpec } from './spec'

type Range = readonly [number, number]

type Quantity = Extract<Problem, { code: 'range' }>['of']

const within = (field: string, of: Quantity, value: number | undefined, [low, high]: Range): Problem[] =>
  value === undefined || (value >= low && value <= high) ? [] : [{ field, code: 'range', of, low, high }]

const known = (field: string, yes: boolean): Problem[] => (yes ? [] : [{ field, code: 'unknown' }])

/** What is wrong with a bait, one entry a field; empty when it can be built. */
export function problemsOfBait(bait: BaitSpec): Problem[] {
  return [
    ...known('bait.form', bait.form in BAIT_FORMS),
    ...known('bait.material', bait.material in PLASTICS),
    ...within('bait.lengthM', 'length', bait.lengthM, LIMITS.baitLengthM),
    ...outlineProblems(bait),
    ...within('bait.densityKgM3', 'density', bait.densityKgM3, LIMITS.densityKgM3),
  ]
}

type OutlineFault = Extract<Problem['code'], `outline${string}`>

/** An own outline needs a few stations in order, from the nose on, and widths that a bait can have. */
function outlineProblems({ own }: BaitSpec): Problem[] {
  if (!own) return []
  const { at, width, height, rise } = own
  const say = (code: OutlineFault): Problem[] => [{ field: 'bait.own', code }]
  if (at.length < 4 || at.length > 60) return say('outlineCount')
  if ([width, height, ...(rise ? [rise] : [])].some(list => list.length !== at.length))
    return say('outlineLists')
  if (
    at[0] !== 0 ||
    at[at.length - 1]! > 1 ||
    at[at.length - 1]! < 0.3 ||
    at.some((x, i) => i > 0 && !(x > at[i - 1]!))
  )
    return say('outlineOrder')
  if ([...width, ...height].some(x => !(x >= 0.003 && x <= 0.6))) return say('outlineWidths')
  return []
}

/**
 * Everything that is wrong with a bait and rig, one entry a field; empty when it can be
 * built. Does not judge the fit: a poor fit is a result, an impossible rig is an error.
 */
export function problemsOf(bait: BaitSpec, rig: RigSpec): Problem[] {
  const ofBait = problemsOfBait(bait)
  const family = FAMILIES[rig.family]
  if (!family) return [...ofBait, ...known('rig.family', false)]
  const unlike = (code: 'pointRest' | 'keeper' | 'guard', fits: boolean): Problem[] =>
    fits ? [] : [{ field: `rig.${code}`, code, family: rig.family }]
  return [
    ...ofBait,
    ...weightProblems(rig, family.weighted),
    ...unlike('pointRest', family.pointRests.includes(rig.pointRest)),
    ...unlike('keeper', rig.keeper === undefined || family.keepers.includes(rig.keeper)),
    ...unlike('guard', (rig.guard ?? 'none') === 'none' || family.guards?.includes(rig.guard!) === true),
    ...(ofBait.length > 0 ? [] : hookProblems(bait, rig)),
  ]
}

function weightProblems(rig: RigSpec, weighted: boolean): Problem[] {
  const mass: Problem[] = weighted
    ? within('rig.weightKg', 'weight', rig.weightKg, LIMITS.weightKg)
    : rig.weightKg === 0
      ? []
      : [{ field: 'rig.weightKg', code: 'noWeight' }]
  const noPeg = rig.peg !== undefined && rig.peg !== 'pegged' && !FAMILIES[rig.family].pegs
  return [
    ...mass,
    ...known('rig.weightMaterial', rig.weightMaterial in WEIGHT_MATERIALS),
    ...within('rig.leaderM', 'span', rig.leaderM, LIMITS.leaderM),
    ...(rig.sideOn && !FAMILIES[rig.family].trailer
      ? [{ field: 'rig.sideOn', code: 'noSide' } as const]
      : []),
    ...(noPeg ? [{ field: 'rig.peg', code: 'noPeg' } as const] : []),
    ...within('rig.bendM', 'length', rig.bendM, LIMITS.bendM),
    ...within('rig.trimM', 'length', rig.trimM, LIMITS.trimM),
    ...within('rig.hookAtM', 'length', rig.hookAtM, LIMITS.hookAtM),
    ...within('rig.exitAtM', 'length', rig.exitAtM, LIMITS.exitAtM),
    ...within('rig.weightDensityKgM3', 'density', rig.weightDensityKgM3, LIMITS.weightDensityKgM3),
    ...within('rig.weightAtM', 'length', rig.weightAtM, LIMITS.weightAtM),
  ]
}

/** Bait that must be left after cutting, m. */
const LEAST_LEFT_M = 0.02
/** Body that must be left in front of claws and tail, m: less holds no hook. */
const LEAST_BODY_M = 0.008

/** No dimension of a hook reaches this, m. */
const MOST_HOOK_M = 0.2

function hookProblems(bait: BaitSpec, rig: RigSpec): Problem[] {
  if (!HOOK_SIZES.includes(rig.hookSize)) return known('rig.hookSize', false)
  const wrong = Object.entries(rig.hook ?? {}).flatMap(([key, value]): Problem[] =>
    typeof value === 'number' && value >= 0 && value < MOST_HOOK_M
      ? []
      : [{ field: `rig.hook.${key}`, code: 'hookDim', mostM: MOST_HOOK_M }],
  )
  if (wrong.length > 0) return wrong
  const trimM = rig.trimM ?? 0
  const bodyM = (bait.own ?? BAIT_FORMS[bait.form]).at.at(-1)! * bait.lengthM
  if (trimM > 0 && bodyM - trimM < LEAST_BODY_M)
    return [{ field: 'rig.trimM', code: 'bodyLeft', mostM: Math.max(0, bodyM - LEAST_BODY_M) }]
  const { lengthM } = dimsOf(FAMILIES[rig.family].hookStyle, rig)
  const baitM = bait.lengthM - trimM
  if (baitM < LEAST_LEFT_M)
    return [{ field: 'rig.trimM', code: 'baitLeft', mostM: bait.lengthM - LEAST_LEFT_M }]
  return lengthM <= baitM ? [] : [{ field: 'rig.hookSize', code: 'hookLonger', hookM: lengthM, baitM }]
}
