import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useExchange } from './useExchange'
import type { BoxItem, ItemInput } from '#schemas/box'
import { ask } from './api'
import { askBeside } from './askBeside'
import { changeOf, onSettled, withChanges } from './changes'
import { broughtBack, keptAll } from './kept'
import { rowAs } from './keptAt'
import { newId } from './newId'
import { useSteps, type Step } from './useSteps'

const PATH = '/api/box'
const rowOf = rowAs<BoxItem>({ photographed: false })

/**
 * The angler's box as the server holds it, with undo. A change is shown once the server has acknowledged it, or
 * once this device keeps it where the server cannot be reached.
 */
export const useBox = defineStore('box', () => {
  const items = shallowRef<readonly BoxItem[]>([])
  const loaded = ref(false)
  const { busy, error, exchange, inTurn } = useExchange()
  const { remember, ...steps } = useSteps(inTurn)

  const byId = computed(() => new Map(items.value.map(item => [item.id, item])))

  async function load(): Promise<void> {
    const take = (answer: { items: BoxItem[] }): void =>
      void (items.value = withChanges(PATH, answer.items, rowOf))
    const answer = await exchange(() => askBeside<{ items: BoxItem[] }>(PATH, take))
    if (!answer) return
    take(answer)
    loaded.value = true
  }

  /** Lays what became of things on what is shown, in their places; new ones come last. */
  function show(ids: readonly string[], rows: readonly (BoxItem | undefined)[]): void {
    const fresh = new Map(ids.map((id, i) => [id, rows[i]]))
    const there = items.value.flatMap(item => (fresh.has(item.id) ? (fresh.get(item.id) ?? []) : item))
    const known = new Set(items.value.map(item => item.id))
    items.value = [...there, ...rows.filter(row => row !== undefined).filter(row => !known.has(row.id))]
  }

  async function putIn(
    added: readonly (ItemInput & { readonly id: string })[],
  ): Promise<{ readonly made: readonly BoxItem[]; readonly step: Step }> {
    const ids = added.map(({ id }) => id)
    const asked = added.map(({ id, ...item }) => ({ id, fresh: true, now: () => item }))
    const rows = await keptAll<BoxItem>(PATH, asked, rowOf, async () => {
      const { items: made } = await ask<{ items: BoxItem[] }>(PATH, 'POST', { items: added })
      const byId = new Map(made.map(row => [row.id, row]))
      return ids.map(id => byId.get(id))
    })
    show(ids, rows)
    return { made: rows.filter(row => row !== undefined), step: { undo: () => takeOut(ids) } }
  }

  async function takeOut(ids: readonly string[]): Promise<Step> {
    const before = ids.flatMap(id => byId.value.get(id) ?? [])
    await keptAll<BoxItem>(
      PATH,
      ids.map(id => ({ id })),
      rowOf,
      async () => {
        await ask(`${PATH}/delete`, 'POST', { ids })
        return []
      },
    )
    show(ids, [])
    return { undo: () => putBack(before) }
  }

  /** Brings things back: those the server never heard of are made anew. */
  async function putBack(gone: readonly BoxItem[]): Promise<Step> {
    const [known, unsent] = [gone.filter(one => one.revision > 0), gone.filter(one => one.revision === 0)]
    const ids = gone.map(({ id }) => id)
    if (unsent.length > 0) await putIn(unsent.map(({ revision: _, photographed: __, ...item }) => item))
    let fresh: readonly BoxItem[] | undefined
    const restoring = known.filter(({ id }) => !changeOf(PATH, id)).map(({ id }) => id)
    if (restoring.length > 0) {
      await ask(`${PATH}/restore`, 'POST', { ids: restoring })
      fresh = (await ask<{ items: BoxItem[] }>(PATH, 'GET', undefined, { fresh: true })).items
    }
    const rows = await Promise.all(
      known.map(({ id }) => broughtBack<BoxItem>(PATH, id, async () => fresh!.find(one => one.id === id)!)),
    )
    if (fresh) items.value = withChanges(PATH, fresh, rowOf)
    else
      show(
        known.map(({ id }) => id),
        rows,
      )
    return { undo: () => takeOut(ids) }
  }

  async function write(changes: readonly { readonly id: string; readonly item: ItemInput }[]): Promise<Step> {
    const ids = changes.map(({ id }) => id)
    const before = ids.map(id => byId.value.get(id)!)
    const asked = changes.map(({ id, item }) => ({ id, now: () => item }))
    const rows = await keptAll<BoxItem>(PATH, asked, rowOf, async () => {
      const sent = changes.map(({ id, item }) => ({ id, revision: byId.value.get(id)!.revision, item }))
      return (await ask<{ items: BoxItem[] }>(PATH, 'PUT', { changes: sent })).items
    })
    show(ids, rows)
    return {
      undo: () => write(before.map(({ id, revision: _, photographed: __, ...item }) => ({ id, item }))),
    }
  }

  onSettled(PATH, (id, row) => show([id], [row as BoxItem | undefined]))

  const add = (added: readonly ItemInput[]): Promise<readonly BoxItem[] | undefined> =>
    inTurn(async () => {
      const { made, step } = await putIn(added.map(item => ({ ...item, id: newId() })))
      remember(step)
      return made
    })

  /** @param alter what becomes of a thing, out of what it is once the changes before this one are through */
  const change = (ids: readonly string[], alter: (item: ItemInput) => ItemInput): Promise<boolean> =>
    inTurn(async () => {
      const changes = ids.flatMap(id => {
        const found = byId.value.get(id)
        if (!found) return []
        const { id: _, revision: __, photographed: ___, ...item } = found
        return [{ id, item: alter(item) }]
      })
      if (changes.length === 0) return false
      remember(await write(changes))
      return true
    }).then(done => done ?? false)

  /** Sets or takes away a photograph; kept at once, outside of undo. */
  const photograph = (id: string, photo: string | null): Promise<unknown> =>
    inTurn(async () => {
      await ask(`/api/box/${id}/photo`, 'PUT', { photo })
      items.value = items.value.map(item =>
        item.id === id ? { ...item, photographed: photo !== null } : item,
      )
    })

  const remove = (ids: readonly string[]): Promise<unknown> =>
    inTurn(async () => remember(await takeOut(ids)))

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
