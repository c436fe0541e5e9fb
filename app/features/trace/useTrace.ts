import { onScopeDispose, ref, shallowRef } from 'vue'
import { CalcError } from '~/compute/client'
import { calculator } from '~/compute/calculator'
import type { ScaleBy, Sighting, TraceProblem } from '~/compute/trace'
import type { Picture } from '~/compute/trace/picture'
import type { Point } from '~/compute/trace/homography'
import type { Trace, TracedStation } from '~/compute/trace/outline'
import { pixelsOf } from '~/ui/drawing/pixels'
import { noseFirst } from './traced'
import { failureText } from '#words/failureText'

/**
 * Longer side of a picture that is traced, px: finer than a tenth of a millimetre on a hand's breadth, and
 * quick.
 */
const LONGEST = 1400
/** Least breadth of an outline that a hand may leave, mm. */
const LEAST_MM = 0.2

/** A photograph, what was found in it, and what a hand has put right. */
export function useTrace() {
  const picture = shallowRef<Picture>()
  const sighting = shallowRef<Sighting>()
  const trace = shallowRef<Trace>()
  const chosen = ref(0)
  const problem = shallowRef<TraceProblem>()
  const failed = ref<string>()
  const busy = ref(false)
  const reversed = ref(false)
  let running: AbortController | undefined

  /** Takes another of the things in the picture for the bait. */
  function choose(index: number): void {
    chosen.value = index
    trace.value = sighting.value?.things[index]?.trace
    reversed.value = trace.value !== undefined && !noseFirst(trace.value.stations)
  }

  async function look(seen: Picture, scale: ScaleBy, want: 'bait' | 'scale'): Promise<void> {
    running?.abort()
    const mine = (running = new AbortController())
    picture.value = seen
    busy.value = true
    try {
      const answer = await calculator().ask('trace', { picture: seen, scale, want }, { signal: mine.signal })
      failed.value = undefined
      problem.value = answer.ok ? undefined : answer.problem
      sighting.value = answer.ok ? answer.sighting : undefined
      choose(0)
    } catch (error) {
      if (!(error instanceof CalcError && error.code === 'aborted')) failed.value = failureText(error)
    } finally {
      if (mine === running) busy.value = false
    }
  }

  /** Reads a photograph's file; undefined where the browser cannot. */
  async function read(file: File): Promise<Picture | undefined> {
    try {
      return (await pixelsOf(file, LONGEST)).picture
    } catch {
      failed.value = 'This file is not a picture that the browser can read. A JPEG or PNG photograph will do.'
      return undefined
    }
  }

  /** Moves one side of one station. @param to across the axis, mm */
  function nudge(index: number, side: 'over' | 'under', to: number): void {
    if (!trace.value) return
    const stations = trace.value.stations.map((s, i): TracedStation =>
      i !== index
        ? s
        : side === 'over'
          ? { ...s, over: Math.max(to, s.under + LEAST_MM) }
          : { ...s, under: Math.min(to, s.over - LEAST_MM) },
    )
    trace.value = { ...trace.value, stations }
  }

  onScopeDispose(() => running?.abort())
  return { picture, sighting, trace, chosen, problem, failed, busy, reversed, look, read, choose, nudge }
}

/** Marks to begin with where a hand has to set them: a card's corners, or a ruler's ends, about the middle. */
export function marksToSet(kind: 'card' | 'ruler', { width, height }: Picture): Point[] {
  const at = (x: number, y: number): Point => [x * width, y * height]
  return kind === 'ruler'
    ? [at(0.25, 0.5), at(0.75, 0.5)]
    : [at(0.3, 0.3), at(0.7, 0.3), at(0.7, 0.7), at(0.3, 0.7)]
}
