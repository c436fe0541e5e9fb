import type { BaitSpec, Conditions, Evidence, RigSpec } from '#core'

/** One rig of a sheet, as plain data that crosses to a worker. */
export interface LaneJob {
  readonly letter: string
  readonly rig: RigSpec
  /** what was measured and counted of it */ readonly evidence?: Evidence
}

/** The rigs of a sheet in their place. */
export interface SheetJob {
  readonly bait: BaitSpec
  readonly conditions: Conditions
  readonly lanes: readonly LaneJob[]
}
