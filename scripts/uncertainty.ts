import { readFileSync, writeFileSync } from 'node:fs'
import { registerTable, withTable } from '../shared/uncertaintyTable'

/**
 * Writes the table of what is uncertain into docs/model/uncertainty.md. A test keeps it in step with the
 * code.
 */
const file = new URL('../docs/model/uncertainty.md', import.meta.url)
writeFileSync(file, withTable(readFileSync(file, 'utf8'), registerTable()))
