import { Z90, type DragPosterior } from '#core'
import { percentText } from './units'

const percent = (ln: number): string => percentText(Math.abs(Math.exp(ln) - 1))

const listed = (letters: readonly string[]): string =>
  letters.length < 2 ? letters.join('') : `${letters.slice(0, -1).join(', ')} and ${letters.at(-1)}`

/**
 * What the drops of a bait say, in sentences: how much faster or slower it falls, and on what that rests.
 * @param letters rigs whose figures follow
 */
export function fallWords(
  { lnDrag, lnEta, vDrag, vEta, drops, outliers, scatter }: DragPosterior,
  letters: readonly string[] = [],
): {
  readonly sentence: string
  readonly detail: string
} {
  const half = Z90 * Math.sqrt(vDrag)
  const [low, high] = [Math.exp(lnDrag - half), Math.exp(lnDrag + half)]
  const sentence =
    low <= 1 && high >= 1
      ? 'It falls as the model says, as far as these drops can tell.'
      : // terminal speed goes with one over the root of the drag
        `It falls ${percent(-lnDrag / 2)} ${lnDrag > 0 ? 'slower' : 'faster'} than the model${letters.length > 0 ? `: figures changed on ${listed(letters)}` : ''}.`
  return {
    sentence,
    detail: `Drag ${Math.exp(lnDrag).toFixed(2)} of the model's (${low.toFixed(2)} to ${high.toFixed(2)}), turning moment ${Math.exp(lnEta).toFixed(2)} (${Math.exp(lnEta - Z90 * Math.sqrt(vEta)).toFixed(2)} to ${Math.exp(lnEta + Z90 * Math.sqrt(vEta)).toFixed(2)}), from ${drops} ${drops === 1 ? 'drop' : 'drops'}${outliers.length > 0 ? `, ${outliers.length} set aside` : ''}; they scatter by ${percentText(scatter)}.`,
  }
}
