import {
  ensembleAfter,
  isLearned,
  learnFrom,
  loggedAt,
  teach,
  type Day,
  type EvidenceBook,
  type Learned,
  type LoggedRig,
  type Stop,
} from '#core'

/** Keeps what was learned of each place's log from one page to the next: learning anew takes a while. */
export interface LogMemory {
  /** the making of the model: another learns anew */ readonly making: string
  /** @param key of the log that is asked about, where there may be more than one to look at */
  readonly read: (place: string, key: string) => Promise<KeptLog | undefined>
  readonly write: (place: string, kept: KeptLog) => Promise<void>
}
/** What was learned, of which log, by which making of the model. */
export interface KeptLog {
  readonly key: string
  readonly learned: Learned
}

/** The logs of all places that figures are asked after: one, but for a trip with stops in several. */
export function logsOf(job: object): (readonly LoggedRig[])[] {
  const { stops, book } = job as {
    readonly stops?: readonly Pick<Stop, 'day'>[]
    readonly book?: EvidenceBook
  }
  if (!stops || !book) return [loggedOf(job)].filter(logged => logged !== undefined)
  const places = new Map(stops.map(({ day: { cover, bottom } }) => [`${cover}/${bottom}`, { cover, bottom }]))
  return [...places.values()]
    .map(({ cover, bottom }) => loggedAt(book, cover, bottom))
    .filter(logged => logged.length > 0)
}

/** The log that figures are asked after, wherever a question carries it. */
export function loggedOf(job: object): readonly LoggedRig[] | undefined {
  const { evidence, book, day, lanes } = job as {
    readonly evidence?: Carrier
    readonly book?: EvidenceBook
    readonly day?: Pick<Day, 'cover' | 'bottom'>
    readonly lanes?: readonly { readonly evidence?: Carrier }[]
  }
  const found =
    evidence?.logged ??
    (book && day ? loggedAt(book, day.cover, day.bottom) : undefined) ??
    lanes?.find(l => l.evidence?.logged)?.evidence?.logged
  return found && found.length > 0 ? found : undefined
}
interface Carrier {
  readonly logged?: readonly LoggedRig[]
}

/** Takes what was learned of a log from memory. @returns whether it was there */
export async function recallLog(
  logged: readonly LoggedRig[],
  memory: LogMemory | undefined,
): Promise<boolean> {
  if (isLearned(logged)) return true
  if (!memory) return false
  const key = keyOf(logged, memory)
  const kept = await memory.read(placeOf(logged), key).catch(() => undefined)
  if (kept?.key !== key) return false
  teach(logged, kept.learned)
  return true
}

/** Learns from a log, and leaves it in memory for the next page. */
export async function learnLog(logged: readonly LoggedRig[], memory: LogMemory | undefined): Promise<void> {
  const learned = learnFrom(logged)
  if (!learned) return void ensembleAfter(logged)
  teach(logged, learned)
  // a memory that is full or shut costs time, nothing else
  await memory?.write(placeOf(logged), { key: keyOf(logged, memory), learned }).catch(() => undefined)
}

/** What is learned together is of one place. */
const placeOf = ([first]: readonly LoggedRig[]): string => first?.placeKey ?? ''

const keyOf = (logged: readonly LoggedRig[], { making }: LogMemory): string =>
  `${making}\n${JSON.stringify(logged)}`
