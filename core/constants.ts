/** Standard gravity, m/s². 3rd CGPM (1901). Local gravity differs by at most 0.3 %. */
export const GRAVITY_MS2 = 9.80665

/** Density of hook steel, kg/m³. High-carbon spring steel, 7.8–7.9 in materials handbooks. */
export const HOOK_STEEL_KGM3 = 7850

/** Yield strength of hardened hook wire, Pa. Typical 1.8–2.0 GPa for hardened carbon wire. */
export const HOOK_YIELD_PA = { value: 1.9e9, low: 1.8e9, high: 2.0e9 } as const

/** Density of air at 15 °C and sea level, kg/m³. ISO 2533 (standard atmosphere). */
export const AIR_KGM3 = 1.225
