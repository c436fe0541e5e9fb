import { DEFAULT_FACTORS, type FallFactors } from './factors'

/** A correction as the fall takes it: factors, and the share of each prior range that is left. */
export interface FallEvidence {
  readonly drag: number
  readonly eta: number
  readonly dragLeft: number
  readonly etaLeft: number
  readonly drops: number
  /** pooled from other baits of its form and material */ readonly pooled?: true
}

/** The model's factors moved by what was measured: drag in both directions, and eta. */
export const movedFactors = ({ drag, eta }: FallEvidence): FallFactors => ({
  ...DEFAULT_FACTORS,
  crossDrag: DEFAULT_FACTORS.crossDrag * drag,
  axialDrag: DEFAULT_FACTORS.axialDrag * drag,
  eta: Math.min(1.2, DEFAULT_FACTORS.eta * eta),
})
