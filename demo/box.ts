import {
  FAMILIES,
  gToKg,
  lbfToN,
  ozToKg,
  type FamilyId,
  type FormId,
  type HookSize,
  type LineKind,
  type PlasticId,
  type WeightMaterial,
  type WeightShape,
} from '#core'
import { HOOK_STYLE_NAMES, WEIGHT_SHAPE_NAMES, type ItemDetails, type ItemInput } from '#schemas/box'

/** A made-up tackle box of plainly described goods, for trying things out. */
const thing = (name: string, count: number, details: ItemDetails, ...tags: string[]): ItemInput => ({
  name,
  count,
  tags,
  notes: '',
  details,
})

type BaitRow = readonly [
  name: string,
  form: FormId,
  mm: number,
  material: PlasticId,
  count: number,
  ...colours: string[],
]
const BAITS: readonly BaitRow[] = [
  ['paddle-tail shad 60', 'slimShad', 60, 'plain', 10, 'sand eel', 'bleak'],
  ['paddle-tail shad 75', 'slimShad', 75, 'plain', 12, 'sand eel', 'roach'],
  ['paddle-tail shad 90', 'slimShad', 90, 'plain', 14, 'sand eel', 'mullet', 'black'],
  ['paddle-tail shad 110', 'slimShad', 110, 'salted', 6, 'mullet'],
  ['deep shad 80', 'deepShad', 80, 'plain', 8, 'perch', 'white'],
  ['deep shad 100', 'deepShad', 100, 'plain', 7, 'perch'],
  ['deep shad 120', 'deepShad', 120, 'plain', 5, 'pearl'],
  ['segmented shad 95', 'segmentedShad', 95, 'plain', 6, 'roach'],
  ['soft jerkbait 110', 'softJerkbait', 110, 'salted', 9, 'sand eel', 'pearl'],
  ['soft jerkbait 130', 'softJerkbait', 130, 'heavySalted', 5, 'mackerel'],
  ['pin-tail minnow 70', 'minnow', 70, 'plain', 15, 'smelt'],
  ['pin-tail minnow 90', 'minnow', 90, 'floating', 8, 'smelt'],
  ['stub 45', 'stub', 45, 'floating', 12, 'orange', 'brown'],
  ['salted stick 100', 'stick', 100, 'salted', 12, 'green pumpkin'],
  ['salted stick 125', 'stick', 125, 'salted', 14, 'green pumpkin', 'black and blue'],
  ['floating stick 100', 'stick', 100, 'floating', 6, 'brown'],
  ['floating worm 75', 'straightWorm', 75, 'floating', 9, 'brown'],
  ['straight worm 150', 'straightWorm', 150, 'plain', 16, 'red'],
  ['straight worm 120', 'straightWorm', 120, 'plain', 10, 'brown'],
  ['flat-bellied worm 120', 'flatWorm', 120, 'salted', 8, 'olive'],
  ['ribbon worm 200', 'ribbonWorm', 200, 'plain', 7, 'plum'],
  ['ribbon worm 250', 'ribbonWorm', 250, 'plain', 4, 'black'],
  ['eel 180', 'eel', 180, 'plain', 5, 'black'],
  ['leech 70', 'leech', 70, 'plain', 10, 'brown'],
  ['tube 80', 'tube', 80, 'plain', 10, 'smoke'],
  ['tube 100', 'tube', 100, 'plain', 9, 'green pumpkin'],
  ['curl grub 60', 'grub', 60, 'plain', 18, 'white', 'amber'],
  ['curl grub 90', 'grub', 90, 'plain', 8, 'white'],
  ['floating craw 75', 'craw', 75, 'floating', 9, 'brown', 'red'],
  ['craw 90', 'craw', 90, 'plain', 7, 'olive'],
  ['creature bug 95', 'bug', 95, 'plain', 8, 'black and blue'],
  ['shrimp 70', 'shrimp', 70, 'floating', 10, 'clear', 'amber'],
  ['kicking frog 85', 'frog', 85, 'airCell', 4, 'green'],
]
const baits = BAITS.flatMap(([name, form, mm, material, count, ...colours]) =>
  colours.map(colour =>
    thing(
      `${name}, ${colour}`,
      count,
      { kind: 'bait', form, lengthM: mm / 1000, material, colour },
      ...(material === 'floating' ? ['elastomer', 'store apart'] : []),
    ),
  ),
)

