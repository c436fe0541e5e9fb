import { ref, shallowRef } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { useOutbox } from '~/sync/outboxStore'
import Papa from 'papaparse'
import type { LogEntry, SessionRow } from '#schemas/log'
import type { RowError } from '../../../shared/cells'
import {
  DROP_COLUMNS,
  droppedOf,
  measuredCsv,
  type BroughtDrop,
  type DropTableRow,
} from '../../../shared/dropTable'
import { entryOf, LOG_COLUMNS, logCsv, type LogRow } from '../../../shared/logTable'
import { ask } from '~/sync/api'
import { saveText } from '~/ui/card'
import { newId } from '~/sync/newId'
import { calculator } from '~/compute/calculator'
import { useExchange } from '~/sync/useExchange'

/** Rows and pages asked for in one request. */
const SESSIONS = 200
const ENTRIES = 500
/** Line a brought drop is worked out with, where the table names none: it hardly slows a drop. */
const LINE = { lineKind: 'braid', lineStrengthN: 67 } as const

/** A table read before anything is written: what would come in, and what is wrong with it, row by row. */
export interface TableReading {
  readonly name: string
  readonly entries: readonly LogEntry[]
  readonly drops: readonly BroughtDrop[]
  readonly errors: readonly RowError[]
}

/** The log and the timed drops as CSV, out and in. */
export function useLogTables() {
  const evidence = useEvidence()
  const outbox = useOutbox()
  const reading = shallowRef<TableReading>()
  const { busy, error, exchange } = useExchange()
  /** part of the work that is done, 0 to 1 */
  const progress = ref(0)

  const trying = <T>(what: () => Promise<T>): Promise<T | undefined> => {
    progress.value = 0
    return exchange(what)
  }

  /** Every page of a list, until one comes short. */
  async function every<T>(each: number, page: (offset: number) => Promise<readonly T[]>): Promise<T[]> {
    const all: T[] = []
    for (let offset = 0; ; offset += each) {
      const some = await page(offset)
      all.push(...some)
      if (some.length < each) return all
    }
  }
  const saveLog = (): Promise<unknown> =>
    trying(async () => {
      const sessions = await every(
        SESSIONS,
        async offset =>
          (await ask<{ sessions: SessionRow[] }>(`/api/log/sessions?limit=${SESSIONS}&offset=${offset}`))
            .sessions,
      )
      const all: LogEntry[] = []
      for (const [i, { session }] of sessions.entries()) {
        all.push(
          ...(await every(
            ENTRIES,
            async offset =>
              (
                await ask<{ entries: LogEntry[] }>(
                  `/api/log/${session}/entries?limit=${ENTRIES}&offset=${offset}`,
                )
              ).entries,
          )),
        )
        progress.value = (i + 1) / sessions.length
      }
      saveText('log.csv', logCsv(all), 'text/csv')
    })
  const saveDrops = (): void => saveText('drops.csv', measuredCsv(evidence.drops), 'text/csv')

  const read = (file: File): Promise<unknown> =>
    trying(async () => {
      reading.value = undefined
      const { data, meta } = Papa.parse<Record<string, string>>(await file.text(), {
        header: true,
        skipEmptyLines: 'greedy',
        transformHeader: h => h.trim().toLowerCase(),
      })
      const has = (column: string): boolean => (meta.fields ?? []).includes(column)
      const errors: RowError[] = []
      if (has('kind') && has('session')) {
        const rows = data.map((row, i) => entryOf(row as LogRow, i + 2, newId))
        errors.push(...rows.flatMap(r => r.errors))
        reading.value = { name: file.name, entries: rows.flatMap(r => r.entry ?? []), drops: [], errors }
      } else if (has('seconds') && has('family')) {
        const rows = data.map((row, i) => droppedOf(row as DropTableRow, i + 2))
        errors.push(...rows.flatMap(r => r.errors))
        reading.value = { name: file.name, entries: [], drops: rows.flatMap(r => r.brought ?? []), errors }
      } else
        throw new Error(
          `${file.name} is neither a log (columns ${LOG_COLUMNS.slice(0, 6).join(', ')}, …) nor drops (columns ${DROP_COLUMNS.slice(0, 6).join(', ')}, …). Nothing was changed.`,
        )
    })

  /** A brought drop with what the model gives for it now. */
  async function modelled({ id, at, drop }: BroughtDrop): Promise<LogEntry> {
    const found = await calculator().ask('drop', {
      bait: drop.bait,
      rig: drop.rig,
      conditions: {
        depthM: drop.depthM,
        temperatureC: drop.temperatureC,
        salinityGKg: drop.salinityGKg,
        ...LINE,
      },
    })
    if (!found.ok) throw new Error(`The drop of ${at.slice(0, 10)}: ${found.message}`)
    return {
      id: id ?? newId(),
      session: newId(),
      at,
      kind: 'drop',
      data: { place: 'drop test', drop: { ...drop, model: found.model } },
    }
  }
  /** Puts in what was read. @returns how many entries are now on the server, or wait for it */
  const put = (): Promise<number | undefined> =>
    trying(async () => {
      const { entries, drops } = reading.value!
      const made: LogEntry[] = [...entries]
      for (const [i, drop] of drops.entries()) {
        made.push(await modelled(drop))
        progress.value = (i + 1) / drops.length
      }
      await outbox.keep(made)
      if (outbox.cannotKeep) throw new Error(outbox.cannotKeep)
      const sent = await outbox.send(true)
      if (sent?.error) throw new Error(`${sent.error} What was read waits on this device.`)
      const mine = new Set(made.map(e => e.id))
      const refused = outbox.aside.filter(a => mine.has(a.entry.id))
      if (refused.length > 0)
        throw new Error(
          `${made.length - refused.length} of ${made.length} entries were taken. The first of those that were not: ${refused[0]!.why}`,
        )
      for (const [i, { used }] of drops.entries())
        if (!used) await evidence.exclude(made[entries.length + i]!.id, true)
      await evidence.load()
      reading.value = undefined
      return made.length
    })
  return { reading, error, busy, progress, saveLog, saveDrops, read, put }
}
