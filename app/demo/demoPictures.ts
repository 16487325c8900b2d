import type { PictureRow } from '../domain/env'
import washers from './pictures/washers.webp?inline'

/** The pictures of the demo workshop, drawn for it. Taken out of their text by hand: the page may fetch from nowhere. */
export const demoPictures = (): readonly PictureRow[] => [
  { id: 'picture-washers', jobId: 'job-fire-pump-3', blob: blobOf(washers, 'image/webp') },
]

const blobOf = (url: string, type: string) =>
  new Blob([Uint8Array.from(atob(url.slice(url.indexOf(',') + 1)), (letter) => letter.charCodeAt(0))], { type })
