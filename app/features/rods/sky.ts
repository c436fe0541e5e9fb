import { getMoonIllumination, getTimes } from 'suncalc'

/** A stretch of dusk or night. */
interface Dark {
  readonly kind: 'dusk' | 'night'
  readonly from: number
  readonly to: number
}
/** Sun and moon over a day's trip. Times are in ms. */
export interface Sky {
  readonly darks: readonly Dark[]
  readonly rises: readonly number[]
  readonly sets: readonly number[]
}

const DAY_MS = 86_400_000
const within = (from: number, to: number) => (at: number) => at >= from && at <= to

/**
 * Dusk and night between two moments at a place, and when the sun rises and sets there.
 * @param lat degrees
 * @param lon degrees
 */
export function skyOver(lat: number, lon: number, from: number, to: number): Sky {
  const darks: Dark[] = []
  const rises: number[] = []
  const sets: number[] = []
  const add = (kind: Dark['kind'], begin: number | undefined, end: number | undefined): void => {
    if (begin === undefined || end === undefined) return
    const cut = { kind, from: Math.max(begin, from), to: Math.min(end, to) }
    if (cut.from < cut.to) darks.push(cut)
  }
  const days = Math.ceil((to - from) / DAY_MS) + 2
  let lastDusk: number | undefined
  for (let d = -1; d < days; d++) {
    const times = getTimes(new Date(from + d * DAY_MS), lat, lon)
    const at = (name: 'dawn' | 'sunrise' | 'sunset' | 'dusk'): number | undefined => times[name]?.getTime()
    add('night', lastDusk, at('dawn'))
    add('dusk', at('dawn'), at('sunrise'))
    add('dusk', at('sunset'), at('dusk'))
    lastDusk = at('dusk')
    rises.push(...[at('sunrise')].filter(t => t !== undefined))
    sets.push(...[at('sunset')].filter(t => t !== undefined))
  }
  return { darks, rises: rises.filter(within(from, to)), sets: sets.filter(within(from, to)) }
}

/** The moon in words: "moon 79 % lit, waning". */
export function moonText(at: number): string {
  const { fraction, phase } = getMoonIllumination(new Date(at))
  if (fraction < 0.03) return 'new moon'
  if (fraction > 0.97) return 'full moon'
  return `moon ${Math.round(100 * fraction)} % lit, ${phase < 0.5 ? 'waxing' : 'waning'}`
}
