import type { Line } from '../tackle/lines'
import type { FamilyId, PointRest } from '../rig/spec'
import { BAIT_FORMS, type FormId } from '../tackle/forms'
import { HOOK_SIZES, typicalHook, type HookSize } from '../tackle/hooks'
import { assembleRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import { ozToKg } from '../units'
import { waterOf, type Water } from '../water/water'
import { dropRig, type Drop, type DropOptions } from './drop'
import { hydroBody, type HydroBody } from './hydroBody'
import { summarize, type FallSummary } from './summary'

/** Short ways to build the bodies that the tests of this folder drop. */
/** A length in which each form is sold, and a hook to go with it: about half of it. */
export const usualLength = (form: FormId): number =>
  form === 'stick'
    ? 0.125
    : form === 'ribbonWorm'
      ? 0.2
      : Math.min(BAIT_FORMS[form].lengthRangeM[1], Math.max(BAIT_FORMS[form].lengthRangeM[0], 0.09))
export const usualSize = (lengthM: number): HookSize =>
  HOOK_SIZES.reduce((best, size) =>
    Math.abs(typicalHook('wideGap', size).lengthM - 0.5 * Math.min(lengthM, 0.1)) <
    Math.abs(typicalHook('wideGap', best).lengthM - 0.5 * Math.min(lengthM, 0.1))
      ? size
      : best,
  )

export const FRESH: Water = waterOf(16, 0)
export const SALT: Water = waterOf(16, 35)

export interface Given {
  readonly form?: FormId
  readonly lengthM?: number
  readonly densityKgM3?: number
  readonly family: FamilyId
  readonly oz?: number
  readonly size?: HookSize
  readonly rest?: PointRest
  readonly weightAtM?: number
  readonly bendM?: number
  readonly water?: Water
}

/** A 90 mm slim shad in plain plastic unless told otherwise; 1/8 oz on weighted families. */
export function bodyOf(given: Given): HydroBody {
  const {
    form = 'slimShad',
    lengthM = 0.09,
    family,
    oz = family === 'O2' ? 0 : 1 / 8,
    size = '4/0',
    water = FRESH,
  } = given
  const rig = assembleRig(
    {
      form,
      lengthM,
      material: 'plain',
      ...(given.densityKgM3 === undefined ? {} : { densityKgM3: given.densityKgM3 }),
    },
    {
      family,
      hookSize: size,
      weightKg: ozToKg(oz),
      weightMaterial: 'lead',
      pointRest:
        given.rest ?? FAMILIES[family].pointRests.find(r => r === 'skin') ?? FAMILIES[family].pointRests[0]!,
      ...(given.weightAtM === undefined ? {} : { weightAtM: given.weightAtM }),
      ...(given.bendM === undefined ? {} : { bendM: given.bendM }),
    },
  )
  return hydroBody(rig.geometry, water)
}

/** Drops and fails loudly when the drop does not finish. */
export function mustDrop(body: HydroBody, options: DropOptions): Drop {
  const drop = dropRig(body, options)
  if (!drop.ok) throw new Error(`mustDrop: ${drop.message}`)
  return drop.value
}

export const fallOf = (given: Given, depthM = 2, line?: Line): FallSummary =>
  summarize(mustDrop(bodyOf(given), { depthM, ...(line ? { line } : {}) }))
