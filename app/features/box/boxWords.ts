import { BAIT_FORMS, FAMILIES, LINE_STOCKS, PLASTICS, WEIGHT_MATERIALS } from '#core'
import {
  HOOK_STYLE_NAMES,
  WEIGHT_SHAPE_NAMES,
  type BoxItem,
  type ItemDetails,
  type ItemKind,
} from '#schemas/box'
import { weightText, withUnit, UNITS, type UnitSystem } from '#words/units'

export const KIND_NAMES: Readonly<Record<ItemKind, { readonly one: string; readonly many: string }>> = {
  bait: { one: 'bait', many: 'baits' },
  hook: { one: 'hook', many: 'hooks' },
  head: { one: 'head', many: 'heads' },
  weight: { one: 'weight', many: 'weights' },
  line: { one: 'line', many: 'lines' },
  rod: { one: 'rod', many: 'rods' },
}

/** What a thing is, in a few words. */
export function whatOf(d: ItemDetails, system: UnitSystem): string {
  const units = UNITS[system]
  switch (d.kind) {
    case 'bait':
      return `${BAIT_FORMS[d.form].name}${d.own ? ', own outline' : ''}, ${PLASTICS[d.material].name}${d.colour ? `, ${d.colour}` : ''}`
    case 'hook':
      return `${HOOK_STYLE_NAMES[d.style]} hook${d.wire && d.wire !== 'standard' ? `, ${d.wire} wire` : ''}${d.gap === 'deep' ? ', deep belly' : ''}${d.own ? ', own measurements' : ''}`
    case 'head':
      return `${FAMILIES[d.family].name}, ${WEIGHT_MATERIALS[d.weightMaterial].name}`
    case 'weight':
      return `${WEIGHT_SHAPE_NAMES[d.shape]}, ${WEIGHT_MATERIALS[d.weightMaterial].name}`
    case 'line':
      return `${LINE_STOCKS[d.line].name}${d.lengthM ? `, ${Math.round(units.depth.from(d.lengthM))} ${units.depth.label} left` : ''}`
    case 'rod':
      return `${d.power}, casts ${weightText(d.castKg[0], system)} to ${weightText(d.castKg[1], system)}`
  }
}

/** Its size as written on the packet. */
export function sizeOf(d: ItemDetails, system: UnitSystem): string {
  const units = UNITS[system]
  switch (d.kind) {
    case 'bait':
      return withUnit(d.lengthM, units.length)
    case 'hook':
    case 'head':
      return d.size
    case 'weight':
      return ''
    case 'line':
      return withUnit(d.strengthN, units.lineStrength)
    case 'rod':
      return withUnit(d.lengthM, units.depth)
  }
}

/** By what sizes are put in order within a kind. */
export function sizeRank({ details: d }: Pick<BoxItem, 'details'>): number {
  switch (d.kind) {
    case 'bait':
    case 'rod':
      return d.lengthM
    case 'hook':
    case 'head':
      return hookRank(d.size)
    case 'weight':
      return d.weightKg
    case 'line':
      return d.strengthN
  }
}

/** #6 before #1 before 1/0 before 12/0. */
const hookRank = (size: string): number =>
  size.includes('/') ? Number(size.split('/')[0]) : 1 - Number(size)

export const weightOf = (d: ItemDetails): number | undefined => ('weightKg' in d ? d.weightKg : undefined)
