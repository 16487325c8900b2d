import { describe, expect, test } from 'vitest'
import { makeProjection } from './projection'
import { gearPath, sprocketPath } from './sprocketPath'
import { paintLinks, type LinkPaint } from './paintLinks'

/** A canvas that writes down what it was told: how many lines and circles went into each stroke or fill, and in which colour. */
function recorder() {
  const strokes: { lines: number; arcs: number; colour: string; how: 'stroke' | 'fill' }[] = []
  let [lines, arcs] = [0, 0]
  const ctx = {
    strokeStyle: '',
    fillStyle: '',
    lineWidth: 0,
    lineCap: '',
    beginPath: () => ([lines, arcs] = [0, 0]),
    moveTo: () => undefined,
    lineTo: () => (lines += 1),
    arc: () => (arcs += 1),
    stroke: () => strokes.push({ lines, arcs, colour: ctx.strokeStyle, how: 'stroke' }),
    fill: () => strokes.push({ lines, arcs, colour: ctx.fillStyle, how: 'fill' }),
  }
  return { ctx: ctx as unknown as CanvasRenderingContext2D, strokes }
}

const links = 12
const paint = (change: Partial<LinkPaint> = {}): LinkPaint => ({
  kind: 'rollerChain',
  xs: Float64Array.from({ length: links }, (_, k) => 100 * Math.cos((2 * Math.PI * k) / links)),
  ys: Float64Array.from({ length: links }, (_, k) => 100 * Math.sin((2 * Math.PI * k) / links)),
  links,
  pitchMm: 51.8,
  projection: makeProjection(
    { left: -120, right: 120, bottom: -120, top: 120 },
    { width: 300, height: 300, side: 'timing', margin: { left: 0, right: 0, y: 0 } },
  ),
  colours: { plateA: 'a', plateB: 'b', pin: 'pin', rim: 'rim', counted: 'blue', paint: 'brass' },
  inside: 1,
  counted: undefined,
  painted: [],
  ...change,
})
const drawn = (change: Partial<LinkPaint> = {}) => {
  const { ctx, strokes } = recorder()
  paintLinks(ctx, paint(change))
  return strokes
}
const total = (strokes: ReturnType<typeof drawn>, colour: string, what: 'lines' | 'arcs') =>
  strokes.filter((one) => one.colour === colour).reduce((sum, one) => sum + one[what], 0)

describe('a chain', () => {
  test('has as many plates and pins as links, inner and outer by turns', () => {
    const strokes = drawn()
    expect(total(strokes, 'a', 'lines')).toBe(6)
    expect(total(strokes, 'b', 'lines')).toBe(6)
    expect(total(strokes, 'pin', 'arcs')).toBe(12)
  })
  test('a counted run is blue, its pins from the first to the last and the plates between, across the end of the loop too', () => {
    const strokes = drawn({ counted: { from: 10, to: 14 } })
    expect(total(strokes, 'blue', 'lines')).toBe(4)
    expect(total(strokes, 'a', 'lines') + total(strokes, 'b', 'lines')).toBe(8)
    expect(strokes.filter(({ colour }) => colour === 'blue').at(-1)?.arcs).toBe(5)
  })
  test('paint is a ring on its pin, double paint two', () => {
    expect(total(drawn({ painted: [{ pin: 3, rings: 1 }] }), 'brass', 'arcs')).toBe(1)
    expect(
      total(
        drawn({
          painted: [
            { pin: 3, rings: 1 },
            { pin: 14, rings: 2 },
          ],
        }),
        'brass',
        'arcs',
      ),
    ).toBe(3)
    expect(drawn().some(({ colour }) => colour === 'brass')).toBe(false)
  })
  test('however long, it is a few strokes', () => {
    const long = 400
    const ring = (turn: (k: number) => number) =>
      Float64Array.from({ length: long }, (_, k) => 100 * turn((2 * Math.PI * k) / long))
    expect(drawn({ links: long, xs: ring(Math.cos), ys: ring(Math.sin) })).toHaveLength(drawn().length)
  })
})

test.each(['toothedBelt', 'invertedToothChain'] as const)('%s: a band and a tooth at every pitch', (kind) => {
  const strokes = drawn({ kind })
  expect(strokes.reduce((sum, { lines }) => sum + lines, 0)).toBe(2 * links)
  expect(strokes.every(({ arcs }) => arcs === 0)).toBe(true)
})

describe('outlines', () => {
  test.each([
    ['sprocket', sprocketPath],
    ['gear', gearPath],
  ])('a %s is closed and has as many tips as teeth', (_name, outline) => {
    const d = outline(19, 100, 33)
    expect(d).toMatch(/^M.*Z$/)
    expect(d).not.toContain('NaN')
    const radii = [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => Math.hypot(Number(x), Number(y)))
    const tip = Math.max(...radii)
    expect(radii.filter((r) => r > tip - 0.05)).toHaveLength(2 * 19)
    expect(Math.min(...radii)).toBeGreaterThan(60)
  })
})
