import type { LoggedRig } from '../evidence/learned'
import { drawsFor, type Draws } from '../uncertainty/draws'
import { usualEnsemble, type Ensemble } from '../uncertainty/ensemble'
import { learned, type Posterior } from '../uncertainty/posterior'
import { learnFrom } from './learn'
import { ownersOf, type PreparedRig } from './prepareRig'

/** Logs are learned from once, for each ensemble: so many of the last are kept. */
const KEPT = 4
const kept = new WeakMap<Ensemble, Map<string, Ensemble>>()
const keyOf = (logged: readonly LoggedRig[]): string => JSON.stringify(logged)

/** Takes what was learned of a log, so that it need not be learned again. */
export function teach(
  logged: readonly LoggedRig[],
  posterior: Posterior,
  ensemble: Ensemble = usualEnsemble(),
): Ensemble {
  const known = kept.get(ensemble) ?? new Map<string, Ensemble>()
  kept.set(ensemble, known)
  const after = learned(ensemble, posterior)
  known.set(keyOf(logged), after)
  if (known.size > KEPT) known.delete(known.keys().next().value!)
  return after
}

/**
 * An ensemble as tallies leave it: itself where nothing was counted. Learning takes a while the first time.
 */
export function ensembleAfter(
  logged: readonly LoggedRig[] | undefined,
  ensemble: Ensemble = usualEnsemble(),
): Ensemble {
  if (!logged || logged.length === 0) return ensemble
  return (
    kept.get(ensemble)?.get(keyOf(logged)) ?? teach(logged, learnFrom(logged, ensemble) ?? NOTHING, ensemble)
  )
}

/** What a log says that names no rig that can be built. */
const NOTHING: Posterior = { scores: {}, centre: {}, effective: Infinity }

/** Whether a log was learned from already, so that asking again costs nothing. */
export const isLearned = (logged: readonly LoggedRig[], ensemble: Ensemble = usualEnsemble()): boolean =>
  logged.length === 0 || kept.get(ensemble)?.has(keyOf(logged)) === true

/** The ensemble as a prepared rig has it, with what was learned. */
export const amongOf = (prepared: PreparedRig, ensemble: Ensemble = usualEnsemble()): Draws =>
  drawsFor(ensembleAfter(prepared.logged, ensemble), ownersOf(prepared))
