import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useExchange } from './useExchange'
import type { DocumentContent, DocumentKind, StoredDocument } from '#schemas/spot'
import { askBeside } from './askBeside'
import { onSettled, withChanges } from './changes'
import { keptAt, rowAs } from './keptAt'

/** What is shown as changed while the server has yet to take it. */
interface OnWay<D> {
  /** changes that have no answer yet */ left: number
  /** as last acknowledged; none once it is deleted */ acknowledged: D | undefined
  /** revisions it had by this tab's changes: one asked for on any of them comes on the last */
  readonly revisions: number[]
}

/**
 * Spots, trips, baths, kinds of fish, tides and knots broken on the scale, as the server holds them. A change is
 * shown at once, so that the next one is made to it; a refusal is told, and what the server holds stands again.
 */
function documentsOf<K extends DocumentKind>(kind: K) {
  const list = shallowRef<readonly StoredDocument<K>[]>([])
  const loaded = ref(false)
  const { busy, error, exchange, inTurn } = useExchange()
  const onWay = new Map<string, OnWay<StoredDocument<K>>>()
  const path = `/api/documents/${kind}`
  const server = keptAt<StoredDocument<K>, DocumentContent[K]>(path, { kind })

  const byId = computed(() => new Map(list.value.map(d => [d.id, d])))
  const put = (made: StoredDocument<K>): StoredDocument<K> => {
    list.value = list.value.some(d => d.id === made.id)
      ? list.value.map(d => (d.id === made.id ? made : d))
      : [...list.value, made]
    return made
  }

  /** The rows of an answer, those on their way as they are shown. */
  function lay(answer: { documents: StoredDocument<K>[] }): void {
    const shown = byId.value
    list.value = withChanges(path, answer.documents, rowAs<StoredDocument<K>>({ kind })).map(row => {
      const way = onWay.get(row.id)
      if (!way) return row
      if (!way.revisions.includes(row.revision)) way.acknowledged = row
      return shown.get(row.id) ?? row
    })
  }
  function drop(id: string): void {
    list.value = list.value.filter(d => d.id !== id)
    const way = onWay.get(id)
    if (way) way.acknowledged = undefined
  }
  const load = (): Promise<void> =>
    exchange(async () => {
      lay(await askBeside(path, lay))
      loaded.value = true
    }).then(() => undefined)
  const add = (name: string, content: DocumentContent[K]): Promise<StoredDocument<K> | undefined> =>
    inTurn(async () => put(await server.create(name, content)))
  /** @returns it as acknowledged; undefined where the server refused, or it is to be changed on an older revision */
  function change(
    { id, revision }: Pick<StoredDocument, 'id' | 'revision'>,
    name: string,
    content: DocumentContent[K],
  ): Promise<StoredDocument<K> | undefined> {
    const way = onWay.get(id) ?? { left: 0, acknowledged: byId.value.get(id), revisions: [revision] }
    onWay.set(id, way)
    way.left++
    if (way.acknowledged) put({ ...way.acknowledged, name, content })
    return inTurn(async () => {
      const on = way.revisions.includes(revision) ? way.revisions.at(-1)! : revision
      try {
        way.acknowledged = await server.change({ id, revision: on }, { name, content })
        way.revisions.push(way.acknowledged.revision)
        return way.acknowledged
      } finally {
        if (--way.left === 0) {
          onWay.delete(id)
          if (way.acknowledged) put(way.acknowledged)
        }
      }
    })
  }
  const remove = (id: string): Promise<boolean> =>
    inTurn(async () => {
      await server.remove(id)
      drop(id)
      return true
    }).then(done => done ?? false)
  const restore = (id: string): Promise<StoredDocument<K> | undefined> =>
    inTurn(async () => put(await server.restore(id)))

  // what went to the server comes back with its revision, what was settled otherwise with what it is
  onSettled(path, (id, row) => {
    if (!row) return drop(id)
    const way = onWay.get(id)
    if (!way) return void put(row as StoredDocument<K>)
    way.acknowledged = row as StoredDocument<K>
    way.revisions.push(row.revision)
  })

  return {
    list,
    loaded,
    busy,
    error,
    load,
    add,
    change,
    remove,
    restore,
    byId,
  }
}

export const useSpots = defineStore('spots', () => documentsOf('spot'))
export const useBaths = defineStore('baths', () => documentsOf('bath'))
export const useTrips = defineStore('trips', () => documentsOf('trip'))
export const useFishes = defineStore('fishes', () => documentsOf('fish'))
export const useTides = defineStore('tides', () => documentsOf('tide'))
export const useKnotTests = defineStore('knotTests', () => documentsOf('knotTest'))
