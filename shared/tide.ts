import { tideOf, type OwnTide, type TableTurn, type TideSource } from '#core'
import type { StoredDocument, TideContent } from '#schemas/spot'

/** A local time, by the clock of this device, in ms since 1970. */
export const timeOfRow = (at: string): number => new Date(`${at}:00`).getTime()

/** Rows of a table by time. */
export const turnsOf = ({ turns }: Extract<TideContent, { kind: 'table' }>): TableTurn[] =>
  turns.map(({ at, heightM }) => ({ at: timeOfRow(at), heightM }))

/** A kept tide as a plan takes it. */
export const ownTideOf = ({ name, content }: Pick<StoredDocument<'tide'>, 'name' | 'content'>): OwnTide =>
  content.kind === 'table' ? { kind: 'table', name, turns: turnsOf(content) } : { ...content, name }

/**
 * The tide at moments for which none was chosen: of the angler's own the one kept last that knows the moment, else
 * the stand-in.
 * @param kept own tides, in the order they were made
 * @returns by a moment in ms since 1970
 */
export function tideAt(
  kept: readonly Pick<StoredDocument<'tide'>, 'name' | 'content'>[],
): (at: number) => TideSource {
  const own = [...kept].reverse().map(one => tideOf(ownTideOf(one)))
  const standIn = tideOf()
  return at => own.find(({ coversMs }) => !coversMs || (at >= coversMs[0] && at <= coversMs[1])) ?? standIn
}
