/**
 * Rods by power: stiffness of the bent tip, N/m, the most they pull before they only bend, N; length, m, and
 * the weights they are sold to cast, kg. *Assumed* typical.
 */
export const RODS = {
  light: { name: 'light', rodNPerM: 22, rodMostN: 14, lengthM: 2, castKg: [0.001, 0.008] },
  mediumLight: { name: 'medium light', rodNPerM: 32, rodMostN: 20, lengthM: 2.05, castKg: [0.003, 0.014] },
  medium: { name: 'medium', rodNPerM: 45, rodMostN: 28, lengthM: 2.1, castKg: [0.007, 0.022] },
  mediumHeavy: { name: 'medium heavy', rodNPerM: 65, rodMostN: 40, lengthM: 2.15, castKg: [0.01, 0.035] },
  heavy: { name: 'heavy', rodNPerM: 95, rodMostN: 60, lengthM: 2.2, castKg: [0.015, 0.06] },
} as const
export type RodPower = keyof typeof RODS
