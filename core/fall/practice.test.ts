import { describe, expect, it } from 'vitest'
import { FORM_IDS, BAIT_FORMS } from '../tackle/forms'
import { lineFromLb } from '../tackle/lines'
import { OUNCE_STEPS_KG } from '../tackle/weights'
import { kgToOz, radToDeg } from '../units'
import { repeatsOf } from './repeats'
import { bodyOf, fallOf, SALT, usualLength, usualSize } from './testing'

const line = lineFromLb('braid', 10)
const deg = radToDeg

/** A rig that falls so much more nose down than another shows the water less of itself. */
const STEEPER_DEG = 4

describe('weight and water', () => {
  const ladder = OUNCE_STEPS_KG.map(kgToOz)
  for (const form of FORM_IDS) {
    const lengthM = usualLength(form)
    const size = usualSize(lengthM)
    it.each(['E1', 'W1', 'L1'] as const)(
      `${form} on %s falls faster with every step up the ladder`,
      family => {
        const times = ladder.map(oz => fallOf({ form, lengthM, size, family, oz }, 1.5, line).timeS)
        for (let i = 1; i < times.length; i++)
          expect(times[i]!, `${ladder[i]} oz`).toBeLessThan(times[i - 1]!)
      },
    )
    it(`${form} falls slower in salt water, on every family`, () => {
      for (const family of ['E1', 'W1', 'L1', 'O2'] as const) {
        const given = { form, lengthM, size, family, densityKgM3: 1080 }
        const [fresh, salt] = [fallOf(given, 1.5, line), fallOf({ ...given, water: SALT }, 1.5, line)]
        // salt water takes more of the plastic's weight than of the metal's: a head then weighs more beside
        // its bait, and what dives steeper for it meets less water
        const least = deg(salt.pitchRad) < deg(fresh.pitchRad) - STEEPER_DEG ? 0.95 : 0.995
        expect(salt.timeS, family).toBeGreaterThan(least * fresh.timeS)
      }
    })
  }
  it('every form is in the ladder test', () => expect(FORM_IDS).toEqual(Object.keys(BAIT_FORMS)))
  it('thin line falls faster', () => {
    const times = [4, 10, 20, 40].map(lb => fallOf({ family: 'W1' }, 3, lineFromLb('mono', lb)).timeS)
    for (let i = 1; i < times.length; i++) expect(times[i]!).toBeGreaterThan(times[i - 1]!)
    expect(fallOf({ family: 'W1' }, 3).timeS).toBeLessThan(times[0]!)
  })
})

describe('what is seen under water: a 90 mm slim shad', () => {
  const head = fallOf({ family: 'E1', size: '3/0' }, 2, line)
  const belly = fallOf({ family: 'W1' }, 2, line)
  const bare = fallOf({ family: 'O2' }, 2, line)

  it('an exposed jig head of equal mass falls nose first, straight and clearly faster than a belly-weighted hook', () => {
    expect(deg(head.pitchRad)).toBeLessThan(-60)
    expect(head.glide).toBeLessThan(0.15)
    expect(belly.timeS / head.timeS).toBeGreaterThan(1.25)
  })
  it('on slack line the jig head tends to roll on to its side; the belly-weighted hook stays upright', () => {
    expect(deg(head.rollRad)).toBeGreaterThan(45)
    expect(deg(belly.rollRad)).toBeLessThan(5)
  })
  it('the belly-weighted hook falls near level and glides', () => {
    expect(deg(belly.pitchRad)).toBeGreaterThan(-25)
    expect(deg(belly.pitchRad)).toBeLessThan(5)
    expect(belly.glide).toBeGreaterThan(2 * head.glide)
  })
  it('belly weight forward dives head first, back is level', () => {
    const pitches = [0.01, 0.016, 0.022, 0.028, 0.034].map(weightAtM =>
      deg(fallOf({ family: 'W1', weightAtM }, 2, line).pitchRad),
    )
    for (let i = 1; i < pitches.length; i++) expect(pitches[i]!).toBeGreaterThan(pitches[i - 1]!)
    expect(pitches[0]!).toBeLessThan(-30)
    expect(pitches[4]!).toBeGreaterThan(-10)
  })
  it('the unweighted weedless bait is slowest and most erratic', () => {
    expect(bare.timeS).toBeGreaterThan(2 * belly.timeS)
    const scatter = (family: 'E1' | 'W1' | 'O2'): number =>
      repeatsOf(bodyOf({ family, size: family === 'E1' ? '3/0' : '4/0' }), { depthM: 2, line }).scatter
    expect(scatter('O2')).toBeGreaterThan(2 * scatter('W1'))
    expect(scatter('O2')).toBeGreaterThan(1.2 * scatter('E1'))
  })
})
