import { FAMILIES, type Family } from '../rig/families'
import type { BaitSpec, GuardId, PointRest, RigSpec } from '../rig/spec'
import type { BottomId, CoverId } from '../snag/cover'
import { BAIT_FORMS, type FormId } from '../tackle/forms'
import { HOOK_SIZES, type HookSize } from '../tackle/hooks'
import { PLASTICS, type PlasticId } from '../tackle/materials'

/** Lengths are told apart by five millimetres. */
const mm5 = (m: number): number => 5 * Math.round(200 * m)

/**
 * The bait that drops are gathered for: its form, length and plastic; an own outline is a bait of its own.
 */
export const baitKey = ({ form, lengthM, material, own }: BaitSpec): string =>
  `${form} ${mm5(lengthM)} ${material}${own ? ' own' : ''}`
/** What baits are pooled by. */
export const kindKey = ({ form, material }: Pick<BaitSpec, 'form' | 'material'>): string =>
  `${form} ${material}`
/** The rig that a tally is gathered for: bait, family, hook, point, peg; whatever its weight. */
export const rigKey = (bait: BaitSpec, { family, hookSize, pointRest, peg, guard }: RigSpec): string =>
  [baitKey(bait), family, hookSize, pointRest, ...(peg ? [peg] : []), ...(guard ? [guard] : [])].join('|')
/** Where a tally holds. */
export const placeKey = (cover: CoverId, bottom: BottomId): string => `${cover}/${bottom}`

/**
 * A bait and a rig that a tally is gathered for, read back from its key: typical in all that the key does not
 * hold (weight, wire, own measurements). Undefined when it is no such key.
 */
export function specsOf(key: string): { readonly bait: BaitSpec; readonly rig: RigSpec } | undefined {
  const [bait = '', family = '', size = '', point = '', ...rest] = key.split('|')
  const [form = '', mm = '', material = ''] = bait.split(' ')
  const lengthM = Number(mm) / 1000
  const known = (FAMILIES as Partial<Record<string, Family>>)[family]
  if (
    !known ||
    !(form in BAIT_FORMS) ||
    !(material in PLASTICS) ||
    !(lengthM > 0) ||
    !HOOK_SIZES.some(s => s === size) ||
    !REST_IDS.some(r => r === point)
  )
    return undefined
  const peg = rest.find(r => PEG_IDS.some(p => p === r))
  const guard = rest.find(r => r !== peg)
  return {
    bait: { form: form as FormId, lengthM, material: material as PlasticId },
    rig: {
      family: known.id,
      hookSize: size as HookSize,
      weightKg: known.usualKg ? Math.sqrt(known.usualKg[0] * known.usualKg[1]) : 0,
      weightMaterial: 'lead',
      pointRest: point as PointRest,
      ...(peg ? { peg: peg as NonNullable<RigSpec['peg']> } : {}),
      ...(guard ? { guard: guard as GuardId } : {}),
    },
  }
}
const REST_IDS: readonly PointRest[] = ['open', 'flush', 'skin', 'buried']
const PEG_IDS: readonly NonNullable<RigSpec['peg']>[] = ['pegged', 'half', 'free']
