import { logNormal, normal, type Random } from '../numerics/random'
import type { Gap, Placed, Rod } from './cover'
import { openingAt, type CatchSiteId, type SnagRig } from './catchSite'
import type { Retrieve } from './retrieve'

/** How the rig rides, as samples to draw from. Radians, 0 back up. */
export interface Postures {
  readonly retrieveRollRad: ArrayLike<number>
  readonly fallRollRad: ArrayLike<number>
}

/** How a rig is brought through: its postures and the way it is worked. */
export interface Ride {
  readonly postures: Postures
  readonly retrieve: Retrieve
  /** casts from one look at the point to the next; the usual when left out */ readonly looksEvery?: number
}

/**
 * Factors on what is uncertain of a meeting: thickness of things, their press as they slide by, the pull that
 * frees, their strength.
 */
export interface MeetScale {
  readonly size: number
  readonly press: number
  readonly free: number
  readonly strength: number
}
export const AS_MET: MeetScale = { size: 1, press: 1, free: 1, strength: 1 }

/**
 * What becomes of one meeting. `freed`: held, pulled out by force or from the other side; `opened`: the hook
 * gave way; `lost`: the line broke.
 */
export type Fate = 'past' | 'weed' | 'freed' | 'opened' | 'lost'

export interface Meeting {
  readonly fate: Fate
  /** where it lodged or hung; undefined when it went past */ readonly site?: CatchSiteId | 'wedged'
  /** radius of a rod, or width of a gap, m */ readonly sizeM: number
  /** it rubbed along the back over the point */ readonly rubbed: boolean
}

/**
 * Half of the meetings are drawn where a covered point catches, pressed hard by thin things, so that what is
 * rare is seen too: importance sampling by a defensive mixture, whose weights never exceed 2 (Hesterberg,
 * Technometrics 37, 1995). Shifts in standard deviations.
 */
const TILT = { share: 0.5, press: 2.5, radius: -1.2 } as const

/** Pull given to free a caught rig, N: a firm lift with a medium rod. *Assumed.* */
const FREE_N = { median: 12, gsd: 1.5 }

/** What leans on a guard takes the pull of the line, several times the press of sliding by. *Assumed.* */
const GUARD_PRESS = 3

/** Spread of the press of an obstacle, geometric standard deviation. *Assumed.* */
const PRESS_GSD = 1.8

/**
 * Share of holds that let go when pulled from the other side; knots keep four fifths of the line's strength.
 * *Assumed.*
 */
const OTHER_SIDE = 0.5
const KNOT_KEEPS = 0.8

/** A gap much narrower than a head only bumps it, one much wider lets it through. *Assumed.* */
const TIGHT = { fork: [1, 1.9], crevice: [0.45, 1] } as const
export const TIGHT_LEAST = TIGHT.crevice[0]
export const TIGHT_MOST = TIGHT.fork[1]

/**
 * Distance between bait and weight at which one thing in two that lies across comes between them, m.
 * *Assumed.*
 */
const SADDLE_M = 0.25

/** A strand hangs on a step by its height over so many of its own diameters. *Assumed.* */
const HANGS = 6

/** All that chance decides of one meeting, so that many rigs can be let meet the very same things. */
export type Chance =
  | {
      readonly kind: 'rod'
      readonly tight: boolean
      /** 0..1, picks a posture */ readonly which: number
      readonly wander: number
      readonly contact: number
      /** it lies across from above */ readonly over: boolean
      readonly radius: number
      readonly press: number
      readonly strength: number
      readonly pull: number
      readonly hang: number
      readonly side: number
      /** what it counts for */ readonly weight: number
    }
  | {
      readonly kind: 'gap'
      readonly width: number
      readonly strength: number
      readonly turn: number
      readonly slip: number
      readonly side: number
    }

/**
 * Draws one meeting with a thing.
 * @param share of meetings drawn where covered points catch; 0 for things as they come
 */
