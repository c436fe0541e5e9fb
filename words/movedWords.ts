import type { Evidence, LoggedRig } from '#core'
import { keyWords } from './logWords'
import { percentText } from './units'

/** The rig whose figure is told, and the letters of the rigs on the sheet by their key. */
export interface MovedOf {
  readonly rigKey: string
  readonly letters: ReadonlyMap<string, string>
}

/** So many logs are named; the rest are summed. */
const NAMED = 2

const many = (n: number, one: string): string =>
  `${n.toLocaleString('en')} ${n === 1 ? one : one === 'touch' ? 'touches' : `${one}s`}`

/**
 * What moved a figure away from the model's own, in words: the rig's own log first, then those of others
 * fished there, which share its doubts.
 * @param byModel the figure as the model has it by itself
 * @returns undefined where nothing moved it
 */
export function movedWords(
  what: 'snag' | 'hook',
  known: Evidence | undefined,
  byModel: number | undefined,
  { rigKey, letters }: MovedOf,
): string | undefined {
  if (byModel === undefined) return undefined
  const triesOf = (l: LoggedRig): number => (what === 'snag' ? l.casts : l.touches)
  const near = (known?.logged ?? []).filter(l => triesOf(l) > 0)
  const own = near.find(l => l.rigKey === rigKey)
  const others = near.filter(l => l !== own)
  const rest = others.slice(NAMED)
  const unit = what === 'snag' ? 'cast' : 'touch'
  const named = (l: LoggedRig): string => {
    const letter = letters.get(l.rigKey)
    return `${many(triesOf(l), unit)} with ${letter ?? keyWords(l.rigKey).rig} here`
  }
  const parts = [
    ...(own
      ? [
          `${what === 'snag' ? `${many(own.snags, 'snag')} in` : `${own.hooked} hooked of`} ${many(triesOf(own), unit)} with it here`,
        ]
      : []),
    ...others.slice(0, NAMED).map(named),
    ...(rest.length > 0
      ? [
          `${many(
            rest.reduce((sum, l) => sum + triesOf(l), 0),
            unit,
          )} with ${rest.length === 1 ? 'another' : `${rest.length} others`}`,
        ]
      : []),
  ]
  return parts.length > 0 ? `Moved from ${percentText(byModel)} by ${list(parts)}.` : undefined
}

const list = (parts: readonly string[]): string =>
  parts.length === 1 ? parts[0]! : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)!}`
