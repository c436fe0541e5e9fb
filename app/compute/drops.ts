import { dropModel, type BaitSpec, type Conditions, type DropModel, type RigSpec } from '#core'

/** One rig to be dropped in one water, as the model sees it. */
export interface DropJob {
  readonly bait: BaitSpec
  readonly rig: RigSpec
  readonly conditions: Pick<
    Conditions,
    'depthM' | 'temperatureC' | 'salinityGKg' | 'lineKind' | 'lineStrengthN'
  >
}
export type DropAnswer =
  { readonly ok: true; readonly model: DropModel } | { readonly ok: false; readonly message: string }

export function modelDrop({ bait, rig, conditions }: DropJob): DropAnswer {
  const found = dropModel(bait, rig, conditions)
  return found.ok ? { ok: true, model: found.value } : { ok: false, message: found.message }
}