export function drawMeeting(
  obstacle: Placed,
  { retrieve }: Omit<Ride, 'postures'>,
  random: Random,
  share: number = TILT.share,
): Chance {
  if (obstacle.kind !== 'rod') {
    return {
      kind: 'gap',
      width: logNormal(random, obstacle.widthM, obstacle.widthGsd),
      strength: logNormal(random, obstacle.strengthN, obstacle.strengthGsd),
      turn: random() * Math.PI,
      slip: random(),
      side: random(),
    }
  }
  const tight = random() < retrieve.tight
  const wander = retrieve.wanderRad * (2 * random() - 1) * Math.sqrt(3)
  const which = random()
  const contact = contactAngle(obstacle, random)
  const tilted = random() < share
  const radius = normal(random) + (tilted ? TILT.radius : 0)
  const press = normal(random) + (tilted ? TILT.press : 0)
  const ratio = Math.exp(
    TILT.radius * radius - TILT.radius ** 2 / 2 + TILT.press * press - TILT.press ** 2 / 2,
  )
  return {
    kind: 'rod',
    tight,
    wander,
    which,
    contact,
    over: Math.abs(contact) < 0.6,
    radius: (obstacle.diameterM * obstacle.diameterGsd ** radius) / 2,
    press: retrieve.pressN * PRESS_GSD ** press,
    weight: 1 / (1 - share + share * ratio),
    strength: logNormal(random, obstacle.strengthN, obstacle.strengthGsd),
    pull: logNormal(random, FREE_N.median, FREE_N.gsd),
    hang: random(),
    side: random(),
  }
}

/**
 * How a rig stands to a drawn meeting, whatever its size and force: for a rod, how far each point opens over
 * the back toward it, m, and whether it rubs over the point; for a gap, what each head presents to it, m.
 */
export interface Stance {
  readonly openings: ArrayLike<number>
  readonly rubbed: boolean
}

/** Looks at a drawn meeting from one rig. A point that faces away opens by less than anything. */
export function stanceTo(rig: SnagRig, obstacle: Placed, postures: Postures, chance: Chance): Stance {
  if (chance.kind === 'gap') {
    const { turn } = chance
    return {
      openings: rig.heads.map(({ alongM, acrossM, highM }) =>
        obstacle.kind === 'fork'
          ? Math.sqrt(acrossM * highM)
          : Math.hypot(acrossM * Math.cos(turn), alongM * Math.sin(turn)),
      ),
      rubbed: false,
    }
  }
  const angle = angleOn(postures, chance)
  const cos = Math.cos(angle)
  const openings: number[] = []
  for (const site of rig.points) openings.push(cos > 0 ? openingAt(site, angle) : -Infinity)
  return { openings, rubbed: cos > 0.7 }
}

/** Where round the bait a drawn thing touches, rad from the middle of its back, positive to the left. */
function angleOn(postures: Postures, chance: Extract<Chance, { kind: 'rod' }>): number {
  const rolls = chance.tight ? postures.retrieveRollRad : postures.fallRollRad
  return chance.contact - rolls[Math.floor(chance.which * rolls.length)]! - chance.wander
}

/** One meeting looked at closely: what is held against what. SI. */
export type CloseUp = Meeting &
  (
    | {
        readonly kind: 'rod'
        /** where it touches, rad from the middle of the back, positive to the left */ readonly angleRad: number
        readonly pressN: number
        /** widest any point opens toward it, pressed as it is; what is thinner can lodge. −∞ from behind */
        readonly openingM: number
      }
    | {
        readonly kind: 'gap'
        /** what the head that comes nearest to wedging presents to it; undefined without a head */
        readonly headM?: number
      }
  )

/**
 * Lets a rig meet one thing as it comes, and tells what was held against what. Every draw comes from `random`, so the
 * same seed meets different rigs alike.
 */
export function closeUp(rig: SnagRig, obstacle: Placed, ride: Ride, random: Random): CloseUp {
  const chance = drawMeeting(obstacle, ride, random, 0)
  const meeting = resolve(rig, obstacle, ride.postures, chance)
  const { openings } = stanceTo(rig, obstacle, ride.postures, chance)
  if (chance.kind === 'gap') {
    const off = (head: number): number => Math.abs(Math.log(head / chance.width))
    const [headM] = Array.from(openings).sort((a, b) => off(a) - off(b))
    return { ...meeting, kind: 'gap', ...(headM === undefined ? {} : { headM }) }
  }
  const pressed = rig.points.map((site, i) => openings[i]! + chance.press * site.givePerN)
  return {
    ...meeting,
    kind: 'rod',
    angleRad: angleOn(ride.postures, chance),
    pressN: chance.press,
    openingM: Math.max(-Infinity, ...pressed),
  }
}

