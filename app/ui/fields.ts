import type { Unit } from '#words/units'

/** One entry of a list to choose from. */
export interface Choice<T extends string = string> {
  readonly value: T
  readonly label: string
  /** listed under this heading */ readonly group?: string
}

/** A field as data: what it shows, and where what is put in goes. Numbers are SI. */
export type Field = { readonly label: string; readonly hideLabel?: boolean } & (
  | {
      readonly kind: 'choice'
      readonly value: string
      readonly items: readonly Choice[]
      readonly set: (value: string) => void
    }
  | {
      readonly kind: 'number'
      readonly value: number
      readonly unit: Unit
      readonly range: readonly [number, number]
      readonly step: number
      readonly set: (value: number) => void
    }
)

/** Names of things as a list to choose from, in the order of `ids`. */
export const choicesOf = <T extends string>(
  names: Readonly<Record<T, string | { readonly name: string }>>,
  ids: readonly T[] = Object.keys(names) as T[],
): Choice<T>[] =>
  ids.map(value => {
    const name = names[value]
    return { value, label: typeof name === 'string' ? name : name.name }
  })

/** A choice from a short list. */
export const choice = <T extends string>(
  label: string,
  value: T,
  items: readonly Choice<T>[],
  set: (value: T) => void,
): Field => ({ kind: 'choice', label, value, items, set: set as (value: string) => void })

/** A number in a unit, within a range, with the step of its arrow keys. */
export const number = (
  label: string,
  value: number,
  [unit, range, step]: readonly [Unit, readonly [number, number], number],
  set: (value: number) => void,
): Field => ({ kind: 'number', label, value, unit, range, step, set })
