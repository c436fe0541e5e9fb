import { describe, expect, it } from 'vitest'
import { RETRIEVE_IDS } from './retrieve'
import { fallWayOf, onPath, retrievePath } from './way'

const STEEP = { glide: 0.05, pitchRad: -1.2 }
const GLIDER = { glide: 0.8, pitchRad: -0.3 }

describe('the way of a rig through a cast', () => {
  it('joins from the splash at the surface to the end, and never leaves the water', () => {
    for (const id of RETRIEVE_IDS)
      for (const depthM of [0.3, 2, 12]) {
        const legs = retrievePath(id, depthM, 15, GLIDER, 0.1)
        expect(legs[0]).toMatchObject({ fromM: 0, fromHighM: depthM, tight: false })
        expect(legs.at(-1)!.toM).toBe(15)
        legs.forEach((leg, i) => {
          const next = legs[i + 1]
          expect(leg.toHighM >= 0 && leg.toHighM <= depthM, `${id} ${depthM}`).toBe(true)
          expect(leg.toM).toBeGreaterThanOrEqual(leg.fromM)
          if (next) expect([next.fromM, next.fromHighM]).toEqual([leg.toM, leg.toHighM])
        })
      }
  })

  it('of a hop has more hops the steeper the rig falls; a drag keeps the bottom, a swim its height', () => {
    const hops = (fall: typeof STEEP): number =>
      retrievePath('hop', 2, 15, fall, 0).filter(leg => leg.tight).length
    expect(hops(STEEP)).toBeGreaterThan(hops(GLIDER))
    const dragged = retrievePath('drag', 2, 15, STEEP, 0)
    expect(onPath(dragged, 8).highM).toBe(0)
    expect(onPath(retrievePath('swim', 2, 15, STEEP, 0.2), 8)).toEqual({ highM: 0.45, pitchRad: 0.2 })
  })

  it('of what floats is along the surface', () => {
    expect(onPath(retrievePath('hop', 1.5, 15, undefined, 0), 7).highM).toBe(1.5)
  })

  it('is in between within a leg', () => {
    const [first] = retrievePath('hop', 2, 15, GLIDER, 0)
    expect(onPath([first!], first!.toM / 2).highM).toBeCloseTo(1, 9)
  })
})

describe('how a rig falls', () => {
  it('is told off the settled half of a drop', () => {
    // straight down at first, then 0.5 m forward for each metre, level
    const samples = Float64Array.from([
      ...[0, 0, 0, 0, 1, 0, 0, 0],
      ...[1, 0, 0, -1, 1, 0, 0, 0],
      ...[2, 0.5, 0, -2, 1, 0, 0, 0],
      ...[3, 1, 0, -3, 1, 0, 0, 0],
    ])
    const way = fallWayOf({ samples })
    expect(way.glide).toBeCloseTo(0.5, 9)
    expect(way.pitchRad).toBeCloseTo(0, 9)
  })
})
