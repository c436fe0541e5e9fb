import { splashOf } from '../cast/splash'
import { castByMass } from '../cast/quickCast'
import { normalBelow } from '../numerics/normal'
import type { RetrieveId } from '../snag/retrieve'
import { RODS } from '../tackle/rods'
import { MOVED_MS, usualLine, workedS, type Day } from './day'

/** What a rig's cast is, for weighing it by what the angler is about. SI. */
export interface Thrown {
  readonly castM: number
  readonly noticedM: number
  /** chance to hang up on one cast */ readonly snagPerCast: number
}

/** Seconds of a cast that go by before a rig is worked and after: swing, settle, wind in the last. *Assumed.* */
const OVERHEAD_S = 12
/** Ground covered at which a searching angler meets half of the fish he might, m/s. *Assumed.* */
const HALF_MS = 0.3
/** How far off a fish that was seen a bait is put down, m. *Assumed*: two to three metres ahead of it. */
const LEAD_M = 2.5
/** How far off a fish in sight is where nothing is said of it, m; and how sure a cast is of its distance. */
export const SIGHT_M = 12
const CAST_SD = 0.2

/** Water that is covered, metres a second, snags and weed left out: they cost time, which is counted by itself. */
export function coveredMS(castM: number, retrieve: RetrieveId): number {
  const worked = Math.max(workedS(retrieve) / 2, castM / MOVED_MS[retrieve])
  return castM / (worked + OVERHEAD_S)
}

/** Share that the cast leaves, by what the angler is about; everything where he is about neither. */
export function reachShare(day: Day, { castM }: Pick<Thrown, 'castM'>, retrieve: RetrieveId): number {
  if (day.aim === 'search') {
    const covered = coveredMS(castM, retrieve)
    return covered / (covered + HALF_MS)
  }
  if (day.aim === 'sight') return normalBelow(Math.log(castM / (day.sightM ?? SIGHT_M)) / CAST_SD)
  return 1
}

/** Chance that the fish in sight is not put off by the landing: it is heard less far off than the lead. */
export const unheardShare = ({ noticedM }: Pick<Thrown, 'noticedM'>, splash: number): number =>
  1 / (1 + (noticedM / splash / LEAD_M) ** 2)

/** Speed at which rigs land after a usual cast, m/s, and how steeply, for a first look. *Assumed.* */
const LANDS = { speedMS: 12, steepRad: 0.9 } as const

/** Casts of rigs by their mass, for a first look at many; of no use where the angler is about neither. */
export function quickThrows(day: Day): (massKg: number, weightKg: number) => Omit<Thrown, 'snagPerCast'> {
  if (!day.aim) return () => UNTOLD
  const of = castByMass(RODS.medium, usualLine(), day.wind)
  return (massKg, weightKg) => ({
    castM: of(massKg),
    noticedM: splashOf(
      { massKg, hardKg: Math.min(massKg, weightKg + HOOK_KG) },
      LANDS,
      day.depthM,
      day.clarity,
    ).noticedM,
  })
}
const HOOK_KG = 0.0008
const UNTOLD = { castM: 0, noticedM: 0 } as const
