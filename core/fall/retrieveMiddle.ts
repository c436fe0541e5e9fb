import { retrieveBent } from './bend/retrieveBent'
import type { FallBodies } from './dropAny'
import { RECKONED_FROM } from './dropMiddle'
import { SLOW_RETRIEVE, retrievePosture, towWith, type RetrievePosture } from './retrieve'

/**
 * How a rig rides on a tight line: as one body; and where the water that goes across it would bend its free end too
 * far for that, as it bends.
 * @throws RangeError where the motion of the one body cannot be followed
 */
export function retrieveMiddle({ typical, weight, limp = 0, links }: FallBodies): RetrievePosture {
  const tow = towWith(weight, typical.water, SLOW_RETRIEVE)
  const rod = retrievePosture(typical, tow)
  const across = tow.speedMS ** 2 * mean(rod.pitchRad.map(pitch => Math.sin(pitch - tow.elevationRad) ** 2))
  if (!links || !(limp * across > RECKONED_FROM)) return rod
  const cut = links()
  return (cut.length > 1 ? retrieveBent(cut, typical, tow) : undefined) ?? rod
}

const mean = (values: Float64Array): number => values.reduce((sum, v) => sum + v, 0) / values.length
