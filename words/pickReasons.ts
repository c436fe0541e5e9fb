import {
  atBottom,
  BOTTOMS,
  coveredMS,
  COVERS,
  FACTOR_NAMES,
  FEEDING,
  figuresOf,
  PREY,
  radToDeg,
  secondsTo,
  SIGHT_M,
  fishOf,
  zoneOf,
  type Activity,
  type Day,
  type DayChange,
  type FactorId,
  type Finalist,
  type NothingId,
  type PickFigures,
  type WhyNot,
} from '#core'
import { SPLASH_WORDS } from './castWords'
import { limitText } from './limitWords'
import { numberText, percentText, roughWeight, smallText, UNITS, withUnit, type UnitSystem } from './units'

const HOW_ACTIVE: Readonly<Record<Activity, string>> = {
  active: 'active',
  steady: 'neither on nor off',
  slow: 'slow',
}
const minutes = ({ minutesLeft }: PickFigures): number => Math.round(minutesLeft)
const degrees = (rad: number): string => `${numberText(radToDeg(rad), 0)}°`

/** What speaks for a pick in one share of its score, in the figures every view shows for it. */
export function reasonText(id: FactorId, day: Day, pick: Finalist, system: UnitSystem): string {
  const f = figuresOf(pick)
  const place = day.cover === 'open' ? `over ${BOTTOMS[day.bottom].name}` : `in ${COVERS[day.cover].name}`
  switch (id) {
    case 'time':
      if (day.aim === 'sight')
        return `It hangs up on ${percentText(f.snagPerCast)} of casts ${place}: the one cast counts.`
      return `${minutes(f)} minutes of the hour are left for fishing ${place}; it hangs up on ${percentText(f.snagPerCast)} of casts.`
    case 'hook':
      return `It hooks ${percentText(f.hookUp)} of the bites of fish that ${FEEDING[day.feeding].name}.`
    case 'landed':
      return `Line and hook bring ${percentText(f.landed)} of hooked fish out ${day.cover === 'open' ? 'here' : `of ${COVERS[day.cover].name}`}.`
    case 'zone':
      return `It is among the fish for ${percentText(f.zone)} of a cast: down ${downText(day, pick, system)}, and heavy enough to stay there as it is worked.`
    case 'follow':
      return `It falls at ${withUnit(f.speedMS, UNITS[system].speed)}; fish that are ${HOW_ACTIVE[day.activity]} follow best what falls slower or faster by less than a few times.`
    case 'look':
      return atBottom(day) && f.highestM > LEAST_SHOWN_M
        ? `It ${f.posture} ${f.posture === 'lies' ? 'with its highest part' : 'and shows itself'} ${smallText(f.highestM, system)} over ${BOTTOMS[day.bottom].name}.`
        : `It falls at ${degrees(f.pitchRad)} and ${f.posture} on the bottom.`
    case 'quiet':
      if (day.aim === 'sight')
        return `It ${SPLASH_WORDS[pick.report.cast.splash.kind]}: fish within about ${metresText(f.noticedM, system)} take notice.`
      return `It lands quietly: ${roughWeight(f.massKg, system)} in ${withUnit(day.depthM, UNITS[system].depth)} of ${day.clarity} water.`
    case 'intake':
      return `It weighs ${roughWeight(f.massKg, system)} in all: light enough for fish that ${FEEDING[day.feeding].name} to take in.`
    case 'match':
      return `The bait is ${pick.match === 'close' ? 'close to' : pick.match === 'fair' ? 'fairly like' : 'unlike'} ${PREY[day.prey].name} in shape.`
    case 'reach':
      return day.aim === 'sight'
        ? `It is thrown ${metresText(f.castM, system)}: the fish ${metresText(day.sightM ?? SIGHT_M, system)} off is reached by ${percentText(f.reach)} of casts.`
        : `It is thrown ${metresText(f.castM, system)} and covers ${metresText(3600 * coveredMS(f.castM, pick.outfit.retrieve), system)} of water in an hour of casting.`
  }
}

const metresText = (m: number, system: UnitSystem): string =>
  withUnit(m, { ...UNITS[system].depth, decimals: m < 5 && UNITS[system].depth.label === 'm' ? 1 : 0 })

/** Lower than this over the bottom a bait shows nothing of itself, m. */
const LEAST_SHOWN_M = 0.03

function downText(day: Day, { report: { fall } }: Finalist, system: UnitSystem): string {
  const { fromM } = zoneOf(day)
  return fromM > 0
    ? `to ${withUnit(fromM, UNITS[system].depth)} in ${secondsTo(fall.drop, fromM).toFixed(0)} s`
    : 'at once'
}

