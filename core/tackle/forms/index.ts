import { CREATURES } from './creatures'
import { FISH } from './fish'
import type { BaitForm, FormId } from './form'
import { WORMS } from './worms'

export type { BaitForm, FormId, Limb, LimbKind } from './form'

export const BAIT_FORMS: Readonly<Record<FormId, BaitForm>> = { ...FISH, ...WORMS, ...CREATURES }
export const FORM_IDS = Object.keys(BAIT_FORMS) as FormId[]
