export type PictureType = 'image/jpeg' | 'image/png' | 'image/webp' | 'audio/wav'

export const PICTURE_ENDINGS: Readonly<Record<PictureType, string>> = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'audio/wav': 'wav',
}

/** What a picture or recording is by how it begins, whatever it is called; undefined for everything that is not kept: SVG and HTML among it. */
export async function pictureType(blob: Blob): Promise<PictureType | undefined> {
  const head = new Uint8Array(await blob.slice(0, 12).arrayBuffer())
  const text = String.fromCharCode(...head)
  if (text.startsWith('\xff\xd8\xff')) return 'image/jpeg'
  if (text.startsWith('\x89PNG\r\n\x1a\n')) return 'image/png'
  if (text.startsWith('RIFF') && text.slice(8) === 'WEBP') return 'image/webp'
  if (text.startsWith('RIFF') && text.slice(8) === 'WAVE') return 'audio/wav'
  return undefined
}

/** Whether the browser can make a picture of it, or it is a recording that can be read. */
export async function isShown(blob: Blob): Promise<boolean> {
  try {
    if (blob.type === 'audio/wav') {
      const { readWav } = await import('@link-count/core/ear')
      return readWav(new Uint8Array(await blob.arrayBuffer())).ok
    }
    const picture = await createImageBitmap(blob)
    const shown = picture.width > 0 && picture.height > 0
    picture.close()
    return shown
  } catch {
    return false
  }
}
