import { assembleBareBait, harmonicTide, problemsOfBait, simulatedWeather, type BaitSpec } from '#core'
import { problemText } from '#words/problemWords'
import { listenTo, simulateSounder, type Sounder } from '../instruments/sounder'
import { Refused } from './refused'

/** Instruments that can be switched on; each a stand-in behind what a real one would use. */
export const INSTRUMENTS = ['sounder', 'tide', 'weather', 'scale', 'tank'] as const
export type InstrumentId = (typeof INSTRUMENTS)[number]

const on = new Set<InstrumentId>(['tide', 'weather', 'tank', 'scale'])
let sounder:
  { readonly simulated: { readonly close: () => Promise<void> }; readonly heard: Sounder } | undefined

/** @throws Refused 404 where there is no such instrument */
export function instrumentOf(text: string | undefined): InstrumentId {
  const found = INSTRUMENTS.find(id => id === text)
  if (!found) throw new Refused(404, 'There is no such instrument.')
  return found
}

/** Starts or stops an instrument; done twice it is done once. */
export async function switchInstrument(id: InstrumentId, to: boolean): Promise<void> {
  if (to) on.add(id)
  else on.delete(id)
  if (id !== 'sounder') return
  if (to && !sounder) {
    const simulated = await simulateSounder()
    sounder = { simulated, heard: listenTo(simulated.port) }
  } else if (!to && sounder) {
    const { simulated, heard } = sounder
    sounder = undefined
    await heard.close()
    await simulated.close()
  }
}

/** What an instrument says now. */
export function readInstrument(id: InstrumentId): Record<string, unknown> {
  if (!on.has(id)) return { on: false, simulated: true }
  const base = { on: true, simulated: true }
  const now = Date.now()
  switch (id) {
    case 'sounder':
      return {
        ...base,
        port: sounder?.heard.port,
        reading: sounder?.heard.reading() ?? {},
        ...sounder?.heard.counts(),
      }
    case 'tide': {
      const tide = harmonicTide('Dunecrest coast')
      return { ...base, reading: { heightM: tide.heightM(now), riseMS: tide.riseMS(now) } }
    }
    case 'weather':
      return { ...base, reading: simulatedWeather('Dunecrest coast').at(now) }
    case 'scale':
      return { ...base, reading: { massKg: 0.0084 + 0.00005 * Math.sin(now / 1000) } }
    case 'tank':
      return base
  }
}

/**
 * The bait in the simulated tank has this much more time to its fall than the model gives, and readings
 * scatter so.
 */
const TANK = { slower: 1.08, scatter: 0.015 } as const

/**
 * Two gates the drop apart: the seconds the model gives for it, as this tank's own bait takes them.
 * @throws Refused 409 when it is off
 */
export function dropInTank(modelSeconds: number): { readonly seconds: number } {
  if (!on.has('tank')) throw new Refused(409, 'The drop tank is switched off.')
  return { seconds: modelSeconds * TANK.slower * (1 + TANK.scatter * (2 * Math.random() - 1)) }
}

/**
 * The bait on the simulated scale takes up this much less room than the model has it, and the scale shows
 * steps of a hundredth of a gram.
 */
const SCALE = { smaller: 0.985, stepKg: 1e-5 } as const

/**
 * The simulated pocket scale with a bait on its hook, in a fluid of so much density: what the model gives for
 * it, a little denser as this bait truly is. Below nothing where it would float up.
 * @throws Refused 409 when it is off, 422 when it is no bait
 */
export function weighOnScale(
  bait: BaitSpec,
  fluidKgM3: number,
): { readonly massKg: number; readonly stepKg: number } {
  if (!on.has('scale')) throw new Refused(409, 'The pocket scale is switched off.')
  const [problem] = problemsOfBait(bait)
  if (problem) {
    const message = problemText(problem, 'metric')
    throw new Refused(422, message, [{ path: problem.field, message }])
  }
  const { massKg, displacedM3 } = assembleBareBait(bait)
  return {
    massKg: SCALE.stepKg * Math.round((massKg - fluidKgM3 * displacedM3 * SCALE.smaller) / SCALE.stepKg),
    stepKg: SCALE.stepKg,
  }
}

/** Stops all that listens, with the server. */
export const stopInstruments = (): Promise<void> => switchInstrument('sounder', false)
