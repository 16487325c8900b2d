import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { entrySchema } from '@link-count/core/model'
import { markOf, movedMark, sizedMark, type Drawn } from './markEdits'

/* Independently worked out on a picture three wide and two high. */

const how = { shape: 2 / 3, word: 'bevel' }
const place = fc.record({
  x: fc.double({ min: -0.5, max: 1.5, noNaN: true }),
  y: fc.double({ min: -0.5, max: 1.5, noNaN: true }),
})
const shapes = fc.constantFrom<Drawn>('arrow', 'circle', 'word')

const kept = (marks: unknown) =>
  entrySchema.safeParse({
    ...{ kind: 'pictureMarks', pictureId: 'p', marks: [marks], onCard: false },
    ...{ id: 'e', jobId: 'j', sheetId: 's', device: 'd', counter: 1, at: '2026-01-05T08:00:00.000Z' },
    ...{ seenFrom: 'timing', conditions: [], typed: [] },
  })

describe('what a stroke draws', () => {
  test('an arrow from where it began to where it ended', () =>
    expect(markOf('arrow', { x: 0.1, y: 0.2 }, { x: 0.5, y: 0.6 }, how)).toEqual({
      shape: 'arrow',
      x: 0.5,
      y: 0.6,
      fromX: 0.1,
      fromY: 0.2,
    }))
  test('a circle through where it ended: 0.3 across, and 0.6 down of two thirds are 0.4', () =>
    expect(markOf('circle', { x: 0.2, y: 0.2 }, { x: 0.5, y: 0.8 }, how)).toMatchObject({
      x: 0.2,
      y: 0.2,
      radius: 0.5,
    }))
  test('a touch: an arrow that comes from where there is room', () => {
    const touched = (x: number, y: number) => markOf('arrow', { x, y }, { x, y }, how)
    expect(touched(0.5, 0.5)).toMatchObject({ fromX: 0.68, fromY: 0.23 })
    expect(touched(0.9, 0.1)).toMatchObject({ fromX: 0.72, fromY: 0.37 })
  })
  test('a word', () =>
    expect(markOf('word', { x: 0.3, y: 0.3 }, { x: 0.3, y: 0.3 }, how)).toEqual({
      shape: 'word',
      x: 0.3,
      y: 0.3,
      text: 'bevel',
    }))
})

describe('wherever it is drawn, moved or made larger', () => {
  test('it is a mark that the ledger takes', () => {
    fc.assert(
      fc.property(shapes, place, place, place, fc.constantFrom(0.5, 1.2, 3), (drawn, from, to, by, times) => {
        const mark = markOf(drawn, from, to, how)
        expect(kept(mark).success).toBe(true)
        expect(kept(movedMark(mark, by)).success).toBe(true)
        expect(kept(sizedMark(mark, times)).success).toBe(true)
      }),
    )
  })
  test('moved there and back it is where it was, where nothing stands in the way', () => {
    const arrow = markOf('arrow', { x: 0.4, y: 0.4 }, { x: 0.6, y: 0.6 }, how)
    expect(movedMark(movedMark(arrow, { x: 0.2, y: -0.1 }), { x: -0.2, y: 0.1 })).toEqual(arrow)
    expect(movedMark(arrow, { x: 0.9, y: 0 })).toMatchObject({ x: 1, fromX: 0.8 })
  })
})
