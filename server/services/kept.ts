import { database } from '../db/client'
import type { keeping } from '../repositories/kept'
import { sameContent } from '../repositories/sameContent'
import { Refused } from './refused'

/** What is said where something is refused. */
export interface KeptWords {
  readonly gone: string
  readonly none: string
  readonly another: string
  readonly elsewhere: (revision: number) => string
}

interface Named {
  readonly id: string
  readonly name: string
  readonly content: unknown
  readonly revision: number
}
type New = { readonly id?: string | undefined; readonly name: string; readonly content: unknown }
type Repository<Row extends Named, N extends New> = ReturnType<typeof keeping<Row, N>>
type Only = Parameters<Repository<Named, New>['find']>[2]

/** What has a name and a content, as the routes ask for it. @param only which rows of the table are meant */
export function keptThings<Row extends Named, N extends New>(
  repository: Repository<Row, N>,
  words: KeptWords,
  only?: Only,
) {
  /** @throws Refused 404 when there is none */
  async function one(id: string): Promise<Row> {
    const found = await repository.find(database(), id, only)
    if (!found) throw new Refused(404, words.gone)
    return found
  }

  /** Makes one, once however often it is asked for under one id. @throws Refused 409 when there is another */
  async function create(asked: N): Promise<Row> {
    const [made] = await repository.insert(database(), [asked])
    if (made) return made
    const there = await repository.find(database(), asked.id!, only)
    const told = ({ name, content }: Pick<New, 'name' | 'content'>) => ({ name, content })
    if (there && sameContent(told(asked), told(there))) return there
    throw new Refused(409, words.another)
  }

  /** @throws Refused 404 when it is gone, 409 when it was changed since the revision the caller holds */
  async function change(
    id: string,
    { revision, name, content }: { revision: number; name?: string | undefined; content?: N['content'] },
  ): Promise<Row> {
    const set = { ...(name === undefined ? {} : { name }), ...(content === undefined ? {} : { content }) }
    const changed = await repository.change(database(), { id, revision, set: set as Partial<N> }, only)
    if (changed) return changed
    throw new Refused(409, words.elsewhere((await one(id)).revision))
  }

  /** Deletes, or brings back. @throws Refused 404 when there is none to */
  async function mark(id: string, deleted: boolean): Promise<Row> {
    const [marked] = await repository.mark(database(), [id], deleted, only)
    if (!marked) throw new Refused(404, deleted ? words.gone : words.none)
    return marked
  }

  return { one, create, change, mark }
}
