import { z } from 'zod'
import * as field from './fields'
import { baitSchema, rigSchema } from './spread'
import { LOG_KINDS, type CountedKind } from './ranges'

const number = z.number()
const model = z.strictObject({
  seconds: number.positive(),
  byDrag: number,
  byEta: number,
  pitchRad: number,
  pitchByDrag: number,
  pitchByEta: number,
  speedMS: number.positive().optional(),
})

/** A timed drop: what was dropped, where, how long it took, and what the model gave. */
export const dropSchema = z.strictObject({
  bait: baitSchema,
  rig: rigSchema,
  depthM: field.dropDepthM,
  temperatureC: field.temperatureC,
  salinityGKg: field.salinityGKg,
  seconds: z.number({ error: 'Seconds: expected a number.' }).positive().max(600),
  pitchRad: number
    .min(-Math.PI / 2)
    .max(Math.PI / 2)
    .optional(),
  from: z.enum(['taps', 'clip', 'tank']),
  model,
  /**
   * where it was timed, if not on open water: what was tapped, how late the thumb is and how sure that is,
   * and what the walls leave of the speed; `seconds` is without them
   */
  bath: z
    .strictObject({
      name: field.line('Name', 80),
      tappedS: number.positive(),
      lagS: number,
      lagSdS: number.nonnegative(),
      slowed: number.positive().max(1),
    })
    .optional(),
})
export type DropEntry = z.infer<typeof dropSchema>

/** One entry of the log, made on the device that logged it. */
export const logEntrySchema = z.strictObject({
  id: field.id,
  session: field.id,
  at: field.pastTime,
  kind: z.enum(LOG_KINDS),
  /** rod in hand */ rod: field.line('Rod', 2).optional(),
  /** what it is counted under */ rigKey: field.line('Rig', 200).optional(),
  placeKey: field.line('Place', 40).optional(),
  /** a note, the entry that is taken back, the water at the start, the rig of a rod, a drop */
  data: z
    .strictObject({
      text: z.string().max(500).optional(),
      of: field.id.optional(),
      place: field.line('Place', 160).optional(),
      depthM: field.depthM.optional(),
      temperatureC: field.temperatureC.optional(),
      salinityGKg: field.salinityGKg.optional(),
      cover: field.cover.optional(),
      bottom: field.bottom.optional(),
      tideM: number.optional(),
      currentMS: number.optional(),
      windMS: number.optional(),
      weightKg: field.weightKg.optional(),
      bait: baitSchema.optional(),
      rig: rigSchema.optional(),
      name: field.line('Name', 160).optional(),
      drop: dropSchema.optional(),
    })
    .optional(),
})
export type LogEntry = z.infer<typeof logEntrySchema>

/** Entries in one request: a whole day out of reach of the server. */
const MOST_ENTRIES = 2000
export const logBatchSchema = z.strictObject({
  entries: z
    .array(logEntrySchema)
    .min(1)
    .max(MOST_ENTRIES, { error: `${MOST_ENTRIES} entries at most in one go.` }),
})
/**
 * What came of a batch: `conflicts` are ids already there with other content, which is kept; `now` is the
 * server's clock.
 */
export interface LogReceipt {
  readonly added: number
  readonly known: number
  readonly conflicts: readonly string[]
  readonly now?: string
}

export interface TallyRow {
  readonly rigKey: string
  readonly placeKey: string
  readonly counts: Readonly<Partial<Record<CountedKind, number>>>
}
export interface SessionRow {
  readonly session: string
  readonly place: string
  readonly from: string
  readonly to: string
  readonly counts: Readonly<Partial<Record<CountedKind, number>>>
  /** left out of the tallies */ readonly excluded: boolean
  /** grows with each entry that comes to it */ readonly revision: number
}
export interface NamedCounts {
  readonly name: string
  readonly counts: Readonly<Partial<Record<CountedKind, number>>>
}
export interface LogTotals {
  readonly places: readonly NamedCounts[]
  readonly tides: readonly NamedCounts[]
  readonly months: readonly NamedCounts[]
  /** sessions whose tide is the stand-in's */ readonly simulated: number
}
export interface StoredDrop {
  readonly id: string
  readonly at: string
  readonly drop: DropEntry
  readonly excluded: boolean
}
export interface EvidenceAnswer {
  readonly tallies: readonly TallyRow[]
  readonly drops: readonly StoredDrop[]
}
export const excludeSchema = z.strictObject({ excluded: z.boolean() })
