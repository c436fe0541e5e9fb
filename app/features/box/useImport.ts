import { ref, shallowRef } from 'vue'
import Papa from 'papaparse'
import { itemSchema, MOST_ITEMS, type ItemInput } from '#schemas/box'
import { checked } from '#schemas/checked'
import { BOX_COLUMNS, itemOf, type BoxRow } from '../../../shared/boxTable'
import type { RowError } from '../../../shared/cells'
import { failureText } from '#words/failureText'

/** Rows read at a stretch: a few milliseconds, so that the page answers meanwhile and the reading can be called off. */
const PIECE = 100
const breath = (): Promise<void> => new Promise(done => setTimeout(done))

/** A file read before anything is written: what would come in, and what is wrong with it, row by row. */
export interface Reading {
  readonly name: string
  readonly items: readonly ItemInput[]
  readonly errors: readonly RowError[]
  readonly rows: number
}

/** Reads a table or a JSON file of things in pieces, with progress, and can be called off. */
export function useImport() {
  const progress = ref(0)
  const reading = shallowRef<Reading>()
  const failed = ref<string>()
  const busy = ref(false)
  let running: AbortController | undefined

  async function read(file: File): Promise<void> {
    running?.abort()
    const mine = (running = new AbortController())
    reading.value = undefined
    failed.value = undefined
    progress.value = 0
    busy.value = true
    try {
      const text = await file.text()
      reading.value = text.trimStart().startsWith('{')
        ? readJson(file.name, text)
        : await readCsv(file.name, text, mine.signal)
    } catch (error) {
      if (!mine.signal.aborted) failed.value = failureText(error)
    } finally {
      if (mine === running) busy.value = false
    }
  }

  async function readCsv(name: string, text: string, signal: AbortSignal): Promise<Reading> {
    const { data, meta } = Papa.parse<BoxRow>(text, {
      header: true,
      skipEmptyLines: 'greedy',
      transformHeader: h => h.trim().toLowerCase(),
    })
    const known = (meta.fields ?? []).filter(field => (BOX_COLUMNS as readonly string[]).includes(field))
    if (!known.includes('kind') || !known.includes('name'))
      throw new Error(
        `This table has no columns "kind" and "name". Expected the columns ${BOX_COLUMNS.join(', ')}.`,
      )
    if (data.length > MOST_ITEMS)
      throw new Error(`${data.length} rows are too many: ${MOST_ITEMS} at most in one go.`)
    const items: ItemInput[] = []
    const errors: RowError[] = (meta.fields ?? [])
      .filter(field => field !== '' && !known.includes(field))
      .map(column => ({ row: 1, column, message: 'This column is not known here.' }))
    for (let at = 0; at < data.length; at += PIECE) {
      const piece = data.slice(at, at + PIECE).map((row, i) => itemOf(row, at + i + 2))
      items.push(...piece.flatMap(r => r.item ?? []))
      errors.push(...piece.flatMap(r => r.errors))
      progress.value = Math.min(1, (at + PIECE) / data.length)
      await breath()
      signal.throwIfAborted()
    }
    return { name, items, errors, rows: data.length }
  }

  function readJson(name: string, text: string): Reading {
    let body: { format?: unknown; items?: unknown }
    try {
      body = JSON.parse(text) as typeof body
    } catch {
      throw new Error('This is not valid JSON.')
    }
    if (body.format !== 'dunecrest-box' || !Array.isArray(body.items))
      throw new Error('This is not a box file: expected "format": "dunecrest-box" and a list "items".')
    if (body.items.length > MOST_ITEMS)
      throw new Error(`${body.items.length} things are too many: ${MOST_ITEMS} at most in one go.`)
    const items: ItemInput[] = []
    const errors: RowError[] = []
    body.items.forEach((item, i) => {
      const result = checked(itemSchema, item)
      if (result.ok) items.push(result.data)
      else errors.push(...result.errors.map(({ path, message }) => ({ row: i + 1, column: path, message })))
    })
    progress.value = 1
    return { name, items, errors, rows: body.items.length }
  }

  function cancel(): void {
    running?.abort()
    busy.value = false
    reading.value = undefined
    failed.value = undefined
  }

  return { progress, reading, failed, busy, read, cancel }
}
