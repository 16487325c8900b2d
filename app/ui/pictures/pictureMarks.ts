import type { Entry, EntryOf } from '@link-count/core/model'

/** Paint on greasy metal, with a dark edge: it stands out on bright and on black. */
export const PAINT = '#ffd60a'
export const PAINT_EDGE = '#13202a'

/** How heavy what is drawn is, in parts of the picture's width. */
export const LINE = 0.007
export const EDGE = 0.014
export const HEAD = 0.035
export const LETTERS = 0.05

export type PictureEntry = EntryOf<'picture'>

/** The pictures among lines of a ledger, without the recordings. */
export const picturesOf = (live: readonly Entry[]): PictureEntry[] =>
  live.flatMap((one) => (one.kind === 'picture' && one.mediaType !== 'audio/wav' ? [one] : []))
