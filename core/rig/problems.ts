import { BAIT_FORMS } from '../tackle/forms'
import { HOOK_SIZES } from '../tackle/hooks'
import { KEEPERS } from '../tackle/keepers'
import { PLASTICS } from '../tackle/materials'
import { WEIGHT_MATERIALS } from '../tackle/weights'
import { mToMm } from '../units'
import { dimsOf } from './dims'
import { FAMILIES } from './families'
import { LIMITS, type BaitSpec, type Problem, type RigSpec } from './spec'

type Range = readonly [number, number]

const within = (
  field: string,
  name: string,
  value: number,
  [low, high]: Range,
  scale: number,
  unit: string,
): Problem[] =>
  value >= low && value <= high
    ? []
    : [{ field, message: `${name} must lie between ${low * scale} and ${high * scale} ${unit}.` }]

/** What is wrong with a bait, one entry a field, in plain words; empty when it can be built. */
export function problemsOfBait(bait: BaitSpec): Problem[] {
  return [
    ...(bait.form in BAIT_FORMS
      ? []
      : [{ field: 'bait.form', message: 'This bait form is not in the catalogue.' }]),
    ...(bait.material in PLASTICS
      ? []
      : [{ field: 'bait.material', message: 'This material is not in the catalogue.' }]),
    ...within('bait.lengthM', 'Bait length', bait.lengthM, LIMITS.baitLengthM, 1000, 'mm'),
    ...outlineProblems(bait),
    ...(bait.densityKgM3 === undefined
      ? []
      : within('bait.densityKgM3', 'Density', bait.densityKgM3, LIMITS.densityKgM3, 0.001, 'g/cm³')),
  ]
}

/** An own outline needs a few stations in order, from the nose on, and widths that a bait can have. */
function outlineProblems({ own }: BaitSpec): Problem[] {
  if (!own) return []
  const { at, width, height, rise } = own
  const say = (message: string): Problem[] => [{ field: 'bait.own', message }]
  if (at.length < 4 || at.length > 60) return say('An outline needs between 4 and 60 stations.')
  if ([width, height, ...(rise ? [rise] : [])].some(list => list.length !== at.length))
    return say('Every station needs a width and a height.')
  if (
    at[0] !== 0 ||
    at[at.length - 1]! > 1 ||
    at[at.length - 1]! < 0.3 ||
    at.some((x, i) => i > 0 && !(x > at[i - 1]!))
  )
    return say('Stations must run in order from 0 at the nose to at most 1 at the tail.')
  if ([...width, ...height].some(x => !(x >= 0.003 && x <= 0.6)))
    return say('Widths and heights must lie between 0.3 and 60 % of the length.')
  return []
}

/**
 * Everything that is wrong with a bait and rig, one entry a field, in plain words; empty when it can be
 * built. Does not judge the fit: a poor fit is a result, an impossible rig is an error.
 */
export function problemsOf(bait: BaitSpec, rig: RigSpec): Problem[] {
  const ofBait = problemsOfBait(bait)
  const family = FAMILIES[rig.family]
  if (!family)
    return [...ofBait, { field: 'rig.family', message: 'This way of rigging is not in the catalogue.' }]
  return [
    ...ofBait,
    ...weightProblems(rig, family.weighted),
    ...(family.pointRests.includes(rig.pointRest)
      ? []
      : [
          {
            field: 'rig.pointRest',
            message: `On a ${family.name} the point rests ${family.pointRests.join(', ')}.`,
          },
        ]),
    ...(rig.keeper === undefined || family.keepers.includes(rig.keeper)
      ? []
      : [
          {
            field: 'rig.keeper',
            message: `On a ${family.name} the bait is held by: ${family.keepers.map(k => KEEPERS[k].name).join(', ')}.`,
          },
        ]),
    ...(rig.guard === undefined || rig.guard === 'none' || family.guards?.includes(rig.guard)
      ? []
      : [{ field: 'rig.guard', message: `A ${family.name} takes no such guard.` }]),
    ...(ofBait.length > 0 ? [] : hookProblems(bait, rig)),
  ]
}

