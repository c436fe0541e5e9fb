import type { CastResult, SplashKind, Wind } from '#core'
import { upperFirst } from './sentences'
import { withUnit, type Unit, type UnitSet } from './units'

/** How a landing sounds. */
export const SPLASH_WORDS: Readonly<Record<SplashKind, string>> = {
  soft: 'lands softly',
  plop: 'lands with a plop',
  hard: 'lands hard',
}
const FLIGHT_WORDS: Readonly<Record<CastResult['flight'], string>> = {
  noseFirst: 'flies weight first',
  tailFirst: 'flies tail first',
  tumbles: 'turns over in the air',
}
const LOAD_WORDS: Readonly<Record<CastResult['load'], string>> = {
  light: 'light for this rod',
  within: '',
  heavy: 'heavy for this rod',
}
const WIND_WORDS = { ahead: 'into', behind: 'with', across: 'across' } as const
const windWord = (wind: Wind | undefined): string => WIND_WORDS[wind?.from ?? 'ahead']
/** How far to the lee a wind across carries it, where that is worth a word. */
const asideText = ({ asideM = 0 }: CastResult, whole: Unit): string =>
  whole.from(asideM) >= 0.5 ? `, ${withUnit(asideM, whole)} to the lee` : ''
/** Skipping less far than this under a dock is no skipping, m. */
const WORTH_M = 1

/** The cast beside its number: what the wind leaves, what the rod says, how it lands, whether it skips. */
export function castNote(cast: CastResult, wind: Wind | undefined, { depth }: UnitSet): string {
  const whole = { ...depth, decimals: 0 }
  const blown = cast.stillM
    ? `${Math.round(depth.from(cast.distanceM.value))} ${windWord(wind)} this wind${asideText(cast, whole)}`
    : ''
  const skips = cast.skip.underM > WORTH_M ? `skips ${withUnit(cast.skip.underM, whole)}` : ''
  return [blown, LOAD_WORDS[cast.load], SPLASH_WORDS[cast.splash.kind], skips].filter(Boolean).join(', ')
}

/** Distance and landing in one: "28 m (22 to 36), 19 into this wind, lands softly". */
export function castWords(cast: CastResult, wind: Wind | undefined, units: UnitSet): string {
  const whole = { ...units.depth, decimals: 0 }
  const { value, low, high } = cast.stillM ?? cast.distanceM
  return `${withUnit(value, whole)} (${Math.round(units.depth.from(low))} to ${Math.round(units.depth.from(high))}), ${castNote(cast, wind, units)}`
}

/** The same in full, with its range and what it rests on. */
export function castHint(cast: CastResult, wind: Wind | undefined, { depth }: UnitSet): string {
  const whole = { ...depth, decimals: 0 }
  const range = ({ low, high }: { readonly low: number; readonly high: number }): string =>
    `${Math.round(depth.from(low))} to ${withUnit(high, whole)}`
  const still = cast.stillM ?? cast.distanceM
  const blown = cast.stillM
    ? ` ${upperFirst(windWord(wind))} this wind ${range(cast.distanceM)}${asideText(cast, whole)}.`
    : ''
  const moved =
    cast.moved === undefined ? '' : ` Your measured casts: ${cast.moved.toFixed(2)} of what the model says.`
  const skips =
    cast.skip.underM > WORTH_M
      ? ` Thrown low it skips about ${withUnit(cast.skip.underM, whole)} past its first touch.`
      : ' It digs in rather than skips.'
  return `An easy overhead cast: ${range(still)} in still air; ${FLIGHT_WORDS[cast.flight]}.${blown} Fish within about ${withUnit(cast.splash.noticedM, whole)} notice it land (assumed).${skips}${moved}`
}
