import {
  bentFall,
  dropModel,
  problemsOf,
  type BaitSpec,
  type BentFailure,
  type BentFall,
  type Conditions,
  type DropModel,
  type RigSpec,
} from '#core'
import type { Progress } from './progress'
import type { SheetJob } from './sheetJob'

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

/** One rig dropped so, or why it is not. */
export type BentLane = { readonly letter: string } & BentOutcome
type BentOutcome =
  ({ readonly kind: 'bent' } & BentFall) | { readonly kind: 'none'; readonly code: BentFailure }

/**
 * The rigs of a sheet with plastic that bends, one after the other: a small soft bait on a held line takes a
 * second. What cannot be built is left out.
 * @returns undefined when it was called off
 */
export async function bendLanes(
  { bait, conditions, lanes }: SheetJob,
  { pause, tell }: Pick<Progress, 'pause' | 'tell'>,
): Promise<readonly BentLane[] | undefined> {
  const found: BentLane[] = []
  let done = 0
  for (const { letter, rig, evidence } of lanes) {
    if (!(await pause())) return undefined
    if (problemsOf(bait, rig).length === 0)
      found.push({ letter, ...bendLane(bait, rig, evidence ? { ...conditions, evidence } : conditions) })
    tell(++done / lanes.length)
  }
  return found
}

function bendLane(bait: BaitSpec, rig: RigSpec, conditions: Conditions): BentOutcome {
  const found = bentFall(bait, rig, conditions)
  return found.ok ? { kind: 'bent', ...found.value } : { kind: 'none', code: found.code }
}
