import { line, movePart, RULER_MM, ruler, words, type PaperDrawing, type PaperPart } from './drawing'

export type PaperSize = 'A4' | 'Letter'

/** Portrait, mm. Sources: ISO 216; ANSI/ASME Y14.1. */
export const PAPER_MM: Record<PaperSize, { readonly widthMm: number; readonly heightMm: number }> = {
  A4: { widthMm: 210, heightMm: 297 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
}

/** Ordinary printers leave this edge unprinted. */
const MARGIN_MM = 12
/** The strip at the foot of a page that holds its ruler and its name. */
const FOOT_MM = 16
const STRIP_GAP_MM = 10

/** Pages of true size for a drawing of any size: a grid of pieces that butt at cut lines, each page with its name and a ruler to check
 *  the printer by. A drawing lower than half a page and longer than its width is laid in strips below each other. */
export function tilePages(drawing: PaperDrawing, paper: PaperSize, title: string): PaperDrawing[] {
  const { widthMm, heightMm } = PAPER_MM[paper]
  const free = { width: widthMm - 2 * MARGIN_MM, height: heightMm - 2 * MARGIN_MM - FOOT_MM }
  const across = Math.ceil(drawing.widthMm / free.width - 1e-9)
  const down = Math.ceil(drawing.heightMm / free.height - 1e-9)
  const perPage = Math.max(1, Math.floor((free.height + STRIP_GAP_MM) / (drawing.heightMm + STRIP_GAP_MM)))
  const strips = down === 1 && across > 1 && perPage > 1
  const pieces = Array.from({ length: across * down }, (_, i) => ({ column: i % across, row: Math.floor(i / across) }))
  const size = strips ? perPage : 1
  const pages = Array.from({ length: Math.ceil(pieces.length / size) }, (_, i) =>
    pieces.slice(i * size, (i + 1) * size),
  )
  return pages.map((onPage, number) => ({
    widthMm,
    heightMm,
    parts: [
      ...onPage.flatMap(({ column, row }, place) =>
        cutOut(drawing, {
          x: column * free.width,
          y: row * free.height,
          width: Math.min(free.width, drawing.widthMm - column * free.width),
          height: Math.min(free.height, drawing.heightMm - row * free.height),
          toX: MARGIN_MM,
          toY: MARGIN_MM + place * (drawing.heightMm + STRIP_GAP_MM),
          name: across * down > 1 ? `${row * across + column + 1}` : '',
        }),
      ),
      ...ruler(MARGIN_MM, heightMm - MARGIN_MM - 2),
      words(widthMm - MARGIN_MM, heightMm - MARGIN_MM - 2, `${title} · ${number + 1} of ${pages.length}`, {
        anchor: 'end',
        sizeMm: 2.8,
      }),
      words(
        MARGIN_MM,
        heightMm - MARGIN_MM - 8,
        `Print at 100%, not fitted to the page. The line below has to measure ${RULER_MM} mm.`,
        { anchor: 'start', sizeMm: 2.8 },
      ),
    ],
  }))
}

interface Window {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly toX: number
  readonly toY: number
  readonly name: string
}

/** What of a drawing falls into a window, moved to its place on the page, with cut lines where it goes on. */
function cutOut(drawing: PaperDrawing, { x, y, width, height, toX, toY, name }: Window): PaperPart[] {
  const box = { left: x, top: y, right: x + width, bottom: y + height }
  const inside = drawing.parts.flatMap((part) => clip(part, box)).map((part) => movePart(part, toX - x, toY - y))
  const whole = width >= drawing.widthMm && height >= drawing.heightMm
  if (whole) return inside
  const [right, bottom] = [toX + width, toY + height]
  return [
    ...inside,
    line(toX, toY, toX, bottom, 0.05),
    line(right, toY, right, bottom, 0.05),
    line(toX, toY, right, toY, 0.05),
    line(toX, bottom, right, bottom, 0.05),
    ...(name ? [words(toX + 1.5, bottom - 1.5, `piece ${name}`, { sizeMm: 2.2, anchor: 'start' })] : []),
  ]
}

interface Box {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

/** Lines are cut at the window's edge (Liang and Barsky, 1984); a circle becomes short lines; words belong where they start. */
function clip(part: PaperPart, box: Box): PaperPart[] {
  if (part.kind === 'text') {
    const held =
      part.x >= box.left - 1e-6 && part.x < box.right + 1e-6 && part.y >= box.top - 1e-6 && part.y < box.bottom + 1e-6
    return held ? [part] : []
  }
  if (part.kind === 'line') return clipLine(part, box)
  const contained = part.x - part.r >= box.left - 1e-6 && part.x + part.r <= box.right + 1e-6
  if (contained && part.y - part.r >= box.top - 1e-6 && part.y + part.r <= box.bottom + 1e-6) return [part]
  const corner = (i: number) =>
    [part.x + part.r * Math.cos((i * Math.PI) / 180), part.y + part.r * Math.sin((i * Math.PI) / 180)] as const
  return Array.from({ length: 360 }, (_, i) => [corner(i), corner(i + 1)] as const).flatMap(([[x1, y1], [x2, y2]]) =>
    clipLine({ kind: 'line', x1, y1, x2, y2, weightMm: part.weightMm }, box),
  )
}

function clipLine(part: Extract<PaperPart, { kind: 'line' }>, { left, top, right, bottom }: Box): PaperPart[] {
  const [dx, dy] = [part.x2 - part.x1, part.y2 - part.y1]
  let [from, to] = [0, 1]
  for (const [p, q] of [
    [-dx, part.x1 - left],
    [dx, right - part.x1],
    [-dy, part.y1 - top],
    [dy, bottom - part.y1],
  ] as const) {
    if (p === 0 && q < -1e-9) return []
    if (p < 0) from = Math.max(from, q / p)
    if (p > 0) to = Math.min(to, q / p)
  }
  if (from > to + 1e-12) return []
  return [{ ...part, x1: part.x1 + from * dx, y1: part.y1 + from * dy, x2: part.x1 + to * dx, y2: part.y1 + to * dy }]
}
