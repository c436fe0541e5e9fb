import { pitchOf as pitchOfAttitude, SAMPLE_STRIDE, type Drop } from '#core'

/** Size of the sample's frames, pixels; metres across; and frames a second. */
const W = 360
const H = 480
const ACROSS_M = 0.75
export const SAMPLE_FPS = 30
/** Length of the bar that gives the scale, m. */
export const SAMPLE_BAR_M = 0.2
/** The made-up bait has more drag than the model's: it takes so much longer. */
const SLOWER = 1.12

/** Pitch of a stored attitude, rad, nose up positive. */
const pitchOf = (s: Float64Array, i: number): number =>
  pitchOfAttitude([s[i + 4]!, s[i + 5]!, s[i + 6]!, s[i + 7]!])

/**
 * A made-up clip of a drop in a tank, drawn from a simulated fall: a bar of known length, the bait passing.
 * Recorded as it is drawn.
 * @returns the clip, or undefined where the browser records none
 */
export async function sampleClip(
  drop: Pick<Drop, 'samples' | 'timeS'>,
  lengthM: number,
): Promise<Blob | undefined> {
  if (typeof MediaRecorder === 'undefined') return undefined
  const canvas = document.createElement('canvas')
  canvas.width = W
  canvas.height = H
  const ctx = canvas.getContext('2d')!
  const stream = canvas.captureStream(SAMPLE_FPS)
  const recorder = new MediaRecorder(stream, { mimeType: 'video/webm' })
  const parts: Blob[] = []
  recorder.ondataavailable = event => void parts.push(event.data)
  const done = new Promise<void>(resolve => (recorder.onstop = () => resolve()))
  const perM = W / ACROSS_M
  const { samples: s } = drop
  const at = (t: number): number => {
    let i = 0
    while (i + SAMPLE_STRIDE < s.length && s[i + SAMPLE_STRIDE]! < t) i += SAMPLE_STRIDE
    return i
  }
  const from = Math.min(drop.timeS * 0.4, 1)
  const z0 = -s[at(from) + 3]!
  const draw = (seconds: number): void => {
    const i = at(from + seconds / SLOWER)
    const pitch = pitchOf(s, i)
    const y = 60 + (-s[i + 3]! - z0) * perM
    ctx.fillStyle = '#cfe3df'
    ctx.fillRect(0, 0, W, H)
    ctx.fillStyle = '#14323a'
    ctx.fillRect(20, 40, 6, SAMPLE_BAR_M * perM)
    ctx.font = '14px sans-serif'
    ctx.fillText('200 mm', 32, 54)
    ctx.save()
    ctx.translate(W / 2 + 20, y)
    ctx.rotate(-pitch)
    ctx.fillStyle = '#6b5a35'
    ctx.beginPath()
    ctx.ellipse(0, 0, (lengthM * perM) / 2, (lengthM * perM) / 12, 0, 0, 2 * Math.PI)
    ctx.fill()
    ctx.restore()
  }
  const longest = Math.min(3, (drop.timeS - from) * SLOWER)
  draw(0)
  recorder.start()
  await new Promise<void>(resolve => {
    const begun = performance.now()
    const timer = setInterval(() => {
      const t = (performance.now() - begun) / 1000
      draw(Math.min(t, longest))
      if (t < longest) return
      clearInterval(timer)
      resolve()
    }, 1000 / SAMPLE_FPS)
  })
  recorder.stop()
  await done
  stream.getTracks().forEach(track => track.stop())
  return new Blob(parts, { type: 'video/webm' })
}
