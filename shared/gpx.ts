import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser'
import { SALINITY_GKG } from '#core'
import { checked } from '#schemas/checked'
import { newDocumentSchema, type SpotContent } from '#schemas/spot'

/** A spot with its name, as it travels. */
export interface NamedSpot {
  readonly name: string
  readonly content: SpotContent
}

/** Way points of GPX 1.1; what GPX has no word for travels in an extension, so that spots come back whole. */
const SPACE = 'https://dunecrest.invalid/gpx/1'

/** Spots as GPX 1.1. Those without a position are left out, as GPX has no way to say it. */
export function spotsToGpx(spots: readonly NamedSpot[]): string {
  const wpt = spots.flatMap(({ name, content: { lat, lon, notes, ...rest } }) =>
    lat === undefined || lon === undefined
      ? []
      : [
          {
            '@_lat': lat,
            '@_lon': lon,
            name,
            desc: notes,
            type: 'fishing spot',
            extensions: { 'dc:spot': JSON.stringify(rest) },
          },
        ],
  )
  const xml = new XMLBuilder({ ignoreAttributes: false, format: true, suppressEmptyNode: true }).build({
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    gpx: {
      '@_version': '1.1',
      '@_creator': 'Dunecrest',
      '@_xmlns': 'http://www.topografix.com/GPX/1/1',
      '@_xmlns:dc': SPACE,
      wpt,
    },
  })
  return String(xml)
}

/** What a way point of another program is taken for, until the angler says more. */
const PLAIN: Omit<SpotContent, 'lat' | 'lon' | 'notes'> = {
  water: '',
  depthM: 3,
  cover: 'open',
  bottom: 'sand',
  salinityGKg: SALINITY_GKG.fresh,
  species: 'perch',
  clarity: 'clear',
  tide: 0,
  currentMS: 0,
}

interface WayPoint {
  readonly '@_lat'?: string
  readonly '@_lon'?: string
  readonly name?: string | number
  readonly desc?: string | number
  readonly extensions?: { readonly 'dc:spot'?: string }
}

/** Way points at fault that are told one by one. */
const MOST_TOLD = 3

/**
 * Reads way points of a GPX file as spots, checked as the server will check them.
 * @throws Error in plain words when it is no GPX, or way points cannot be read (their numbers are told);
 * nothing is half read
 */
export function spotsFromGpx(text: string): NamedSpot[] {
  if (XMLValidator.validate(text) !== true)
    throw new Error('This is not a GPX file: it is not well-formed XML.')
  const parser = new XMLParser({
    ignoreAttributes: false,
    parseTagValue: false,
    isArray: name => name === 'wpt',
  })
  const root = parser.parse(text) as { gpx?: { wpt?: readonly WayPoint[] } }
  if (!root.gpx) throw new Error('This is not a GPX file: it has no gpx element.')
  const spots: NamedSpot[] = []
  const wrong: string[] = []
  for (const [i, point] of (root.gpx.wpt ?? []).entries()) {
    const result = checked(newDocumentSchema('spot'), spotOf(point, i))
    if (result.ok) spots.push({ name: result.data.name, content: result.data.content as SpotContent })
    else
      wrong.push(
        `Way point ${i + 1}: ${result.errors[0]!.path.replace(/^content\./, '')}: ${result.errors[0]!.message}`,
      )
  }
  if (wrong.length === 0) return spots
  const more = wrong.length > MOST_TOLD ? ` And ${wrong.length - MOST_TOLD} more.` : ''
  throw new Error(`${wrong.slice(0, MOST_TOLD).join(' ')}${more} Nothing was read in.`)
}

function spotOf(point: WayPoint, i: number): object {
  const name =
    String(point.name ?? '')
      .trim()
      .slice(0, 80) || `Way point ${i + 1}`
  const position = { lat: Number(point['@_lat']), lon: Number(point['@_lon']) }
  return {
    name,
    content: { ...PLAIN, ...extended(point), ...position, notes: String(point.desc ?? '').slice(0, 500) },
  }
}

function extended({ extensions }: WayPoint): object {
  try {
    return JSON.parse(extensions?.['dc:spot'] ?? '{}') as object
  } catch {
    return {}
  }
}
