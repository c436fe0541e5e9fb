import { mToMm } from '../units'

/** "4.2 mm", "46 mm". */
export const mm = (m: number): string => `${mToMm(m).toFixed(Math.abs(mToMm(m)) < 10 ? 1 : 0)} mm`
export const percent = (share: number): string => `${Math.round(100 * share)} %`
/** A load in kilograms, as printed on line. */
export const kg = (n: number): string => `${(n / 9.80665).toFixed(1)} kg`
