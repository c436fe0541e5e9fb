import { describe, expect, it } from 'vitest'
import { assembleRig, benchDimensions, drawRig, evaluateFit, lineOf, solidOf, type RigSpec } from '#core'
import { handlesOf } from './handles'
import { lengthsOf, surfaceAt } from './lengths'

const bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const belly: RigSpec = {
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
}
const mm = (m: number): string => `${(1000 * m).toFixed(1)} mm`

function lookAt(rig: RigSpec) {
  const assembled = assembleRig(bait, rig)
  return {
    kind: 'rig',
    drawing: drawRig(assembled),
    solid: solidOf(assembled),
    dims: benchDimensions(assembled),
    fit: evaluateFit(assembled, lineOf('braid', 60)),
  } as const
}

describe('lengths on the bench', () => {
  it('say where the point comes out, and the way of the point is drawn there, from the belly to the back', () => {
    const look = lookAt(belly)
    const out = lengthsOf(look, mm).find(l => l.id === 'exit')!
    expect(out.text).toContain(`comes out at ${mm(look.dims.exitM!)}`)
    expect(out.to).toBe(look.dims.exitM)
    const { bait: shape } = assembleRig(bait, belly)
    // the outline is a polygon of a sixtieth of the bait a side
    expect(surfaceAt(look.drawing, out.to, 'back')).toBeCloseTo(shape.topAt(out.to), 4)
    expect(surfaceAt(look.drawing, out.to, 'belly')).toBeCloseTo(shape.bottomAt(out.to), 4)
  })

  it('follow a point that is brought out elsewhere, and have no push where the point stays open', () => {
    const moved = lengthsOf(lookAt({ ...belly, exitAtM: 0.051 }), mm).find(l => l.id === 'exit')!
    expect(moved.text).toMatch(/^comes out at 51\.0 mm, push /)
    const head = lookAt({ ...belly, family: 'E1', hookSize: '2/0', pointRest: 'open' })
    expect(lengthsOf(head, mm).find(l => l.id === 'exit')!.text).not.toContain('push')
  })

  it('are read at the ends of the bait too', () => {
    const { drawing } = lookAt(belly)
    for (const s of [-0.01, 0, 0.09, 0.2])
      expect(surfaceAt(drawing, s, 'back')).toBeGreaterThanOrEqual(surfaceAt(drawing, s, 'belly'))
  })
})

describe('handles', () => {
  const { dims } = lookAt(belly)
  const lane = { ...belly, letter: 'A' } as const
  const handles = handlesOf(dims, lane, { backAt: () => 0.006, says: mm })
  const pulled = (id: string, by: number): object => handles.find(h => h.id === id)!.by(by)

  it('move what they hold, and stop at what the model can take', () => {
    expect(pulled('exit', 0.002)).toEqual({ exitAtM: expect.closeTo(dims.exitM! + 0.002, 4) as number })
    expect(pulled('exit', 9)).toEqual({ exitAtM: 0.35 })
    expect(pulled('bend', 0.005)).toEqual({ hookSize: '5/0' })
    expect(pulled('bend', -9)).toEqual({ hookSize: '6' })
    expect(pulled('point', 0.003)).toEqual({ pointRest: 'buried' })
    expect(pulled('hook', 1)).toEqual({ hookAtM: 0.08 })
  })

  it('are only those that the family has', () => {
    const head = { ...lane, family: 'E1', pointRest: 'open', hookSize: '2/0' } as const
    const ids = handlesOf(lookAt(head).dims, head, { backAt: () => 0, says: mm }).map(h => h.id)
    expect(ids).not.toContain('exit')
    expect(handles.map(h => h.id)).toContain('weight')
  })
})
