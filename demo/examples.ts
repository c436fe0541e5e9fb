import type { NamedSpread } from './spreads'

/** A rig file for each rig of a spread, as `examples/` holds them. */
export function rigFilesOf({
  name,
  content,
}: NamedSpread): { readonly file: string; readonly json: Record<string, unknown> }[] {
  const {
    water: { place, cover, bottom, zone: _, ...water },
    line,
    bait,
  } = content
  const slug = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return content.lanes.map(({ letter, ...rig }) => ({
    file: `${slug}-${letter.toLowerCase()}.json`,
    json: {
      format: 'dunecrest-rig',
      version: 1,
      name: `${place}: ${name}, rig ${letter}`,
      water,
      cover,
      bottom,
      line,
      bait,
      rig,
    },
  }))
}
