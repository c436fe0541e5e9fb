import type { BaitSpec, RigSpec } from '../rig/spec'
import type { BottomId, CoverId } from '../snag/cover'

/** Lengths are told apart by five millimetres. */
const mm5 = (m: number): number => 5 * Math.round(200 * m)

/** The bait that drops are gathered for: its form, length and plastic; an own outline is a bait of its own. */
export const baitKey = ({ form, lengthM, material, own }: BaitSpec): string => `${form} ${mm5(lengthM)} ${material}${own ? ' own' : ''}`
/** What baits are pooled by. */
export const kindKey = ({ form, material }: Pick<BaitSpec, 'form' | 'material'>): string => `${form} ${material}`
/** The rig that a tally is gathered for: bait, family, hook, point, peg; whatever its weight. */
export const rigKey = (bait: BaitSpec, { family, hookSize, pointRest, peg, guard }: RigSpec): string => [baitKey(bait), family, hookSize, pointRest, ...(peg ? [peg] : []), ...(guard ? [guard] : [])].join('|')
/** Where a tally holds. */
export const placeKey = (cover: CoverId, bottom: BottomId): string => `${cover}/${bottom}`
