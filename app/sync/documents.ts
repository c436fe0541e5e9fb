import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { useExchange } from './useExchange'
import type { DocumentContent, DocumentKind, StoredDocument } from '#schemas/spot'
import { askBeside } from './askBeside'
import { onSettled, withChanges } from './changes'
import { keptAt, rowAs } from './keptAt'

/**
 * Spots, trips, baths, kinds of fish, tides and knots broken on the scale as the server holds them. A change is shown once it is acknowledged; a refusal is
 * told and changes nothing here.
 */
function documentsOf<K extends DocumentKind>(kind: K) {
  const list = shallowRef<readonly StoredDocument<K>[]>([])
  const loaded = ref(false)
  const { busy, error, exchange } = useExchange()
  const path = `/api/documents/${kind}`
  const server = keptAt<StoredDocument<K>, DocumentContent[K]>(path, { kind })

  const put = (made: StoredDocument<K>): StoredDocument<K> => {
    list.value = list.value.some(d => d.id === made.id)
      ? list.value.map(d => (d.id === made.id ? made : d))
      : [...list.value, made]
    return made
  }

  const load = (): Promise<void> =>
    exchange(async () => {
      const take = ({ documents }: { documents: StoredDocument<K>[] }): void =>
        void (list.value = withChanges(path, documents, rowAs<StoredDocument<K>>({ kind })))
      take(await askBeside(path, take))
      loaded.value = true
    }).then(() => undefined)
  const add = (name: string, content: DocumentContent[K]): Promise<StoredDocument<K> | undefined> =>
    exchange(async () => put(await server.create(name, content)))
  const change = (
    one: Pick<StoredDocument, 'id' | 'revision'>,
    name: string,
    content: DocumentContent[K],
  ): Promise<StoredDocument<K> | undefined> =>
    exchange(async () => put(await server.change(one, { name, content })))
  const remove = (id: string): Promise<boolean> =>
    exchange(async () => {
      await server.remove(id)
      list.value = list.value.filter(d => d.id !== id)
      return true
    }).then(done => done ?? false)
  const restore = (id: string): Promise<StoredDocument<K> | undefined> =>
    exchange(async () => put(await server.restore(id)))

  // what went to the server comes back with its revision, what was settled otherwise with what it is
  onSettled(path, (id, row) => {
    if (row) put(row as StoredDocument<K>)
    else list.value = list.value.filter(d => d.id !== id)
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
    byId: computed(() => new Map(list.value.map(d => [d.id, d]))),
  }
}

export const useSpots = defineStore('spots', () => documentsOf('spot'))
export const useBaths = defineStore('baths', () => documentsOf('bath'))
export const useTrips = defineStore('trips', () => documentsOf('trip'))
export const useFishes = defineStore('fishes', () => documentsOf('fish'))
export const useTides = defineStore('tides', () => documentsOf('tide'))
export const useKnotTests = defineStore('knotTests', () => documentsOf('knotTest'))
