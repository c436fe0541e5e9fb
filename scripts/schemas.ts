import { mkdirSync, writeFileSync } from 'node:fs'
import { jsonSchemaOf, SCHEMA_NAMES } from '../shared/schemas/published'

/** Writes the JSON Schemas of the open formats to docs/schemas, as the server publishes them. */
const folder = new URL('../docs/schemas/', import.meta.url)
mkdirSync(folder, { recursive: true })
for (const name of SCHEMA_NAMES)
  writeFileSync(new URL(`${name}.json`, folder), `${JSON.stringify(jsonSchemaOf(name), null, 1)}\n`)
