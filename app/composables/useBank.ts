import { placeKey, rigKey } from '#catalogue'
import type { BaitSpec, RigSpec } from '#core'
import { COUNTED, type CountedKind, type LogEntry, type LogKind } from '#schemas/log'
import type { Spread, SpreadContent } from '#schemas/spread'
import { ask } from '~/utils/api'
import { newId } from '~/utils/newId'
import { keepBank, keepEntry, readBank, sendWaiting, waitingEntries } from '~/utils/queue'

/** A rod taken along: its letter, what is tied on it, and the bait. */
export interface BankRod { readonly letter: string, readonly name: string, readonly bait: BaitSpec, readonly rig: RigSpec }
interface Bank {
  readonly session: string
  readonly water: Omit<SpreadContent['water'], 'stream' | 'zone'>
  readonly rods: readonly BankRod[]
  readonly rod: string
  readonly log: readonly LogEntry[]
}

/** A day on the bank on this device: every tap is kept here first and sent when the server can be reached. */
export function useBank() {
  const bank = shallowRef<Bank>()
  const loaded = ref(false)
  const left = ref(0)
  const trouble = ref<string>()
  const conflicts = ref(0)
  const online = useOnline()
  let sending = false

  onMounted(async () => {
    bank.value = await readBank<Bank>()
    left.value = (await waitingEntries()).length
    loaded.value = true
    void send()
  })
  watch(online, now => now && void send())
  useIntervalFn(() => { if (left.value > 0) void send() }, 15_000)

  async function send(): Promise<void> {
    if (sending) return
    sending = true
    try {
      const done = await sendWaiting()
      left.value = done.left
      trouble.value = done.left > 0 ? done.error : undefined
      conflicts.value += done.conflicts.length
    }
    finally {
      sending = false
    }
  }

  const hand = computed(() => bank.value?.rods.find(r => r.letter === bank.value?.rod))
  async function log(kind: LogKind, data?: LogEntry['data']): Promise<void> {
    const now = bank.value
    if (!now) return
    const counted = (COUNTED as readonly string[]).includes(kind)
    const entry: LogEntry = {
      id: newId(), session: now.session, at: new Date().toISOString(), kind, ...(hand.value ? { rod: hand.value.letter } : {}),
      ...(counted && hand.value ? { rigKey: rigKey(hand.value.bait, hand.value.rig), placeKey: placeKey(now.water.cover, now.water.bottom) } : {}), ...(data ? { data } : {}),
    }
    await put(entry, now)
  }
  async function put(entry: LogEntry, now: Bank): Promise<void> {
    const next = { ...now, log: [...now.log, entry] }
    await keepEntry(entry)
    await keepBank(next)
    bank.value = next
    left.value += 1
    void send()
  }
  /** Takes the last tap back that was not taken back yet. */
  async function undo(): Promise<void> {
    const now = bank.value
    const last = [...standing.value].reverse().find(e => e.kind !== 'start' && e.kind !== 'rod')
    if (now && last) await put({ id: newId(), session: now.session, at: new Date().toISOString(), kind: 'void', data: { of: last.id } }, now)
  }
  const standing = computed(() => {
    const gone = new Set(bank.value?.log.flatMap(e => e.kind === 'void' && e.data?.of ? [e.data.of] : []))
    return (bank.value?.log ?? []).filter(e => e.kind !== 'void' && !gone.has(e.id))
  })
  const counts = computed(() => {
    const sum: Partial<Record<CountedKind, number>> = {}
    for (const e of standing.value) if ((COUNTED as readonly string[]).includes(e.kind)) sum[e.kind as CountedKind] = (sum[e.kind as CountedKind] ?? 0) + 1
    return sum
  })

  /** Starts a session with the rigs of a sheet as its rods, and its water. */
  async function start({ content }: Pick<Spread, 'content'>, instruments: { readonly tideM?: number, readonly currentMS?: number, readonly windMS?: number } = {}): Promise<void> {
    const { stream: _, zone: __, ...water } = content.water
    const rods = content.lanes.map(({ letter, ...rig }): BankRod => ({ letter, name: '', bait: content.bait as BaitSpec, rig: rig as RigSpec }))
    const session = newId()
    bank.value = { session, water, rods, rod: rods[0]!.letter, log: [] }
    await log('start', { place: water.place || 'somewhere', depthM: water.depthM, temperatureC: water.temperatureC, salinityGKg: water.salinityGKg, cover: water.cover, bottom: water.bottom, ...instruments })
    for (const rod of rods) await takeRod(rod.letter, rod.rig)
    await takeRod(rods[0]!.letter)
  }
  async function takeRod(letter: string, rig?: RigSpec): Promise<void> {
    const now = bank.value
    if (!now) return
    bank.value = { ...now, rod: letter }
    await keepBank(bank.value)
    const rod = now.rods.find(r => r.letter === letter)
    if (rig && rod) await log('rod', { bait: rod.bait as never, rig: rig as never })
  }
  async function changeWeight(weightKg: number): Promise<void> {
    const now = bank.value
    if (!now || !hand.value) return
    const rig = { ...hand.value.rig, weightKg }
    bank.value = { ...now, rods: now.rods.map(r => r.letter === now.rod ? { ...r, rig } : r) }
    await log('rod', { weightKg, rig: rig as never, bait: hand.value.bait as never })
  }
  async function end(): Promise<void> {
    await log('end')
    bank.value = undefined
    await keepBank(null)
    await send()
  }
  return { bank, loaded, left, trouble, conflicts, online, hand, standing, counts, log, undo, start, takeRod, changeWeight, end, send, spreads: () => ask<{ spreads: { id: string, name: string }[] }>('/api/spreads') }
}
