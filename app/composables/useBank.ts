import { placeKey, rigKey } from '#catalogue'
import type { RigSpec } from '#core'
import { COUNTED, type CountedKind, type LogEntry, type LogKind } from '#schemas/log'
import type { BankRod, BankStop } from '~/utils/bankStart'
import { newId } from '~/utils/newId'
import { keepBank, keepEntry, readBank, sendWaiting, waitingEntries } from '~/utils/queue'

interface Bank {
  readonly session: string
  readonly stops: readonly BankStop[]
  readonly stop: number
  readonly rods: readonly BankRod[]
  readonly rod: string
  readonly log: readonly LogEntry[]
}

/** As it was kept when a session had one water only. */
type OlderBank = Omit<Bank, 'stops' | 'stop'> & { readonly water: BankStop }
const upToDate = (kept: Bank | OlderBank | undefined): Bank | undefined => kept && 'water' in kept ? { session: kept.session, rods: kept.rods, rod: kept.rod, log: kept.log, stops: [kept.water], stop: 0 } : kept

/** What instruments say at the water. */
export interface Readings { readonly depthM?: number, readonly temperatureC?: number, readonly tideM?: number, readonly currentMS?: number, readonly windMS?: number }

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
    bank.value = upToDate(await readBank<Bank | OlderBank>())
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

  const water = computed(() => bank.value?.stops[bank.value.stop])
  const hand = computed(() => bank.value?.rods.find(r => r.letter === bank.value?.rod))
  async function log(kind: LogKind, data?: LogEntry['data']): Promise<void> {
    const now = bank.value
    if (!now) return
    const counted = (COUNTED as readonly string[]).includes(kind)
    const entry: LogEntry = {
      id: newId(), session: now.session, at: new Date().toISOString(), kind, ...(hand.value ? { rod: hand.value.letter } : {}),
      ...(counted && hand.value ? { rigKey: rigKey(hand.value.bait, hand.value.rig), placeKey: placeKey(now.stops[now.stop]!.cover, now.stops[now.stop]!.bottom) } : {}), ...(data ? { data } : {}),
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

  /** Starts a session with these rods at the first of these stops; what instruments say takes the place of what was planned. */
  async function start(rods: readonly BankRod[], stops: readonly BankStop[], now: Readings = {}): Promise<void> {
    bank.value = { session: newId(), stops, stop: 0, rods, rod: rods[0]!.letter, log: [] }
    await arrive(0, now)
    for (const rod of rods) await takeRod(rod.letter, rod.rig)
    await takeRod(rods[0]!.letter)
  }
  /** Comes to a stop: what is tapped from now on counts for its water. */
  async function arrive(stop: number, { depthM, temperatureC, ...sky }: Readings = {}): Promise<void> {
    const now = bank.value
    const planned = now?.stops[stop]
    if (!now || !planned) return
    const here = { ...planned, ...(depthM === undefined ? {} : { depthM }), ...(temperatureC === undefined ? {} : { temperatureC }) }
    bank.value = { ...now, stop, stops: now.stops.map((s, i) => i === stop ? here : s) }
    await log('start', { place: here.place || 'somewhere', depthM: here.depthM, temperatureC: here.temperatureC, salinityGKg: here.salinityGKg, cover: here.cover, bottom: here.bottom, ...sky })
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
  return { bank, loaded, left, trouble, conflicts, online, hand, water, standing, counts, log, undo, start, arrive, takeRod, changeWeight, end, send }
}
