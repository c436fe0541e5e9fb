import { typicalHook, WIRE_GRADES, type HookDims, type HookStyle } from '../tackle/hooks'
import type { RigSpec } from './spec'

/** A deep-belly hook's gap over that of the usual one. Typical. */
const DEEP = 1.25

/**
 * Dimensions of a rig's hook: typical of its style and size, of the wire and gap asked for, each replaced by
 * what the angler measured.
 */
export function dimsOf(
  style: HookStyle,
  spec: Pick<RigSpec, 'hookSize' | 'wire' | 'gap' | 'hook'>,
): HookDims {
  const typical = typicalHook(style, spec.hookSize)
  return {
    ...typical,
    wireM: typical.wireM * WIRE_GRADES[spec.wire ?? 'standard'].factor,
    gapM: typical.gapM * (spec.gap === 'deep' ? DEEP : 1),
    ...spec.hook,
  }
}
