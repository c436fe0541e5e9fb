import type { Letter } from '#schemas/spread'
import { postureWords, restWords } from '#words/words'
import type { LaneOutcome } from '~/compute/protocol'
import type { Zone } from './diver'
import { secondsIn } from './zone'

/** Each drop in a sentence, for those who cannot see it. */
export const summaryOf = (
  order: readonly Letter[],
  outcomes: ReadonlyMap<string, LaneOutcome>,
  zone?: Zone,
): string =>
  order
    .map(letter => {
      const outcome = outcomes.get(letter)
      if (outcome?.kind !== 'done')
        return `${letter}: ${outcome?.kind === 'failed' ? outcome.message : 'not dropped.'}`
      const { timeS, glide, rest, drop } = outcome.report.fall
      const inZone = zone ? `, ${secondsIn(drop, zone).toFixed(1)} of them in the feeding zone` : ''
      const limp =
        outcome.report.fall.bends === undefined ? '' : ' (reckoned as a stiff rod, which it is not)'
      return `${letter}: down in ${timeS.value.toFixed(1)} seconds${inZone}, ${postureWords(outcome.report)}, ${glide.value.toFixed(2)} metres sideways per metre; then ${restWords(rest)}${limp}.`
    })
    .join(' ')
