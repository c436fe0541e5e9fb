import { FAMILIES, lbfToN, ozToKg } from '#core'
import type { Lane, SpreadContent } from '#schemas/spread'
import { setDepth } from '~/ui/drawing/zone'

/**
 * Set pieces for the tank: what anglers argue about, laid out so that one look settles it. Each changes the
 * sheet in one step that can be undone.
 */
export interface Lesson {
  readonly title: string
  /** what to look for */ readonly look: string
  readonly apply: (draft: SpreadContent) => void
}

const lane = (
  letter: Lane['letter'],
  family: Lane['family'],
  hookSize: Lane['hookSize'],
  weightKg: number,
  more: Partial<Lane> = {},
): Lane => ({
  letter,
  family,
  hookSize,
  weightKg,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests[0] === 'open' ? 'open' : 'skin',
  ...more,
})

const still = (draft: SpreadContent): void => {
  setDepth(draft, 2)
  delete draft.water.stream
  draft.line = { kind: 'fluorocarbon', strengthN: lbfToN(10) }
}

export const LESSONS: readonly Lesson[] = [
  {
    title: 'A crooked bait turns',
    look: 'From above: the more crooked the bait, the tighter it turns.',
    apply: draft => {
      still(draft)
      draft.bait = { form: 'stick', lengthM: 0.125, material: 'plain' }
      draft.lanes = (
        [
          [0, 'A'],
          [0.004, 'B'],
          [0.01, 'C'],
        ] as const
      ).map(([bendM, letter]) => lane(letter, 'W1', '3/0', ozToKg(1 / 8), { bendM }))
    },
  },
  {
    title: 'A head in a tube, moved back',
    look: 'The farther back the head, the more it glides; at last it falls flat.',
    apply: draft => {
      still(draft)
      draft.bait = { form: 'tube', lengthM: 0.09, material: 'plain' }
      draft.lanes = (
        [
          [0.009, 'A'],
          [0.027, 'B'],
          [0.034, 'C'],
          [0.041, 'D'],
        ] as const
      ).map(([weightAtM, letter]) =>
        lane(letter, 'E7', '1/0', ozToKg(1 / 8), { weightMaterial: 'tungsten', weightAtM }),
      )
    },
  },
  {
    title: 'A gliding tube circles',
    look: 'From above: a small bend is enough to make a tube that glides come round.',
    apply: draft => {
      still(draft)
      setDepth(draft, 4)
      draft.bait = { form: 'tube', lengthM: 0.09, material: 'plain' }
      draft.lanes = (
        [
          [0, 'A'],
          [0.002, 'B'],
          [0.006, 'C'],
        ] as const
      ).map(([bendM, letter]) =>
        lane(letter, 'E7', '1/0', ozToKg(1 / 8), { weightMaterial: 'tungsten', weightAtM: 0.036, bendM }),
      )
    },
  },
  {
    title: 'Weight pegged or free',
    look: 'The free weight is down first and draws the line after it; the bait follows in its own time.',
    apply: draft => {
      still(draft)
      draft.bait = { form: 'straightWorm', lengthM: 0.15, material: 'plain' }
      draft.lanes = [
        lane('A', 'L1', '4/0', ozToKg(1 / 4)),
        lane('B', 'L1', '4/0', ozToKg(1 / 4), { peg: 'free' }),
      ]
    },
  },
  {
    title: 'A hinge and floating plastic',
    look: 'On the bottom the floating bait stands. Change the material to salted: it lies down.',
    apply: draft => {
      still(draft)
      draft.bait = { form: 'stick', lengthM: 0.1, material: 'floating' }
      draft.lanes = [
        lane('A', 'J4', '2/0', ozToKg(3 / 16)),
        lane('B', 'E3', '1/0', ozToKg(1 / 8)),
        lane('C', 'W1', '2/0', ozToKg(1 / 8)),
      ]
    },
  },
  {
    title: 'A hinge over mud',
    look: 'The ball sinks in and holds the nose down; set the bottom to sand and the same bait lies flat.',
    apply: draft => {
      still(draft)
      draft.water.bottom = 'mud'
      draft.bait = { form: 'stick', lengthM: 0.1, material: 'salted' }
      draft.lanes = [lane('A', 'J4', '2/0', ozToKg(1 / 4)), lane('B', 'E1', '1/0', ozToKg(1 / 4))]
    },
  },
  {
    title: 'A belly weight, forward and back',
    look: 'Forward it dives head first, back it falls level.',
    apply: draft => {
      still(draft)
      draft.bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
      draft.lanes = (
        [
          [0.01, 'A'],
          [0.022, 'B'],
          [0.034, 'C'],
        ] as const
      ).map(([weightAtM, letter]) => lane(letter, 'W1', '4/0', ozToKg(1 / 8), { weightAtM }))
    },
  },
  {
    title: 'Thin line and thick',
    look: 'Now make the line 40 lb: the dotted trace is the thin one.',
    apply: draft => {
      still(draft)
      setDepth(draft, 6)
      draft.line = { kind: 'mono', strengthN: lbfToN(4) }
      draft.bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
      draft.lanes = [lane('A', 'E1', '3/0', ozToKg(1 / 16)), lane('B', 'W1', '4/0', ozToKg(1 / 16))]
    },
  },
  {
    title: 'Weight in the nose, hooked in the middle',
    look: 'Nearly straight down, and ahead of the same weight as a head.',
    apply: draft => {
      still(draft)
      draft.bait = { form: 'straightWorm', lengthM: 0.14, material: 'plain' }
      draft.lanes = [lane('A', 'L7', '1/0', ozToKg(1 / 16)), lane('B', 'E1', '1/0', ozToKg(1 / 16))]
    },
  },
]
