import { createHash, randomBytes, randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { z } from 'zod'
import { readOwn, writeOwn } from './ownFile'

const deviceSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  hash: z.string(),
  pairedAt: z.string(),
  seenAt: z.string(),
})
type Device = z.infer<typeof deviceSchema>
/** A paired device as it is told: never what it proves itself by. */
export type KnownDevice = Omit<Device, 'hash'>

/** When a device was last here is kept to this, ms: not every request is a write. */
const SEEN_MS = 60 * 60_000
const TOKEN_BYTES = 32
const NAME_CHARS = 60

const hashed = (token: string): string => createHash('sha256').update(token).digest('hex')

/**
 * The devices that may come in over the network, in a file of their own: what they prove themselves by is kept as a
 * hash alone, is in no backup, and none that was turned away comes back with one.
 */
export function devicesIn(folder: string) {
  const file = join(folder, 'devices.json')
  const list: Device[] = z.array(deviceSchema).parse(JSON.parse(readOwn(file) ?? '[]'))
  const keep = (): void => writeOwn(file, JSON.stringify(list, null, 1))
  const known = ({ hash: _, ...device }: Device): KnownDevice => device

  return {
    all: (): KnownDevice[] => list.map(known),
    /** Pairs a device. @returns the token it proves itself by, which is told this once */
    add(name: string): { readonly token: string; readonly device: KnownDevice } {
      const token = randomBytes(TOKEN_BYTES).toString('base64url')
      const at = new Date().toISOString()
      const device: Device = {
        id: randomUUID(),
        name: name.trim().slice(0, NAME_CHARS) || 'a phone',
        hash: hashed(token),
        pairedAt: at,
        seenAt: at,
      }
      list.push(device)
      keep()
      return { token, device: known(device) }
    },
    /** The device that a token belongs to. */
    of(token: string | undefined): KnownDevice | undefined {
      if (token === undefined) return undefined
      const hash = hashed(token)
      const found = list.find(d => d.hash === hash)
      if (!found) return undefined
      if (Date.now() - Date.parse(found.seenAt) > SEEN_MS) {
        found.seenAt = new Date().toISOString()
        try {
          keep()
        } catch {
          // no room: that it was here is told a little late, and it is let in all the same
        }
      }
      return known(found)
    },
    rename(id: string, name: string): KnownDevice | undefined {
      const found = list.find(d => d.id === id)
      if (!found) return undefined
      found.name = name.trim().slice(0, NAME_CHARS) || found.name
      keep()
      return known(found)
    },
    /** Turns a device away. @returns whether it was there */
    remove(id: string): boolean {
      const at = list.findIndex(d => d.id === id)
      if (at < 0) return false
      list.splice(at, 1)
      keep()
      return true
    },
  }
}
export type Devices = ReturnType<typeof devicesIn>
