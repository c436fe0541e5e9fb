import { SPECIES, SPECIES_IDS, type Species, type SpeciesId } from '#core'
import type { FishContent, StoredDocument } from '#schemas/spot'
import type { OwnFish } from '#schemas/fields'
import type { SpreadContent } from '#schemas/spread'
import { copy, sameData } from '../../../shared/data'
import type { Choice } from '~/ui/fields'

/** A fish as sheets, spots and days carry it: a kind of the list, and one's own in its place. */
export interface FishTaken {
  readonly species: SpeciesId
  readonly own?: Species
}

/** A kept fish as a sheet carries it. */
export function taken({ name, content }: Pick<StoredDocument<'fish'>, 'name' | 'content'>): FishTaken {
  const { like, ...traits } = copy(content)
  return { species: like, own: { name, ...traits } as Species }
}

/** A kind of the list as something of one's own to change. */
export function copied(like: SpeciesId): FishContent {
  const { name: _, ...traits } = SPECIES[like]
  return copy({ like, ...traits }) as FishContent
}

const OWN = 'own:'
/** On the sheet, but kept no longer, or changed since. */
const AS_HERE = 'here'
/** Opens the list of one's own. */
export const EDIT = 'edit'

/** The list to choose a fish from, and what of it is chosen. */
export function fishChoices(
  { species, own }: FishTaken,
  kept: readonly StoredDocument<'fish'>[],
): { readonly value: string; readonly items: readonly Choice[] } {
  const same = own && kept.find(one => sameData(taken(one).own, own))
  const mine = kept.map(one => ({ value: OWN + one.id, label: one.name, group: 'your own' }))
  return {
    value: same ? OWN + same.id : own ? AS_HERE : species,
    items: [
      ...SPECIES_IDS.map(value => ({ value, label: SPECIES[value].name })),
      ...mine,
      ...(own && !same ? [{ value: AS_HERE, label: `${own.name} (as set here)`, group: 'your own' }] : []),
      { value: EDIT, label: 'make or change one…', group: 'your own' },
    ],
  }
}

/** What a value of that list means; undefined where nothing changes. */
export function fishChosen(value: string, kept: readonly StoredDocument<'fish'>[]): FishTaken | undefined {
  if (value === EDIT || value === AS_HERE) return undefined
  const one = kept.find(({ id }) => OWN + id === value)
  return one ? taken(one) : { species: value as SpeciesId }
}

/** Another fish on a sheet: what was set of the one before, and worked out from it, goes. */
export function withFish(draft: SpreadContent, { species, own }: FishTaken): void {
  const { activity: _, prey: __, preyM: ___, own: ____, ...kept } = draft.fish ?? {}
  draft.fish = { ...kept, species, ...(own ? { own: copy(own) as OwnFish } : {}) }
  if (draft.fishing) delete draft.fishing.feeding
}
