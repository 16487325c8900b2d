import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '../model'
import { beginSheet } from '../starters'
import { disagreementsOf } from './disagreements'
import type { Figure } from './figures'
import { withFigure } from './withFigure'

const trusted = (value: number, trust: 'measured' | 'manual' | 'memory' = 'measured') => ({
  value,
  typed: String(value),
  trust,
})

/** One chain, 19 to 38 teeth of 9.525 mm, 70 pitches, everything measured: two circles of 28.935 and 57.670 mm, 193.781 mm apart. */
function measured(): BuildSheet {
  const begun = beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 1,
    layout: 'inLine',
    drive: 'oneChain',
    guide: false,
    tensioner: false,
  })
  return {
    ...begun,
    running: { value: 'clockwise', typed: 'clockwise', trust: 'measured' },
    members: begun.members.map((one) => ({ ...one, teeth: trusted(one.id === 'crank-sprocket' ? 19 : 38) })),
    loops: begun.loops.map((one) => ({ ...one, pitchMm: trusted(9.525), pitches: trusted(70) })),
    shafts: begun.shafts.map((one) =>
      one.kind === 'crank'
        ? one
        : {
            ...one,
            position: {
              how: 'polar' as const,
              fromShaftId: 'crank',
              distanceMm: trusted(193.781),
              directionDeg: trusted(85.857),
            },
          },
    ),
    marks: begun.marks.map((one) => ({ ...one, pointsAtDeg: trusted(one.id === 'crank-mark' ? 345 : 70) })),
  }
}
const figure = (list: Figure['list'], id: string, field: string): Figure => ({ list, id, field })
const teeth = figure('members', 'cam-sprocket', 'teeth')
const distance = figure('shafts', 'camshaft', 'distance')
const pitches = figure('loops', 'chain', 'pitches')
const about = (sheet: BuildSheet) => disagreementsOf(sheet).map((one) => one.about)

describe('figures that disagree', () => {
  test('one chain whose figures all close: none', () => {
    expect(disagreementsOf(measured())).toEqual([])
  })

  test('37 teeth for 38 turn the cam 19/37: it is the 37 that is counted again', () => {
    const found = disagreementsOf(withFigure(measured(), teeth, 37))
    expect(found.find((one) => one.about === 'ratio')).toMatchObject({
      one: '19/37',
      other: '1/2',
      again: [{ figure: teeth, now: 37, wouldBe: 38 }],
    })
  })

  test('a distance 20 mm too long needs 73.8 pitches and the chain has 70; the distance would have to be 195.5 mm', () => {
    // N = 2C/p + (z1 + z2)/2 + p ((z2 - z1)/2pi)²/C: 73.796 at 213.781, 70 at 195.5. Source: the usual approximation for an open chain drive, from memory.
    const [one] = disagreementsOf(withFigure(measured(), distance, 213.781))
    expect(one).toMatchObject({ about: 'length', loopId: 'chain', one: 70 })
    expect(one?.about === 'length' && one.other).toBeCloseTo(73.8, 1)
    const again = one?.again.find((each) => each.figure.field === 'distance')
    expect(again?.wouldBe).toBeCloseTo(195.5, 1)
  })

  test('of figures that could each end it the one that was only remembered is measured again first', () => {
    const sheet = measured()
    const remembered: BuildSheet = {
      ...sheet,
      loops: sheet.loops.map((one) => ({ ...one, pitches: trusted(66, 'memory') })),
    }
    expect(disagreementsOf(remembered)[0]?.again[0]).toMatchObject({ figure: pitches, trust: 'memory', wouldBe: 70 })
    expect(disagreementsOf(remembered)[0]?.again[1]).toMatchObject({ figure: distance, trust: 'measured' })
  })

  test('a written count a pitch from what the distances give, and the same of two counts and their whole', () => {
    const sheet = measured()
    const count = (from: string, to: string, n: number) => ({
      id: `c-${from}`,
      loopId: 'chain',
      fromMarkId: from,
      toMarkId: to,
      run: 'tight' as const,
      pitches: trusted(n, 'manual'),
    })
    const marks = { crank: 'crank-mark', cam: 'cam-mark' }
    const far = { ...sheet, counts: [count(marks.cam, marks.crank, 33)] }
    expect(about(far)).toContain('count')
    const places = { ...sheet, marks: sheet.marks.map(({ pointsAtDeg: _gone, ...one }) => one) }
    const two = { ...places, counts: [count(marks.cam, marks.crank, 33), count(marks.crank, marks.cam, 39)] }
    expect(disagreementsOf(two)).toMatchObject([{ about: 'sum', one: 72, other: 70 }])
    expect(disagreementsOf(two)[0]?.again.map(({ now, wouldBe }) => [now, wouldBe])).toContainEqual([33, 31])
  })

  test('whatever is off, every figure that is said to end a disagreement ends it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 170, max: 220, noNaN: true }),
        fc.integer({ min: 62, max: 78 }),
        fc.double({ min: 9.2, max: 9.9, noNaN: true }),
        fc.integer({ min: 34, max: 42 }),
        (d, n, p, z) => {
          const wrong = [
            [distance, d],
            [pitches, n],
            [figure('loops', 'chain', 'pitchMm'), p],
            [teeth, z],
          ] as const
          const sheet = wrong.reduce((so, [one, value]) => withFigure(so, one, value), measured())
          for (const { id, again } of disagreementsOf(sheet))
            for (const one of again)
              if (one.wouldBe !== undefined)
                expect(
                  disagreementsOf(withFigure(sheet, one.figure, one.wouldBe)).map((each) => each.id),
                ).not.toContain(id)
        },
      ),
      { numRuns: 60 },
    )
  })
})