/** How a meeting ends: one of a few, made once. */
export interface Ending {
  readonly fate: Fate
  readonly site?: CatchSiteId | 'wedged'
}
const PAST: Ending = { fate: 'past' }
const endingsOf = (fate: Fate): Readonly<Record<CatchSiteId | 'wedged', Ending>> => {
  const at = (site: CatchSiteId | 'wedged'): Ending => ({ fate, site })
  return {
    point: at('point'),
    trailing: at('trailing'),
    head: at('head'),
    eye: at('eye'),
    keeper: at('keeper'),
    knot: at('knot'),
    skirt: at('skirt'),
    blade: at('blade'),
    saddle: at('saddle'),
    wedged: at('wedged'),
  }
}
const ENDINGS: Readonly<Record<Fate, Readonly<Record<CatchSiteId | 'wedged', Ending>>>> = {
  past: endingsOf('past'),
  weed: endingsOf('weed'),
  freed: endingsOf('freed'),
  opened: endingsOf('opened'),
  lost: endingsOf('lost'),
}

/** Radius of a rod, or width of a gap, m. */
export const sizeOf = (chance: Chance): number => (chance.kind === 'rod' ? chance.radius : chance.width)

/** What comes of a drawn meeting for one rig. */
export function resolve(rig: SnagRig, obstacle: Placed, postures: Postures, chance: Chance): Meeting {
  const stance = stanceTo(rig, obstacle, postures, chance)
  const { fate, site } = endOf(rig, obstacle, chance, stance, AS_MET)
  return { fate, ...(site ? { site } : {}), sizeM: sizeOf(chance), rubbed: stance.rubbed }
}

/** How a meeting ends with what is uncertain of it as given. */
export const endOf = (
  rig: SnagRig,
  obstacle: Placed,
  chance: Chance,
  stance: Stance,
  scale: MeetScale,
): Ending =>
  chance.kind === 'rod'
    ? endOfRod(rig, obstacle as Rod, chance, stance, scale)
    : endOfGap(rig, obstacle as Gap, chance, stance, scale)

function endOfRod(
  rig: SnagRig,
  rod: Rod,
  chance: Extract<Chance, { kind: 'rod' }>,
  { openings }: Stance,
  scale: MeetScale,
): Ending {
  const radius = scale.size * chance.radius
  const press = scale.press * chance.press
  const strength = scale.strength * chance.strength
  const pull = scale.free * chance.pull
  for (let i = 0; i < openings.length; i++) {
    const site = rig.points[i]!
    const opening = openings[i]! + press * site.givePerN
    if (opening <= radius || opening <= 0) continue
    if (site.guardN > 0 && Math.min(strength, GUARD_PRESS * press) < site.guardN) continue
    return ENDINGS[strength > pull ? held(rig, strength, chance.side) : 'weed'][site.id]
  }
  // line between a bait and a weight that has run ahead saddles over what lies across its way
  if (
    rig.apartM > 0 &&
    chance.over &&
    !rod.strand &&
    strength > pull &&
    chance.hang < rig.apartM / (rig.apartM + SADDLE_M)
  ) {
    return ENDINGS[chance.side < OTHER_SIDE ? 'past' : 'freed'].saddle
  }
  if (rod.strand) {
    let share = 0
    for (const step of rig.steps) {
      share += step.heightM / (HANGS * 2 * radius + step.heightM) / 4
      if (chance.hang < share) return ENDINGS.weed[step.id]
    }
  }
  return PAST
}

function endOfGap(
  rig: SnagRig,
  gap: Gap,
  chance: Extract<Chance, { kind: 'gap' }>,
  { openings }: Stance,
  scale: MeetScale,
): Ending {
  const width = scale.size * chance.width
  const [low, high] = TIGHT[gap.kind]
  for (let i = 0; i < openings.length; i++) {
    const over = openings[i]! / width
    if (over < low || over > high || chance.slip < rig.heads[i]!.slips[gap.kind]) continue
    return ENDINGS[held(rig, scale.strength * chance.strength, chance.side)].wedged
  }
  return PAST
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
  if (which < rod.upright) return ((way < 0.5 ? 1 : -1) * Math.PI) / 2 + spread
  return (way < rod.overhead ? 0 : Math.PI) + spread
}
