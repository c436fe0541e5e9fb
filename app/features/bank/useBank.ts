import { useOnline } from '@vueuse/core'
import { computed, onMounted, onScopeDispose, ref, shallowRef } from 'vue'
import { useOutbox } from '~/sync/outboxStore'
import { placeKey, rigKey } from '#core'
import { COUNTED, type LogKind } from '#schemas/ranges'
import type { LogEntry } from '#schemas/log'
import { depthOf, type BankRod, type BankStart, type BankStop } from './bankStart'
import { countsOf, standingOf } from '../../../shared/logSums'
import { newId } from '~/sync/newId'
import { changeBank, keepEnded, onBankChange, readBank, readEnded } from '~/sync/bankState'
import { failureText } from '#words/failureText'

/** A session on this device. */
export interface Bank extends Pick<BankStart, 'on' | 'tideId'> {
  readonly session: string
  readonly stops: readonly BankStop[]
  readonly stop: number
  readonly rods: readonly BankRod[]
  readonly rod: string
  readonly log: readonly LogEntry[]
}

/** As it was kept when a session had one water only. */
type OlderBank = Omit<Bank, 'stops' | 'stop'> & { readonly water: BankStop }
const upToDate = (kept: Bank | OlderBank | undefined): Bank | undefined =>
  kept && 'water' in kept
    ? { session: kept.session, rods: kept.rods, rod: kept.rod, log: kept.log, stops: [kept.water], stop: 0 }
    : kept

/** What instruments say at the water. */
export interface Readings {
  readonly depthM?: number
  readonly temperatureC?: number
  readonly tideM?: number
  readonly currentMS?: number
  readonly windMS?: number
}

const ENDED_ELSEWHERE = 'This session was ended in another tab.'
/** Asks the browser not to clear away what is kept here when room is short. */
const askToPersist = (): void => void navigator.storage?.persist?.().catch(() => false)

/**
 * A day on the bank on this device, in whichever tab: every tap is kept here first and sent when the server
 * can be reached.
 */
