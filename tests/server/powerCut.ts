import fs from 'node:fs'
import { syncBuiltinESMExports } from 'node:module'
import { dirname, join, relative } from 'node:path'

/**
 * What a disk may keep when the power goes. Everything that is done to the files of a folder is recorded; the
 * folder is then rebuilt as a cut at any place may leave it: what was flushed is there, of what was not any
 * part may be.
 *
 * The disk is taken for one with a journal of names (ext4, XFS, APFS, NTFS): names change in their order, and
 * a flush of any file takes all earlier changes of names with it. Of what was written to a file since its own
 * last flush, each page may be there or not, whole or torn at a sector.
 */
type Op =
  | { readonly kind: 'write'; readonly file: number; readonly at: number; readonly data: Buffer }
  | { readonly kind: 'truncate'; readonly file: number; readonly length: number }
  | { readonly kind: 'name'; readonly path: string; readonly file: number }
  | { readonly kind: 'unname'; readonly path: string }
  | { readonly kind: 'folder'; readonly path: string; readonly there: boolean }
  | { readonly kind: 'flush'; readonly file: number }
  | { readonly kind: 'acknowledged'; readonly id: string }

export interface Recording {
  readonly ops: Op[]
  /** numbers of the files that were there when it began */
  readonly files: ReadonlyMap<string, number>
  /** marks that something was acknowledged to whoever asked */
  readonly acknowledge: (id: string) => void
  /** ends the recording */
  readonly stop: () => void
}

const PAGE = 4096
const SECTOR = 512

/**
 * Records what is done to the files below a folder, through this process' own file functions, until it is
 * stopped.
 */
export function record(root: string): Recording {
  const ops: Op[] = []
  const open = new Map<number, number>()
  const files = new Map<string, number>()
  let next = 1
  for (const path of walk(root)) files.set(path, next++)
  const atFirst = new Map(files)
  const inside = (path: fs.PathLike): string | undefined => {
    const name = relative(root, String(path))
    return name.startsWith('..') ? undefined : name
  }
  const real = { ...fs }
  const patched = {
    openSync(path: fs.PathLike, flags: fs.OpenMode = 'r', mode?: fs.Mode): number {
      const name = inside(path)
      const before = name !== undefined && real.existsSync(path)
      const descriptor = real.openSync(path, flags, mode)
      if (name === undefined) return descriptor
      if (!before) {
        files.set(name, next++)
        ops.push({ kind: 'name', path: name, file: files.get(name)! })
      }
      const file = files.get(name) ?? 0
      const truncates =
        typeof flags === 'string' ? flags.startsWith('w') : (flags & fs.constants.O_TRUNC) !== 0
      if (truncates && before) ops.push({ kind: 'truncate', file, length: 0 })
      open.set(descriptor, file)
      return descriptor
    },
    closeSync(descriptor: number): void {
      open.delete(descriptor)
      real.closeSync(descriptor)
    },
    writeSync(
      descriptor: number,
      data: NodeJS.ArrayBufferView,
      offset: number,
      length: number,
      position: number,
    ): number {
      const written = real.writeSync(descriptor, data, offset, length, position)
      const file = open.get(descriptor)
      if (file !== undefined && written > 0)
        ops.push({
          kind: 'write',
          file,
          at: position,
          data: Buffer.from(Buffer.from(data.buffer, data.byteOffset + offset, written)),
        })
      return written
    },
    ftruncateSync(descriptor: number, length = 0): void {
      real.ftruncateSync(descriptor, length)
      const file = open.get(descriptor)
      if (file !== undefined) ops.push({ kind: 'truncate', file, length })
    },
    truncateSync(path: fs.PathLike, length = 0): void {
      real.truncateSync(path, length)
      const name = inside(path)
      if (name !== undefined) ops.push({ kind: 'truncate', file: files.get(name) ?? 0, length })
    },
    renameSync(from: fs.PathLike, to: fs.PathLike): void {
      real.renameSync(from, to)
      const [was, is] = [inside(from), inside(to)]
      if (was === undefined || is === undefined) return
      const file = files.get(was)!
      files.delete(was)
      files.set(is, file)
      ops.push({ kind: 'name', path: is, file }, { kind: 'unname', path: was })
    },
    unlinkSync(path: fs.PathLike): void {
      real.unlinkSync(path)
      const name = inside(path)
      if (name === undefined) return
      files.delete(name)
      ops.push({ kind: 'unname', path: name })
    },
    mkdirSync(path: fs.PathLike, options?: fs.Mode): void {
      real.mkdirSync(path, options)
      const name = inside(path)
      if (name !== undefined) ops.push({ kind: 'folder', path: name, there: true })
    },
    rmdirSync(path: fs.PathLike): void {
      real.rmdirSync(path)
      const name = inside(path)
      if (name !== undefined) ops.push({ kind: 'folder', path: name, there: false })
    },
    fsyncSync(descriptor: number): void {
      real.fsyncSync(descriptor)
      ops.push({ kind: 'flush', file: open.get(descriptor) ?? 0 })
    },
  }
  Object.assign(fs, patched)
  syncBuiltinESMExports()
  return {
    ops,
    files: atFirst,
    acknowledge: id => void ops.push({ kind: 'acknowledged', id }),
    stop: () => {
      Object.assign(
        fs,
        Object.fromEntries(Object.keys(patched).map(key => [key, real[key as keyof typeof real]])),
      )
      syncBuiltinESMExports()
    },
  }
}

