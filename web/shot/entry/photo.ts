import { BOUNDS } from '@calm-apron/contract'

/** The longer side of a kept photo, in pixels, and the qualities tried until it is small enough. */
const SIDES_PX = [1024, 800, 640]
const QUALITIES = [0.8, 0.65, 0.5]

/** A file that is no picture, or one that stays too large however far it is scaled down. */
export class UnusablePhoto extends Error {
  override readonly name = 'UnusablePhoto'
}

/**
 * A photo as it is kept: drawn anew and scaled down, so that nothing of the file but the picture itself is left, neither
 * place nor device.
 * @throws {UnusablePhoto}
 */
export async function keepablePhoto(file: Blob): Promise<string> {
  const picture = await createImageBitmap(file).catch((error: unknown) => {
    throw new UnusablePhoto('not a picture', { cause: error })
  })
  for (const side of SIDES_PX)
    for (const quality of QUALITIES) {
      const text = drawn(picture, side, quality)
      if (text.length <= BOUNDS.photoLength.max) return text
    }
  throw new UnusablePhoto('too large')
}

function drawn(picture: ImageBitmap, side: number, quality: number): string {
  const scale = Math.min(1, side / Math.max(picture.width, picture.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(picture.width * scale))
  canvas.height = Math.max(1, Math.round(picture.height * scale))
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height)
  return canvas.toDataURL('image/jpeg', quality)
}
