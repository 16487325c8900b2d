import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { partsOf } from '../sheet'
import { PART_IDS as ids } from '../starters'
import type { BuildSheet } from '../model'
import { sheetWith } from '../testing/threeMembers'
import {
  countedMarks,
  countFromPitches,
  expectedCount,
  judgeCount,
  pitchesFromCount,
  readDrive,
  type ExpectedCount,
} from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })

function countable(sheet: BuildSheet) {
  const loop = sheet.loops[0]
  const solved = loop && readDrive(sheet).solved(loop)
  const marks = loop && countedMarks(sheet, loop, 'tight')
  if (!loop || !solved?.ok || !marks) throw new Error(JSON.stringify(solved))
  return { loop, solved: solved.value, marks }
}

describe('counting rules', () => {
  // Common practice, no source: a gap has a pin under it, a tip has none.
  test.each([
    ['both', 'gap', 'gap', 30, 29],
    ['neither', 'gap', 'gap', 28, 29],
    ['firstOnly', 'gap', 'gap', 29, 29],
    ['lastOnly', 'gap', 'gap', 29, 29],
    ['both', 'tip', 'tip', 29, 29],
    ['neither', 'tip', 'tip', 29, 29],
    ['both', 'tip', 'gap', 29, 28.5],
    ['neither', 'tip', 'gap', 28, 28.5],
  ] as const)('%s, %s to %s: %i counted is %d pitches', (rule, from, to, counted, pitches) => {
    expect(pitchesFromCount({ counted, rule, from, to })).toBe(pitches)
    expect(countFromPitches({ pitches, rule, from, to })).toBe(counted)
  })
})

const expectedBetween = (...args: Parameters<typeof expectedCount>) => {
  const expected = expectedCount(...args)
  return expected === 'wrapTooShort' ? undefined : expected
}
const markToMark = (expected: ExpectedCount | undefined) =>
  expected ? expected.pitches - expected.toTeeth + expected.fromTeeth : NaN

describe('the loop', () => {
  test('closes to its whole number of pitches with the tensioner where it takes up the slack', () => {
    const { solved } = countable(sheetWith({}))
    expect(solved.path.pitches).toBeCloseTo(70, 3)
    expect(solved.drawn).toBe('toScale')
    expect(solved.tensionerTravelMm).toBeGreaterThan(0)
  })
  test('too short or too long is said with by how much', () => {
    const short = sheetWith({ links: 68 })
    const long = sheetWith({ links: 120 })
    expect(readDrive(short).solved(short.loops[0] as never)).toMatchObject({
      error: { code: 'loopTooShort', shortPitches: expect.closeTo(1.64, 1) },
    })
    expect(readDrive(long).solved(long.loops[0] as never)).toMatchObject({ error: { code: 'loopTooLong' } })
  })
  test('counts only: drawn schematically so that it closes, and said', () => {
    const base = sheetWith({})
    const sheet = {
      ...base,
      shafts: base.shafts.map((shaft) => (shaft.id === ids.cam ? { ...shaft, position: undefined } : shaft)),
    } as BuildSheet
    const { solved, marks } = countable(sheet)
    expect(solved.drawn).toBe('schematic')
    expect(solved.path.pitches).toBeCloseTo(70, 3)
    expect(solved.gaps).toContain('distance')
    expect(expectedCount(sheet, solved, marks.from, marks.to)).toBeUndefined()
  })
  test('teeth missing are named', () => {
    const base = sheetWith({})
    const sheet = { ...base, members: base.members.map(({ teeth: _teeth, ...member }) => member) } as BuildSheet
    expect(readDrive(sheet).solved(sheet.loops[0] as never)).toMatchObject({
      error: { code: 'teethMissing', memberIds: [ids.crankSprocket, ids.camSprocket] },
    })
  })
})

