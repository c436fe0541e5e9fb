import type { Letter } from '#schemas/ranges'
import { percentText, UNITS, type UnitSystem } from '#words/units'
import { postureWords, restWords, secondsText, stoppedText } from '#words/words'
import type { LaneOutcome } from '~/compute/protocol'
import type { Zone } from './diver'
import { secondsIn } from './zone'

/** Each drop in a sentence, for those who cannot see it. */
export const summaryOf = (
  order: readonly Letter[],
  outcomes: ReadonlyMap<string, LaneOutcome>,
  system: UnitSystem,
  zone?: Zone,
): string =>
  order
    .map(letter => {
      const outcome = outcomes.get(letter)
      if (outcome?.kind !== 'done')
        return `${letter}: ${outcome?.kind === 'failed' ? stoppedText(outcome, UNITS[system].depth) : 'not dropped.'}`
      const { timeS, glide, rest, drop, bending } = outcome.report.fall
      const inZone = zone ? `, ${secondsIn(drop, zone).toFixed(1)} of them among the fish` : ''
      const limp = !bending
        ? ''
        : bending.rodS === undefined
          ? ' (reckoned as a stiff rod, which it is not)'
          : ` (it bends as it falls; a stiff rod would take ${secondsText(bending.rodS)} seconds)`
      return `${letter}: down in ${timeS.value.toFixed(1)} seconds${inZone}, ${postureWords(outcome.report)}, ${percentText(glide.value)} as far to the side as down; then ${restWords(rest, system)}${limp}.`
    })
    .join(' ')
