import { useRouter, useToast } from '#imports'
import { ref } from 'vue'
import { useSpreads } from './useSpreads'
import { useSpread } from './spread'
import type { Spread, SpreadSummary } from '#schemas/spread'
import { viewPath, type SheetView } from './useSheetCommands'
import { ServerRefusal } from '~/sync/api'
import { changeOf } from '~/sync/changes'
import { newId } from '~/sync/newId'

/**
 * Saving, renaming, deleting and reopening as the header and the keys offer them, with what to tell the
 * person.
 * @param view the view whose address follows the spread
 */
export function useKeeping(view: SheetView = 'spread') {
  const spread = useSpread()
  const server = useSpreads()
  const toast = useToast()
  const router = useRouter()
  const saving = ref(false)

  const tell = (title: string, description?: string): void =>
    void toast.add({ title, ...(description ? { description } : {}), duration: 5000 })
  const explain = (what: string, error: unknown): void => {
    if (!(error instanceof ServerRefusal)) throw error
    const where = error.fields[0] ? ` (${error.fields[0].path})` : ''
    toast.add({ title: what, description: `${error.message}${where}`, color: 'error', duration: 10_000 })
  }

  /** Saves the sheet under its name; as a new spread when it has none yet, or when asked. */
  async function save(asNew = false): Promise<void> {
    if (saving.value) return
    saving.value = true
    try {
      const current = spread.saved
      const stored =
        current && !asNew
          ? await server.change(current, { name: spread.name, content: spread.content })
          : await saveNew(asNew && current?.name === spread.name ? `${spread.name} (copy)` : spread.name)
      spread.acknowledge(stored)
      const here = changeOf('/api/spreads', stored.id) !== undefined
      tell(`${here ? 'Kept on this device' : 'Saved'}: ${stored.name}`)
      // without a server the code of another address comes from the device, where the application stands on it
      const reachable = !here || navigator.serviceWorker?.controller
      if (current?.id !== stored.id && reachable) await router.replace(viewPath(view, stored.id))
    } catch (error) {
      explain('Not saved', error)
    } finally {
      saving.value = false
    }
  }

  /** the id that a new spread is asked for under until the server has it: asked again, it is made once */
  let asked: string | undefined
  async function saveNew(name: string): Promise<Spread> {
    const id = (asked ??= newId())
    const stored = await server.create(name, spread.content, id).catch(async (error: unknown) => {
      if (!(error instanceof ServerRefusal) || error.status !== 409) throw error
      // it was kept when it was first asked for, though its answer was lost: what changed since is saved over
      // it
      return server.change(await server.read(id), { name, content: spread.content })
    })
    asked = undefined
    return stored
  }

  /** Renames on the sheet at once, and on the server when the spread is saved there. */
  async function rename(to: string): Promise<void> {
    spread.rename(to)
    const current = spread.saved
    if (!current || current.name === to) return
    try {
      const stored = await server.change(current, { name: to })
      spread.saved = stored
    } catch (error) {
      explain('Not renamed', error)
    }
  }

  /**
   * Deletes a saved spread. When it is the one on the sheet, the sheet stays as unsaved work.
   * @returns whether it is gone
   */
  async function remove({ id, name }: Pick<SpreadSummary, 'id' | 'name'>): Promise<boolean> {
    try {
      await server.remove(id)
    } catch (error) {
      explain('Not deleted', error)
      return false
    }
    if (id !== spread.saved?.id) return true
    spread.detach()
    await router.replace(viewPath(view, undefined))
    toast.add({
      title: `Deleted: ${name}`,
      description: 'What is on the sheet is kept as unsaved work.',
      duration: 15_000,
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void reopen(id) }],
    })
    return true
  }

  async function reopen(id: string): Promise<void> {
    if (await bringBack(id)) await router.push(viewPath(view, id))
  }

  /** Takes a deletion back. @returns whether it is there again */
  async function bringBack(id: string): Promise<boolean> {
    try {
      tell(`Back again: ${(await server.restore(id)).name}`)
      return true
    } catch (error) {
      explain('Not brought back', error)
      return false
    }
  }

  /** Opens a saved spread, or a fresh sheet. Returns why it could not. */
  async function open(id: string | undefined): Promise<string | undefined> {
    let found: Spread | undefined
    try {
      found = id ? await server.read(id) : undefined
    } catch (error) {
      if (!(error instanceof ServerRefusal)) throw error
      return error.message
    }
    const { draft, outdated } = await spread.open(found)
    if (outdated)
      tell(
        'Unsaved changes kept',
        'This spread was saved elsewhere since. Save yours as a new one, or discard your changes.',
      )
    else if (draft && found)
      tell('Unsaved changes kept', 'They were made on this device and are not saved yet.')
    return undefined
  }

  return { save, rename, remove, bringBack, open, saving }
}
