/** A drawing for paper in true millimetres: x to the right, y down from the top left corner, as paper is. Plain data, so that one
 *  drawing becomes an SVG, a PDF, or the numbers of a test. */
export interface PaperDrawing {
  readonly widthMm: number
  readonly heightMm: number
  readonly parts: readonly PaperPart[]
}

export type PaperPart =
  | {
      readonly kind: 'line'
      readonly x1: number
      readonly y1: number
      readonly x2: number
      readonly y2: number
      readonly weightMm: number
    }
  | { readonly kind: 'circle'; readonly x: number; readonly y: number; readonly r: number; readonly weightMm: number }
  | {
      readonly kind: 'text'
      readonly x: number
      readonly y: number
      readonly text: string
      readonly sizeMm: number
      /** Where x is of the text. */
      readonly anchor: 'start' | 'middle' | 'end'
      /** Clockwise about (x, y). */
      readonly turnDeg: number
    }

export const line = (x1: number, y1: number, x2: number, y2: number, weightMm = 0.2): PaperPart => ({
  kind: 'line',
  x1,
  y1,
  x2,
  y2,
  weightMm,
})
export const words = (
  x: number,
  y: number,
  text: string,
  {
    sizeMm = 3,
    anchor = 'middle',
    turnDeg = 0,
  }: { sizeMm?: number; anchor?: 'start' | 'middle' | 'end'; turnDeg?: number } = {},
): PaperPart => ({ kind: 'text', x, y, text, sizeMm, anchor, turnDeg })

/** The same part elsewhere on the paper. */
export function movePart(part: PaperPart, dx: number, dy: number): PaperPart {
  if (part.kind === 'line') return { ...part, x1: part.x1 + dx, y1: part.y1 + dy, x2: part.x2 + dx, y2: part.y2 + dy }
  return { ...part, x: part.x + dx, y: part.y + dy }
}

/** A ruler to check the printer by: a hundred millimetres, marked off in tens. */
export function ruler(x: number, y: number): PaperPart[] {
  const ticks = Array.from({ length: 11 }, (_, i) => line(x + i * 10, y, x + i * 10, y - (i % 5 === 0 ? 4 : 2.5)))
  return [line(x, y, x + RULER_MM, y, 0.3), ...ticks, words(x + RULER_MM + 2, y, '100 mm', { anchor: 'start' })]
}
export const RULER_MM = 100
