import type { AirBody } from './airBody'
import type { Landing } from './flight'
import { clamp } from '../numerics/clamp'

/** How a rig meets the water, and how far off fish notice. SI. */
export interface Splash {
  /** energy that goes into noise and spray, J */ readonly energyJ: number
  readonly kind: SplashKind
  /** fish nearer than this are likely to notice, m */ readonly noticedM: number
}
export type SplashKind = 'soft' | 'plop' | 'hard'
export type WaterClarity = 'clear' | 'stained' | 'dirty'

/** Part of the energy of soft plastic that is heard beside that of metal: it gives, and slaps. *Assumed.* */
const SOFT_PART = 0.25
/** Part of the speed along the water that is felt, the line being braked before it lands. *Assumed.* */
const BRAKED = 0.5
/** Energies under which it lands softly, or with a plop, J. *Assumed*, from what anglers call so. */
const KINDS = { soft: 0.15, plop: 0.6 } as const
/**
 * Distance at which fish take notice of a tenth of a joule in a metre of stained water, m; how it grows with
 * energy (sound that spreads along shallow water), and shrinks with depth. *Assumed.*
 */
const NOTICED_M = 2
const NOTICED_J = 0.1
const SPREADING = 1 / 2
const CLARITY: Readonly<Record<WaterClarity, number>> = { clear: 1.3, stained: 1, dirty: 0.8 }

/**
 * Noise of a landing: metal strikes with all of its energy, plastic with a part. Fish that stand in thin,
 * clear water take notice from farther off.
 */
export function splashOf(
  { massKg, hardKg }: Pick<AirBody, 'massKg' | 'hardKg'>,
  { speedMS, steepRad }: Pick<Landing, 'speedMS' | 'steepRad'>,
  depthM: number,
  clarity: WaterClarity = 'clear',
): Splash {
  const square = speedMS ** 2 * (Math.sin(steepRad) ** 2 + (BRAKED * Math.cos(steepRad)) ** 2)
  const energyJ = (square / 2) * (hardKg + SOFT_PART * (massKg - hardKg))
  return {
    energyJ,
    kind: energyJ < KINDS.soft ? 'soft' : energyJ < KINDS.plop ? 'plop' : 'hard',
    noticedM:
      NOTICED_M * CLARITY[clarity] * clamp(depthM ** -0.5, 0.5, 1.6) * (energyJ / NOTICED_J) ** SPREADING,
  }
}
