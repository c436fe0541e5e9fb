import type { Link, ChainMotion, Waking } from './chain'

/**
 * Wake of a cylinder as an oscillator that its own motion drives (Facchinetti, de Langre & Biolley, J. Fluids Struct.
 * 19, 2004): Strouhal number, lift coefficient of a cylinder at rest, how strongly the motion drives the wake, and how
 * fast the wake comes to its own size.
 */
const STROUHAL = 0.2
const LIFT = 0.3
const DRIVEN = 12
const GROWS = 0.3
/** What a wake begins with, of a lift that comes to 2: nothing is quite even. *Assumed.* */
const BEGINS = 0.2

/** Numbers of a link's wake: how far it leans to a side, and how fast that goes. */
export const WAKE_STATE = 2

/** What chains shed, on state numbers that stand behind their own. */
export interface Shedding {
  readonly wake: Waking
  /** writes the wakes' derivatives, once those of the chain stand in `dy` */
  readonly follow: (motion: ChainMotion, y: Float64Array, dy: Float64Array) => void
  readonly begin: (y: Float64Array) => void
}

/**
 * Vortices that leave the links of a chain in turn, each link with a wake of its own: a force across link and flow.
 * @param from where the wakes' numbers begin in the state
 */
export function sheddingOf(links: readonly Link[], from: number): Shedding {
  const sections = links.map(({ body }) => sectionOf(body.geometry.strips))
  const rho = links[0]!.body.water.densityKgM3
  /** per link: rate of its wake, 1/s, its breadth, m, and the way across link and flow, y and z */
  const now = new Float64Array(4 * links.length)
  const haste = new Float64Array(3)
  return {
    wake: (n, y, v, out) => {
      const { lengthM, widthM, heightM } = sections[n]!
      const speed = Math.hypot(v[1]!, v[2]!)
      if (!(speed > 1e-9 && lengthM > 0)) {
        now.fill(0, 4 * n, 4 * n + 4)
        return
      }
      const [acrossY, acrossZ] = [-v[2]! / speed, v[1]! / speed]
      const breadth = Math.hypot(widthM * acrossY, heightM * acrossZ)
      now[4 * n] = (2 * Math.PI * STROUHAL * speed) / breadth
      now[4 * n + 1] = breadth
      now[4 * n + 2] = acrossY
      now[4 * n + 3] = acrossZ
      const q = y[from + WAKE_STATE * n]!
      const newton = 0.25 * rho * speed * speed * breadth * lengthM * LIFT * q
      out[1]! += newton * acrossY
      out[2]! += newton * acrossZ
    },
    follow: ({ hastens }, y, dy) => {
      for (let n = 0; n < links.length; n++) {
        const at = from + WAKE_STATE * n
        const [rate, breadth, acrossY, acrossZ] = [
          now[4 * n]!,
          now[4 * n + 1]!,
          now[4 * n + 2]!,
          now[4 * n + 3]!,
        ]
        const [q, p] = [y[at]!, y[at + 1]!]
        dy[at] = p
        dy[at + 1] = 0
        if (rate === 0) continue
        hastens(n, haste)
        const driven = (DRIVEN * (haste[1]! * acrossY + haste[2]! * acrossZ)) / breadth
        dy[at + 1] = driven - GROWS * rate * (q * q - 1) * p - rate * rate * q
      }
    },
    begin: y => {
      for (let n = 0; n < links.length; n++) y[from + WAKE_STATE * n] = BEGINS * (n % 2 === 0 ? 1 : 0.7)
    },
  }
}

/** Length of a link's plastic in the water, and its mean width and height. */
function sectionOf(strips: Link['body']['geometry']['strips']): {
  lengthM: number
  widthM: number
  heightM: number
} {
  const bait = strips.filter(s => s.part === 'bait' && s.wet)
  const lengthM = bait.reduce((sum, s) => sum + s.lengthM, 0)
  const mean = (of: (s: (typeof bait)[number]) => number): number =>
    lengthM > 0 ? bait.reduce((sum, s) => sum + of(s) * s.lengthM, 0) / lengthM : 0
  return { lengthM, widthM: mean(s => s.widthM), heightM: mean(s => s.heightM) }
}
