import {
  assembleRig,
  lineFromLb,
  problemsOf,
  readTouches,
  specsOf,
  strikeRig,
  tackleOf,
  type TouchReading,
  type Touches,
} from '#core'
import type { Progress } from './progress'

/** Tallies whose lost touches are to be read. */
export interface TouchesJob {
  readonly rows: readonly { readonly rigKey: string; readonly felt: Touches }[]
}
/** In the order asked; undefined where the key is of no rig that can be built. */
export type TouchesAnswer = readonly (TouchReading | undefined)[]

/** Fish drawn: the same for every rig. */
const SEED = 20267

/**
 * Reads what touches say, with usual tackle and fish that grab, a hopped rig.
 * @returns undefined when it was called off
 */
export async function touchesOf(
  { rows }: TouchesJob,
  { tell, pause }: Progress,
): Promise<TouchesAnswer | undefined> {
  const tackle = tackleOf({}, lineFromLb('braid', USUAL_LINE_LB))
  const found: (TouchReading | undefined)[] = []
  for (const { rigKey, felt } of rows) {
    const specs = specsOf(rigKey)
    found.push(
      specs && problemsOf(specs.bait, specs.rig).length === 0
        ? readTouches(strikeRig(assembleRig(specs.bait, specs.rig)), tackle, felt, SEED)
        : undefined,
    )
    tell(found.length / rows.length)
    if (!(await pause())) return undefined
  }
  return found
}

/** Line that is assumed where the log names none, lb. */
const USUAL_LINE_LB = 15
