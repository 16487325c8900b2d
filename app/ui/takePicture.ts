import { isShown, pictureType } from '../db/archive/pictureType'

/** A picture for the ledger: long enough to see a mark, small enough to keep hundreds. */
const MOST_PIXELS = 2000
const MOST_PICKED_BYTES = 60_000_000

/** Looks at what was picked, whatever it is called, and makes it small; else says why it is not kept. */
export async function takePicture(picked: Blob): Promise<{ readonly blob: Blob } | { readonly refused: string }> {
  if (picked.size > MOST_PICKED_BYTES) return { refused: 'That picture is over 60 MB; take a smaller one.' }
  const type = await pictureType(picked)
  if (!type?.startsWith('image/'))
    return { refused: 'Pictures are kept as JPEG, PNG or WebP; this is none of them, whatever it is called.' }
  const picture = picked.slice(0, picked.size, type)
  if (!(await isShown(picture))) return { refused: 'That picture is damaged: it cannot be shown. Take it again.' }
  const { default: Compressor } = await import('compressorjs')
  return new Promise((resolve) => {
    new Compressor(picture, {
      maxWidth: MOST_PIXELS,
      maxHeight: MOST_PIXELS,
      quality: 0.82,
      convertTypes: ['image/png'],
      convertSize: 1_500_000,
      success: (blob) => resolve({ blob }),
      error: ({ message }) => resolve({ refused: `That picture cannot be made smaller: ${message}.` }),
    })
  })
}