/** Why a well-known rig is not picked, to go on "Not … :". */
export function whyNotText(one: WhyNot, system: UnitSystem): string {
  switch (one.why) {
    case 'limit':
      return `${limitText(one.limit, system)}.`
    case 'noBait':
      return one.limit
        ? `no bait like the food fits it: ${limitText(one.limit, system)}.`
        : 'no bait in the box that is like the food fits it.'
    case 'behind':
      return `clearly behind already in the quick look, most of all in ${FACTOR_NAMES[one.by]}.`
    case 'little':
      return `a little less of everything: it scores better than the first in ${Math.round(100 * one.pBetter)} in 100 ways it may be.`
    case 'loses':
      return lossText(one.by, one.own, one.best, system)
  }
}

function lossText(id: FactorId, own: PickFigures, best: PickFigures, system: UnitSystem): string {
  const against = (text: (f: PickFigures) => string): string => `${text(own)} against ${text(best)}`
  switch (id) {
    case 'time':
      return `leaves ${minutes(own)} minutes of the hour for fishing against ${minutes(best)}: it hangs up on ${percentText(own.snagPerCast)} of casts.`
    case 'hook':
      return `hooks ${percentText(own.hookUp)} of bites against ${percentText(best.hookUp)}.`
    case 'landed':
      return `brings ${percentText(own.landed)} of hooked fish out against ${percentText(best.landed)}.`
    case 'zone':
      return `is among the fish for ${percentText(own.zone)} of a cast against ${percentText(best.zone)}: ${own.speedMS < best.speedMS ? 'slow to come down and easily lifted' : 'lifted away or gone through too soon'}.`
    case 'follow':
      return `falls at ${against(f => withUnit(f.speedMS, UNITS[system].speed))}: ${own.speedMS > best.speedMS ? 'faster' : 'slower'} than these fish follow.`
    case 'look':
      return `falls at ${degrees(own.pitchRad)} and ${own.posture} on the bottom, ${against(f => smallText(f.highestM, system))} high.`
    case 'quiet':
      return `lands loudly: ${against(f => roughWeight(f.massKg, system))}.`
    case 'intake':
      return `weighs ${against(f => roughWeight(f.massKg, system))}: harder for these fish to take in.`
    case 'match':
      return 'fits only baits that are less like the food, or is worked in a way these fish like less.'
    case 'reach':
      return `is thrown ${against(f => metresText(f.castM, system))}.`
  }
}

/** "if they slow down": what is otherwise on another day. */
export function dayChangeText(change: DayChange, system: UnitSystem): string {
  switch (change.id) {
    case 'active':
      return 'if the fish turn active'
    case 'slow':
      return 'if they slow down'
    case 'slackWater':
      return 'at slack water'
    case 'runsHarder':
      return 'if it runs half as hard again'
    case 'current':
      return `if a current of ${withUnit(change.speedMS, UNITS[system].speed)} comes up`
    case 'cover':
      return `if it is ${COVERS[change.cover].name}`
    case 'openBeside':
      return 'in open water beside it'
    case 'twiceDeep':
      return 'with twice the depth'
  }
}

/** A weight that goes through most mats, kg. *Assumed.* */
const PUNCHES_KG = 0.02

/** Why nothing can be fished, and the nearest way out. */
export function nothingText(
  why: NothingId,
  day: Day,
  system: UnitSystem,
): { readonly sentence: string; readonly way: string } {
  const { depth, speed } = UNITS[system]
  const say = (sentence: string, way: string): { sentence: string; way: string } => ({ sentence, way })
  switch (why) {
    case 'noBaits':
      return say(
        'The box holds no baits.',
        'Put a bait in the box, with its form and length, or look at what you do not own.',
      )
    case 'noWayOfRigging':
      return say(
        'The box holds nothing for this way of rigging.',
        'Take another way of rigging, or look at what you do not own.',
      )
    case 'ownWay':
      return say(
        'Nothing in the box keeps to your way.',
        'Loosen one of your preferences, or look at what you do not own.',
      )
    case 'noHooks':
      return say(
        'The box holds no hooks or heads.',
        'Put a hook or a head in the box, or look at what you do not own.',
      )
    case 'current':
      return say(
        'Nothing in the box holds this current.',
        `The heaviest rig is not heavy enough for ${withUnit(day.stream?.surfaceMS ?? 0, speed)} in ${withUnit(day.depthM, depth)}: buy a heavier weight, use thinner line, or fish the slack.`,
      )
    case 'reach':
      return say(
        `Nothing in the box comes down to ${withUnit(zoneOf(day).fromM, depth)} in a time anyone waits.`,
        'Take a heavier weight, or fish higher.',
      )
    case 'roof':
      return say(
        'Nothing in the box breaks through the mat.',
        `It takes a slim bait behind a pegged weight of some ${roughWeight(PUNCHES_KG, system)} and more; or fish its edge.`,
      )
    case 'cast':
      return say('No rod in the box casts these rigs.', 'Put a rod in the box with the weights it casts.')
    case 'floats':
      return say('Everything that fits floats in this water.', 'Take a weight, or a bait that sinks.')
    case 'fit':
      return say(
        `No hook in the box fits a bait that ${fishOf(day).name} here would take for ${PREY[day.prey].name}.`,
        'Look at what you do not own to see which hook to buy, or change what they eat.',
      )
  }
}
