import { describe, expect, test } from 'vitest'
import { layOutRim } from '../rim'
import {
  linkMapDrawing,
  PAPER_MM,
  svgOfDrawing,
  tapeDrawing,
  tilePages,
  wheelDrawing,
  type PaperDrawing,
  type PaperSize,
} from '.'

/** Lines of an SVG document in millimetres, as anything that prints it would take them. */
function linesOfSvg(svg: string) {
  const [, width = '', unitWidth = ''] = /width="([\d.]+)mm"[^>]*viewBox="0 0 ([\d.]+) /.exec(svg) ?? []
  const scale = Number(width) / Number(unitWidth)
  return [
    ...svg.matchAll(/<line x1="([-\d.]+)" y1="([-\d.]+)" x2="([-\d.]+)" y2="([-\d.]+)" stroke-width="([\d.]+)"/g),
  ].map((match) => match.slice(1).map((number) => Number(number) * scale) as [number, number, number, number, number])
}

const places = layOutRim({
  circumferenceMm: 534,
  angles: [
    { name: 'TDC 1', afterDeg: 0 },
    { name: 'spark', afterDeg: -30 },
    { name: 'TDC 2', afterDeg: 90 },
  ],
  turns: 'rim',
  along: 'running',
})
const tape = tapeDrawing({ circumferenceMm: 534, places, degreesAlong: (deg) => -deg })

describe('a tape for the rim', () => {
  test('read back out of the SVG, marks lie where the numbers put them, to 0.05 mm', () => {
    const marks = linesOfSvg(svgOfDrawing(tape)).filter(([, , , , weight]) => weight === 0.5)
    expect(marks.map(([x]) => x)).toEqual([0, 44.5, 400.5].map((x) => expect.closeTo(x, 1)))
    expect(svgOfDrawing(tape)).toContain('width="534mm"')
  })
  test('it is as long as the rim, with a tick at each degree', () => {
    const ticks = linesOfSvg(svgOfDrawing(tape)).filter(([, , , , weight]) => weight === 0.12)
    expect(ticks).toHaveLength(361)
    expect(ticks.at(-1)?.[0]).toBeCloseTo(534, 3)
  })
})

describe.each<PaperSize>(['A4', 'Letter'])('on %s', (paper) => {
  const pieceLengths = (pages: readonly PaperDrawing[]) =>
    pages.flatMap(({ parts }) =>
      parts.flatMap((part) =>
        part.kind === 'line' && part.weightMm === 0.15 && part.y1 === part.y2 ? [part.x2 - part.x1] : [],
      ),
    )
  test('the pieces of a tape add up to its length, top and bottom edge', () => {
    const pages = tilePages(tape, paper, 'Tape')
    expect(pieceLengths(pages).reduce((sum, length) => sum + length, 0)).toBeCloseTo(2 * 534, 6)
    expect(pages).toHaveLength(1)
  })
  test('every page has its ruler of a hundred millimetres', () => {
    const wheel = wheelDrawing({ diameterMm: 300, numbering: 'full', rises: 'clockwise', boltMm: 14, marks: [] })
    const pages = tilePages(wheel, paper, 'Degree wheel')
    expect(pages).toHaveLength(4)
    for (const page of pages) {
      expect(page).toMatchObject(PAPER_MM[paper])
      expect(
        linesOfSvg(svgOfDrawing(page)).some(([x1, y1, x2, y2, w]) => w === 0.3 && y1 === y2 && x2 - x1 === 100),
      ).toBe(true)
    }
  })
  test('nothing is drawn off the page', () => {
    const wheel = wheelDrawing({ diameterMm: 420, numbering: 'half', rises: 'anticlockwise', boltMm: 20, marks: [] })
    for (const { parts, widthMm, heightMm } of tilePages(wheel, paper, 'Degree wheel')) {
      for (const part of parts) {
        const xs = part.kind === 'line' ? [part.x1, part.x2] : [part.x]
        const ys = part.kind === 'line' ? [part.y1, part.y2] : [part.y]
        expect(Math.min(...xs, ...ys)).toBeGreaterThanOrEqual(0)
        expect(Math.max(...xs)).toBeLessThanOrEqual(widthMm)
        expect(Math.max(...ys)).toBeLessThanOrEqual(heightMm)
      }
    }
  })
})

test('a wheel as large as the page needs no cutting, and its ticks end on its circle', () => {
  const wheel = wheelDrawing({
    diameterMm: 180,
    numbering: 'quarter',
    rises: 'clockwise',
    boltMm: 12,
    marks: [{ name: 'TDC 1', deg: 0 }],
  })
  expect(tilePages(wheel, 'A4', 'Degree wheel')).toHaveLength(1)
  const ends = linesOfSvg(svgOfDrawing(wheel)).filter(([, , , , weight]) => weight === 0.12 || weight === 0.25)
  expect(ends).toHaveLength(360)
  for (const [, , x, y] of ends) expect(Math.hypot(x - 90, y - 90)).toBeCloseTo(90, 2)
})

test('names cannot break out of the SVG', () => {
  const svg = svgOfDrawing({
    widthMm: 9,
    heightMm: 9,
    parts: [{ kind: 'text', x: 1, y: 1, text: '<script>"', sizeMm: 2, anchor: 'start', turnDeg: 0 }],
  })
  expect(svg).toContain('&lt;script&gt;&quot;')
})

test('a link map has every pin, and its marks stand five millimetres a pitch along', () => {
  const place = (name: string, atPitches: number) => ({
    markId: name,
    name,
    atPitches,
    nearest: atPitches,
    offPitches: 0,
    teeth: 0,
  })
  const places = [place('crank', 0), place('cam', 46)]
  const map = linkMapDrawing(places, 70, 'rollerChain')
  expect(map.widthMm).toBe(350)
  expect(map.parts.filter(({ kind }) => kind === 'circle')).toHaveLength(71)
  expect(
    linesOfSvg(svgOfDrawing(map))
      .filter(([x1, , x2, , w]) => w === 0.4 && x1 === x2)
      .map(([x]) => x),
  ).toEqual([0, 230])
  expect(tilePages(map, 'A4', 'Map')).toHaveLength(1)
  const belt = linkMapDrawing(places, 70, 'toothedBelt')
  expect(belt.parts.filter(({ kind }) => kind === 'circle')).toHaveLength(0)
  expect(linesOfSvg(svgOfDrawing(belt)).filter(([, , , , w]) => w === 2)).toHaveLength(71)
})
