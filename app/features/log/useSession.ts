import { useToast } from '#imports'
import { computed, shallowRef } from 'vue'
import type { LogEntry, SessionRow } from '#schemas/log'
import { entriesShown } from '~/sync/logCopy'
import { newId } from '~/sync/newId'
import { useOutbox } from '~/sync/outboxStore'
import { useExchange } from '~/sync/useExchange'

/** How long an edit can be taken back where it is told, ms. */
const TOLD_MS = 15_000

/**
 * One session of the log, opened to be read and put right. The log only grows: what is put right is taken back and
 * said anew at the moment it belongs to, and that can be taken back as well.
 * @param changed what follows once the session is another
 */
export function useSession(changed: () => void) {
  const outbox = useOutbox()
  const toast = useToast()
  const { error, exchange } = useExchange()
  const row = shallowRef<SessionRow>()
  const entries = shallowRef<readonly LogEntry[]>([])

  async function load(): Promise<void> {
    const mine = row.value?.session
    if (mine === undefined) return
    const found = await exchange(() => entriesShown(mine))
    if (found && row.value?.session === mine) entries.value = found
  }
  async function open(session: SessionRow | undefined): Promise<void> {
    row.value = session
    entries.value = []
    await load()
  }

  /** Places of the session in the order they were come to, each with the entries that name it. */
  const places = computed(() => {
    const by = new Map<string, LogEntry[]>()
    for (const entry of entries.value) {
      if (entry.data?.place === undefined) continue
      by.set(entry.data.place, [...(by.get(entry.data.place) ?? []), entry])
    }
    return [...by].map(([name, named]) => ({ name, entries: named }))
  })
  const notes = computed(() => entries.value.filter(e => e.kind === 'note'))

  const takenBack = (entry: LogEntry): LogEntry => ({
    id: newId(),
    session: entry.session,
    // at the moment it belongs to, so that a session does not last until it was put right
    at: entry.at,
    kind: 'void',
    data: { of: entry.id },
  })
  /**
   * Says some entries anew, or just takes them back, or adds some.
   * @param told what was done, for the way back; none where this is the way back
   */
  async function say(
    before: readonly LogEntry[],
    after: readonly LogEntry[],
    told: string | undefined,
  ): Promise<void> {
    const made = after.map(entry => ({ ...entry, id: newId() }))
    await exchange(async () => {
      await outbox.keep([...before.map(takenBack), ...made])
      if (outbox.cannotKeep) throw new Error(outbox.cannotKeep)
    })
    await load()
    void outbox.send().finally(changed)
    if (told !== undefined && error.value === undefined)
      toast.add({
        title: told,
        duration: TOLD_MS,
        actions: [
          {
            label: 'Undo',
            color: 'neutral',
            variant: 'outline',
            onClick: () => void say(made, before, undefined),
          },
        ],
      })
  }
  const rename = (named: readonly LogEntry[], place: string): Promise<void> =>
    say(
      named,
      named.map(entry => ({ ...entry, data: { ...entry.data, place } })),
      `Place changed: ${place}`,
    )
  const rewrite = (note: LogEntry, text: string): Promise<void> =>
    text === ''
      ? say([note], [], 'Note taken out')
      : say([note], [{ ...note, data: { ...note.data, text } }], 'Note changed')
  /** A note written afterwards stands at the end of its session. */
  const write = (text: string): Promise<void> => {
    const { session, to } = row.value!
    return say([], [{ id: '', session, at: to, kind: 'note', data: { text } }], 'Note added')
  }
  return { row, entries, places, notes, error, open, load, rename, rewrite, write }
}
