import { placeKey, rigKey } from '#catalogue'
import type { RigSpec } from '#core'
import { COUNTED, type CountedKind, type LogEntry, type LogKind } from '#schemas/log'
import type { BankRod, BankStop } from '~/utils/bankStart'
import { newId } from '~/utils/newId'
import { keepBank, keepEntries, readBank, sendWaiting, waitingEntries } from '~/utils/queue'

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
  /** why the device itself cannot keep a tap */
  const unkept = ref<string>()
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

  /** writes to the device, one after the other */
  let kept: Promise<void> = Promise.resolve()
  /** Changes what is shown at once, however fast the taps come, and keeps it on the device in their order; entries first, so that a tap outlives the page. */
  function change(next: Bank | undefined, ...entries: readonly LogEntry[]): Promise<void> {
    bank.value = next
    left.value += entries.length
    kept = kept.then(async () => {
      await keepEntries(entries)
      await keepBank(next ?? null)
    }).catch((failure: unknown) => void (unkept.value = `This device cannot keep what is tapped: ${failure instanceof Error ? failure.message : String(failure)}`))
    return kept.then(() => void send())
  }
  function entryOf(now: Bank, kind: LogKind, data?: LogEntry['data']): LogEntry {
    const rod = now.rods.find(r => r.letter === now.rod)
    const { cover, bottom } = now.stops[now.stop]!
    const counted = (COUNTED as readonly string[]).includes(kind)
    return {
      id: newId(), session: now.session, at: new Date().toISOString(), kind, ...(rod ? { rod: rod.letter } : {}),
      ...(counted && rod ? { rigKey: rigKey(rod.bait, rod.rig), placeKey: placeKey(cover, bottom) } : {}), ...(data ? { data } : {}),
    }
  }
  const withEntry = (now: Bank, entry: LogEntry): Bank => ({ ...now, log: [...now.log, entry] })
  async function log(kind: LogKind, data?: LogEntry['data']): Promise<void> {
    if (!bank.value) return
    const entry = entryOf(bank.value, kind, data)
    await change(withEntry(bank.value, entry), entry)
  }
  const standing = computed(() => {
    const gone = new Set(bank.value?.log.flatMap(e => e.kind === 'void' && e.data?.of ? [e.data.of] : []))
    return (bank.value?.log ?? []).filter(e => e.kind !== 'void' && !gone.has(e.id))
  })
  /** the last tap that can be taken back: a change of weight is one, taking another rod is not */
  const lastTap = computed(() => [...standing.value].reverse().find(e => e.kind !== 'start' && (e.kind !== 'rod' || e.data?.weightKg !== undefined)))
  /** Takes the last tap back that was not taken back yet. */
  async function undo(): Promise<void> {
    const now = bank.value
    const last = lastTap.value
    if (!now || !last) return
    // the weight before: what the rod carried by its entry before this one
    const before = last.kind === 'rod' ? [...standing.value].reverse().find(e => e.kind === 'rod' && e.rod === last.rod && e.data?.rig && e.id !== last.id)?.data?.rig : undefined
    const entry: LogEntry = { id: newId(), session: now.session, at: new Date().toISOString(), kind: 'void', data: { of: last.id } }
    await change(withEntry(before ? { ...now, rods: now.rods.map(r => r.letter === last.rod ? { ...r, rig: before as RigSpec } : r) } : now, entry), entry)
  }
  const counts = computed(() => {
    const sum: Partial<Record<CountedKind, number>> = {}
    for (const e of standing.value) if ((COUNTED as readonly string[]).includes(e.kind)) sum[e.kind as CountedKind] = (sum[e.kind as CountedKind] ?? 0) + 1
    return sum
  })

  /** What a session tells of a water as it comes to it. */
  const startOf = ({ place, depthM, temperatureC, salinityGKg, cover, bottom }: BankStop, { depthM: _, temperatureC: __, ...sky }: Readings): NonNullable<LogEntry['data']> => ({ place: place || 'somewhere', depthM, temperatureC, salinityGKg, cover, bottom, ...sky })
  const asRead = (stop: BankStop, { depthM, temperatureC }: Readings): BankStop => ({ ...stop, ...(depthM === undefined ? {} : { depthM }), ...(temperatureC === undefined ? {} : { temperatureC }) })

  /** Starts a session with these rods at the first of these stops; what instruments say takes the place of what was planned. */
  async function start(rods: readonly BankRod[], [first, ...stops]: readonly BankStop[], readings: Readings = {}): Promise<void> {
    const here = asRead(first!, readings)
    const fresh: Bank = { session: newId(), stops: [here, ...stops], stop: 0, rods, rod: rods[0]!.letter, log: [] }
    const entries = [entryOf(fresh, 'start', startOf(here, readings)), ...rods.map(({ letter, bait, rig }) => entryOf({ ...fresh, rod: letter }, 'rod', { bait: bait as never, rig: rig as never }))].map((e, i) => ({ ...e, at: new Date(Date.parse(e.at) + i).toISOString() }))
    await change({ ...fresh, log: entries }, ...entries)
  }
  /** Comes to a stop: what is tapped from now on counts for its water. */
  async function arrive(stop: number, readings: Readings = {}): Promise<void> {
    const now = bank.value
    const planned = now?.stops[stop]
    if (!now || !planned) return
    const here = asRead(planned, readings)
    const there = { ...now, stop, stops: now.stops.map((s, i) => i === stop ? here : s) }
    const entry = entryOf(there, 'start', startOf(here, readings))
    await change(withEntry(there, entry), entry)
  }
  async function takeRod(letter: string): Promise<void> {
    if (bank.value) await change({ ...bank.value, rod: letter })
  }
  async function changeWeight(weightKg: number): Promise<void> {
    const now = bank.value
    if (!now || !hand.value) return
    const rig = { ...hand.value.rig, weightKg }
    const entry = entryOf(now, 'rod', { weightKg, rig: rig as never, bait: hand.value.bait as never })
    await change(withEntry({ ...now, rods: now.rods.map(r => r.letter === now.rod ? { ...r, rig } : r) }, entry), entry)
  }
  async function end(): Promise<void> {
    if (bank.value) await change(undefined, entryOf(bank.value, 'end'))
  }
  return { bank, loaded, left, trouble, unkept, conflicts, online, hand, water, lastTap, counts, log, undo, start, arrive, takeRod, changeWeight, end, send }
}
