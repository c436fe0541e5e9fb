import { gToKg, lbfToN, ozToKg, SALINITY_GKG } from '#core'
import type { SpreadContent } from '#schemas/spread'

/** What a fresh page shows: one water, one bait and the three broad ways to rig it. */
export function starterContent(): SpreadContent {
  const weight = { weightKg: ozToKg(1 / 8), weightMaterial: 'lead' } as const
  return {
    water: {
      place: '',
      depthM: 2,
      temperatureC: 15,
      salinityGKg: SALINITY_GKG.salt,
      cover: 'sparseWeed',
      bottom: 'sand',
    },
    line: { kind: 'braid', strengthN: lbfToN(15) },
    bait: { form: 'slimShad', lengthM: 0.09, material: 'plain' },
    lanes: [
      { letter: 'A', family: 'W1', hookSize: '4/0', pointRest: 'skin', ...weight },
      {
        letter: 'B',
        family: 'O2',
        hookSize: '3/0',
        pointRest: 'skin',
        weightMaterial: 'lead',
        weightKg: gToKg(0),
      },
      { letter: 'C', family: 'E1', hookSize: '3/0', pointRest: 'open', ...weight },
    ],
  }
}