function weightProblems(rig: RigSpec, weighted: boolean): Problem[] {
  const mass = weighted
    ? within('rig.weightKg', 'Weight', rig.weightKg, LIMITS.weightKg, 1000, 'g')
    : rig.weightKg === 0
      ? []
      : [{ field: 'rig.weightKg', message: 'An unweighted offset hook carries no weight: expected 0.' }]
  return [
    ...mass,
    ...(rig.weightMaterial in WEIGHT_MATERIALS
      ? []
      : [{ field: 'rig.weightMaterial', message: 'This weight material is not in the catalogue.' }]),
    ...(rig.leaderM === undefined
      ? []
      : within('rig.leaderM', 'Leader', rig.leaderM, LIMITS.leaderM, 1, 'm')),
    ...(rig.peg === undefined || rig.peg === 'pegged' || rig.family === 'L1'
      ? []
      : [{ field: 'rig.peg', message: 'Only a bullet on the line can be pegged, half stopped or free.' }]),
    ...(rig.bendM === undefined ? [] : within('rig.bendM', 'Bend', rig.bendM, LIMITS.bendM, 1000, 'mm')),
    ...(rig.trimM === undefined
      ? []
      : within('rig.trimM', 'Cut off the nose', rig.trimM, LIMITS.trimM, 1000, 'mm')),
    ...(rig.hookAtM === undefined
      ? []
      : within('rig.hookAtM', 'Hook laid back by', rig.hookAtM, LIMITS.hookAtM, 1000, 'mm')),
    ...(rig.exitAtM === undefined
      ? []
      : within('rig.exitAtM', 'Exit', rig.exitAtM, LIMITS.exitAtM, 1000, 'mm')),
    ...(rig.weightDensityKgM3 === undefined
      ? []
      : within(
          'rig.weightDensityKgM3',
          'Density of the weight',
          rig.weightDensityKgM3,
          LIMITS.weightDensityKgM3,
          0.001,
          'g/cm³',
        )),
    ...(rig.weightAtM === undefined
      ? []
      : within('rig.weightAtM', 'Weight position', rig.weightAtM, LIMITS.weightAtM, 1000, 'mm')),
  ]
}

/** Bait that must be left after cutting, m. */
const LEAST_LEFT_M = 0.02
/** Body that must be left in front of claws and tail, m: less holds no hook. */
const LEAST_BODY_M = 0.008

function hookProblems(bait: BaitSpec, rig: RigSpec): Problem[] {
  if (!HOOK_SIZES.includes(rig.hookSize))
    return [{ field: 'rig.hookSize', message: 'This hook size is not in the table.' }]
  const wrong = Object.entries(rig.hook ?? {}).flatMap(([key, value]) =>
    typeof value === 'number' && value >= 0 && value < 0.2
      ? []
      : [{ field: `rig.hook.${key}`, message: 'A hook dimension must lie between 0 and 200 mm.' }],
  )
  if (wrong.length > 0) return wrong
  const bodyM = (bait.own ?? BAIT_FORMS[bait.form]).at.at(-1)! * bait.lengthM - (rig.trimM ?? 0)
  if (rig.trimM && bodyM < LEAST_BODY_M)
    return [
      {
        field: 'rig.trimM',
        message: `Too little of the body is left: cut off less than ${Math.max(0, Math.floor(mToMm(bodyM + rig.trimM - LEAST_BODY_M)))} mm.`,
      },
    ]
  const { lengthM } = dimsOf(FAMILIES[rig.family].hookStyle, rig)
  const baitM = bait.lengthM - (rig.trimM ?? 0)
  if (baitM < LEAST_LEFT_M)
    return [
      {
        field: 'rig.trimM',
        message: `Too little bait is left: cut off less than ${Math.round(mToMm(bait.lengthM - LEAST_LEFT_M))} mm.`,
      },
    ]
  if (lengthM <= baitM) return []
  const mm = (m: number): string => `${Math.round(mToMm(m))} mm`
  return [
    {
      field: 'rig.hookSize',
      message: `The hook is longer than the bait: ${mm(lengthM)} in ${mm(baitM)}. Take a smaller size.`,
    },
  ]
}
