import { ownerOf, type Ensemble, type Owners } from './ensemble'
import { parameterAt, type ParameterId } from './parameters'

/** An ensemble as one rig has it: its own values where it does not share them. */
export interface Draws {
  readonly size: number
  /** standard scores of a number, one for each member */ readonly scores: (id: ParameterId) => Float64Array
  /** the number itself for each member */ readonly values: (id: ParameterId) => Float64Array
  /** standard score at which the figure itself is worked out */ readonly centre: (id: ParameterId) => number
}

export const drawsFor = (ensemble: Ensemble, owners: Owners): Draws => ({
  size: ensemble.size,
  scores: id => ensemble.scores(id, ownerOf(id, owners)),
  values: id => ensemble.values(id, ownerOf(id, owners)),
  centre: id => ensemble.centre(id, ownerOf(id, owners)),
})

/** One world only: a truth, whose scores are given. */
export const drawsOfTruth = (scoreOf: (id: ParameterId, of?: string) => number, owners: Owners): Draws => {
  const score = (id: ParameterId): number => scoreOf(id, ownerOf(id, owners))
  return {
    size: 1,
    scores: id => Float64Array.of(score(id)),
    values: id => Float64Array.of(parameterAt(id, score(id))),
    centre: () => 0,
  }
}
