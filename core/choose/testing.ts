import { lbfToN } from '../units'
import type { Conditions } from './conditions'

/** Fresh, still water without cover, for tests: two metres over sand, on braid of 15 lb. */
export const STILL: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 0,
  cover: 'open',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: lbfToN(15),
}
