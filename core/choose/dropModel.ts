import { DEFAULT_FACTORS, type FallFactors } from '../fall/factors'
import { dropAs, dropMiddle } from '../fall/dropMiddle'
import type { FallSummary } from '../fall/summary'
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
  const bodies = bodiesOfRig(bait, spec, waterOf(temperatureC, salinityGKg))
  const line = lineOf(lineKind, lineStrengthN)
  const middle = dropMiddle(bodies, { depthM, line })
  if (!middle.ok) return failure('floats', 'It floats: it never sinks in this water.')
  const kind = middle.value.bending?.rodS === undefined ? 'rod' : 'bent'
  const figures = ({ timeS, pitchRad, endSpeedMS }: FallSummary) => ({
    seconds: timeS,
    pitchRad,
    speedMS: endSpeedMS,
  })
  const base = figures(middle.value.summary)
  const at = (drag: number, eta: number): typeof base | undefined => {
    const factors: FallFactors = {
      ...DEFAULT_FACTORS,
      crossDrag: drag,
      axialDrag: drag,
      eta: DEFAULT_FACTORS.eta * eta,
    }
    const done = dropAs(kind, bodies, { depthM, line, factors })
    return done.ok ? figures(done.value.summary) : undefined
  }
  const up = Math.exp(STEP)
  const slopes = (a: typeof base | undefined, b: typeof base | undefined): readonly [number, number] => {
    const [high, low] = [a ?? base, b ?? base]
    const over = (a ? STEP : 0) + (b ? STEP : 0) || 1
    return [Math.log(high.seconds / low.seconds) / over, (high.pitchRad - low.pitchRad) / over]
  }
  const [byDrag, pitchByDrag] = slopes(at(up, 1), at(1 / up, 1))
  const [byEta, pitchByEta] = slopes(at(1, up), at(1, 1 / up))
  return success({ ...base, byDrag, byEta, pitchByDrag, pitchByEta })
}
