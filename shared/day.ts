import { activityOf, bittenBy, fishOf, PREY, type Conditions, type Day, type Way } from '#core'
import type { DayFile } from '#schemas/day'
import type { SpreadContent } from '#schemas/spread'

/** Fish that are sought where none are named. */
export const USUAL_SPECIES = 'seaBass'

type Asked = Omit<DayFile, 'format' | 'version' | 'name'>

/** Leaves out keys whose value is undefined. */
const given = <T extends object>(from: T): { [K in keyof T]: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(from).filter(([, v]) => v !== undefined)) as {
    [K in keyof T]: Exclude<T[K], undefined>
  }

/** A day to choose for: what is not said is worked out, or usual for the fish. */
export function dayOf({ month, activity, feeding, prey, preyM, stream, zone, way, ...rest }: Asked): Day {
  const fish = fishOf(rest as Pick<Day, 'species' | 'own'>)
  const food = prey ?? fish.prey[0]!
  const on = activity ?? activityOf(fish, rest.temperatureC, month)
  const own = way && given(way)
  return {
    ...rest,
    activity: on,
    feeding: feeding ?? fish.feeding[on],
    prey: food,
    preyM: preyM ?? fish.preyM?.[food] ?? PREY[food].lengthM,
    ...(stream ? { stream } : {}),
    ...(zone ? { zone } : {}),
    ...(own && Object.keys(own).length > 0 ? { way: own as Way } : {}),
  }
}

/** The day of a sheet: its water, its fish and how they take. */
export function dayOfSheet(
  { water: { place: _, ...water }, fish = {}, fishing }: SpreadContent,
  month: number,
): Day {
  const { species = USUAL_SPECIES, clarity = 'clear', light = 'bright', ...more } = fish
  return dayOf({
    ...water,
    ...more,
    species,
    clarity,
    light,
    month,
    ...(fishing?.feeding ? { feeding: fishing.feeding } : {}),
  } as Asked)
}

/** How the fish of a sheet take, and with what jaws: set, else as its kind does; the usual where none is named. */
export function bittenOn(
  content: SpreadContent,
  month: number,
): Partial<Pick<Conditions, 'feeding' | 'mouth'>> {
  const { fish, fishing } = content
  if (fish?.species) return bittenBy(dayOfSheet(content, month))
  return fishing?.feeding ? { feeding: fishing.feeding } : {}
}
