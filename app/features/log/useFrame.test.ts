import { effectScope, shallowRef, type EffectScope } from 'vue'
import { afterEach, expect, test } from 'vitest'
import { useFrame, type Player } from './useFrame'

/** A player that finds a frame only when it is told to, as a slow one does. */
class SlowPlayer extends EventTarget implements Player {
  duration = 2
  readonly gone: number[] = []
  private at = 0
  get currentTime(): number {
    return this.at
  }
  set currentTime(to: number) {
    this.at = Math.min(to, 2)
    this.gone.push(to)
  }
  found(): void {
    this.dispatchEvent(new Event('seeked'))
  }
}
const scopes: EffectScope[] = []
afterEach(() => scopes.splice(0).forEach(scope => scope.stop()))

function clip() {
  const player = new SlowPlayer()
  const shown: number[] = []
  const scope = effectScope()
  scopes.push(scope)
  const frame = scope.run(() => {
    const of = useFrame(shallowRef(player), () => shown.push(of.t.value))
    return of
  })!
  player.dispatchEvent(new Event('loadeddata'))
  player.found()
  return { player, shown, ...frame }
}

test('steps pressed faster than the player finds a frame all count, and the last frame is shown', () => {
  const { player, shown, t, coming, step } = clip()
  for (let i = 0; i < 3; i++) step(0.25)
  expect(t.value).toBe(0.001)
  expect(coming.value).toBe(true)
  player.found()
  // the first of them stood there, but more was asked for
  expect(coming.value).toBe(true)
  player.found()
  expect(player.gone).toEqual([0.001, 0.251, 0.751])
  expect(t.value).toBeCloseTo(0.751, 12)
  expect(coming.value).toBe(false)
  expect(shown).toEqual([0.001, 0.751])
})

test('neither before the start nor past the end, whether the clip knows its length or not', () => {
  const { player, t, step } = clip()
  for (const length of [2, Infinity]) {
    player.duration = length
    step(5)
    player.found()
    expect(t.value).toBe(2)
    step(-0.5)
    player.found()
    expect(t.value).toBe(1.5)
    step(-9)
    player.found()
    expect(t.value).toBe(0)
  }
})

test('another clip starts at its first frame, also while a frame of the one before was on its way', () => {
  const { player, t, coming, step } = clip()
  step(1)
  player.dispatchEvent(new Event('loadeddata'))
  player.found()
  expect(t.value).toBe(0.001)
  expect(coming.value).toBe(false)
})
