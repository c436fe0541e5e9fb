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

/** Baits that differ in colour alone, once each, by the names of all. */
export function alikeBaits(goods: Goods): Goods & { readonly alike: ReadonlyMap<string, readonly string[]> } {
  const alike = new Map<string, string[]>()
  const baits = goods.baits.filter(({ id, spec }) => {
    const key = JSON.stringify(spec)
    const first = [...alike].find(([k]) => k === key)
    if (first) return void first[1].push(id)
    alike.set(key, [id])
    return true
  })
  return { ...goods, baits, alike: new Map([...alike.values()].map(ids => [ids[0]!, ids])) }
}
