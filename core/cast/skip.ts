import { GRAVITY_MS2 } from '../constants'
import type { AirBody } from './airBody'

/** How a rig skips when it is thrown low over the water. */
export interface Skip {
  /** touches after the first */ readonly hops: number
  /** how far past the first touch it gets, m; 0 where it digs in */ readonly underM: number
}

/** A low cast from the side: speed and rise over the water. *Assumed.* */
const LOW_MS = 15
const LOW_RAD = (6 * Math.PI) / 180
/**
 * Speed along the water lost at each touch: what a flat, level body loses, more the rounder it is, and the
 * more its nose is loaded; beyond `DIGS` the nose goes in. *Assumed*, so that an unweighted stick skips some
 * metres and a ball head none, as people see.
 */
const LOSS = { flat: 0.15, round: 0.1, nose: 3 } as const
const DIGS = 0.1
/** A body slower than this, or than gravity lets it plane, stays where it is, m/s. *Assumed.* */
const STAYS_MS = 3
/** Lift of a plate that planes, against the dynamic pressure on its flat side (Bocquet 2003, Am. J. Phys. 71). */
const PLANE_C = 1

/**
 * Hops of a body thrown flat over the water: each touch takes some of its speed, and it bounces at the angle
 * it came. It stays down once it is too slow to plane: v² = 4 m g / (C ρ A) (Bocquet 2003), or limp.
 */
export function skipOf(
  { massKg, noseLoad, flatness, flatM2 }: Pick<AirBody, 'massKg' | 'noseLoad' | 'flatness' | 'flatM2'>,
  waterKgM3: number,
): Skip {
  if (Math.abs(noseLoad) > DIGS) return { hops: 0, underM: 0 }
  const loss =
    LOSS.flat + LOSS.round / Math.max(0.5, flatness) + LOSS.nose * Math.max(0, Math.abs(noseLoad) - 0.02)
  const planes = Math.sqrt((4 * massKg * GRAVITY_MS2) / (PLANE_C * waterKgM3 * flatM2))
  let speed = LOW_MS
  let hops = 0
  let underM = 0
  for (;;) {
    speed *= 1 - loss
    if (speed < Math.max(STAYS_MS, planes)) return { hops, underM }
    hops++
    underM += (2 * speed ** 2 * Math.sin(LOW_RAD) * Math.cos(LOW_RAD)) / GRAVITY_MS2
  }
}
