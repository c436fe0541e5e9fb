import type { Endpoint } from './client'
import { endpointOf } from './endpoint'

/** Starts the calculating worker in a browser. */
export const spawnCalcWorker = (): Endpoint =>
  endpointOf(new Worker(new URL('./calc.worker.ts', import.meta.url), { type: 'module' }))
