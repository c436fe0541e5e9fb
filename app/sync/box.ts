import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useExchange } from './useExchange'
import type { BoxItem, ItemInput } from '#schemas/box'
import { ask } from './api'

/** One thing done to the box, and how to take it back. */
interface Step {
  readonly undo: () => Promise<Step>
}

/**
 * The angler's box as the server holds it, with undo. A change is shown once the server has acknowledged it.
 */
export const useBox = defineStore('box', () => {
  const items = shallowRef<readonly BoxItem[]>([])
  const loaded = ref(false)
  const { busy, error, exchange } = useExchange()
  const done = shallowRef<readonly Step[]>([])
  const undone = shallowRef<readonly Step[]>([])

  const byId = computed(() => new Map(items.value.map(item => [item.id, item])))

  async function load(): Promise<void> {
    const answer = await exchange(() => ask<{ items: BoxItem[] }>('/api/box'))
    if (!answer) return
    items.value = answer.items
    loaded.value = true
  }

  async function putIn(
    added: readonly ItemInput[],
  ): Promise<{ readonly made: readonly BoxItem[]; readonly step: Step }> {
    const { items: made } = await ask<{ items: BoxItem[] }>('/api/box', 'POST', { items: added })
    items.value = [...items.value, ...made]
    return { made, step: { undo: () => takeOut(made.map(m => m.id)) } }
  }

  async function takeOut(ids: readonly string[]): Promise<Step> {
    await ask('/api/box/delete', 'POST', { ids })
    const gone = new Set(ids)
    items.value = items.value.filter(item => !gone.has(item.id))
    return { undo: () => putBack(ids) }
  }

  async function putBack(ids: readonly string[]): Promise<Step> {
    await ask('/api/box/restore', 'POST', { ids })
    items.value = (await ask<{ items: BoxItem[] }>('/api/box')).items
    return { undo: () => takeOut(ids) }
  }

  async function write(changes: readonly { readonly id: string; readonly item: ItemInput }[]): Promise<Step> {
    const before = changes.map(({ id }) => byId.value.get(id)!)
    const { items: made } = await ask<{ items: BoxItem[] }>('/api/box', 'PUT', {
      changes: changes.map(({ id, item }) => ({ id, revision: byId.value.get(id)!.revision, item })),
    })
    const fresh = new Map(made.map(item => [item.id, item]))
    items.value = items.value.map(item => fresh.get(item.id) ?? item)
    return {
      undo: () => write(before.map(({ id, revision: _, photographed: __, ...item }) => ({ id, item }))),
    }
  }

  const remember = (step: Step): void => {
    done.value = [...done.value.slice(-99), step]
    undone.value = []
  }

  async function add(added: readonly ItemInput[]): Promise<readonly BoxItem[] | undefined> {
    const answer = await exchange(() => putIn(added))
    if (answer) remember(answer.step)
    return answer?.made
  }

  async function change(ids: readonly string[], alter: (item: ItemInput) => ItemInput): Promise<boolean> {
    const changes = ids.flatMap(id => {
      const found = byId.value.get(id)
      if (!found) return []
      const { id: _, revision: __, photographed: ___, ...item } = found
      return [{ id, item: alter(item) }]
    })
    const step = changes.length > 0 ? await exchange(() => write(changes)) : undefined
    if (step) remember(step)
    return step !== undefined
  }

  /** Sets or takes away a photograph; kept at once, outside of undo. */
  async function photograph(id: string, photo: string | null): Promise<void> {
    const done = await exchange(async () => (await ask(`/api/box/${id}/photo`, 'PUT', { photo }), true))
    if (done)
      items.value = items.value.map(item =>
        item.id === id ? { ...item, photographed: photo !== null } : item,
      )
  }

  async function remove(ids: readonly string[]): Promise<void> {
    const step = await exchange(() => takeOut(ids))
    if (step) remember(step)
  }

  async function back(from: typeof done, to: typeof done): Promise<void> {
    const step = from.value.at(-1)
    if (!step || busy.value) return
    const inverse = await exchange(step.undo)
    if (!inverse) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, inverse]
  }

  return {
    items,
    byId,
    loaded,
    busy,
    error,
    load,
    add,
    change,
    remove,
    photograph,
    undo: () => void back(done, undone),
    redo: () => void back(undone, done),
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
  }
})
