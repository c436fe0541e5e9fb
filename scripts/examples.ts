import { writeFileSync } from 'node:fs'
import { rigFilesOf } from '../demo/examples'
import { DEMO_SPREADS } from '../demo/spreads'

/** Writes a rig file for each demo rig into examples/. A test keeps them in step with the demo. */
for (const { file, json } of DEMO_SPREADS.flatMap(rigFilesOf)) {
  writeFileSync(new URL(`../examples/${file}`, import.meta.url), `${JSON.stringify(json, null, 2)}\n`)
}
