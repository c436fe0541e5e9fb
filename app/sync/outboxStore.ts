import { useDebounceFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { LogEntry } from '#schemas/log'
import {
  asideEntries,
  dropAside,
  keepEntries,
  mendAside,
  onOutboxChange,
  post,
  sendWaiting,
  setAside,
  waitingEntries,
  type AsideEntry,
  type Sent,
} from './outbox'
import { changesLoaded, waiting } from './changes'
import { takeLogAlong, takenAlongAt } from './deviceCopy'
import { sendChangesInTurn } from './sendInTurn'
import { copy } from '../../shared/data'
import { failureText } from '#words/failureText'

/** First and longest wait before sending is tried again, ms. */
const FIRST_MS = 2_000
const LONGEST_MS = 300_000
/** After this long without another tap the copy of the log is renewed, ms. */
const COPY_MS = 3_000
/** A clock that is this far off is told, ms. */
const CLOCK_MS = 5 * 60_000

/**
 * What was logged here and is on its way: kept on this device first, then sent, again and again until it is
 * acknowledged. Nothing is said to be kept that is not.
 */
export const useOutbox = defineStore('outbox', () => {
  /** entries on the device that the server has not acknowledged */
  const left = ref(0)
  /** entries that the server will not take as they are */
  const aside = shallowRef<readonly AsideEntry[]>([])
  /** entries that the device could not keep: they are in this page alone */
  const unkept = shallowRef<readonly LogEntry[]>([])
  /** writes to the device under way */
  const keeping = ref(0)
  /** the device has been looked at */
  const loaded = ref(false)
  const trouble = ref<string>()
  const cannotKeep = ref<string>()
  const conflicts = ref(0)
  const clockAheadMs = ref(0)
  /** changes of box, spots, spreads and the like that the server does not have yet, but those that wait for a person */
  const changes = computed(
    () => [...waiting.values()].filter(c => c.theirs === undefined && c.why === undefined).length,
  )
  /** changes that wait for a person: both sides changed the same, or the server will not have it */
  const unsettled = computed(() =>
    [...waiting.values()].filter(c => c.theirs !== undefined || c.why !== undefined),
  )

  /** everything that was logged here is acknowledged */
  const settled = computed(
    () =>
      loaded.value &&
      changes.value === 0 &&
      left.value === 0 &&
      unkept.value.length === 0 &&
      keeping.value === 0,
  )
  const clockIsOff = computed(() => Math.abs(clockAheadMs.value) > CLOCK_MS)

  async function look(): Promise<void> {
    try {
      const [waits, refused] = await Promise.all([waitingEntries(), asideEntries(), changesLoaded()])
      left.value = waits.length
      aside.value = refused
      loaded.value = true
    } catch (failure) {
      cannotKeep.value = notKept(failure)
    }
  }
  const notKept = (failure: unknown): string =>
    `This device cannot keep what is tapped: ${failureText(failure)}`

  /** Keeps entries on the device. Where it cannot, they stay in this page, are told, and are tried again. */
  async function keep(entries: readonly LogEntry[]): Promise<void> {
    keeping.value++
    const all = [...unkept.value, ...copy(entries)]
    try {
      await keepEntries(all)
      unkept.value = unkept.value.filter(e => !all.some(a => a.id === e.id))
      cannotKeep.value = undefined
    } catch (failure) {
      unkept.value = all
      cannotKeep.value = notKept(failure)
    }
    keeping.value--
    await look()
  }

  /** Sends what the device could not keep straight from this page. */
  async function sendUnkept(): Promise<void> {
    const some = unkept.value
    if (some.length === 0) return
    await post(some)
    unkept.value = unkept.value.filter(e => !some.includes(e))
  }

  let sending: Promise<Sent> | undefined
  let failures = 0
  let timer: ReturnType<typeof setTimeout> | undefined
  /** no sooner than this, but when asked by hand */
  let notBefore = 0

  /**
   * Sends what waits; where that fails it is tried again, later each time.
   * @param now whatever failed before
   */
  function send(now = false): Promise<Sent | undefined> {
    if (!now && Date.now() < notBefore) return Promise.resolve(undefined)
    sending ??= sendOnce().finally(() => void (sending = undefined))
    return sending
  }
  async function sendOnce(): Promise<Sent> {
    clearTimeout(timer)
    // what this page alone has must not hold up what the device keeps, nor the other way round
    const unkeptError = await sendUnkept().then(() => undefined, failureText)
    const waits = await sendWaiting().catch((failure: unknown): Sent => ({
      left: left.value,
      conflicts: [],
      error: failureText(failure),
    }))
    const changesError = await sendChangesInTurn().catch(failureText)
    const error = waits.error ?? unkeptError ?? changesError
    const sent = error === undefined ? waits : { ...waits, error }
    conflicts.value += sent.conflicts.length
    if (sent.clockAheadMs !== undefined) clockAheadMs.value = sent.clockAheadMs
    trouble.value = sent.error
    const before = left.value
    await look()
    if (left.value < before) logMoved()
    if (sent.error ?? sent.elsewhere) again()
    else [failures, notBefore] = [0, 0]
    return sent
  }
  /** What this device keeps of the log follows what the server has of it, once no more comes. */
  const logMoved = useDebounceFn(() => {
    if (takenAlongAt.value > 0) takeLogAlong().catch(() => undefined)
  }, COPY_MS)
  function again(): void {
    const wait = Math.min(LONGEST_MS, FIRST_MS * 2 ** failures++) * (0.75 + Math.random() / 2)
    notBefore = Date.now() + wait
    timer = setTimeout(() => void send(true), wait)
  }

  /** Puts an entry that was refused among those that wait again, with the time mended or a part left out. */
  const mend = (entry: LogEntry): Promise<void> =>
    mendAside(entry)
      .then(look)
      .then(() => void send(true))
  const drop = (ids: readonly string[]): Promise<void> => dropAside(ids).then(look)
  const putAside = (list: readonly AsideEntry[]): Promise<void> => setAside(list).then(look)
  /** Everything that the server does not have, for a file. */
  const notOnServer = async (): Promise<LogEntry[]> => [
    ...(await waitingEntries().catch(() => [])),
    ...unkept.value,
    ...aside.value.map(a => a.entry),
  ]

  void Promise.all([look(), changesLoaded()]).then(() =>
    left.value > 0 || changes.value > 0 ? send() : undefined,
  )
  if (typeof window !== 'undefined') {
    onOutboxChange(() => void look())
    window.addEventListener('online', () => {
      failures = 0
      void send(true)
    })
  }
  return {
    left,
    changes,
    unsettled,
    aside,
    unkept,
    keeping,
    loaded,
    trouble,
    cannotKeep,
    conflicts,
    clockAheadMs,
    clockIsOff,
    settled,
    keep,
    send,
    mend,
    drop,
    putAside,
    notOnServer,
  }
})
