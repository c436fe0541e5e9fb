/**
 * Fits a canvas to its box at the screen's own resolution.
 * @returns its context in CSS pixels; undefined while there is no room
 */
export function fitted(
  canvas: HTMLCanvasElement | null | undefined,
  width: number,
  height: number,
): CanvasRenderingContext2D | undefined {
  const ctx = canvas?.getContext('2d')
  if (!canvas || !ctx || !(width > 0 && height > 0)) return undefined
  const ratio = window.devicePixelRatio || 1
  const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)]
  if (canvas.width !== w || canvas.height !== h) [canvas.width, canvas.height] = [w, h]
  ctx.setTransform(ratio, 0, 0, ratio, 0, 0)
  ctx.clearRect(0, 0, width, height)
  return ctx
}
