import { seededRandom } from '../numerics/random'

/** Weather at a time. */
export interface Weather {
  readonly windMS: number
  /** degrees it blows from */ readonly windFrom: number
  readonly airC: number
  /** 0 clear, 1 overcast */ readonly cloud: number
}

/** Where weather comes from: a station, or the stand-in. */
export interface WeatherSource {
  readonly name: string
  readonly simulated: boolean
  readonly at: (time: number) => Weather
}

const DAY_MS = 86_400_000

/**
 * Smooth noise in time, 0..1, the same for the same seed: values drawn for each span, cosine between them.
 */
function drifting(seed: number, spanMs: number): (time: number) => number {
  const at = (n: number): number => seededRandom((seed * 7919 + n * 104_729) >>> 0)()
  return time => {
    const n = Math.floor(time / spanMs)
    const t = (1 - Math.cos(Math.PI * (time / spanMs - n))) / 2
    return at(n) * (1 - t) + at(n + 1) * t
  }
}

/**
 * A made-up weather for the Dunecrest coast: passing lows over two or three days, a sea breeze in the
 * afternoon, the year's warmth.
 */
export function simulatedWeather(name: string, seed = 4): WeatherSource {
  const low = drifting(seed, 2.6 * DAY_MS)
  const gust = drifting(seed + 1, DAY_MS / 6)
  const veer = drifting(seed + 2, 1.8 * DAY_MS)
  return {
    name,
    simulated: true,
    at: time => {
      const hour = (time % DAY_MS) / 3_600_000
      const year = ((time / DAY_MS) % 365.25) / 365.25
      const breeze = Math.max(0, Math.sin((Math.PI * (hour - 10)) / 9)) * (1 - low(time)) * 3.5
      return {
        windMS: 1 + 9 * low(time) ** 1.6 + breeze + 1.5 * gust(time),
        windFrom: (230 + 140 * (veer(time) - 0.5) + 360) % 360,
        airC:
          11 -
          7 * Math.cos(2 * Math.PI * (year - 0.05)) +
          3.5 * Math.sin((Math.PI * (hour - 8)) / 12) -
          2 * low(time),
        cloud: Math.min(1, 0.15 + 1.1 * low(time)),
      }
    },
  }
}

/** Ripple that hides a splash; below it water lies like glass. m/s */
export const RIPPLE_MS = 2.5
