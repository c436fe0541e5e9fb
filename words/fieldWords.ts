import { BAIT_FORMS, BOTTOMS, COVERS, FAMILIES, PLASTICS } from '#core'
import { smallText, UNITS, weightText, withUnit, type UnitSystem } from './units'

/** Names of fields where the word in the code is not the word that people use. */
const NAMES: Readonly<Record<string, string>> = {
  at: 'position',
  bait: 'bait',
  castKg: 'casting weight',
  content: '',
  currentMS: 'strongest current',
  details: '',
  fromH: 'from',
  hookSize: 'hook',
  lanes: 'rig',
  lat: 'latitude',
  lon: 'longitude',
  own: 'own fish',
  plastic: 'material',
  pointRest: 'point',
  preyM: 'length of the food',
  salinityGKg: 'salt',
  strengthN: 'strength',
  tideId: 'tide',
  toH: 'to',
  weightMaterial: 'weight made of',
}
/** Endings that say in what unit a figure is kept. */
const UNIT_ENDING = /(?:KgM3|GKg|MS|Kg|Deg|M|C|N|H)$/

/** Letters of rigs and other short names stay as they are; the rest becomes plain words. */
const partName = (part: string): string =>
  NAMES[part] ??
  (part.length === 1
    ? part
    : part
        .replace(UNIT_ENDING, '')
        .replace(/([a-z])([A-Z])/g, '$1 $2')
        .toLowerCase())

/** A field by its path, in words: `content.lanes.A.weightKg` is "rig A weight". */
export const fieldName = (path: string): string =>
  path
    .split('.')
    .map(partName)
    .filter(part => part !== '')
    .join(' ')

/** Longer than this a length is told as a depth is, m. */
const SMALL_M = 0.5
const NAMED: readonly Readonly<Record<string, { readonly name: string }>>[] = [
  COVERS,
  BOTTOMS,
  FAMILIES,
  PLASTICS,
  BAIT_FORMS,
]

/** What stands in a field, in words and the angler's units. */
export function fieldValue(path: string, value: unknown, system: UnitSystem): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'number') return figureText(path, value, system)
  if (typeof value === 'string') return NAMED.find(names => names[value])?.[value]!.name ?? value
  if (Array.isArray(value)) {
    if (value.every(one => typeof one === 'string' || typeof one === 'number'))
      return value.map(one => fieldValue(path, one, system)).join(', ')
    return `${value.length} ${value.length === 1 ? 'row' : 'rows'}`
  }
  return Object.entries(value as object)
    .map(([key, one]) => `${fieldName(key)} ${fieldValue(key, one, system)}`)
    .join(', ')
}

function figureText(path: string, value: number, system: UnitSystem): string {
  const { depth, speed, temperature, lineStrength, density } = UNITS[system]
  const ending = UNIT_ENDING.exec(path)?.[0]
  switch (ending) {
    case 'MS':
      return withUnit(value, speed)
    case 'KgM3':
      return withUnit(value, density)
    case 'GKg':
      return `${value} g/kg`
    case 'Kg':
      return weightText(value, system)
    case 'C':
      return withUnit(value, temperature)
    case 'N':
      return withUnit(value, lineStrength)
    case 'M':
      return Math.abs(value) < SMALL_M ? smallText(value, system) : withUnit(value, depth)
    default:
      return String(value)
  }
}

/** What a thing of a kind is called, by where it is kept. */
export const KIND_NAMES: Readonly<Record<string, string>> = {
  '/api/box': 'box',
  '/api/spreads': 'spread',
  '/api/documents/spot': 'spot',
  '/api/documents/trip': 'trip',
  '/api/documents/bath': 'bath',
  '/api/documents/fish': 'fish',
  '/api/documents/tide': 'tide',
  '/api/documents/knotTest': 'knot test',
  '/api/log': 'drop of',
  '/api/log/sessions': 'session',
}
