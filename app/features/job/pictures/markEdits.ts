import type { PictureMark } from '@link-count/core/model'

/** A place on a picture, in parts of its width and height. */
export interface Place {
  readonly x: number
  readonly y: number
}

export type Drawn = PictureMark['shape']

/** A touch without a stroke: an arrow comes from the upper right so far away, a circle is so large. */
const ARROW = 0.18
const CIRCLE = 0.08
/** A stroke shorter than this is a touch. */
const TOUCH = 0.03

const within = (n: number) => Math.min(1, Math.max(0, n))
const round = (n: number) => Math.round(n * 10_000) / 10_000
const part = (n: number) => round(within(n))

/** What a stroke draws: an arrow from where it began to where it ended, a circle round where it began, a word where it ended. `shape`: the picture's height over its width. */
export function markOf(
  drawn: Drawn,
  from: Place,
  to: Place,
  { shape, word }: { shape: number; word: string },
): PictureMark {
  const length = Math.hypot(to.x - from.x, (to.y - from.y) * shape)
  const at = { x: part(to.x), y: part(to.y) }
  switch (drawn) {
    case 'arrow':
      return length < TOUCH
        ? { shape: drawn, ...at, ...comesFrom(to, shape) }
        : { shape: drawn, ...at, fromX: part(from.x), fromY: part(from.y) }
    case 'circle':
      return { shape: drawn, x: part(from.x), y: part(from.y), radius: radiusOf(length < TOUCH ? CIRCLE : length) }
    case 'word':
      return { shape: drawn, ...at, text: word }
  }
}

/** From the upper right, or from where there is room. */
const comesFrom = ({ x, y }: Place, shape: number) => ({
  fromX: part(x + ARROW > 1 ? x - ARROW : x + ARROW),
  fromY: part(y - ARROW / shape < 0 ? y + ARROW / shape : y - ARROW / shape),
})

const radiusOf = (radius: number) => Math.max(0.01, part(radius))

/** The same so far to the right and down; no part of it leaves the picture. */
export function movedMark(mark: PictureMark, by: Place): PictureMark {
  const xs = mark.shape === 'arrow' ? [mark.x, mark.fromX] : [mark.x]
  const ys = mark.shape === 'arrow' ? [mark.y, mark.fromY] : [mark.y]
  const dx = Math.min(1 - Math.max(...xs), Math.max(-Math.min(...xs), by.x))
  const dy = Math.min(1 - Math.max(...ys), Math.max(-Math.min(...ys), by.y))
  const at = { x: part(mark.x + dx), y: part(mark.y + dy) }
  return mark.shape === 'arrow'
    ? { ...mark, ...at, fromX: part(mark.fromX + dx), fromY: part(mark.fromY + dy) }
    : { ...mark, ...at }
}

/** The same, so many times as large; a word stays as large as it is. An arrow keeps its point. */
export function sizedMark(mark: PictureMark, times: number): PictureMark {
  switch (mark.shape) {
    case 'circle':
      return { ...mark, radius: radiusOf(mark.radius * times) }
    case 'arrow':
      return {
        ...mark,
        fromX: part(mark.x + (mark.fromX - mark.x) * times),
        fromY: part(mark.y + (mark.fromY - mark.y) * times),
      }
    case 'word':
      return mark
  }
}
