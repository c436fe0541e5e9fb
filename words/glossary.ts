/** What a term of the screen means, in plain words. */
export const GLOSSARY = {
  fall: {
    name: 'fall',
    text: 'Seconds from the splash to the bottom, or to the depth set, with its mean speed and the count to say under your breath. A bait so limp that it falls otherwise than a stiff rod is reckoned as it bends, and says so.',
  },
  posture: {
    name: 'posture',
    text: 'How it hangs in the water as it falls: nose down (−) or up (+), upright or leaning, and how fast the tail beats.',
  },
  glide: {
    name: 'glide',
    text: 'How far it drifts from the splash for everything it sinks: 0.5 is half as far sideways as down. Nose leads: it swims forward; tail leads: it slides back.',
  },
  snag: {
    name: 'snag',
    text: 'Casts until it hangs up in this cover, and minutes of an hour left for fishing once snags, weed and laying the point back are paid for.',
  },
  hookUp: {
    name: 'hook-up',
    text: 'Of a hundred bites so many end hooked. Beside it what loses most of the rest.',
  },
  onTop: {
    name: 'on top',
    text: 'It floats in this water. How it sits: level or nose down, back or belly up, where the point looks, how much of it is under; how it is worked there.',
  },
  raft: {
    name: 'holes',
    text: 'Of the holes in the leaves or the matted weed so many are long enough for the whole bait when it is stopped over them; how it lies on what carries it.',
  },
  cast: {
    name: 'cast',
    text: 'How far an easy overhead cast with this rod and line throws it in still air, what the wind makes of it, how it lands, and how far it skips when thrown low under a dock or branches.',
  },
  pitch: { name: 'pitch', text: 'Nose up or down, in degrees: 0 is level, −90 straight down.' },
  roll: { name: 'roll', text: 'Leaning over, in degrees: 0 is upright, 90 on its side, 180 belly up.' },
  turns: {
    name: 'turns',
    text: 'How often it circles or spins while sinking. More than a quarter of a turn in a metre twists line.',
  },
  drift: {
    name: 'drift',
    text: 'How far it has gone from the splash along the cast, and to the side of it.',
  },
  bite: { name: 'bite', text: 'A fish took the bait into its mouth, hooked or not.' },
  touch: {
    name: 'touch only',
    text: 'Something knocked or nipped at the bait and did not take it: a tap, a pull at the tail.',
  },
  likeness: {
    name: 'likeness to their food',
    text: 'How near the bait comes in shape and size to what the fish eat here. Fish hold on longer to what feels and looks right.',
  },
  flush: { name: 'flush', text: 'The point lies bare along the back, or in its slot.' },
  skin: {
    name: 'point just under the skin',
    text: 'The point is pushed into the back by its own length and no more: it comes clear at a light squeeze.',
  },
  buried: {
    name: 'buried',
    text: 'The point lies deep in the plastic: the safest in cover, the hardest to set.',
  },
  range: {
    name: 'range',
    text: 'Nine times in ten the truth lies within it, as far as the model and your log can tell.',
  },
  computed: { name: '◇ computed', text: 'Worked out from the rig, the bait and the water alone.' },
  measured: { name: '◆ measured', text: 'Set right by drops that you timed, or by weighing.' },
  logged: { name: '▤ logged', text: 'Set right by what you tapped: casts, snags, touches, fish.' },
  anchors: {
    name: 'plastic between the anchors',
    text: 'Bait between the nose and where the point comes out. Too little draws it into a bow, too much makes it bunch.',
  },
  clearance: {
    name: 'gap when squeezed',
    text: 'Room left between plastic and point when a jaw has pressed the bait flat: what the hook can bite with.',
  },
  fishHour: {
    name: 'fish an hour',
    text: 'Bites an hour that you expect, times those hooked, times the part of the hour left for fishing, less what lost rigs are worth to you.',
  },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly text: string }>>
export type TermId = keyof typeof GLOSSARY
