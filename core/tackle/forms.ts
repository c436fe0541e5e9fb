/**
 * Bait forms: outlines as tables of width and height against length, all as shares of the bait's length, so that one
 * form serves every size. Station 0 is the nose, 1 the tail tip. The shapes are typical proportions drawn for this
 * catalogue, not any maker's bait.
 */
export type FormId = 'slimShad' | 'deepShad' | 'stick' | 'softJerkbait' | 'straightWorm' | 'flatWorm' | 'tube'

/** A tail that moves water on its own: a paddle stands across the length, a fork lies along it, a skirt is a bunch of thin tentacles. Shares of length. */
export interface TailShape {
  readonly kind: 'paddle' | 'fork' | 'skirt'
  /** centre of the tail, share of length from the nose */ readonly at: number
  readonly width: number
  readonly height: number
  readonly thickness: number
}

export interface BaitForm {
  readonly id: FormId
  readonly name: string
  /** share of length from the nose, increasing, 0..1 */ readonly at: readonly number[]
  /** full width at each station, share of length */ readonly width: readonly number[]
  /** full height at each station, share of length */ readonly height: readonly number[]
  /** height of the section's middle above the nose–tail line, share of length */ readonly rise: readonly number[]
  /** share of the section that is hollow and fills with water, 0..1; solid when left out */ readonly hollow?: readonly number[]
  /** back slot the point rests in: from, to (share of length); absent on round-backed baits */
  readonly slot?: readonly [number, number]
  /** depth of that slot, share of length */ readonly slotDepth?: number
  /** share of length where the thick part ends; behind it the bait should swim */ readonly thickEnd: number
  readonly tail?: TailShape
  /** least and greatest length sold, m */ readonly lengthRangeM: readonly [number, number]
}

export const BAIT_FORMS: Readonly<Record<FormId, BaitForm>> = {
  slimShad: {
    id: 'slimShad',
    name: 'slim paddle-tail shad',
    at: [0, 0.03, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.88, 0.93, 1],
    width: [0.04, 0.075, 0.105, 0.125, 0.128, 0.12, 0.105, 0.085, 0.064, 0.045, 0.034, 0.03, 0.02],
    height: [0.05, 0.09, 0.13, 0.16, 0.168, 0.16, 0.142, 0.115, 0.088, 0.064, 0.05, 0.045, 0.03],
    rise: [0, 0, -0.002, -0.006, -0.008, -0.008, -0.006, -0.002, 0, 0, 0, 0, 0],
    slot: [0.36, 0.58],
    slotDepth: 0.02,
    thickEnd: 0.56,
    tail: { kind: 'paddle', at: 0.955, width: 0.1, height: 0.13, thickness: 0.035 },
    lengthRangeM: [0.05, 0.2],
  },
  deepShad: {
    id: 'deepShad',
    name: 'deep paddle-tail shad',
    at: [0, 0.03, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.88, 0.93, 1],
    width: [0.05, 0.085, 0.12, 0.142, 0.148, 0.138, 0.118, 0.092, 0.066, 0.048, 0.038, 0.034, 0.024],
    height: [0.06, 0.12, 0.19, 0.245, 0.262, 0.25, 0.212, 0.16, 0.112, 0.078, 0.06, 0.055, 0.035],
    rise: [0, -0.002, -0.006, -0.014, -0.02, -0.02, -0.014, -0.006, 0, 0, 0, 0, 0],
    slot: [0.34, 0.56],
    slotDepth: 0.03,
    thickEnd: 0.55,
    tail: { kind: 'paddle', at: 0.955, width: 0.12, height: 0.16, thickness: 0.04 },
    lengthRangeM: [0.05, 0.2],
  },
  stick: {
    id: 'stick',
    name: 'stick',
    at: [0, 0.015, 0.05, 0.12, 0.25, 0.45, 0.6, 0.75, 0.88, 0.96, 1],
    width: [0.035, 0.055, 0.072, 0.082, 0.086, 0.086, 0.084, 0.076, 0.062, 0.05, 0.025],
    height: [0.035, 0.055, 0.072, 0.082, 0.086, 0.086, 0.084, 0.076, 0.062, 0.05, 0.025],
    rise: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
    thickEnd: 0.8,
    lengthRangeM: [0.06, 0.18],
  },
  softJerkbait: {
    id: 'softJerkbait',
    name: 'soft jerkbait',
    at: [0, 0.03, 0.1, 0.2, 0.32, 0.45, 0.58, 0.7, 0.8, 0.88, 0.94, 1],
    width: [0.025, 0.055, 0.085, 0.102, 0.108, 0.104, 0.09, 0.068, 0.048, 0.036, 0.034, 0.03],
    height: [0.025, 0.055, 0.09, 0.112, 0.122, 0.118, 0.1, 0.074, 0.05, 0.036, 0.026, 0.016],
    rise: [0, 0, -0.002, -0.004, -0.006, -0.006, -0.004, -0.002, 0, 0, 0, 0],
    slot: [0.34, 0.6],
    slotDepth: 0.022,
    thickEnd: 0.62,
    tail: { kind: 'fork', at: 0.955, width: 0.075, height: 0.02, thickness: 0.018 },
    lengthRangeM: [0.08, 0.2],
  },
  straightWorm: {
    id: 'straightWorm',
    name: 'straight worm',
    at: [0, 0.015, 0.05, 0.15, 0.35, 0.6, 0.8, 0.92, 1],
    width: [0.025, 0.04, 0.05, 0.056, 0.056, 0.052, 0.042, 0.03, 0.012],
    height: [0.025, 0.04, 0.05, 0.056, 0.056, 0.052, 0.042, 0.03, 0.012],
    rise: [0, 0, 0, 0, 0, 0, 0, 0, 0],
    thickEnd: 0.7,
    lengthRangeM: [0.1, 0.25],
  },
  flatWorm: {
    id: 'flatWorm',
    name: 'flat-bellied worm',
    at: [0, 0.015, 0.05, 0.15, 0.35, 0.6, 0.8, 0.92, 1],
    width: [0.035, 0.06, 0.082, 0.096, 0.098, 0.092, 0.078, 0.06, 0.03],
    height: [0.02, 0.03, 0.038, 0.043, 0.044, 0.041, 0.034, 0.025, 0.012],
    rise: [0.01, 0.015, 0.019, 0.0215, 0.022, 0.0205, 0.017, 0.0125, 0.006],
    thickEnd: 0.7,
    lengthRangeM: [0.08, 0.18],
  },
  tube: {
    id: 'tube',
    name: 'tube, hollow',
    at: [0, 0.02, 0.08, 0.2, 0.4, 0.55, 0.66],
    width: [0.06, 0.1, 0.135, 0.15, 0.15, 0.145, 0.14],
    height: [0.06, 0.1, 0.135, 0.15, 0.15, 0.145, 0.14],
    rise: [0, 0, 0, 0, 0, 0, 0],
    hollow: [0, 0, 0.3, 0.5, 0.55, 0.55, 0.55],
    thickEnd: 0.6,
    tail: { kind: 'skirt', at: 0.83, width: 0.12, height: 0.12, thickness: 0.34 },
    lengthRangeM: [0.06, 0.12],
  },
}

export const FORM_IDS = Object.keys(BAIT_FORMS) as FormId[]
