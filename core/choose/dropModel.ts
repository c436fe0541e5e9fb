import { DEFAULT_FACTORS, type FallFactors } from '../fall/factors'
import { dropRig } from '../fall/drop'
import { dropTethered } from '../fall/dropTethered'
import { summarize } from '../fall/summary'
import type { Outcome } from '../outcome'
import { failure, success } from '../outcome'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { bodiesOfRig } from './bodies'
import type { Conditions } from './conditions'
import { lineOf } from '../tackle/lines'
import { waterOf } from '../water/water'
import type { DropModel } from '../evidence/drops'

/** Step in the logarithm of a factor. */
const STEP = 0.1

/**
 * What the model gives for a drop on slack line, and how that moves with drag and eta: each moved up and down
 * by a tenth, dropped anew.
 */
export function dropModel(
  bait: BaitSpec,
  spec: RigSpec,
  {
    depthM,
    temperatureC,
    salinityGKg,
    lineKind,
    lineStrengthN,
  }: Pick<Conditions, 'depthM' | 'temperatureC' | 'salinityGKg' | 'lineKind' | 'lineStrengthN'>,
): Outcome<DropModel, string> {
  const { typical, weight } = bodiesOfRig(bait, spec, waterOf(temperatureC, salinityGKg))
  const line = lineOf(lineKind, lineStrengthN)
  const at = (
    drag: number,
    eta: number,
  ): { readonly seconds: number; readonly pitchRad: number; readonly speedMS: number } | undefined => {
    const factors: FallFactors = {
      ...DEFAULT_FACTORS,
      crossDrag: drag,
      axialDrag: drag,
      eta: DEFAULT_FACTORS.eta * eta,
    }
    const done = weight
      ? dropTethered(typical, weight, { depthM, line, factors })
      : dropRig(typical, { depthM, line, factors })
    if (!done.ok) return undefined
    const { pitchRad, endSpeedMS } = summarize(done.value)
    return { seconds: done.value.timeS, pitchRad, speedMS: endSpeedMS }
  }
  const up = Math.exp(STEP)
  const base = at(1, 1)
  if (!base) return failure('floats', 'It floats: it never sinks in this water.')
  const slopes = (a: typeof base | undefined, b: typeof base | undefined): readonly [number, number] => {
    const [high, low] = [a ?? base, b ?? base]
    const over = (a ? STEP : 0) + (b ? STEP : 0) || 1
    return [Math.log(high.seconds / low.seconds) / over, (high.pitchRad - low.pitchRad) / over]
  }
  const [byDrag, pitchByDrag] = slopes(at(up, 1), at(1 / up, 1))
  const [byEta, pitchByEta] = slopes(at(1, up), at(1, 1 / up))
  return success({ ...base, byDrag, byEta, pitchByDrag, pitchByEta })
}
