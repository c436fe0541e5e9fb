/**
 * Where a number comes from: worked out by the model, from the angler's own drops, or counted from the log.
 */
export type Basis = 'computed' | 'measured' | 'logged'

/**
 * A value with the range it may lie in. `low <= value <= high`; all three in the unit named by the field that
 * holds it.
 */
export interface Measure {
  readonly value: number
  readonly low: number
  readonly high: number
  readonly basis: Basis
}

/** A numerical failure is told, never hidden: either a value or a code with a sentence an angler can read. */
export type Outcome<T, C extends string = string> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false
      readonly code: C
      readonly message: string
      /** where it stopped, m below the surface */ readonly depthM?: number
    }

export const success = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value })

export const failure = <C extends string>(
  code: C,
  message: string,
): { readonly ok: false; readonly code: C; readonly message: string } => ({ ok: false, code, message })

/**
 * Builds a measure and checks its order.
 * @throws RangeError when a bound is not finite or stands on the wrong side of the value.
 */
export function measure(value: number, low: number, high: number, basis: Basis = 'computed'): Measure {
  if (!(Number.isFinite(value) && low <= value && value <= high)) {
    throw new RangeError(`measure: expected low <= value <= high, got ${low}, ${value}, ${high}`)
  }
  return { value, low, high, basis }
}

/**
 * Builds a measure from a value and the one-sided deviations found around it (both given as positive
 * amounts).
 */
export const spreadMeasure = (value: number, down: number, up: number, basis: Basis = 'computed'): Measure =>
  measure(value, value - Math.abs(down), value + Math.abs(up), basis)

/** True when two ranges share any value, so the two must not be ranked. */
export const overlaps = (a: Measure, b: Measure): boolean => a.low <= b.high && b.low <= a.high
