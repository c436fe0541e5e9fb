import type { LoggedRig } from '../evidence/learned'
import { makeRecall, type Recall } from '../numerics/recall'
import { drawsFor, type Draws } from '../uncertainty/draws'
import { makeEnsemble, type Ensemble } from '../uncertainty/ensemble'
import { learned } from '../uncertainty/posterior'
import { learnFrom } from './learn'
import { ownersOf, type PreparedRig } from './prepareRig'

/** One ensemble for everything that is not told otherwise. */
const USUAL = makeEnsemble()

/** Logs are learned from once, for each ensemble: the last few are kept. */
const KEPT = 4
const kept = new WeakMap<Ensemble, Recall>()

/** An ensemble as tallies leave it: itself where nothing was counted. */
export function ensembleAfter(logged: readonly LoggedRig[] | undefined, ensemble: Ensemble = USUAL): Ensemble {
  if (!logged || logged.length === 0) return ensemble
  const recall = kept.get(ensemble) ?? makeRecall(KEPT)
  kept.set(ensemble, recall)
  return recall(JSON.stringify(logged), () => {
    const found = learnFrom(logged, ensemble)
    return found ? learned(ensemble, found) : ensemble
  })
}

/** The ensemble as a prepared rig has it, with what was learned. */
export const amongOf = (prepared: PreparedRig, ensemble: Ensemble = USUAL): Draws => drawsFor(ensembleAfter(prepared.logged, ensemble), ownersOf(prepared))
