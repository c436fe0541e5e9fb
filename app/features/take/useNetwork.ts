import { useIntervalFn } from '@vueuse/core'
import { computed, shallowRef } from 'vue'
import { ask } from '~/sync/api'
import { useExchange } from '~/sync/useExchange'

/** A device that was let in. */
export interface PairedDevice {
  readonly id: string
  readonly name: string
  readonly pairedAt: string
  readonly seenAt: string
}
interface Network {
  readonly open: boolean
  readonly addresses: readonly string[]
  readonly fingerprint?: string
  readonly trouble?: string
  readonly devices: readonly PairedDevice[]
  readonly lockedUntil: number
}
interface Code {
  readonly code: string
  readonly until: number
}

/** How often it is looked whether a device came in, ms. */
const LOOK_MS = 2000

/** The network's door, as this machine sees it: open or not, the code that pairs, the devices that were let in. */
export function useNetwork() {
  const network = shallowRef<Network>()
  const code = shallowRef<Code>()
  const now = shallowRef(Date.now())
  /** the device that came in with the code on show */
  const cameIn = shallowRef<string>()
  const { busy, error, exchange } = useExchange()

  async function look(): Promise<void> {
    const before = new Set(network.value?.devices.map(d => d.id))
    const there = await ask<Network>('/api/network')
    const fresh = network.value && there.devices.find(d => !before.has(d.id))
    network.value = there
    if (fresh) {
      cameIn.value = fresh.name
      code.value = undefined
    }
  }
  const load = (): Promise<void> => exchange(look)
  const newCode = (): Promise<void> =>
    exchange(async () => {
      cameIn.value = undefined
      code.value = await ask<Code>('/api/network/code', 'POST')
    })
  const change = (open: boolean): Promise<void> =>
    exchange(async () => {
      network.value = await ask<Network>('/api/network', 'PUT', { open })
      code.value = undefined
      if (network.value.open) code.value = await ask<Code>('/api/network/code', 'POST')
    })
  const rename = ({ id }: PairedDevice, name: string): Promise<void> =>
    exchange(async () => {
      await ask(`/api/network/devices/${id}`, 'PUT', { name })
      await look()
    })
  const turnAway = ({ id }: PairedDevice): Promise<void> =>
    exchange(async () => void (network.value = await ask<Network>(`/api/network/devices/${id}`, 'DELETE')))
  /** seconds for which the code on show is still good */
  const left = computed(() =>
    code.value ? Math.max(0, Math.ceil((code.value.until - now.value) / 1000)) : 0,
  )
  useIntervalFn(() => {
    now.value = Date.now()
    if (code.value && left.value === 0) code.value = undefined
  }, 1000)
  useIntervalFn(() => {
    if (code.value && !busy.value) void look().catch(() => undefined)
  }, LOOK_MS)

  return { network, code, left, cameIn, busy, error, load, newCode, change, rename, turnAway }
}
