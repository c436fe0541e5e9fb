import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useExchange } from './useExchange'
import type { BoxItem, ItemInput } from '#schemas/box'
import { ask } from './api'
import { useSteps, type Step } from './useSteps'

/**
 * The angler's box as the server holds it, with undo. A change is shown once the server has acknowledged it.
 */
export const useBox = defineStore('box', () => {
  const items = shallowRef<readonly BoxItem[]>([])
  const loaded = ref(false)
  const { busy, error, exchange } = useExchange()
  const { remember, ...steps } = useSteps(busy, exchange)

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
    ...steps,
  }
})
