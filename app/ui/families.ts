import { FAMILIES, FAMILY_GROUPS, FAMILY_IDS, type FamilyId } from '#core'

/** Every way of rigging for a list, under its heading. */
export const familyItems = (short = false): { value: FamilyId; label: string; group: string }[] =>
  FAMILY_IDS.map(value => ({
    value,
    label: short ? FAMILIES[value].shortName : FAMILIES[value].name,
    group: FAMILY_GROUPS[FAMILIES[value].group],
  }))
