import { pitchOf, rollOf } from '../numerics/quaternion'
import { streamAt, type Stream } from '../water/stream'
import { SAMPLE_STRIDE, type Drop } from './drop'

/**
 * What a drop comes to. Angles in radians; means are over the second half of the fall, when the start is
 * forgotten.
 */
export interface FallSummary {
  readonly timeS: number
  readonly meanSpeedMS: number
  /** mean sinking speed over the last third */ readonly endSpeedMS: number
  /** positive nose up */ readonly pitchRad: number
  readonly pitchSwingRad: number
  /** size of the roll away from back-up, 0..pi */ readonly rollRad: number
  /** sideways metres travelled, along the path, per metre fallen, over the second half */
  readonly glide: number
  /** whole turns of the path per metre fallen, seen from above; positive to the left */
  readonly turnsPerM: number
  /** radius of the circle the path draws seen from above, m; undefined where it does not turn */
  readonly circleM?: number
  /** horizontal distance from splash to touch over the ground, m */ readonly driftM: number
  /** gliding toward the nose (+1) or the tail (-1) */ readonly glideSign: 1 | -1
}

/**
 * Reads fall rate, posture and glide off a recorded drop. Glide and turning are those through the water: what
 * a current carries is taken out.
 */
export function summarize(drop: Drop, stream?: Stream): FallSummary {
  const s = stream && stream.surfaceMS > 0 ? throughTheWater(drop.samples, stream) : drop.samples
  const n = s.length / SAMPLE_STRIDE
  const at = (i: number, k: number): number => s[i * SAMPLE_STRIDE + k]!
  const half = Math.min(n - 2, indexAtDepth(s, n, 0.5))
  const third = Math.min(n - 2, indexAtDepth(s, n, 2 / 3))
  let weight = 0
  let pitch = 0
  let pitch2 = 0
  let roll = 0
  let forward = 0
  let path = 0
  let turned = 0
  let lastCourse = 0
  for (let i = half; i < n; i++) {
    const q = [at(i, 4), at(i, 5), at(i, 6), at(i, 7)] as const
    const step = at(i, 0) - at(Math.max(half, i - 1), 0)
    const w = Math.max(step, 1e-9)
    const p = pitchOf(q)
    weight += w
    pitch += w * p
    pitch2 += w * p * p
    roll += w * Math.abs(rollOf(q))
    if (i > half) {
      const nose = [1 - 2 * (q[2] ** 2 + q[3] ** 2), 2 * (q[1] * q[2] + q[0] * q[3])] as const
      const dx = at(i, 1) - at(i - 1, 1)
      const dy = at(i, 2) - at(i - 1, 2)
      forward += dx * nose[0] + dy * nose[1]
      path += Math.hypot(dx, dy)
      const course = Math.atan2(dy, dx)
      if (i > half + 1) turned += Math.atan2(Math.sin(course - lastCourse), Math.cos(course - lastCourse))
      lastCourse = course
    }
  }
  const mean = pitch / weight
  const fallen = at(half, 3) - at(n - 1, 3)
  return {
    timeS: drop.timeS,
    meanSpeedMS: (at(0, 3) - at(n - 1, 3)) / drop.timeS,
    endSpeedMS: (at(third, 3) - at(n - 1, 3)) / (at(n - 1, 0) - at(third, 0)),
    pitchRad: mean,
    pitchSwingRad: Math.sqrt(Math.max(0, pitch2 / weight - mean * mean)),
    rollRad: Math.min(Math.PI, roll / weight),
    glide: fallen > 0 ? path / fallen : 0,
    turnsPerM: fallen > 0 ? turned / (2 * Math.PI * fallen) : 0,
    ...(Math.abs(turned) > 0.3 * fallen && fallen > 0 ? { circleM: path / Math.abs(turned) } : {}),
    driftM: Math.hypot(
      drop.samples[drop.samples.length - 7]! - drop.samples[1]!,
      drop.samples[drop.samples.length - 6]! - drop.samples[2]!,
    ),
    glideSign: forward >= 0 ? 1 : -1,
  }
}

function indexAtDepth(s: Float64Array, n: number, share: number): number {
  const top = s[3]!
  const bottom = s[(n - 1) * SAMPLE_STRIDE + 3]!
  for (let i = 0; i < n; i++) if (s[i * SAMPLE_STRIDE + 3]! <= top + share * (bottom - top)) return i
  return n - 1
}

/**
 * The samples with the way the water itself went taken out, by the trapezoidal rule from sample to sample.
 */
function throughTheWater(samples: Float64Array, stream: Stream): Float64Array {
  const flow = streamAt(stream)
  const still = samples.slice()
  const before = new Float64Array(2)
  const now = new Float64Array(2)
  let x = 0
  let y = 0
  flow(samples[3]!, before)
  for (let i = SAMPLE_STRIDE; i < samples.length; i += SAMPLE_STRIDE) {
    flow(samples[i + 3]!, now)
    const half = (samples[i]! - samples[i - SAMPLE_STRIDE]!) / 2
    x += half * (before[0]! + now[0]!)
    y += half * (before[1]! + now[1]!)
    still[i + 1]! -= x
    still[i + 2]! -= y
    before.set(now)
  }
  return still
}

/**
 * Seconds from the splash until the centre of a falling rig first passes a depth; to the end of the drop
 * where it never does.
 */
export function secondsTo({ samples: s, timeS }: Pick<Drop, 'samples' | 'timeS'>, depthM: number): number {
  for (let i = 0; i < s.length; i += SAMPLE_STRIDE) {
    if (-s[i + 3]! < depthM) continue
    if (i === 0) return s[0]!
    const [t0, z0] = [s[i - SAMPLE_STRIDE]!, -s[i - SAMPLE_STRIDE + 3]!]
    return t0 + ((s[i]! - t0) * (depthM - z0)) / (-s[i + 3]! - z0)
  }
  return timeS
}
