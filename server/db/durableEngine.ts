import { PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'
import { existsSync, fsyncSync, renameSync, rmSync } from 'node:fs'
import { dirname } from 'node:path'
import { flush, flushTree, ownerOnly } from './files'

/** A stream of the runtime's file layer on a real file. */
interface FileStream {
  readonly nfd: number
}
interface Attributes {
  readonly mode?: number | undefined
}
interface Runtime {
  readonly NODEFS: {
    readonly stream_ops: { fsync?: (stream: FileStream) => number }
    readonly node_ops: { setattr: (node: unknown, attributes: Attributes) => unknown }
  }
}

/** The rights of all but the owner. */
const OTHERS = 0o077

/**
 * Gives the file layer the call it lacks, so that a flush reaches the disk, and keeps files to their owner.
 */
function harden(runtime: unknown): void {
  const {
    NODEFS: { stream_ops: streams, node_ops: nodes },
  } = runtime as Runtime
  streams.fsync = ({ nfd }) => {
    fsyncSync(nfd)
    return 0
  }
  const { setattr } = nodes
  nodes.setattr = (node, attributes) =>
    setattr(
      node,
      attributes.mode === undefined ? attributes : { ...attributes, mode: attributes.mode & ~OTHERS },
    )
}

/** The engine's files on the disk. */
class HardenedFS extends NodeFS {
  override async init(...given: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const { emscriptenOpts } = await super.init(...given)
    // before the engine starts: a recovery after a crash flushes too
    return {
      emscriptenOpts: { ...emscriptenOpts, preRun: [...[emscriptenOpts.preRun ?? []].flat(), harden] },
    }
  }
}

/** `-F` would turn flushing off; of the ways to flush the log, the file layer knows `fsync` alone. */
const START = [
  ...PGlite.defaultStartParams.filter(param => param !== '-F'),
  '-c',
  'wal_sync_method=fsync',
  '-c',
  'max_wal_size=64MB',
  '-c',
  'min_wal_size=32MB',
]

const start = (path: string): Promise<PGlite> =>
  PGlite.create({ fs: new HardenedFS(path), startParams: START })

/**
 * Opens the embedded PostgreSQL on a folder, made when missing, so that what it acknowledges is on the disk.
 * A folder is made under another name and takes its own once it is whole, so that a cut in the middle leaves
 * none that is half made. Everything in it is for its owner alone.
 * @param path absolute path of the data folder; this process must hold its lock
 */
export async function createEngine(path: string): Promise<PGlite> {
  if (!existsSync(path)) {
    const making = `${path}.new`
    rmSync(making, { recursive: true, force: true })
    await (await start(making)).close()
    ownerOnly(making)
    flushTree(making)
    renameSync(making, path)
    flush(dirname(path))
  }
  ownerOnly(path)
  return start(path)
}