export function useBank() {
  const outbox = useOutbox()
  const bank = shallowRef<Bank>()
  /** the session that was ended last, to be opened again */
  const ended = shallowRef<Bank>()
  const loaded = ref(false)
  /** what another tab did to this session, or why none can be begun */
  const elsewhere = ref<string>()
  const online = useOnline()

  /** writes to the device, one after the other, and how many are under way */
  let kept: Promise<void> = Promise.resolve()
  let writing = 0
  /** another tab changed something while this one wrote: it is looked at once that is done */
  let missed = false

  async function look(): Promise<void> {
    if (writing > 0) return void (missed = true)
    const there = upToDate(await readBank<Bank | OlderBank>())
    if (writing > 0) return void (missed = true)
    if (bank.value && !there) elsewhere.value = ENDED_ELSEWHERE
    bank.value = there
  }
  const stop = onBankChange(() => void look())
  onScopeDispose(stop)
  onMounted(async () => {
    await look().catch(
      (failure: unknown) =>
        void (elsewhere.value = `What this device kept cannot be read: ${failureText(failure)}`),
    )
    ended.value = await readEnded<Bank>().catch(() => undefined)
    loaded.value = true
    void outbox.send()
  })

  const water = computed(() => bank.value?.stops[bank.value.stop])
  const hand = computed(() => bank.value?.rods.find(r => r.letter === bank.value?.rod))

  /** Does one thing to the device after the other; what fails is told, and does not stop what follows. */
  function inTurn(work: () => Promise<void>): Promise<void> {
    writing++
    kept = kept
      .then(work)
      .catch((failure: unknown) => {
        outbox.cannotKeep = `This device cannot keep what is tapped: ${failureText(failure)}`
      })
      .finally(() => {
        writing--
        if (writing > 0 || !missed) return
        missed = false
        void look()
      })
    return kept
  }
  /**
   * Changes what is shown at once, however fast the taps come, and keeps it on the device in their order;
   * entries first, so that a tap outlives the page. What another tab did meanwhile stays; a session it ended
   * is not revived.
   */
  function change(next: (now: Bank) => Bank | undefined, ...entries: readonly LogEntry[]): Promise<void> {
    const mine = bank.value
    if (!mine) return Promise.resolve()
    bank.value = next(mine)
    return inTurn(async () => {
      await outbox.keep(entries)
      const there = await changeBank<Bank | OlderBank>(stored => {
        const now = upToDate(stored)
        return now?.session === mine.session ? next(now) : now
      })
      if (writing > 1) return
      if (!there && bank.value) elsewhere.value = ENDED_ELSEWHERE
      bank.value = upToDate(there)
    }).then(() => void outbox.send())
  }
  function entryOf(now: Bank, kind: LogKind, data?: LogEntry['data']): LogEntry {
    const rod = now.rods.find(r => r.letter === now.rod)
    const { cover, bottom } = now.stops[now.stop]!
    const counted = (COUNTED as readonly string[]).includes(kind)
    return {
      id: newId(),
      session: now.session,
      at: new Date().toISOString(),
      kind,
      ...(rod ? { rod: rod.letter } : {}),
      ...(counted && rod ? { rigKey: rigKey(rod.bait, rod.rig), placeKey: placeKey(cover, bottom) } : {}),
      ...(data ? { data } : {}),
    }
  }
  const withEntries = (now: Bank, ...entries: readonly LogEntry[]): Bank => ({
    ...now,
    log: [...now.log, ...entries],
  })
  async function log(kind: LogKind, data?: LogEntry['data']): Promise<void> {
    if (!bank.value) return
    const entry = entryOf(bank.value, kind, data)
    await change(now => withEntries(now, entry), entry)
  }
  const standing = computed(() => standingOf(bank.value?.log ?? []))
  /** the last tap that can be taken back: a change of weight is one, taking another rod is not */
  const lastTap = computed(() =>
    [...standing.value]
      .reverse()
      .find(e => e.kind !== 'start' && (e.kind !== 'rod' || e.data?.weightKg !== undefined)),
  )
  /** Takes the last tap back that was not taken back yet. */
  async function undo(): Promise<void> {
    const now = bank.value
    const last = lastTap.value
    if (!now || !last) return
    // the weight before: what the rod carried by its entry before this one
    const before =
      last.kind === 'rod'
        ? [...standing.value]
            .reverse()
            .find(e => e.kind === 'rod' && e.rod === last.rod && e.data?.rig && e.id !== last.id)?.data?.rig
        : undefined
    const entry: LogEntry = {
      id: newId(),
      session: now.session,
      at: new Date().toISOString(),
      kind: 'void',
      data: { of: last.id },
    }
    const withRig = (b: Bank): Bank =>
      before ? { ...b, rods: b.rods.map(r => (r.letter === last.rod ? { ...r, rig: before } : r)) } : b
    await change(b => withEntries(withRig(b), entry), entry)
  }
  const counts = computed(() => countsOf(standing.value))

  /** What a session tells of a water as it comes to it. */
  const startOf = (
    { place, depthM, temperatureC, salinityGKg, cover, bottom }: BankStop,
    { depthM: _, temperatureC: __, ...sky }: Readings,
  ): NonNullable<LogEntry['data']> => ({
    place: place || 'somewhere',
    depthM,
    temperatureC,
    salinityGKg,
    cover,
    bottom,
    ...sky,
  })
  const asRead = (stop: BankStop, { depthM, temperatureC, tideM }: Readings): BankStop => ({
    ...stop,
    depthM: depthM ?? depthOf(stop, tideM),
    ...(temperatureC === undefined ? {} : { temperatureC }),
  })

  /**
   * Starts a session with these rods at the first of these stops; what instruments say takes the place of
   * what was planned.
   */
  async function start(
    { rods, stops: [first, ...stops], ...rest }: BankStart,
    readings: Readings = {},
  ): Promise<void> {
    const here = asRead(first!, readings)
    const fresh: Bank = {
      session: newId(),
      stops: [here, ...stops],
      stop: 0,
      rods,
      rod: rods[0]!.letter,
      log: [],
      ...rest,
    }
    const entries = [
      entryOf(fresh, 'start', startOf(here, readings)),
      ...rods.map(({ letter, bait, rig }) =>
        entryOf({ ...fresh, rod: letter }, 'rod', { bait: bait as never, rig: rig as never }),
      ),
    ].map((e, i) => ({ ...e, at: new Date(Date.parse(e.at) + i).toISOString() }))
    const begun = { ...fresh, log: entries }
    elsewhere.value = undefined
    askToPersist()
    await inTurn(async () => {
      const there = upToDate(await changeBank<Bank | OlderBank>(now => now ?? begun))
      bank.value = there
      if (there?.session === begun.session) await outbox.keep(entries)
      else elsewhere.value = 'A session is under way in another tab already; this is it.'
    }).then(() => void outbox.send())
  }
  /** Comes to a stop: what is tapped from now on counts for its water. */
  async function arrive(stop: number, readings: Readings = {}, place?: string): Promise<void> {
    const now = bank.value
    const planned = now?.stops[stop]
    if (!now || !planned) return
    const here = asRead(place ? { ...planned, place } : planned, readings)
    const arrived = (b: Bank): Bank => ({ ...b, stop, stops: b.stops.map((s, i) => (i === stop ? here : s)) })
    const entry = entryOf(arrived(now), 'start', startOf(here, readings))
    await change(b => withEntries(arrived(b), entry), entry)
  }
  async function takeRod(letter: string): Promise<void> {
    await change(now => ({ ...now, rod: letter }))
  }
  async function changeWeight(weightKg: number): Promise<void> {
    const now = bank.value
    if (!now || !hand.value) return
    const rig = { ...hand.value.rig, weightKg }
    const entry = entryOf(now, 'rod', { weightKg, rig: rig as never, bait: hand.value.bait as never })
    const { rod } = now
    await change(
      b => withEntries({ ...b, rods: b.rods.map(r => (r.letter === rod ? { ...r, rig } : r)) }, entry),
      entry,
    )
  }
  async function end(): Promise<void> {
    const now = bank.value
    if (!now) return
    const entry = entryOf(now, 'end')
    const over = withEntries(now, entry)
    await inTurn(() => keepEnded(over))
    ended.value = over
    await change(() => undefined, entry)
  }
  /** Opens the session that was ended last again: its end is taken back, and it goes on as it was. */
  async function reopen(): Promise<void> {
    const over = ended.value
    const last = over?.log.findLast(e => e.kind === 'end')
    if (!over || !last || bank.value) return
    const entry: LogEntry = {
      id: newId(),
      session: over.session,
      at: new Date().toISOString(),
      kind: 'void',
      data: { of: last.id },
    }
    await inTurn(async () => {
      bank.value = upToDate(await changeBank<Bank | OlderBank>(now => now ?? withEntries(over, entry)))
      await outbox.keep([entry])
      await keepEnded(undefined)
      ended.value = undefined
    }).then(() => void outbox.send())
  }
  return {
    bank,
    ended,
    loaded,
    elsewhere,
    standing,
    online,
    hand,
    water,
    lastTap,
    counts,
    log,
    undo,
    start,
    arrive,
    takeRod,
    changeWeight,
    end,
    reopen,
  }
}
