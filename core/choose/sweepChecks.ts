import type { Measure } from '../outcome'
import type { RigReport } from './evaluateRig'

/** No rig of soft plastic sinks faster, m/s. */
const FASTEST_MS = 5

/** What is wrong with a figure; nothing where it is a number in its place, inside a range that is one. */
function wrong(name: string, { value, low, high }: Measure, least: number, most: number): string[] {
  const fine = [value, low, high].every(Number.isFinite) && low <= value && value <= high && low >= least && high <= most
  return fine ? [] : [`${name} ${value} [${low}, ${high}]`]
}

/** What is wrong with the figures of a rig; nothing where all is well. */
export function wrongOf({ massKg, fall, snag, strike }: RigReport, depthM: number, lengthM: number): string[] {
  const { timeS } = fall
  return [
    ...(massKg > 0 ? [] : [`mass ${massKg}`]),
    ...wrong('time', timeS, 0, Infinity),
    ...(timeS.high - timeS.low > 1e-3 * timeS.value ? [] : [`no width: time ${timeS.value}`]),
    ...(fall.meanSpeedMS.value <= FASTEST_MS ? [] : [`speed ${fall.meanSpeedMS.value}`]),
    // its middle starts under its tie point and ends over its lowest part
    ...(Math.abs(fall.meanSpeedMS.value * timeS.value / depthM - 1) < 0.1 + lengthM / depthM ? [] : [`speed and time apart: ${fall.meanSpeedMS.value * timeS.value} of ${depthM}`]),
    ...wrong('pitch', fall.pitchRad, -Math.PI / 2, Math.PI / 2),
    ...wrong('roll', fall.rollRad, 0, Math.PI),
    ...wrong('glide', fall.glide, 0, 20),
    ...(fall.scatter >= 0 && fall.scatter < 10 ? [] : [`scatter ${fall.scatter}`]),
    ...wrong('snag', snag.snagPerCast, 0, 1),
    ...wrong('weed', snag.weedPerCast, 0, 1),
    ...wrong('minutes', snag.minutesLeft, 0, 60),
    ...wrong('hook-up', strike.hookUp, 0, 1),
  ]
}
