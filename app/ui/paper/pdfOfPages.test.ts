import { expect, test } from 'vitest'
import { PAPER_MM, tapeDrawing, tilePages, wheelDrawing, type PaperDrawing } from '@link-count/core/paper'
import { layOutRim } from '@link-count/core/rim'
import { pdfOfPages } from './pdfOfPages'

const MM_PER_POINT = 25.4 / 72

/** Straight lines of each page of a PDF, read back out of its own drawing operators, in millimetres from the top left corner. */
async function linesOf(pages: readonly PaperDrawing[]) {
  const text = new TextDecoder('latin1').decode(await pdfOfPages(pages, 'Test').arrayBuffer())
  const boxes = [...text.matchAll(/\/MediaBox \[0 0 ([\d.]+)\.? ([\d.]+)\.?\]/g)].map(([, w, h]) => ({
    widthMm: Number(w) * MM_PER_POINT,
    heightMm: Number(h) * MM_PER_POINT,
  }))
  const streams = [...text.matchAll(/stream\r?\n([\s\S]*?)endstream/g)].map(([, body = '']) => body)
  const lines = streams
    .map((body) =>
      [...body.matchAll(/([-\d.]+) ([-\d.]+) m\s+([-\d.]+) ([-\d.]+) l/g)].map((found) =>
        found.slice(1).map((number) => Number(number) * MM_PER_POINT),
      ),
    )
    .filter((found) => found.length > 0)
  return {
    boxes,
    lines,
    lengths: lines.map((found) => found.map(([x1 = 0, y1 = 0, x2 = 0, y2 = 0]) => Math.hypot(x2 - x1, y2 - y1))),
  }
}

const places = layOutRim({
  circumferenceMm: 534,
  angles: [
    { name: 'TDC 1', afterDeg: 0 },
    { name: 'spark', afterDeg: -30 },
  ],
  turns: 'rim',
  along: 'running',
})

test('a tape has its length, its marks and its ruler in the PDF, to 0.05 mm', async () => {
  const pages = tilePages(tapeDrawing({ circumferenceMm: 534, places, degreesAlong: (deg) => -deg }), 'A4', 'Tape')
  const { boxes, lengths, lines } = await linesOf(pages)
  expect(boxes[0]?.widthMm).toBeCloseTo(PAPER_MM.A4.widthMm, 1)
  expect(boxes[0]?.heightMm).toBeCloseTo(PAPER_MM.A4.heightMm, 1)
  // A hundred millimetres to check the printer by.
  expect(lengths[0]?.some((length) => Math.abs(length - 100) < 0.05)).toBe(true)
  // Independently computed: 186 mm of a page hold the tape in three pieces, 186 + 186 + 162.
  for (const piece of [186, 162]) expect(lengths[0]?.some((length) => Math.abs(length - piece) < 0.05)).toBe(true)
  // The spark mark stands 44.5 mm along the first piece, 24 mm high; the margin is 12 mm.
  const spark = lines[0]?.find(
    ([x1 = 0, y1 = 0, x2 = 0, y2 = 0]) =>
      Math.abs(x1 - 56.5) < 0.05 && Math.abs(x2 - 56.5) < 0.05 && Math.abs(Math.abs(y2 - y1) - 24) < 0.05,
  )
  expect(spark).toBeDefined()
})

test('a wheel larger than the page comes in pages whose ticks are as long as they should be', async () => {
  const wheel = wheelDrawing({ diameterMm: 300, numbering: 'full', rises: 'clockwise', boltMm: 16, marks: [] })
  const pages = tilePages(wheel, 'Letter', 'Degree wheel')
  const { boxes, lengths } = await linesOf(pages)
  expect(lengths).toHaveLength(pages.length)
  expect(boxes.every(({ widthMm }) => Math.abs(widthMm - 215.9) < 0.05)).toBe(true)
  // Ticks of whole tens that no cut goes through are 8 mm long.
  const tens = lengths.flat().filter((length) => Math.abs(length - 8) < 0.05)
  expect(tens.length).toBeGreaterThan(28)
})

test('no pages is our own mistake', () => expect(() => pdfOfPages([], 'x')).toThrow('Broken invariant'))
