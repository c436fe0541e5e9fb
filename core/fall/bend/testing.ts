import { assembleRig, type AssembledRig } from '../../rig/assemble'
import type { BaitSpec, RigSpec } from '../../rig/spec'

/** A rig of plain plastic on a hook of 4/0, unless it is said otherwise. */
export const rigOf = (
  form: BaitSpec['form'],
  lengthM: number,
  rig: Pick<RigSpec, 'family'> & Partial<RigSpec>,
  bait: Partial<BaitSpec> = {},
): AssembledRig =>
  assembleRig(
    { form, lengthM, material: 'plain', ...bait },
    { hookSize: '4/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'skin', ...rig },
  )

/** Of a head with an eighth of an ounce. */
export const HEAD = { family: 'E1', weightKg: 0.0035, pointRest: 'open' } as const

/** Rigs of many kinds, with their names. */
export const RIGS: readonly (readonly [string, AssembledRig])[] = [
  ['a shad on a head', rigOf('slimShad', 0.09, HEAD)],
  ['a belly-weighted shad', rigOf('slimShad', 0.09, { family: 'W1', weightKg: HEAD.weightKg })],
  ['a stick without weight', rigOf('stick', 0.125, { family: 'O2' }, { material: 'salted' })],
  [
    'a stick hooked across',
    rigOf('stick', 0.125, { family: 'L6', hookSize: '1/0', pointRest: 'open' }, { material: 'salted' }),
  ],
  ['a ribbon worm on a head', rigOf('ribbonWorm', 0.2, HEAD)],
  [
    'a long worm without weight',
    rigOf('straightWorm', 0.25, { family: 'O2', hookSize: '5/0' }, { material: 'salted' }),
  ],
]
