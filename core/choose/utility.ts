import type { RigMembers } from './evaluateRig'

/** What a rig is judged by. */
export const UTILITY_IDS = ['catch', 'fewestSnags', 'surestHook', 'slowestFall'] as const
export type UtilityId = (typeof UTILITY_IDS)[number]

export interface Utility {
  readonly id: UtilityId
  /** bites in an undisturbed hour, and what a lost rig is worth in fish: yours to say */
  readonly bitesPerHour: number
  readonly rigWorth: number
}

/** Fish an hour, net of lost rigs. How often fish bite and what a rig is worth are *assumed* until said. */
export const USUAL_UTILITY: Utility = { id: 'catch', bitesPerHour: 4, rigWorth: 0.5 }

/**
 * What is at stake in every member, for telling whether a difference is worth anything: the catch before lost
 * rigs are paid; else the utility itself.
 */
export function stakeOf(members: RigMembers, utility: Utility): Float64Array {
  return utilityOf(members, { ...utility, rigWorth: 0 })
}

/**
 * Utility in every member, the more the better: fish an hour; share of casts that do not hang up; share of
 * bites hooked; seconds of the fall.
 */
export function utilityOf(
  { fallS, snagPerCast, minutesLeft, lostPerHour, hookUp }: RigMembers,
  { id, bitesPerHour, rigWorth }: Utility,
): Float64Array {
  switch (id) {
    case 'catch':
      return hookUp.map((h, m) => (bitesPerHour * h * minutesLeft[m]!) / 60 - rigWorth * lostPerHour[m]!)
    case 'fewestSnags':
      return snagPerCast.map(c => 1 - c)
    case 'surestHook':
      return hookUp
    case 'slowestFall':
      return fallS
  }
}
