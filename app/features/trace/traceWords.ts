import { radToDeg } from '#core'
import type { ScaleBy, TraceProblem } from '~/compute/trace'

/** What lies beside the bait to measure by. */
export const SCALE_WORDS: Readonly<Record<ScaleBy['kind'], string>> = {
  card: 'a bank card',
  coin: 'a coin',
  ruler: 'a ruler',
}

/** Why nothing was measured, and what to do about it. @param what the thing that is traced */
export function problemWords(problem: TraceProblem, what: 'bait' | 'hook'): string {
  switch (problem.code) {
    case 'noCard':
      return 'No card was found. Set its four corners by hand: drag the four marks on to them. A card that lies flat, whole in the picture, on ground of another colour is found by itself.'
    case 'notFour':
      return 'These four corners are no card: drag them so that each stands on its own corner.'
    case 'noCoin':
      return 'No coin was found. It must lie flat, whole in the picture, apart from other things, on ground of another colour.'
    case 'noBait':
      return `The scale was found, but no ${what} beside it. It must lie whole in the picture, apart from the scale, and differ from what it lies on.`
    case 'small':
      return `The ${what} is too small in the picture: go nearer.`
    case 'tilted':
      return `The camera was held about ${Math.round(radToDeg(problem.tiltRad))}° aside: too far to measure by. Photograph from straight above.`
  }
}
