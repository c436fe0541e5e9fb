import { createTidePredictor } from '@neaps/tide-predictor'
import { TIDE_SPEEDS, type TideSource } from './tide'

/** Constituents that a port's constants may name; speeds, nodal corrections and arguments are the package's. */
export const CONSTITUENTS = [
  'M2',
  'S2',
  'N2',
  'K2',
  'K1',
  'O1',
  'P1',
  'Q1',
  'M4',
  'MS4',
  'MN4',
  'M6',
  '2N2',
  'MU2',
  'NU2',
  'L2',
  'T2',
  'J1',
  'OO1',
  'S1',
  'S4',
  'M3',
  'M8',
  'MF',
  'MM',
  'MSF',
  'SA',
  'SSA',
] as const
export type ConstituentName = (typeof CONSTITUENTS)[number]

/** A harmonic constant as it is published for a place. */
export interface TideConstant {
  readonly name: ConstituentName
  /** m */ readonly amplitudeM: number
  /** Greenwich phase lag, degrees */ readonly phaseDeg: number
}

const DAY_MS = 86_400_000
const STEP_S = 600
const STEP_MS = 1000 * STEP_S
/** Twice the share of an hour that a semi-diurnal tide turns by, rad/s. */
const RAD_S = (TIDE_SPEEDS.M2 * Math.PI) / 180 / 3600

/**
 * The tide of a place's own harmonic constants: with nodal corrections and astronomical arguments of the day, by
 * a package; between its levels of every ten minutes by a cubic through four of them (within a tenth of a
 * millimetre on a range of metres).
 * @param meanM mean level over chart datum, m
 */
export function constantsTide(name: string, constants: readonly TideConstant[], meanM: number): TideSource {
  const predictor = createTidePredictor(
    constants.map(({ name: id, amplitudeM, phaseDeg }) => ({
      name: id,
      amplitude: amplitudeM,
      phase: phaseDeg,
    })),
    { offset: meanM },
  )
  const days = new Map<number, Float64Array>()
  /** Levels of a day from two steps before it to two after. */
  const dayOf = (day: number): Float64Array => {
    const known = days.get(day)
    if (known) return known
    const made = Float64Array.from(
      predictor.getTimelinePrediction({
        start: new Date(day * DAY_MS - 2 * STEP_MS),
        end: new Date((day + 1) * DAY_MS + 2 * STEP_MS),
        timeFidelity: STEP_S,
      }),
      ({ level }) => level,
    )
    days.set(day, made)
    return made
  }
  /** Four levels about a time and where it lies between the middle two, 0..1. */
  const about = (at: number): readonly [number, number, number, number, number] => {
    const day = Math.floor(at / DAY_MS)
    const steps = (at - day * DAY_MS) / STEP_MS + 2
    const i = Math.floor(steps)
    const levels = dayOf(day)
    return [levels[i - 1]!, levels[i]!, levels[i + 1]!, levels[i + 2]!, steps - i]
  }
  return {
    name,
    simulated: false,
    meanRiseMS: Math.max(1e-9, amplitudeOf(constants) * RAD_S),
    heightM: at => {
      const [a, b, c, d, t] = about(at)
      return b + (t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)))) / 2
    },
    riseMS: at => {
      const [a, b, c, d, t] = about(at)
      return (c - a + t * (2 * (2 * a - 5 * b + 4 * c - d) + 3 * t * (3 * (b - c) + d - a))) / 2 / STEP_S
    },
  }
}

/** Amplitude of a mean tide: of M2, else of the largest, m. */
const amplitudeOf = (constants: readonly TideConstant[]): number =>
  constants.find(({ name }) => name === 'M2')?.amplitudeM ??
  Math.max(0, ...constants.map(({ amplitudeM }) => amplitudeM))
