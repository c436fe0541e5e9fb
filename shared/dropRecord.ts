import {
  pitchOf,
  radToDeg,
  rollOf,
  SAMPLE_STRIDE,
  type BentDrop,
  type Drop,
  type Quaternion,
  type TetheredDrop,
} from '#core'
import { csvLine } from './cells'

/**
 * One moment of a drop as files hold it. Metres, seconds, degrees and a unit quaternion; see docs/formats.md.
 */
export interface DropRow {
  readonly timeS: number
  readonly depthM: number
  readonly xM: number
  readonly yM: number
  readonly pitchDeg: number
  readonly rollDeg: number
  readonly quaternion: readonly [number, number, number, number]
  /** place of a weight that hangs on its own, X Y Z */ readonly weightM?: readonly [number, number, number]
  /** attitude of every link behind the first against the one it hangs on, where plastic bends */
  readonly bends?: readonly Quaternion[]
}

export function dropRows(drop: Drop | TetheredDrop | BentDrop): DropRow[] {
  const count = drop.samples.length / SAMPLE_STRIDE
  return Array.from({ length: count }, (_, i) => {
    const [timeS, x, y, z, w, qx, qy, qz] = drop.samples.subarray(
      i * SAMPLE_STRIDE,
      (i + 1) * SAMPLE_STRIDE,
    ) as unknown as number[]
    const q = [w!, qx!, qy!, qz!] as const
    return {
      timeS: timeS!,
      depthM: -z!,
      xM: x!,
      yM: y!,
      pitchDeg: radToDeg(pitchOf(q)),
      rollDeg: radToDeg(rollOf(q)),
      quaternion: q,
      ...('weightPath' in drop
        ? {
            weightM: [
              drop.weightPath[3 * i]!,
              drop.weightPath[3 * i + 1]!,
              drop.weightPath[3 * i + 2]!,
            ] as const,
          }
        : {}),
      ...('bent' in drop ? { bends: bendsAt(drop, i, drop.bent.length / count) } : {}),
    }
  })
}

const bendsAt = ({ bent }: BentDrop, moment: number, each: number): Quaternion[] =>
  Array.from({ length: each / 4 }, (_, joint) => {
    const at = moment * each + 4 * joint
    return [bent[at]!, bent[at + 1]!, bent[at + 2]!, bent[at + 3]!]
  })

const COLUMNS = [
  'rig',
  'time_s',
  'depth_m',
  'x_m',
  'y_m',
  'pitch_deg',
  'roll_deg',
  'q_w',
  'q_x',
  'q_y',
  'q_z',
  'weight_x_m',
  'weight_y_m',
  'weight_z_m',
  'bends',
] as const

/** Drops of several rigs as one CSV table (RFC 4180), a row for every moment of every rig. */
export function dropsCsv(
  drops: readonly { readonly rig: string; readonly drop: Drop | TetheredDrop | BentDrop }[],
): string {
  const lines = drops.flatMap(({ rig, drop }) =>
    dropRows(drop).map(row =>
      csvLine([
        rig,
        ...[row.timeS, row.depthM, row.xM, row.yM, row.pitchDeg, row.rollDeg, ...row.quaternion].map(fixed),
        ...(row.weightM ? row.weightM.map(fixed) : ['', '', '']),
        (row.bends ?? []).map(q => q.map(fixed).join(' ')).join('; '),
      ]),
    ),
  )
  return [COLUMNS.join(','), ...lines, ''].join('\r\n')
}

const fixed = (value: number): string => String(Number(value.toFixed(6)))
