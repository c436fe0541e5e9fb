import { mmToM, type KnotId, type ThreadPart } from '#core'
import { smallText, UNITS, withUnit, type UnitSystem } from './units'

/** A knot in words: each step stands without its picture. */
interface KnotWords {
  readonly name: string
  readonly for: string
  readonly steps: Readonly<Record<string, string>>
  readonly wrong: string
}

const DOUBLED_STEPS = {
  bight:
    'Fold a hand’s length of line double. Push the fold through the eye from the front and draw it back beside the line.',
  overhand:
    'With the fold, tie one loose overhand knot about the doubled line: over it, behind it, and down through the opening in front.',
  overHook:
    'Open the fold and pass the whole hook, bait and all, through it: before its wire, then behind it.',
  tight:
    'Wet it. Draw line and end together, so that the fold slides over the eye and seats beside it. Trim the end to 3 mm.',
} as const

export const KNOT_WORDS: Readonly<Record<KnotId, KnotWords>> = {
  snug: {
    name: 'snug knot of five turns',
    for: 'a head or a swivel that should stay in line; mono and fluorocarbon',
    steps: {
      through: 'Pass the end through the eye from the front and draw a hand’s length back beside the line.',
      turns: 'Turn the end five times round the line, toward the rod. In thick line four are enough.',
      back: 'Bring the end back along the turns and through the small loop at the eye, in from the front and out behind.',
      tight:
        'Wet it. Pull the line slowly until the turns lie side by side against the eye. Trim the end to 3 mm.',
    },
    wrong: 'Turns that cross or were drawn dry cut the line. In braid it slips: take the doubled one.',
  },
  doubled: {
    name: 'doubled snug knot',
    for: 'a hook or a head that should stay in line; the strongest in braid',
    steps: DOUBLED_STEPS,
    wrong:
      'The fold must clear the eye and the bend before it seats; the two lines must not cross in the overhand.',
  },
  openLoop: {
    name: 'open loop knot',
    for: 'a bait that should swing: open points and baits without a weight',
    steps: {
      overhand:
        'Tie a loose overhand knot two hands from the end, and pass the end through the eye from the front.',
      same: 'Bring the end back through the middle of the overhand knot by the way it came out, from behind to the front.',
      turns: 'Turn the end four times round the line, toward the rod.',
      tight:
        'Pass the end once more through the overhand knot. Wet it, draw the end first, then the line against the loop. A loop of 8 mm to 12 mm swings freely.',
    },
    wrong:
      'Too large a loop catches weed and folds back over the hook. The end must leave the overhand knot as it went in.',
  },
  straightHook: {
    name: 'doubled knot with its end back through the eye',
    for: 'a hook over a dropper, to stand out straight from the line',
    steps: {
      ...DOUBLED_STEPS,
      overhand: `${DOUBLED_STEPS.bight} ${DOUBLED_STEPS.overhand} Leave the end as long as the dropper is to be, and a hand more.`,
      tight: 'Wet it, draw it up against the eye. Do not trim the long end.',
      endBack:
        'Hold the hook level, point up. Pass the long end down through the eye once more, from the side of the point: line and dropper then hold the hook out straight.',
    },
    wrong: 'Passed from the other side, the hook hangs point down and twists the line.',
  },
  slidingStop: {
    name: 'sliding stop',
    for: 'half a stop above a bullet, or a stop that holds a weight against the bait',
    steps: {
      lay: 'Lay a hand’s length of spare line along the main line and bend its end back over itself.',
      turns: 'Turn the end five times round both, inside the bend, working away from where it was bent.',
      tight:
        'Wet it and draw both ends until it grips but still slides by a thumbnail. Trim both ends to 4 mm, so that they pass the rings.',
    },
    wrong: 'Too tight, it bruises the line when it is slid dry; too few turns, and a weight pushes it along.',
  },
  wrappedLeader: {
    name: 'wrapped leader knot',
    for: 'thin line to a thicker leader',
    steps: {
      bend: 'Bend the last hand’s length of the leader double. Pass the line through the bend from behind and along both legs.',
      turns:
        'Turn the line back over itself and both legs, eight times in mono and twelve in braid, toward the bend.',
      out: 'Pass the end out of the bend by the side that it came in.',
      tight:
        'Wet it. Draw the line, holding the turns, until they close up at the bend; then draw both lines hard. Trim both ends short.',
    },
    wrong:
      'An end that leaves by the other side slips off the bend. Turns that ride over one another catch in the rings.',
  },
  harness: {
    name: 'turns about the shank',
    for: 'a straight hook in mats, and a trailing hook: the pull is in line with the wire',
    steps: {
      through: 'Pass the end through the eye from the front and lay it along the shank.',
      turns: 'Turn the standing part six times round shank and end, from the bend toward the eye.',
      tight: 'Wet it. Hold the turns, draw the line until they lie close below the eye, and trim the end.',
    },
    wrong:
      'Through the eye from behind, the hook turns its point away from the fish. It does nothing for a bent-down eye.',
  },
}

/** Words of a knot in the angler's units. */
export const knotText = (text: string, system: UnitSystem): string =>
  UNITS[system].length.label === 'mm'
    ? text
    : text.replace(/(\d+) mm/g, (_, mm: string) => smallText(mmToM(Number(mm)), system))

/** What every knot asks for. */
export const EVERY_KNOT =
  'Wet every knot before it is drawn up, draw it up slowly, pull it hard once in the hand, trim it, and look at it again after a fish or a snag. Cutters, not teeth; mind the point while you pull.'

type Plain = Exclude<ThreadPart['id'], 'leader' | 'trace' | 'dropper' | 'wire'>
const PARTS: Readonly<Record<Plain, string>> = {
  line: 'line from the rod',
  leaderKnot: 'knot of line and leader',
  stop: 'a sliding stop, above the weight',
  peg: 'a rubber peg, pushed into the bullet from above until it holds',
  bullet: 'bullet, its narrow end toward the rod',
  bead: 'a bead, so that the weight does not wear the knot',
  swivel: 'a swivel, tied on',
  ring: 'a free ring, tied on',
  jointedHead: 'the jointed head, tied on by its ring',
  clip: 'ring of the weight, tied on; its clip holds the hook and leaves it free to rise',
  head: 'the head, tied on',
  hook: 'hook',
  baitRing: 'a ring round the bait, the hook under it',
  nail: 'a nail weight pushed into the nose',
  spike: 'the spike in the tail, its wire loop closed',
  trailing: 'trailing hook on a short harness, along the back',
  pegBend: 'a peg or a nail through bait and bend, so that a worn bait does not slide',
  dropperWeight: 'weight at the end, on a slip of line weaker than the rest',
}

/** A part of what is threaded, in words. */
export function partText(part: ThreadPart, system: UnitSystem): string {
  if (!('lengthM' in part)) return PARTS[part.id]
  const length =
    part.lengthM >= 0.5 ? withUnit(part.lengthM, UNITS[system].depth) : smallText(part.lengthM, system)
  switch (part.id) {
    case 'leader':
      return `leader of ${length}`
    case 'trace':
      return `${length} of line to the hook`
    case 'dropper':
      return `dropper of ${length} below the hook`
    case 'wire':
      return `stiff wire of ${length} below the ring`
  }
}

/** What is threaded and tied, in one sentence, from the rod to the bait. */
export const threadText = (parts: readonly ThreadPart[], system: UnitSystem): string =>
  `From the rod: ${parts.map(part => partText(part, system)).join('; ')}.`
