import { logNormal, type Random } from '../numerics/random'
import type { Gap, Placed, Rod } from './cover'
import { openingAt, type LipId, type SnagRig } from './lip'
import type { Retrieve } from './retrieve'

/** How the rig rides, as samples to draw from. Radians, 0 back up. */
export interface Postures { readonly retrieveRollRad: ArrayLike<number>, readonly fallRollRad: ArrayLike<number> }

/** How a rig is brought through: its postures and the way it is worked. */
export interface Ride {
  readonly postures: Postures
  readonly retrieve: Retrieve
  /** factors on what is uncertain: press of what slides by, pull that frees, strength of things; 1 when left out */ readonly scale?: Partial<Record<'press' | 'free' | 'strength', number>>
}

/** What becomes of one meeting. `freed`: held, pulled out by force or from the other side; `opened`: the hook gave way; `lost`: the line broke. */
export type Fate = 'past' | 'weed' | 'freed' | 'opened' | 'lost'

export interface Meeting {
  readonly fate: Fate
  /** where it lodged or hung; undefined when it went past */ readonly lip?: LipId | 'wedged'
  /** radius of a rod, or width of a gap, m */ readonly sizeM: number
  /** it rubbed along the back over the point */ readonly rubbed: boolean
}

/** Pull given to free a caught rig, N: a firm lift with a medium rod. *Assumed.* */
const FREE_N = { median: 12, gsd: 1.5 }

/** What leans on a guard takes the pull of the line, several times the press of sliding by. *Assumed.* */
const GUARD_PRESS = 3

/** Spread of the press of an obstacle, geometric standard deviation. *Assumed.* */
const PRESS_GSD = 1.8

/** Share of holds that let go when pulled from the other side; knots keep four fifths of the line's strength. *Assumed.* */
const OTHER_SIDE = 0.5
const KNOT_KEEPS = 0.8

/** A gap much narrower than a head only bumps it, one much wider lets it through. *Assumed.* */
const TIGHT = { fork: [1, 1.9], crevice: [0.45, 1] } as const

/** A strand hangs on a step by its height over so many of its own diameters. *Assumed.* */
const HANGS = 6

/** Lets a rig meet one thing. Every draw comes from `random`, so the same seed meets different rigs alike. */
export function meet(rig: SnagRig, obstacle: Placed, ride: Ride, random: Random): Meeting {
  return obstacle.kind === 'rod' ? meetRod(rig, obstacle, ride, random) : meetGap(rig, obstacle, ride, random)
}

function meetRod(rig: SnagRig, rod: Rod, { postures, retrieve, scale }: Ride, random: Random): Meeting {
  const rolls = random() < retrieve.tight ? postures.retrieveRollRad : postures.fallRollRad
  const wander = retrieve.wanderRad * (2 * random() - 1) * Math.sqrt(3)
  const roll = rolls[Math.floor(random() * rolls.length)]! + wander
  const angle = contactAngle(rod, random) - roll
  const radius = logNormal(random, rod.diameterM, rod.diameterGsd) / 2
  const press = (scale?.press ?? 1) * logNormal(random, retrieve.pressN, PRESS_GSD)
  const strength = (scale?.strength ?? 1) * logNormal(random, rod.strengthN, rod.strengthGsd)
  const pull = (scale?.free ?? 1) * logNormal(random, FREE_N.median, FREE_N.gsd)
  const hang = random()
  const side = random()
  const facing = Math.cos(angle) > 0
  const rubbed = facing && Math.cos(angle) > 0.7
  for (const lip of rig.points) {
    if (!facing) break
    const opening = openingAt(lip, angle) + press * lip.givePerN
    if (opening <= radius || opening <= 0) continue
    if (lip.guardN > 0 && Math.min(strength, GUARD_PRESS * press) < lip.guardN) continue
    return { fate: strength > pull ? held(rig, strength, side) : 'weed', lip: lip.id, sizeM: radius, rubbed }
  }
  if (rod.strand) {
    let share = 0
    for (const step of rig.steps) {
      share += step.heightM / (HANGS * 2 * radius + step.heightM) / 4
      if (hang < share) return { fate: 'weed', lip: step.id, sizeM: radius, rubbed }
    }
  }
  return { fate: 'past', sizeM: radius, rubbed }
}

function meetGap(rig: SnagRig, gap: Gap, { scale }: Ride, random: Random): Meeting {
  const width = logNormal(random, gap.widthM, gap.widthGsd)
  const strength = (scale?.strength ?? 1) * logNormal(random, gap.strengthN, gap.strengthGsd)
  const turn = random() * Math.PI
  const slip = random()
  const side = random()
  const [low, high] = TIGHT[gap.kind]
  for (const { alongM, acrossM, highM, slips } of rig.heads) {
    const presented = gap.kind === 'fork' ? Math.sqrt(acrossM * highM) : Math.hypot(acrossM * Math.cos(turn), alongM * Math.sin(turn))
    const over = presented / width
    if (over < low || over > high || slip < slips) continue
    return { fate: held(rig, strength, side), lip: 'wedged', sizeM: width, rubbed: false }
  }
  return { fate: 'past', sizeM: width, rubbed: false }
}

/** What gives way: the thing itself, the hold from the other side, the hook, or the line. */
function held(rig: SnagRig, strengthN: number, side: number): Fate {
  const most = KNOT_KEEPS * rig.lineStrengthN
  if (strengthN < Math.min(most, rig.openingLoadN)) return 'freed'
  if (side < OTHER_SIDE) return 'freed'
  return rig.openingLoadN < most ? 'opened' : 'lost'
}

/** Where round the bait a thing touches, rad from straight up, positive to the left. */
function contactAngle(rod: Rod, random: Random): number {
  const spread = 0.5 * (2 * random() - 1)
  const which = random()
  const way = random()
  if (which < rod.upright) return (way < 0.5 ? 1 : -1) * Math.PI / 2 + spread
  return (way < rod.overhead ? 0 : Math.PI) + spread
}