describe('expected count', () => {
  // Independently computed, by hand: cam wrap 82.671° of 38 teeth = 8.726, run 191.638 / 9.525 = 20.120, crank wrap 2.329° of 19 = 0.123.
  test('from cam mark along the tight run to the crank mark', () => {
    const sheet = sheetWith({})
    const { solved, marks } = countable(sheet)
    expect(expectedBetween(sheet, solved, marks.from, marks.to)?.pitches).toBeCloseTo(28.969, 2)
  })
  test('the other running direction is the mirror image', () => {
    const sheet = sheetWith({ running: 'anticlockwise' })
    const { solved, marks } = countable(sheet)
    expect(expectedBetween(sheet, solved, marks.from, marks.to)?.pitches).toBeCloseTo(28.969, 2)
  })
  test('counts down one run and up the other make the whole loop; a mark moved one tooth moves the count by one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 75, noNaN: true }),
        fc.constantFrom('clockwise' as const, 'anticlockwise' as const),
        (camMarkDeg, running) => {
          const [a, b] = [sheetWith({ camMarkDeg, running }), sheetWith({ camMarkDeg: camMarkDeg + 360 / 38, running })]
          const [one, two] = [a, b].map((sheet) => {
            const { solved, marks } = countable(sheet)
            return expectedBetween(sheet, solved, marks.from, marks.to)
          })
          expect((one?.pitches ?? 0) + (one?.otherRunPitches ?? 0)).toBeCloseTo(70, 3)
          expect(markToMark(two) - markToMark(one)).toBeCloseTo(1, 6)
        },
      ),
      { numRuns: 40 },
    )
  })
  test('a book count that disagrees is shown beside the geometry, not instead of it', () => {
    const sheet = {
      ...sheetWith({}),
      counts: [
        {
          id: 'c',
          loopId: ids.chain,
          fromMarkId: ids.camMark,
          toMarkId: ids.crankMark,
          run: 'tight' as const,
          pitches: known(27),
        },
      ],
    }
    const { solved, marks } = countable(sheet)
    expect(expectedBetween(sheet, solved, marks.from, marks.to)?.contradicts).toMatchObject({ book: 27 })
  })
})

describe('what a count says (signs of handbook 8)', () => {
  const expected = { pitches: 28.97, otherRunPitches: 41.03, from: 'geometry' as const, fromTeeth: 0, toTeeth: 0 }
  const judge = (foundPitches: number, run: 'tight' | 'slack' = 'tight') =>
    judgeCount({ foundPitches, expected, run, drivenTeeth: 38, ratio: { num: 1, den: 2 } })
  test('one too few from cam to crank on the tight run is one tooth early; lay it one tooth further', () => {
    expect(judge(28)).toMatchObject({
      pitchesOut: -1,
      layTeeth: 1,
      toothCrankDeg: expect.closeTo(18.947, 3),
      latenessDeg: expect.closeTo(-18.379, 3),
    })
    expect(judge(28).leftoverDeg).toBeCloseTo(0.568, 3)
  })
  test('one too few the other way along is late', () =>
    expect(judge(28, 'slack')).toMatchObject({ layTeeth: -1, latenessDeg: expect.closeTo(18.379, 3) }))
  test('right is right', () => expect(judge(29)).toMatchObject({ pitchesOut: 0, layTeeth: 0, suspicion: undefined }))
  test('the other run, and an end counted too many, are offered', () => {
    expect(judge(41).suspicion).toBe('otherRun')
    expect(judge(30).suspicion).toBe('bothEndsCounted')
    expect(judge(28).suspicion).toBe('noEndCounted')
  })
  test('lateness is always the whole teeth and the leftover', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 140 }), (halves) => {
        const { latenessDeg, leftoverDeg, pitchesOut, toothCrankDeg } = judge(halves / 2)
        expect(latenessDeg).toBeCloseTo(pitchesOut * toothCrankDeg + leftoverDeg, 9)
        expect(Math.abs(leftoverDeg)).toBeLessThanOrEqual(toothCrankDeg / 2 + 1e-9)
      }),
    )
  })
})

/* A bank whose marks are cut for an event of its own: 90° on, a camshaft at half speed has turned 45° the way the engine runs. */
test('a mark that meets at another place of the crank is turned back to the pose', () => {
  const countOf = (sheet: BuildSheet) => {
    const [loop] = sheet.loops
    const solved = loop && readDrive(sheet).solved(loop)
    const [from, to] = [ids.camMark, ids.crankMark].map((id) => partsOf(sheet).mark(id))
    return solved?.ok && from && to ? markToMark(expectedBetween(sheet, solved.value, from, to)) : undefined
  }
  const own = sheetWith({ camMarkDeg: 25 })
  const later = {
    ...own,
    marks: own.marks.map((mark) => (mark.id === ids.camMark ? { ...mark, meetsAtDeg: known(90) } : mark)),
  }
  expect(countOf(later)).toBeCloseTo(countOf(sheetWith({ camMarkDeg: 70 })) ?? NaN, 6)
  expect(countOf(own)).not.toBeCloseTo(countOf(later) ?? NaN, 1)
})
