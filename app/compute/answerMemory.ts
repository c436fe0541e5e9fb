import type { QuestionId, Questions } from './protocol'

/** Keeps what was last answered from one page to the next. */
export interface AnswerStore {
  /** the making of the model: another works it out anew */ readonly making: string
  readonly read: (about: QuestionId) => Promise<KeptAnswer | undefined>
  readonly write: (about: QuestionId, kept: KeptAnswer) => Promise<void>
}
/** An answer, and all that it follows from. */
export interface KeptAnswer {
  readonly key: string
  readonly answer: Questions[QuestionId]['answer']
}

/** Answers of one kind kept in memory: going back to a day, or undoing, finds them. */
const KEPT = 6

/**
 * What was answered whole, by all that it was asked about: asked again, in this page or on opening the next, it
 * stands at once. A page that is opened asks what was last asked, mostly.
 */
export function answerMemory(store?: AnswerStore) {
  const kept = new Map<QuestionId, KeptAnswer[]>()
  const stored = new Map<QuestionId, KeptAnswer | undefined>()
  const reading = new Map<QuestionId, Promise<void>>()
  const keyOf = (job: object): string => `${store?.making ?? ''}\n${JSON.stringify(job)}`
  const of = (about: QuestionId): KeptAnswer[] => kept.get(about) ?? []

  /** Takes what an earlier page left, once. */
  const read = (about: QuestionId): Promise<void> => {
    const now =
      reading.get(about) ??
      (store?.read(about) ?? Promise.resolve(undefined))
        .then(found => {
          stored.set(about, found)
          if (found) kept.set(about, [...of(about), found])
        })
        // a store that is shut costs time, nothing else
        .catch(() => undefined)
    reading.set(about, now)
    return now
  }

  return {
    read,
    /** @returns what was answered to just this */
    async recall<Q extends QuestionId>(
      about: Q,
      job: Questions[Q]['job'],
    ): Promise<Questions[Q]['answer'] | undefined> {
      await read(about)
      const key = keyOf(job)
      return of(about).find(one => one.key === key)?.answer as Questions[Q]['answer'] | undefined
    },
    keep(about: QuestionId, job: object, answer: Questions[QuestionId]['answer']): void {
      const key = keyOf(job)
      kept.set(about, [{ key, answer }, ...of(about).filter(one => one.key !== key)].slice(0, KEPT))
    },
    /** Lays down what was answered last, where that is not there yet. */
    async layDown(): Promise<void> {
      for (const [about, [last]] of kept) {
        if (!last || !store || stored.get(about)?.key === last.key) continue
        stored.set(about, last)
        await store.write(about, last).catch(() => undefined)
      }
    },
  }
}
