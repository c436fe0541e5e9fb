import { readFileSync } from 'node:fs'
import type { RequestListener } from 'node:http'
import { hostname, networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { authorityIn, certificateFor, fingerprintOf, isAtHome, type KeyPair } from './authority'
import { devicesIn, type Devices } from './devices'
import { openDoor, type Door } from './listener'
import { makePairing } from './pairing'
import { readOwn, writeOwn } from './ownFile'

/** Port of the network's door. It stays the same: what a phone keeps belongs to the address it came from. */
const PORT = 4343

/** What the network's door is made of while it is open. */
interface Open {
  readonly door: Door
  readonly names: readonly string[]
  /** the authority that phones are led to trust; none where a certificate of the angler's own is used */
  readonly authority?: KeyPair
}

let answer: RequestListener | undefined
let open: Open | undefined
let trouble: string | undefined
let devices: Devices | undefined
export const pairing = makePairing()

const folder = (): string => `${process.env.DUNECREST_DATA ?? '.data/dunecrest'}.network`
const settingsFile = (): string => join(folder(), 'open')

/** The devices that were paired. */
export const knownDevices = (): Devices => (devices ??= devicesIn(folder()))

/** Names and addresses that this machine goes by on the network, the ones people type first. */
function namesHere(): string[] {
  const addresses = Object.values(networkInterfaces())
    .flatMap(list => list ?? [])
    .filter(({ internal, family }) => !internal && family === 'IPv4')
    .map(({ address }) => address)
  const own = hostname().toLowerCase().split('.')[0]!
  const told = (process.env.DUNECREST_NAMES ?? '').split(',').map(name => name.trim().toLowerCase())
  const bound = process.env.DUNECREST_NETWORK_HOST
  return [...new Set([...(bound ? [bound] : addresses), `${own}.local`, ...told])].filter(name => name !== '')
}

/** A certificate of the angler's own, where both are named. @throws Error where they cannot be read */
function ownCertificate(): KeyPair | undefined {
  const { DUNECREST_TLS_CERT: cert, DUNECREST_TLS_KEY: key } = process.env
  if (!cert && !key) return undefined
  if (!cert || !key) throw new Error('DUNECREST_TLS_CERT and DUNECREST_TLS_KEY go together: name both.')
  return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
}

/** Says who answers what comes in, and opens the door where it was left open or is asked for. */
export async function offerNetwork(listener: RequestListener): Promise<void> {
  answer = listener
  if (process.env.DUNECREST_LAN === '1' || readOwn(settingsFile()) === '1') await openNetwork()
}

/** Opens the network's door; done twice it is done once. What stands in the way is told by `networkNow`. */
async function openNetwork(): Promise<void> {
  if (open || !answer) return
  trouble = undefined
  const port = Number(process.env.DUNECREST_LAN_PORT ?? PORT)
  try {
    const names = namesHere()
    const own = ownCertificate()
    const authority = own ? undefined : await authorityIn(folder())
    const made = own ?? (await certificateFor(authority!, names))
    // with the one that vouches for it, so that a device can see whom it is asked to trust
    const pair = authority ? { ...made, cert: `${made.cert}\n${authority.cert}` } : made
    const door = await openDoor(answer, pair, process.env.DUNECREST_NETWORK_HOST ?? '0.0.0.0', port)
    open = { door, names, ...(authority ? { authority } : {}) }
    console.log(`On the network at ${addressesOf(open).join(' and ')}; devices are paired first.`)
  } catch (error) {
    const inUse = (error as NodeJS.ErrnoException).code === 'EADDRINUSE'
    trouble = inUse
      ? `Port ${port} is in use. Set DUNECREST_LAN_PORT to another.`
      : error instanceof Error
        ? error.message
        : String(error)
    console.error(`Not on the network: ${trouble}`)
  }
}

/** Closes it, at once also for those that are in. */
export async function closeNetwork(): Promise<void> {
  const was = open
  open = undefined
  await was?.door.close()
}

/** Opens or closes the door, and remembers it for the next start. */
export async function switchNetwork(to: boolean): Promise<void> {
  writeOwn(settingsFile(), to ? '1' : '0')
  await (to ? openNetwork() : closeNetwork())
}

const addressesOf = ({ door, names, authority }: Open): string[] =>
  names.filter(name => !authority || isAtHome(name)).map(name => `https://${name}:${door.port}`)

/** What is to be known of the network's door. */
export function networkNow() {
  return {
    open: open !== undefined,
    addresses: open ? addressesOf(open) : [],
    ...(open?.authority ? { fingerprint: fingerprintOf(open.authority.cert) } : {}),
    ...(trouble === undefined ? {} : { trouble }),
    devices: knownDevices().all(),
    lockedUntil: pairing.lockedUntil(),
  }
}

/** The authority's certificate, for a phone to trust. */
export const authorityCertificate = (): string | undefined => open?.authority?.cert
export const networkNames = (): ReadonlySet<string> => new Set(open?.names ?? [])
