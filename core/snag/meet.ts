import { logNormal, normal, type Random } from '../numerics/random'
import type { Gap, Placed, Rod } from './cover'
import { openingAt, type LipId, type SnagRig } from './lip'
import type { Retrieve } from './retrieve'

/** How the rig rides, as samples to draw from. Radians, 0 back up. */
export interface Postures { readonly retrieveRollRad: ArrayLike<number>, readonly fallRollRad: ArrayLike<number> }

/** How a rig is brought through: its postures and the way it is worked. */
export interface Ride {
  readonly postures: Postures
  readonly retrieve: Retrieve
  /** factors on what is uncertain: press of what slides by, pull that frees, strength of things, how fast a point works out; 1 when left out */
  readonly scale?: Partial<Record<'press' | 'free' | 'strength' | 'wear', number>>
  /** casts from one look at the point to the next; the usual when left out */ readonly looksEvery?: number
}

/** What becomes of one meeting. `freed`: held, pulled out by force or from the other side; `opened`: the hook gave way; `lost`: the line broke. */
export type Fate = 'past' | 'weed' | 'freed' | 'opened' | 'lost'

export interface Meeting {
  readonly fate: Fate
  /** where it lodged or hung; undefined when it went past */ readonly lip?: LipId | 'wedged'
  /** radius of a rod, or width of a gap, m */ readonly sizeM: number
  /** it rubbed along the back over the point */ readonly rubbed: boolean
}

/**
 * Half of the meetings are drawn where a covered point catches, pressed hard by thin things, so that what is rare is seen too: importance
 * sampling by a defensive mixture, whose weights never exceed 2 (Hesterberg, Technometrics 37, 1995). Shifts in standard deviations.
 */
const TILT = { share: 0.5, press: 2.5, radius: -1.2 } as const

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

/** Distance between bait and weight at which one thing in two that lies across comes between them, m. *Assumed.* */
const SADDLE_M = 0.25

/** A strand hangs on a step by its height over so many of its own diameters. *Assumed.* */
const HANGS = 6

/** All that chance decides of one meeting, so that many rigs can be let meet the very same things. */
export type Chance =
  | { readonly kind: 'rod', readonly tight: boolean, /** 0..1, picks a posture */ readonly which: number, readonly wander: number, readonly contact: number, /** it lies across from above */ readonly over: boolean, readonly radius: number, readonly press: number, readonly strength: number, readonly pull: number, readonly hang: number, readonly side: number, /** what it counts for */ readonly weight: number }
  | { readonly kind: 'gap', readonly width: number, readonly strength: number, readonly turn: number, readonly slip: number, readonly side: number }

/** Draws one meeting with a thing. @param share of meetings drawn where covered points catch; 0 for things as they come */
export function drawMeeting(obstacle: Placed, { retrieve, scale }: Omit<Ride, 'postures'>, random: Random, share: number = TILT.share): Chance {
  if (obstacle.kind !== 'rod') {
    return { kind: 'gap', width: logNormal(random, obstacle.widthM, obstacle.widthGsd), strength: (scale?.strength ?? 1) * logNormal(random, obstacle.strengthN, obstacle.strengthGsd), turn: random() * Math.PI, slip: random(), side: random() }
  }
  const tight = random() < retrieve.tight
  const wander = retrieve.wanderRad * (2 * random() - 1) * Math.sqrt(3)
  const which = random()
  const contact = contactAngle(obstacle, random)
  const tilted = random() < share
  const radius = normal(random) + (tilted ? TILT.radius : 0)
  const press = normal(random) + (tilted ? TILT.press : 0)
  const ratio = Math.exp(TILT.radius * radius - TILT.radius ** 2 / 2 + TILT.press * press - TILT.press ** 2 / 2)
  return {
    kind: 'rod', tight, wander, which, contact, over: Math.abs(contact) < 0.6,
    radius: obstacle.diameterM * obstacle.diameterGsd ** radius / 2,
    press: (scale?.press ?? 1) * retrieve.pressN * PRESS_GSD ** press,
    weight: 1 / (1 - share + share * ratio),
    strength: (scale?.strength ?? 1) * logNormal(random, obstacle.strengthN, obstacle.strengthGsd),
    pull: (scale?.free ?? 1) * logNormal(random, FREE_N.median, FREE_N.gsd),
    hang: random(), side: random(),
  }
}

/** Lets a rig meet one thing as it comes. Every draw comes from `random`, so the same seed meets different rigs alike. */
export const meet = (rig: SnagRig, obstacle: Placed, ride: Ride, random: Random): Meeting => resolve(rig, obstacle, ride.postures, drawMeeting(obstacle, ride, random, 0))

/** What comes of a drawn meeting for one rig. */
export const resolve = (rig: SnagRig, obstacle: Placed, postures: Postures, chance: Chance): Meeting =>
  chance.kind === 'rod' ? meetRod(rig, obstacle as Rod, postures, chance) : meetGap(rig, obstacle as Gap, chance)

function meetRod(rig: SnagRig, rod: Rod, postures: Postures, { tight, which, wander, contact, over, radius, press, strength, pull, hang, side }: Extract<Chance, { kind: 'rod' }>): Meeting {
  const rolls = tight ? postures.retrieveRollRad : postures.fallRollRad
  const angle = contact - rolls[Math.floor(which * rolls.length)]! - wander
  const facing = Math.cos(angle) > 0
  const rubbed = facing && Math.cos(angle) > 0.7
  for (const lip of rig.points) {
    if (!facing) break
    const opening = openingAt(lip, angle) + press * lip.givePerN
    if (opening <= radius || opening <= 0) continue
    if (lip.guardN > 0 && Math.min(strength, GUARD_PRESS * press) < lip.guardN) continue
    return { fate: strength > pull ? held(rig, strength, side) : 'weed', lip: lip.id, sizeM: radius, rubbed }
  }
  // line between a bait and a weight that has run ahead saddles over what lies across its way
  if (rig.apartM > 0 && over && !rod.strand && strength > pull && hang < rig.apartM / (rig.apartM + SADDLE_M)) {
    return { fate: side < OTHER_SIDE ? 'past' : 'freed', lip: 'saddle', sizeM: radius, rubbed }
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

function meetGap(rig: SnagRig, gap: Gap, { width, strength, turn, slip, side }: Extract<Chance, { kind: 'gap' }>): Meeting {
  const [low, high] = TIGHT[gap.kind]
  for (const { alongM, acrossM, highM, slips } of rig.heads) {
    const presented = gap.kind === 'fork' ? Math.sqrt(acrossM * highM) : Math.hypot(acrossM * Math.cos(turn), alongM * Math.sin(turn))
    const over = presented / width
    if (over < low || over > high || slip < slips[gap.kind]) continue
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
