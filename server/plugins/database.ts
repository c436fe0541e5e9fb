import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { DEMO_BOX } from '../../demo/box'
import { seasons } from '../../demo/seasons'
import { DEMO_SPREADS } from '../../demo/spreads'
import { openDatabase, openServer, useDatabase, type OpenDatabase } from '../db/client'
import { DataFolderInUse } from '../db/lock'
import { DEMO_BATHS } from '../../demo/baths'
import { DEMO_SPOTS } from '../../demo/spots'
import { seedBox } from '../services/box'
import { stopInstruments } from '../services/instruments'
import { fillDocuments } from '../services/documents'
import { seedLog } from '../services/log'
import { seedSpreads } from '../services/spreads'

/** Opens the data folder; requests wait for it; it is closed with the server. */
export default defineNitroPlugin((nitro) => {
  if (import.meta.prerender) return
  const ready = start().catch((error: unknown): never => {
    console.error(error instanceof DataFolderInUse ? error.message : error)
    process.exit(1)
  })
  nitro.hooks.hook('request', async () => void await ready)
  nitro.hooks.hook('close', async () => {
    useDatabase(undefined)
    await stopInstruments()
    await (await ready).close()
  })
})

async function start(): Promise<OpenDatabase> {
  const migrations = await unpackMigrations()
  try {
    const url = process.env.DATABASE_URL
    const open = url ? await openServer(url, migrations) : await openDatabase(process.env.DUNECREST_DATA ?? '.data/dunecrest', migrations)
    useDatabase(open)
    if (process.env.DUNECREST_DEMO === '1') {
      await seedSpreads(DEMO_SPREADS)
      await seedBox(DEMO_BOX)
      await fillDocuments('spot', DEMO_SPOTS)
      await fillDocuments('bath', DEMO_BATHS)
      await seedLog(seasons)
    }
    return open
  }
  finally {
    rmSync(migrations, { recursive: true, force: true })
  }
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
