import type { UnitSystem } from './units'

const after = (units: string): RegExp => new RegExp(`\\d\\s?(?:${units})(?![\\p{L}³²/])`, 'u')

/**
 * Figures in units that a system does not use. Where both are in use lengths and depths are metric, weights
 * ounces (grams for what is sold by the gram) and lines pounds.
 */
export const FOREIGN: Readonly<Record<UnitSystem, RegExp>> = {
  metric: after('oz|lb|ft|in(?=$|[.,;:)])|inches|inch|feet|°F|ft/s|yd'),
  imperial: after('mm|cm|m|km|g|kg|°C|m/s|mJ|metres|grams'),
  mixed: after('kg|ft|in(?=$|[.,;:)])|inches|feet|°F|ft/s|yd'),
}
