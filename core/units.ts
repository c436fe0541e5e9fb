/**
 * Unit conversion, the only place where it happens. Everything else in the core is SI.
 * Exact definitions: international yard and pound (1959), CGPM standard gravity.
 */
export const KG_PER_OZ = 0.028349523125
export const M_PER_FT = 0.3048
export const M_PER_IN = 0.0254
export const N_PER_LBF = 4.4482216152605

export const gToKg = (g: number): number => g / 1000
export const kgToG = (kg: number): number => kg * 1000
export const ozToKg = (oz: number): number => oz * KG_PER_OZ
export const kgToOz = (kg: number): number => kg / KG_PER_OZ
export const mmToM = (mm: number): number => mm / 1000
export const mToMm = (m: number): number => m * 1000
export const inToM = (inch: number): number => inch * M_PER_IN
export const mToIn = (m: number): number => m / M_PER_IN
export const ftToM = (ft: number): number => ft * M_PER_FT
export const mToFt = (m: number): number => m / M_PER_FT
export const lbfToN = (lbf: number): number => lbf * N_PER_LBF
export const nToLbf = (n: number): number => n / N_PER_LBF
export const cToF = (c: number): number => (c * 9) / 5 + 32
export const fToC = (f: number): number => ((f - 32) * 5) / 9
export const degToRad = (deg: number): number => (deg * Math.PI) / 180
export const radToDeg = (rad: number): number => (rad * 180) / Math.PI
export const gcm3ToKgM3 = (d: number): number => d * 1000
