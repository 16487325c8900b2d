import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../model'
import { beginSheet, type TOPOLOGIES } from '../starters'
import { answersOf } from './answers'
import { fallsOf, valuesOf, withMiddles } from './falls'
import { figureKey, givenFigure, type Figure } from './figures'
import { nextFigure } from './nextFigure'
import { usualOf } from './usualValues'
import { withFigure } from './withFigure'

const begun = (drive: (typeof TOPOLOGIES)[number] | 'oneChain'): BuildSheet => ({
  ...beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 1,
    layout: 'inLine',
    drive,
    guide: false,
    tensioner: false,
  }),
  running: { value: 'clockwise', typed: 'clockwise', trust: 'measured' },
})
const wantedOf = (sheet: BuildSheet): readonly Figure[] => [
  ...new Map(answersOf(sheet).flatMap(({ ways }) => ways.flat().map((one) => [figureKey(one), one]))).values(),
]

const SAMPLES = 60

/** The spread of an answer, half from its least to its most, while one figure goes through a range in small steps: what stands in is worked out anew at each. */
function spreadOf(nominal: BuildSheet, figure: Figure, from: number, to: number, answerId: string): number {
  let [at, least, most] = [0, 0, 0]
  let before = valuesOf(withFigure(nominal, figure, from)).get(answerId) ?? NaN
  for (let i = 1; i <= SAMPLES; i++) {
    const value = valuesOf(withFigure(nominal, figure, from + ((to - from) * i) / SAMPLES)).get(answerId) ?? NaN
    // A mark that passes the middle of what is off its wrap is counted on from the other side: a whole wheel at once, and no spread.
    if (Math.abs(value - before) < 5) at += value - before
    before = value
    least = Math.min(least, at)
    most = Math.max(most, at)
  }
  return (most - least) / 2
}

describe.each(['oneChain', 'twinCamBelt', 'chainWithPump'] as const)('what a figure narrows, %s', (drive) => {
  const sheet = begun(drive)
  const wanted = wantedOf(sheet)
  const nominal = withMiddles(sheet, wanted)
  const falls = fallsOf(sheet)

  test('every figure that can be measured narrows what wants it as much as going through its whole range does', () => {
    for (const [answerId, byFigure] of falls)
      for (const [key, fall] of byFigure) {
        const figure = wanted.find((one) => figureKey(one) === key)
        const usual = figure && usualOf(figure)
        const at = figure && givenFigure(nominal, figure)?.value
        if (!figure || !usual || at === undefined || figure.list === 'members') continue
        const half = (usual.most - usual.least) / 2
        // Half the range each way of the middle is what the usual values say, however curved the answer is in it.
        const whole = spreadOf(nominal, figure, at - half, at + half, answerId)
        const read = spreadOf(nominal, figure, at - usual.readTo, at + usual.readTo, answerId)
        const tolerance = answerId.startsWith('stop') ? 1 : 0.5
        const brute = (whole - read) / tolerance
        expect(fall, `${answerId} by ${key}`).toBeGreaterThan(brute * 0.5)
        expect(fall, `${answerId} by ${key}`).toBeLessThan(brute * 2 + 0.01)
      }
  })
})

test('of stroke and rod, neither of which settles TDC by a stop alone, the one that moves it more is asked first', () => {
  const sheet = begun('oneChain')
  const stop = answersOf(sheet).filter(({ about }) => about === 'stop')
  // At 10 mm down, rod 2 strokes: the angle goes nearly with the root of the stroke and hardly with the rod.
  expect(nextFigure(stop, { falls: fallsOf(sheet) })?.figure.field).toBe('strokeMm')
})
