/**
 * Tide by harmonic constituents: height = mean + Σ amplitude · cos(speed · t − phase). Speeds of the
 * constituents are those of the sun and moon (Doodson; Schureman, Manual of Harmonic Analysis and Prediction
 * of Tides, 1958); amplitudes and phases belong to a place.
 */
export interface Constituent {
  readonly name: string
  /** degrees an hour */ readonly speed: number
  /** m */ readonly amplitudeM: number
  /** degrees, at 2000-01-01 00:00 UTC */ readonly phase: number
}

/** Speeds, degrees per mean solar hour. */
export const TIDE_SPEEDS = {
  M2: 28.9841042,
  S2: 30,
  N2: 28.4397295,
  K1: 15.0410686,
  O1: 13.9430356,
  M4: 57.9682084,
} as const

/**
 * The made-up Dunecrest coast: a mean range of some three metres, springs and neaps, a little lopsided over
 * the flats.
 */
export const DUNECREST_TIDE: readonly Constituent[] = [
  { name: 'M2', speed: TIDE_SPEEDS.M2, amplitudeM: 1.42, phase: 118 },
  { name: 'S2', speed: TIDE_SPEEDS.S2, amplitudeM: 0.48, phase: 163 },
  { name: 'N2', speed: TIDE_SPEEDS.N2, amplitudeM: 0.29, phase: 97 },
  { name: 'K1', speed: TIDE_SPEEDS.K1, amplitudeM: 0.08, phase: 31 },
  { name: 'O1', speed: TIDE_SPEEDS.O1, amplitudeM: 0.07, phase: 312 },
  { name: 'M4', speed: TIDE_SPEEDS.M4, amplitudeM: 0.12, phase: 205 },
]

/** Mean level over chart datum, m. */
export const MEAN_LEVEL_M = 2.1

const EPOCH = Date.UTC(2000, 0, 1)
const HOUR_MS = 3_600_000
const RAD = Math.PI / 180

/** The same of the stand-in's M2. */
const MEAN_TIDE_MS = (1.42 * TIDE_SPEEDS.M2 * RAD) / 3600

/** Where tides come from: a place's own gauge, or the harmonic stand-in. */
export interface TideSource {
  readonly name: string
  readonly simulated: boolean
  /** height over chart datum at a time (ms since 1970, UTC), m */ readonly heightM: (at: number) => number
  /** rate of rise, m/s: positive on the flood */ readonly riseMS: (at: number) => number
  /** rate of rise at the strongest of a mean tide, m/s: what a spot's strongest current goes with */
  readonly meanRiseMS: number
  /** from when to when it is known, where it is not always */ readonly coversMs?: readonly [number, number]
}

/** The tide of harmonic constituents. */
export function harmonicTide(
  name: string,
  constituents: readonly Constituent[] = DUNECREST_TIDE,
  meanM = MEAN_LEVEL_M,
): TideSource {
  const hours = (at: number): number => (at - EPOCH) / HOUR_MS
  return {
    name,
    simulated: true,
    meanRiseMS: MEAN_TIDE_MS,
    heightM: at =>
      constituents.reduce(
        (sum, c) => sum + c.amplitudeM * Math.cos((c.speed * hours(at) - c.phase) * RAD),
        meanM,
      ),
    riseMS: at =>
      constituents.reduce(
        (sum, c) =>
          sum - ((c.amplitudeM * c.speed * RAD) / 3600) * Math.sin((c.speed * hours(at) - c.phase) * RAD),
        0,
      ),
  }
}

/** One turn of the tide. */
export interface Turn {
  readonly at: number
  readonly heightM: number
  readonly high: boolean
}

/** High and low waters between two times, to the minute (bisection on the rate of rise). */
export function turnsBetween(tide: TideSource, from: number, to: number): Turn[] {
  const found: Turn[] = []
  const step = HOUR_MS / 4
  for (let a = from; a < to; a += step) {
    const [ra, rb] = [tide.riseMS(a), tide.riseMS(a + step)]
    // at a standstill, as beyond a table, nothing turns
    if (ra === 0 || ra * rb > 0) continue
    let [low, high] = [a, a + step]
    while (high - low > 30_000) {
      const middle = (low + high) / 2
      if (tide.riseMS(middle) * ra > 0) low = middle
      else high = middle
    }
    found.push({ at: low, heightM: tide.heightM(low), high: ra > 0 })
  }
  return found
}
