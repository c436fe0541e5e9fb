import { defineNitroPlugin, useStorage } from 'nitropack/runtime'
import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { DEMO_BOX } from '../../demo/box'
import { seasons } from '../../demo/seasons'
import { DEMO_SPREADS, NEW_MARKS } from '../../demo/spreads'
import { openDatabase, openServer, useDatabase, type Database, type OpenDatabase } from '../db/client'
import engineThread from '../db/engineThread?thread'
import { DataFolderInUse } from '../db/lock'
import { NoRoom } from '../db/room'
import { DEMO_BATHS } from '../../demo/baths'
import { DEMO_FISHES } from '../../demo/fishes'
import { DEMO_SPOTS } from '../../demo/spots'
import { keepBackup, keepBackupsIn, keepDaily } from '../services/backup'
import { seedBox } from '../services/box'
import { stopInstruments } from '../services/instruments'
import { fillDocuments } from '../services/documents'
import { seedLog } from '../services/log'
import { seedSpreads } from '../services/spreads'
import { keepWorkedIn } from '../services/worked'

/** A copy is kept soon after the start, when nobody waits for it, and looked after this often, ms. */
const FIRST_COPY_MS = 60_000
const LOOK_MS = 10 * 60_000

/** Opens the data folder; requests wait for it; it is closed with the server. */
export default defineNitroPlugin(nitro => {
  if (import.meta.prerender) return
  const ready = start().catch((error: unknown): never => {
    console.error(error instanceof DataFolderInUse || error instanceof NoRoom ? error.message : error)
    process.exit(1)
  })
  const daily = (): void =>
    void ready
      .then(() => keepDaily())
      .catch((error: unknown) =>
        console.warn(`No backup was kept: ${error instanceof Error ? error.message : String(error)}`),
      )
  const timers = [setTimeout(daily, FIRST_COPY_MS), setInterval(daily, LOOK_MS)]
  for (const timer of timers) timer.unref()
  nitro.hooks.hook('request', async () => void (await ready))
  nitro.hooks.hook('close', async () => {
    for (const timer of timers) clearTimeout(timer)
    useDatabase(undefined)
    await stopInstruments()
    await (await ready).close()
  })
})

async function start(): Promise<OpenDatabase> {
  const migrations = await unpackMigrations()
  try {
    const url = process.env.DATABASE_URL
    const folder = process.env.DUNECREST_DATA ?? '.data/dunecrest'
    keepBackupsIn(`${folder}.backups`)
    keepWorkedIn(`${folder}.worked`)
    const keepFirst = async (db: Database): Promise<void> => void (await keepBackup('change', db))
    const open = url
      ? await openServer(url, migrations, keepFirst)
      : await openDatabase(folder, migrations, engineThread, keepFirst)
    useDatabase(open)
    if (process.env.DUNECREST_DEMO === '1') await seedDemo()
    return open
  } finally {
    rmSync(migrations, { recursive: true, force: true })
  }
}

async function seedDemo(): Promise<void> {
  await seedSpreads([...NEW_MARKS, ...DEMO_SPREADS])
  await seedBox(DEMO_BOX)
  await fillDocuments('spot', DEMO_SPOTS)
  await fillDocuments('bath', DEMO_BATHS)
  await fillDocuments('fish', DEMO_FISHES)
  await seedLog(seasons)
}

/** Migrations travel inside the build; the migrator wants them as files. */
async function unpackMigrations(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-migrations-'))
  const assets = useStorage('assets:migrations')
  for (const key of await assets.getKeys()) {
    const file = join(folder, ...key.split(':'))
    mkdirSync(dirname(file), { recursive: true })
    const content = await assets.getItemRaw<Uint8Array | string>(key)
    writeFileSync(file, typeof content === 'string' ? content : Buffer.from(content!))
  }
  return folder
}