type HookRow = readonly [
  style: 'wideGap' | 'worm' | 'straight' | 'bellyWeighted' | 'jig',
  sizes: readonly HookSize[],
  more?: { readonly oz?: number; readonly wire?: 'fine' | 'heavy' },
]
const HOOKS: readonly HookRow[] = [
  ['wideGap', ['1', '1/0', '2/0', '3/0', '4/0', '5/0']],
  ['wideGap', ['4/0', '5/0', '6/0'], { wire: 'heavy' }],
  ['worm', ['1/0', '2/0', '3/0', '4/0']],
  ['straight', ['3/0', '4/0'], { wire: 'heavy' }],
  ['bellyWeighted', ['4', '2', '1', '1/0'], { wire: 'fine' }],
  ['bellyWeighted', ['2/0', '3/0', '4/0'], { oz: 1 / 16 }],
  ['bellyWeighted', ['3/0', '4/0', '5/0'], { oz: 1 / 8 }],
  ['bellyWeighted', ['4/0', '5/0', '6/0'], { oz: 3 / 16 }],
  ['jig', ['2', '1', '1/0']],
]
const FRACTION: Readonly<Record<string, string>> = { 0.0625: '1/16', 0.125: '1/8', 0.1875: '3/16' }
const hooks = HOOKS.flatMap(([style, sizes, { oz, wire } = {}]) =>
  sizes.map((size, i) =>
    thing(
      `${HOOK_STYLE_NAMES[style]} ${size}${oz ? `, ${FRACTION[oz]} oz belly` : wire ? `, ${wire} wire` : ''}`,
      4 + ((i * 3) % 5),
      {
        kind: 'hook',
        style,
        size,
        ...(wire ? { wire } : {}),
        ...(oz ? { weightKg: ozToKg(oz), weightMaterial: 'lead' } : {}),
      },
    ),
  ),
)

type HeadRow = readonly [family: FamilyId, size: HookSize, grams: number, material: WeightMaterial]
const HEADS: readonly HeadRow[] = [
  ['E1', '1/0', 2, 'lead'],
  ['E1', '2/0', 3.5, 'lead'],
  ['E1', '3/0', 5, 'lead'],
  ['E1', '3/0', 7, 'lead'],
  ['E1', '4/0', 10, 'tungsten'],
  ['E1', '5/0', 14, 'lead'],
  ['E1', '4/0', 21, 'lead'],
  ['E1', '5/0', 28, 'lead'],
  ['E2', '4/0', 14, 'lead'],
  ['E2', '3/0', 10, 'lead'],
  ['E3', '6', 1.4, 'tungsten'],
  ['E3', '4', 1.4, 'tungsten'],
  ['E3', '2', 1.8, 'tungsten'],
  ['E3', '1', 1.8, 'tungsten'],
  ['E3', '1/0', 3, 'tungsten'],
  ['E3', '2/0', 3.5, 'tungsten'],
  ['E4', '2/0', 7, 'lead'],
  ['E5', '4/0', 10, 'lead'],
  ['E5', '5/0', 18, 'lead'],
  ['E6', '6/0', 28, 'lead'],
  ['E7', '1/0', 5, 'lead'],
  ['J1', '3/0', 5, 'tungsten'],
  ['J2', '4', 1.4, 'tungsten'],
  ['J2', '1', 1.8, 'tungsten'],
  ['J5', '2/0', 7, 'lead'],
  ['J6', '3/0', 10, 'lead'],
  ['J7', '3/0', 10, 'lead'],
]
const heads = HEADS.map(([family, size, grams, weightMaterial], i) =>
  thing(
    `${FAMILIES[family].name} ${size}, ${grams} g`,
    3 + (i % 4),
    { kind: 'head', family, size, weightKg: gToKg(grams), weightMaterial },
    ...(weightMaterial === 'lead' ? ['lead'] : []),
  ),
)

const WEIGHTS: readonly (readonly [WeightShape, WeightMaterial, ...number[]])[] = [
  ['bullet', 'tungsten', 3.5, 5, 7, 10, 14, 28],
  ['ball', 'lead', 3, 5, 7, 10, 14],
  ['football', 'lead', 10, 14],
  ['stick', 'brass', 1, 2],
]
const weights = WEIGHTS.flatMap(([shape, weightMaterial, ...grams]) =>
  grams.map(g =>
    thing(
      `${WEIGHT_SHAPE_NAMES[shape as keyof typeof WEIGHT_SHAPE_NAMES]}, ${g} g, ${weightMaterial}`,
      5,
      { kind: 'weight', shape: shape as keyof typeof WEIGHT_SHAPE_NAMES, weightKg: gToKg(g), weightMaterial },
      ...(weightMaterial === 'lead' ? ['lead'] : []),
    ),
  ),
)

const LINES: readonly (readonly [LineKind, ...number[]])[] = [
  ['braid', 8, 15, 30, 50],
  ['fluorocarbon', 8, 12, 20],
  ['mono', 6, 12],
]
const lines = LINES.flatMap(([line, ...pounds]) =>
  pounds.map(lb =>
    thing(`${line} ${lb} lb`, 1, {
      kind: 'line',
      line,
      strengthN: lbfToN(lb),
      lengthM: line === 'braid' ? 150 : 50,
    }),
  ),
)

const rods = [
  thing('finesse rod', 1, { kind: 'rod', lengthM: 2.1, power: 'light', castKg: [0.002, 0.01] }),
  thing('all-round rod', 1, { kind: 'rod', lengthM: 2.25, power: 'medium', castKg: [0.005, 0.021] }),
  thing('weedless rod', 1, { kind: 'rod', lengthM: 2.2, power: 'medium heavy', castKg: [0.007, 0.028] }),
  thing('mat rod', 1, { kind: 'rod', lengthM: 2.3, power: 'heavy', castKg: [0.014, 0.056] }),
]

export const DEMO_BOX: readonly ItemInput[] = [...baits, ...hooks, ...heads, ...weights, ...lines, ...rods]
