import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  bookOf,
  evidenceOf,
  rigKey,
  type Evidence,
  type EvidenceBook,
  type LoggedDrop,
  type RigSpec,
} from '#core'
import type { EvidenceAnswer, StoredDrop, TallyRow } from '#schemas/log'
import type { SpreadContent } from '#schemas/spread'
import { askBeside } from '~/sync/askBeside'
import { leaveOutOfLog } from '~/sync/leaveOut'
import { leftOutHere, talliesShown } from '~/sync/logCopy'
import { waitingEntries } from '~/sync/outbox'
import type { MovedOf } from '#words/movedWords'
import { failureText } from '#words/failureText'

/** Where drops are left out and taken in. */
const DROPS = '/api/log'

/**
 * The angler's own drops and tally, and what they say. Loaded once with the page, and again after something
 * was logged.
 */
export const useEvidence = defineStore('evidence', () => {
  const tallies = shallowRef<readonly TallyRow[]>([])
  const drops = shallowRef<readonly StoredDrop[]>([])
  const loaded = ref(false)
  const error = ref<string>()
  /** figures as the model alone has them */
  const ignored = useLocalStorage('dunecrest.evidence.ignored', false)

  async function load(): Promise<void> {
    try {
      const found = waitingEntries().catch(() => [])
      const take = async (answer: EvidenceAnswer): Promise<void> => {
        // what waits on this device counts here already
        const waiting = (await found).flatMap(({ id, at, data }): StoredDrop[] =>
          data?.drop ? [{ id, at, drop: data.drop, excluded: false }] : [],
        )
        const there = new Set(answer.drops.map(d => d.id))
        tallies.value = await talliesShown(answer.tallies)
        drops.value = [...answer.drops, ...waiting.filter(d => !there.has(d.id))].map(d => ({
          ...d,
          excluded: leftOutHere(DROPS, d.id, d.excluded),
        }))
      }
      const later = (answer: EvidenceAnswer): void => void take(answer)
      await take(await askBeside('/api/log/evidence', later))
      error.value = undefined
    } catch (failure) {
      error.value = failureText(failure)
    } finally {
      loaded.value = true
    }
  }
  const timed = computed<readonly LoggedDrop[]>(() =>
    drops.value
      .filter(d => !d.excluded)
      .map(({ drop }) => ({
        bait: drop.bait,
        seconds: drop.seconds,
        model: drop.model,
        ...(drop.pitchRad === undefined ? {} : { pitchRad: drop.pitchRad }),
        ...(drop.bath ? { sharedS: drop.bath.lagSdS } : {}),
      })),
  )
  const book = computed<EvidenceBook | undefined>(() =>
    ignored.value || (drops.value.length === 0 && tallies.value.length === 0)
      ? undefined
      : bookOf(
          timed.value,
          tallies.value.map(({ rigKey, placeKey, counts: c }) => ({
            rigKey,
            placeKey,
            casts: c.cast ?? 0,
            snags: c.snag ?? 0,
            bites: c.bite ?? 0,
            bumps: c.bump ?? 0,
            hooked: c.hooked ?? 0,
          })),
        ),
  )

  /** What is known of one rig on a sheet. */
  function of({ bait, water }: Pick<SpreadContent, 'bait' | 'water'>, rig: RigSpec): Evidence | undefined {
    return book.value && evidenceOf(book.value, bait, rig, water.cover, water.bottom)
  }
  /** Whose figure it is, for telling what moved it. */
  function whose({ bait, lanes }: Pick<SpreadContent, 'bait' | 'lanes'>, rig: RigSpec): MovedOf {
    const key = (one: RigSpec): string => rigKey(bait, one)
    return { rigKey: key(rig), letters: new Map(lanes.map(({ letter, ...one }) => [key(one), letter])) }
  }
  async function exclude(id: string, excluded: boolean): Promise<void> {
    await leaveOutOfLog(DROPS, id, excluded)
    drops.value = drops.value.map(d => (d.id === id ? { ...d, excluded } : d))
  }
  return { tallies, drops, timed, loaded, error, ignored, book, of, whose, load, exclude }
})
