import { statfs } from 'node:fs/promises'
import { dirname } from 'node:path'

/**
 * Room that a write must find: its log may need new segments of 16 MB while a checkpoint writes what they
 * replace.
 */
export const LEAST_ROOM_BYTES = 48 * 1024 * 1024
/** With less than a segment of its log the engine cannot go on at all. */
export const SEGMENT_BYTES = 16 * 1024 * 1024

/** Thrown when the disk is full; what was acknowledged is kept. The message is for the person. */
export class NoRoom extends Error {
  constructor(freeBytes?: number) {
    const left = freeBytes === undefined ? '' : ` (${Math.floor(freeBytes / 1024 / 1024)} MB left)`
    super(
      `The disk that holds the data is full${left}. Nothing of this was written; what was kept before is safe. ` +
        'Make room and try again.',
    )
    this.name = 'NoRoom'
  }
}

/** Bytes that this user may still write beside a path. */
export async function roomBeside(path: string): Promise<number> {
  const { bavail, bsize } = await statfs(dirname(path))
  return bavail * bsize
}

/** @throws NoRoom where there is less than `bytes` */
export async function needRoom(path: string, bytes = LEAST_ROOM_BYTES): Promise<void> {
  const free = await roomBeside(path)
  if (free < bytes) throw new NoRoom(free)
}
