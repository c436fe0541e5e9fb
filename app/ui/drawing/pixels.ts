import type { Picture } from '~/compute/trace/picture'

/**
 * A picture file as a canvas and its pixels, no longer than so many.
 * @throws when the browser cannot read it
 */
export async function pixelsOf(
  file: Blob,
  longestPx: number,
): Promise<{ readonly canvas: HTMLCanvasElement; readonly picture: Picture }> {
  const bitmap = await createImageBitmap(file)
  const scale = Math.min(1, longestPx / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(bitmap.width * scale)
  canvas.height = Math.round(bitmap.height * scale)
  const ctx = canvas.getContext('2d')
  if (!ctx) throw new Error('pixelsOf: no canvas')
  ctx.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return {
    canvas,
    picture: {
      width: canvas.width,
      height: canvas.height,
      rgba: ctx.getImageData(0, 0, canvas.width, canvas.height).data,
    },
  }
}
