import { lbfToN, ozToKg, SALINITY_GKG } from '#core'
import type { SpreadContent } from '#schemas/spread'

/**
 * Spreads for Marrowgrass Lagoon, a made-up tidal lagoon of eelgrass and mussel shell with sea bass in it.
 */
export interface NamedSpread {
  readonly name: string
  readonly content: SpreadContent
}

const lagoon = { temperatureC: 15, salinityGKg: SALINITY_GKG.salt } as const
const eighth = ozToKg(1 / 8)

/** Marks that were never fished: nothing is logged there. */
export const NEW_MARKS: readonly NamedSpread[] = [
  {
    name: 'Drop-off, which weight',
    content: {
      water: { ...lagoon, place: 'Marrowgrass Lagoon, drop-off', depthM: 4, cover: 'open', bottom: 'sand' },
      line: { kind: 'braid', strengthN: lbfToN(12) },
      bait: { form: 'slimShad', lengthM: 0.09, material: 'salted' },
      lanes: [
        {
          letter: 'A',
          family: 'W1',
          hookSize: '4/0',
          weightKg: eighth,
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'B',
          family: 'W1',
          hookSize: '4/0',
          weightKg: ozToKg(1 / 4),
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'C',
          family: 'O2',
          hookSize: '3/0',
          weightKg: 0,
          weightMaterial: 'lead',
          pointRest: 'buried',
        },
      ],
    },
  },
  {
    name: 'Sand bar, a new mark',
    content: {
      water: { ...lagoon, place: 'Marrowgrass Lagoon, sand bar', depthM: 1.4, cover: 'open', bottom: 'sand' },
      line: { kind: 'fluorocarbon', strengthN: lbfToN(12) },
      bait: { form: 'stick', lengthM: 0.125, material: 'heavySalted' },
      lanes: [
        {
          letter: 'A',
          family: 'O2',
          hookSize: '3/0',
          weightKg: 0,
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'B',
          family: 'L1',
          hookSize: '3/0',
          weightKg: eighth,
          weightMaterial: 'tungsten',
          pointRest: 'skin',
        },
        {
          letter: 'C',
          family: 'E1',
          hookSize: '3/0',
          weightKg: ozToKg(1 / 16),
          weightMaterial: 'lead',
          pointRest: 'open',
        },
      ],
    },
  },
]

/** Marks that were fished for two seasons. */
export const DEMO_SPREADS: readonly NamedSpread[] = [
  {
    name: 'Mussel edge, first of the flood',
    content: {
      water: {
        ...lagoon,
        place: 'Marrowgrass Lagoon, mussel edge',
        depthM: 3,
        cover: 'open',
        bottom: 'shell',
        zone: { fromM: 2, toM: 3 },
      },
      line: { kind: 'braid', strengthN: lbfToN(15) },
      bait: { form: 'slimShad', lengthM: 0.1, material: 'plain' },
      lanes: [
        {
          letter: 'A',
          family: 'E1',
          hookSize: '4/0',
          weightKg: ozToKg(1 / 4),
          weightMaterial: 'lead',
          pointRest: 'open',
        },
        {
          letter: 'B',
          family: 'W1',
          hookSize: '4/0',
          weightKg: ozToKg(1 / 4),
          weightMaterial: 'lead',
          pointRest: 'flush',
        },
        {
          letter: 'C',
          family: 'W1',
          hookSize: '4/0',
          weightKg: eighth,
          weightMaterial: 'lead',
          pointRest: 'flush',
        },
      ],
    },
  },
  {
    name: 'Channel mouth, salted stick',
    content: {
      water: {
        ...lagoon,
        place: 'Marrowgrass Lagoon, channel mouth',
        depthM: 1.4,
        cover: 'sparseWeed',
        bottom: 'sand',
      },
      line: { kind: 'fluorocarbon', strengthN: lbfToN(12) },
      bait: { form: 'stick', lengthM: 0.125, material: 'salted' },
      lanes: [
        {
          letter: 'A',
          family: 'O2',
          hookSize: '3/0',
          weightKg: 0,
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'B',
          family: 'W1',
          hookSize: '3/0',
          weightKg: ozToKg(1 / 16),
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'C',
          family: 'L1',
          hookSize: '3/0',
          weightKg: ozToKg(1 / 8),
          weightMaterial: 'tungsten',
          pointRest: 'skin',
        },
        {
          letter: 'D',
          family: 'E1',
          hookSize: '3/0',
          weightKg: ozToKg(1 / 16),
          weightMaterial: 'lead',
          pointRest: 'open',
        },
      ],
    },
  },
  {
    name: 'Eelgrass flat, three ways',
    content: {
      water: {
        ...lagoon,
        place: 'Marrowgrass Lagoon, eelgrass flat',
        depthM: 2,
        cover: 'thickWeed',
        bottom: 'shell',
      },
      line: { kind: 'braid', strengthN: lbfToN(20) },
      bait: { form: 'slimShad', lengthM: 0.09, material: 'plain' },
      lanes: [
        {
          letter: 'A',
          family: 'W1',
          hookSize: '4/0',
          weightKg: eighth,
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'B',
          family: 'O2',
          hookSize: '3/0',
          weightKg: 0,
          weightMaterial: 'lead',
          pointRest: 'skin',
        },
        {
          letter: 'C',
          family: 'E1',
          hookSize: '3/0',
          weightKg: eighth,
          weightMaterial: 'lead',
          pointRest: 'open',
        },
      ],
    },
  },
]
