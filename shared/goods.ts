import { lineOf, type Goods, type RodPower } from '#core'
import type { BoxItem, ROD_POWERS } from '#schemas/box'

const POWERS: Readonly<Record<(typeof ROD_POWERS)[number], RodPower>> = {
  ultralight: 'light',
  light: 'light',
  'medium light': 'mediumLight',
  medium: 'medium',
  'medium heavy': 'mediumHeavy',
  heavy: 'heavy',
}

/** Leaves out keys whose value is undefined. */
const given = <T extends object>(from: T): { [K in keyof T]: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(from).filter(([, v]) => v !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>
  }

/** What can be rigged with out of a box: things of which there is at least one. */
export function goodsOf(items: readonly Pick<BoxItem, 'id' | 'name' | 'count' | 'details'>[]): Goods {
  const goods: { -readonly [K in keyof Goods]: Goods[K][number][] } = {
    baits: [],
    hooks: [],
    heads: [],
    weights: [],
    lines: [],
    rods: [],
  }
  for (const { id, name, count, details: d } of items) {
    if (count < 1) continue
    if (d.kind === 'bait')
      goods.baits.push({
        id,
        name,
        spec: given({
          form: d.form,
          lengthM: d.lengthM,
          material: d.material,
          densityKgM3: d.densityKgM3,
          own: d.own,
        }) as Goods['baits'][number]['spec'],
      })
    else if (d.kind === 'hook')
      goods.hooks.push(
        given({
          id,
          style: d.style,
          size: d.size,
          wire: d.wire,
          gap: d.gap,
          weightKg: d.weightKg,
          weightMaterial: d.weightMaterial,
          own: d.own && given(d.own),
        }) as Goods['hooks'][number],
      )
    else if (d.kind === 'head')
      goods.heads.push(
        given({
          id,
          family: d.family,
          size: d.size,
          weightKg: d.weightKg,
          weightMaterial: d.weightMaterial,
          own: d.own && given(d.own),
        }) as Goods['heads'][number],
      )
    else if (d.kind === 'weight')
      goods.weights.push({ id, shape: d.shape, weightKg: d.weightKg, weightMaterial: d.weightMaterial })
    else if (d.kind === 'line') goods.lines.push({ id, line: lineOf(d.line, d.strengthN) })
    else goods.rods.push({ id, name, power: POWERS[d.power], lengthM: d.lengthM, castKg: d.castKg })
  }
  return goods
}

/**
 * What is alike once each: baits that differ in colour alone, and hooks, heads, loose weights and lines of which
 * there are several. So a search takes no longer for what a box holds twice. Rods stay: each is taken along.
 * @returns the goods, and the names of all baits that are alike by the name of the one that stands for them
 */
export function onceEach(goods: Goods): Goods & { readonly alike: ReadonlyMap<string, readonly string[]> } {
  const { baits, hooks, heads, weights, lines } = goods
  const alike = new Map<string, string[]>()
  return {
    ...goods,
    baits: firstOfEach(
      baits,
      ({ spec }) => spec,
      ({ id }, first) => alike.set(first.id, [...(alike.get(first.id) ?? []), id]),
    ),
    hooks: firstOfEach(hooks, ({ id: _, ...hook }) => hook),
    heads: firstOfEach(heads, ({ id: _, ...head }) => head),
    weights: firstOfEach(weights, ({ id: _, ...weight }) => weight),
    lines: firstOfEach(lines, ({ line }) => line),
    alike,
  }
}

/** The first of those that are the same in something; told of each which it is. */
function firstOfEach<T>(
  list: readonly T[],
  of: (one: T) => object,
  met: (one: T, first: T) => void = () => undefined,
): T[] {
  const firsts = new Map<string, T>()
  for (const one of list) {
    const key = JSON.stringify(of(one))
    if (!firsts.has(key)) firsts.set(key, one)
    met(one, firsts.get(key)!)
  }
  return [...firsts.values()]
}
