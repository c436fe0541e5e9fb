import { FAMILIES, KEEPERS, type Problem } from '#core'
import { numberText, smallText, UNITS, withUnit, type UnitSystem } from './units'
import { POINT_WORDS } from './words'

/** What a field is called where it is out of its range. */
const FIELD_NAMES: Readonly<Record<string, string>> = {
  'bait.lengthM': 'Bait length',
  'bait.densityKgM3': 'Density',
  'rig.weightKg': 'Weight',
  'rig.leaderM': 'Leader',
  'rig.bendM': 'Bend',
  'rig.trimM': 'Cut off the nose',
  'rig.hookAtM': 'Hook laid back by',
  'rig.exitAtM': 'Exit',
  'rig.weightDensityKgM3': 'Density of the weight',
  'rig.weightAtM': 'Weight position',
}
const UNKNOWN: Readonly<Record<string, string>> = {
  'bait.form': 'This bait form is not in the catalogue.',
  'bait.material': 'This material is not in the catalogue.',
  'rig.family': 'This way of rigging is not in the catalogue.',
  'rig.weightMaterial': 'This weight material is not in the catalogue.',
  'rig.hookSize': 'This hook size is not in the table.',
}

/** What is wrong at a field, in a sentence; figures in the angler's units. */
export function problemText(problem: Problem, system: UnitSystem): string {
  switch (problem.code) {
    case 'range':
      return `${FIELD_NAMES[problem.field] ?? problem.field} must lie between ${rangeText(problem, system)}.`
    case 'unknown':
      return UNKNOWN[problem.field] ?? 'This is not in the catalogue.'
    case 'outlineCount':
      return 'An outline needs between 4 and 60 stations.'
    case 'outlineLists':
      return 'Every station needs a width and a height.'
    case 'outlineOrder':
      return 'Stations must run in order from 0 at the nose to at most 1 at the tail.'
    case 'outlineWidths':
      return 'Widths and heights must lie between 0.3 and 60 % of the length.'
    case 'pointRest':
      return `On a ${FAMILIES[problem.family].name} the point rests ${FAMILIES[problem.family].pointRests.map(r => POINT_WORDS[r]).join(', ')}.`
    case 'keeper':
      return `On a ${FAMILIES[problem.family].name} the bait is held by: ${FAMILIES[problem.family].keepers.map(k => KEEPERS[k].name).join(', ')}.`
    case 'guard':
      return `A ${FAMILIES[problem.family].name} takes no such guard.`
    case 'noWeight':
      return 'An unweighted offset hook carries no weight: expected 0.'
    case 'noPeg':
      return 'Only a bullet on the line can be pegged, half stopped or free.'
    case 'noSide':
      return 'Only a trailer behind a skirt or a blade is threaded on its side.'
    case 'hookDim':
      return `A hook dimension must lie between 0 and ${smallText(problem.mostM, system)}.`
    case 'bodyLeft':
      return `Too little of the body is left: cut off less than ${cutText(problem.mostM, system)}.`
    case 'baitLeft':
      return `Too little bait is left: cut off less than ${cutText(problem.mostM, system)}.`
    case 'hookLonger':
      return `The hook is longer than the bait: ${smallText(problem.hookM, system)} in ${smallText(problem.baitM, system)}. Take a smaller size.`
  }
}

/** Rounded down, so that what is told is allowed. */
function cutText(m: number, system: UnitSystem): string {
  const { length } = UNITS[system]
  const fine = length.label === 'mm' ? 1 : 10
  return `${numberText(Math.floor(fine * length.from(m)) / fine, fine === 1 ? 0 : 1)} ${length.label}`
}

/** "30 and 400 mm". */
function rangeText({ of, low, high }: Extract<Problem, { code: 'range' }>, system: UnitSystem): string {
  const { length, depth, weight, density } = UNITS[system]
  const unit = { density, length, span: depth, weight }[of]
  const text = (si: number): string => withUnit(si, unit)
  return `${text(low).replace(` ${unit.label}`, '')} and ${text(high)}`
}
