import { imageSize } from 'image-size'
import type { BoxItem, ItemInput } from '#schemas/box'
import { database } from '../db/client'
import * as repository from '../repositories/box'
import { Refused } from './refused'

export const allItems = (): Promise<BoxItem[]> => repository.listItems(database())
export const addItems = (items: readonly repository.NewItem[]): Promise<BoxItem[]> =>
  repository.insertItems(database(), items)

/** @throws Refused 409 when one of them was changed or deleted since; nothing is changed then */
export async function changeItems(changes: readonly repository.ItemChange[]): Promise<BoxItem[]> {
  const changed = await repository.updateItems(database(), changes)
  if (!changed)
    throw new Refused(
      409,
      'The box was changed elsewhere meanwhile. Load it again; nothing of this change was kept.',
    )
  return changed
}

/** @throws Refused 404 when none of them is there */
export async function deleteItems(ids: readonly string[]): Promise<void> {
  if ((await repository.keptItems.mark(database(), ids, true)).length === 0)
    throw new Refused(404, 'These things are no longer in the box.')
}

export const restoreItems = (ids: readonly string[]): Promise<BoxItem[]> =>
  repository.keptItems.mark(database(), ids, false)

/** Fills an empty box, and only an empty one. Returns how many things were put in. */
export async function seedBox(items: readonly ItemInput[]): Promise<number> {
  if ((await repository.keptItems.count(database())) > 0) return 0
  return (await repository.insertItems(database(), items)).length
}

const NO_PHOTO = 'There is no photograph of this.'

/** Widest and highest photograph, pixels. */
const MOST_PIXELS = 8192

/** @throws Refused 422 where the bytes are no picture */
function checkPhoto(photo: string): void {
  try {
    const { type, width, height } = imageSize(bytesOf(photo))
    if (type === 'jpg' && width <= MOST_PIXELS && height <= MOST_PIXELS) return
  } catch {
    // what cannot be measured is no picture
  }
  throw new Refused(422, 'Expected a JPEG picture.', [{ path: 'photo', message: 'Expected a JPEG picture.' }])
}

const bytesOf = (photo: string): Buffer => Buffer.from(photo.slice(photo.indexOf(',') + 1), 'base64')

/** @throws Refused 404 when the thing is gone, 422 where the photograph is none */
export async function changePhoto(id: string, photo: string | null): Promise<void> {
  if (photo !== null) checkPhoto(photo)
  if (!(await repository.setPhoto(database(), id, photo)))
    throw new Refused(404, 'This thing is no longer in the box.')
}

/** A photograph's bytes. @throws Refused 404 when there is none */
export async function photoOf(id: string): Promise<Buffer> {
  const photo = await repository.findPhoto(database(), id)
  if (!photo) throw new Refused(404, NO_PHOTO)
  return bytesOf(photo)
}
