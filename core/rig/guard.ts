import { FAMILIES } from './families'
import type { GuardId, RigSpec } from './spec'

/**
 * Load at the point that presses a guard down on it, N. *Assumed* from hand: a trimmed bundle of fibres, a
 * sprung wire.
 */
const GUARD_N: Readonly<Record<GuardId, number>> = { none: 0, fibre: 3.5, wire: 2 }

/** The guard a rig carries: as asked for, or the family's usual one. */
export const guardOf = (spec: Pick<RigSpec, 'family' | 'guard'>): GuardId =>
  spec.guard ?? FAMILIES[spec.family].guards?.[0] ?? 'none'

export const guardN = (spec: Pick<RigSpec, 'family' | 'guard'>): number => GUARD_N[guardOf(spec)]
