import { normal, seededRandom } from '../numerics/random'
import { normalQuantile } from '../numerics/normal'
import { parameterAt, PARAMETER_IDS, PARAMETERS, type ParameterId } from './parameters'

/** Members of an ensemble, unless fewer are asked for. */
export const MEMBERS = 256

/** Seed of the draws, so that worker, server and command line agree to the last digit. */
export const ENSEMBLE_SEED = 20_261

/**
 * Joint draws of every uncertain number, the same for every rig. A member is one way the world may be; what
 * several rigs share has one value in it. Standard scores by a Latin hypercube (McKay, Beckman & Conover,
 * Technometrics 21, 1979): each number has its own seeded order of strata, from which is taken what it has by
 * chance in common with the numbers that every rig shares (those before it in the register; for what is a
 * rig's own, all), so that sums are as wide as they should be. No rig, order of lanes or question changes it.
 */
export interface Ensemble {
  readonly size: number
  /** members that count alike after something was learned; all of them before */ readonly effective?: number
  /**
   * standard scores of a number, one for each member.
   * @param of what it belongs to, where not everything shares it: a plastic, a kind of rig, a rig
   */
  readonly scores: (id: ParameterId, of?: string) => Float64Array
  /** the number itself for each member */ readonly values: (id: ParameterId, of?: string) => Float64Array
  /**
   * standard scores of chance that is no number of the register, by a name; it has hardly anything in common
   * with `apart`
   */
  readonly chance: (name: string, apart: readonly Float64Array[]) => Float64Array
  /** standard score that figures are worked out with: 0, the middle, until something was learned */
  readonly centre: (id: ParameterId, of?: string) => number
}

/** @throws RangeError unless size is at least 8 */
export function makeEnsemble(size = MEMBERS, seed = ENSEMBLE_SEED): Ensemble {
  if (!(size >= 8)) throw new RangeError(`makeEnsemble: expected at least 8 members, got ${size}`)
  const kept = new Map<string, Float64Array>()
  const scores = (id: ParameterId, owner = ''): Float64Array => {
    // before anything is learned of it one place is like another
    const of = PARAMETERS[id].scope === 'place' ? '' : owner
    const key = `${id}\n${of}`
    const found =
      kept.get(key) ??
      apartFrom(
        latin(size, hashOf(`${seed}\n${key}`)),
        (of === '' ? SHARED.slice(0, SHARED.indexOf(id)) : SHARED).map(other => scores(other)),
      )
    kept.set(key, found)
    return found
  }
  return {
    size,
    scores,
    values: (id, of) => scores(id, of).map(z => parameterAt(id, z)),
    centre: () => 0,
    chance: (name, apart) => apartFrom(latin(size, hashOf(`${seed}\n${name}`)), apart),
  }
}

let usual: Ensemble | undefined
/**
 * The one ensemble for everything that is not told otherwise. Made when it is first asked for: a page that shows no
 * figure does not wait for it.
 */
export const usualEnsemble = (): Ensemble => (usual ??= makeEnsemble())

/** Numbers with one value for every rig, in the order of the register. */
const SHARED = PARAMETER_IDS.filter(
  id =>
    PARAMETERS[id].scope === 'physics' || PARAMETERS[id].scope === 'place' || PARAMETERS[id].scope === 'fish',
)

/** Times that common parts are taken off: ranking them again brings a little back. */
const ROUNDS = 3

/** The same scores in another order, which has hardly anything in common with any of `others`. */
function apartFrom(scores: Float64Array, others: readonly Float64Array[]): Float64Array {
  const sorted = scores.slice().sort()
  let z = scores
  for (let round = 0; round < ROUNDS && others.length > 0; round++) {
    const left = z.slice()
    for (const other of others) {
      let along = 0
      let square = 0
      for (let m = 0; m < left.length; m++) {
        along += other[m]! * left[m]!
        square += other[m]! * other[m]!
      }
      const common = along / square
      for (let m = 0; m < left.length; m++) left[m]! -= common * other[m]!
    }
    const next = new Float64Array(z.length)
    Array.from(left, (_, m) => m)
      .sort((a, b) => left[a]! - left[b]!)
      .forEach((m, rank) => {
        next[m] = sorted[rank]!
      })
    z = next
  }
  return z
}

/** One draw from the prior, by itself: a truth to try an ensemble on. */
export function drawTruth(seed: number): (id: ParameterId, of?: string) => number {
  return (id, of = '') => normal(seededRandom(hashOf(`${seed}\n${id}\n${of}`)))
}

/** One standard score from each of `size` equal strata, in an order of its own. */
function latin(size: number, seed: number): Float64Array {
  const random = seededRandom(seed)
  const z = Float64Array.from({ length: size }, (_, i) => normalQuantile((i + random()) / size))
  for (let i = size - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    const keep = z[i]!
    z[i] = z[j]!
    z[j] = keep
  }
  return z
}

/** FNV-1a with a last mix, 32 bits: neighbours in name are strangers in seed. */
function hashOf(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  hash = Math.imul(hash ^ (hash >>> 15), 0x2c1b3c6d)
  return (hash ^ (hash >>> 13)) >>> 0
}

/** Whose value of a number a rig has. */
export interface Owners {
  readonly plastic: string
  readonly kind: string
  readonly rig: string
  /** any place when left out */ readonly place?: string
}

/** What a number of a rig belongs to: nothing for what every rig shares. */
export function ownerOf(id: ParameterId, { plastic, kind, rig, place = '' }: Owners): string {
  const { scope } = PARAMETERS[id]
  if (scope === 'plastic') return plastic
  if (scope === 'place') return place
  if (scope === 'hand') return rig
  if (scope === 'model') return id.endsWith('Own') ? rig : kind
  return ''
}
