import { createCalcClient, type CalcClient } from './client'
import { spawnCalcWorker } from './spawn'

let client: CalcClient | undefined

/** The one calculating worker of the page, started when first asked. */
export const calculator = (): CalcClient => (client ??= createCalcClient(spawnCalcWorker))