function* walk(folder: string, below = ''): Generator<string> {
  for (const entry of fs.readdirSync(join(folder, below), { withFileTypes: true })) {
    const path = join(below, entry.name)
    if (entry.isDirectory()) yield* walk(folder, path)
    else yield path
  }
}

/**
 * How much of what was not flushed is there: nothing, everything, each page by chance, pages torn at a
 * sector.
 */
export const KEEPS = ['nothing', 'everything', 'pages', 'torn'] as const
export type Keeps = (typeof KEEPS)[number]

interface FileState {
  readonly durable: Change[]
  pending: Change[]
}
type Change = Extract<Op, { kind: 'write' | 'truncate' }>
type Naming = Extract<Op, { kind: 'name' | 'unname' | 'folder' }>

/**
 * Rebuilds a folder as a cut may leave it.
 * @param base a copy of the folder as it was when the recording began, all of it flushed
 * @param cut number of operations that were done before the cut
 * @param target where it is rebuilt; must not be there
 * @returns what was acknowledged before the cut
 */
export function afterCut(
  { ops, files }: Pick<Recording, 'ops' | 'files'>,
  base: string,
  cut: number,
  keeps: Keeps,
  random: () => number,
  target: string,
): string[] {
  const acknowledged: string[] = []
  const states = new Map<number, FileState>()
  const state = (file: number): FileState => {
    const found = states.get(file) ?? { durable: [], pending: [] }
    states.set(file, found)
    return found
  }
  const names: Naming[] = []
  let waiting: Naming[] = []
  for (const op of ops.slice(0, cut)) {
    if (op.kind === 'acknowledged') acknowledged.push(op.id)
    else if (op.kind === 'write' || op.kind === 'truncate') state(op.file).pending.push(op)
    else if (op.kind === 'flush') {
      const { durable, pending } = state(op.file)
      durable.push(...pending)
      states.set(op.file, { durable, pending: [] })
      names.push(...waiting)
      waiting = []
    } else waiting.push(op)
  }
  const kept =
    keeps === 'nothing'
      ? 0
      : keeps === 'everything'
        ? waiting.length
        : Math.floor(random() * (waiting.length + 1))
  const contents = new Map(
    [...states].map(([file, { durable, pending }]) => [
      file,
      [...durable, ...pending.flatMap(change => partOf(change, keeps, random))],
    ]),
  )
  rebuild(base, target, files, [...names, ...waiting.slice(0, kept)], contents)
  return acknowledged
}

/** What is there of a change that was not flushed. */
function partOf(change: Change, keeps: Keeps, random: () => number): Change[] {
  if (keeps === 'nothing') return []
  if (keeps === 'everything') return [change]
  if (change.kind === 'truncate') return random() < 0.5 ? [change] : []
  const unit = keeps === 'torn' ? SECTOR : PAGE
  const parts: Change[] = []
  for (let from = 0; from < change.data.length;) {
    const to = Math.min(change.data.length, from + unit - ((change.at + from) % unit))
    if (random() < 0.5) parts.push({ ...change, at: change.at + from, data: change.data.subarray(from, to) })
    from = to
  }
  return parts
}

function rebuild(
  base: string,
  target: string,
  atFirst: ReadonlyMap<string, number>,
  names: readonly Naming[],
  contents: ReadonlyMap<number, Change[]>,
): void {
  fs.cpSync(base, target, { recursive: true })
  const files = new Map(atFirst)
  const was = new Map([...atFirst].map(([path, file]) => [file, path]))
  for (const op of names) {
    if (op.kind === 'name') files.set(op.path, op.file)
    else if (op.kind === 'unname') files.delete(op.path)
    else if (op.there) fs.mkdirSync(join(target, op.path), { recursive: true })
    else fs.rmSync(join(target, op.path), { recursive: true, force: true })
  }
  for (const path of [...walk(target)]) if (!files.has(path)) fs.rmSync(join(target, path))
  for (const [path, file] of files) {
    const at = join(target, path)
    const from = was.get(file)
    fs.mkdirSync(dirname(at), { recursive: true })
    if (from === undefined) fs.writeFileSync(at, '')
    else if (from !== path) fs.copyFileSync(join(base, from), at)
    const descriptor = fs.openSync(at, 'r+')
    for (const change of contents.get(file) ?? []) {
      if (change.kind === 'truncate') fs.ftruncateSync(descriptor, change.length)
      else fs.writeSync(descriptor, change.data, 0, change.data.length, change.at)
    }
    fs.closeSync(descriptor)
  }
}
