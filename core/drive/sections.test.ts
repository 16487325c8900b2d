import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, Loop } from '../model'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { sheetWith } from '../testing/threeMembers'
import { countedThen, latenessByCounts, linkMap, moveOverDriver, movesOf, spokenOf, type Section } from '.'
import { readDrive } from './readDrive'

const teeth = { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 }
const twin = sheetWithDrive('twinCam', teeth)
const loopOf = (sheet: BuildSheet): Loop => {
  const [loop] = sheet.loops
  if (!loop) throw new Error('no loop')
  return loop
}
/** Crank to exhaust is paid out, exhaust to inlet and inlet to crank are pulled; 30 pitches in each. */
const sections = readDrive(twin)
  .sections(loopOf(twin))
  .map((section) => ({
    ...section,
    run: section.from.memberId === 'crank-sprocket' ? ('slack' as const) : ('tight' as const),
  }))
const id = (from: string) => sections.find((one) => one.from.memberId === from)?.id ?? ''
const found = (counts: Record<string, number>) =>
  Object.entries(counts).map(([from, foundPitches]) => ({ sectionId: id(from), foundPitches }))
const late = (counts: Record<string, number>) =>
  Object.fromEntries(
    latenessByCounts(twin, sections, found(counts), 'crank-sprocket').map((one) => [one.memberId, one]),
  )

describe('sections between marks', () => {
  test('one from each mark to the next along the travel, the last back to the first', () => {
    expect(sections.map(({ from, to }) => [from.memberId, to.memberId])).toEqual([
      ['crank-sprocket', 'exhaust-sprocket'],
      ['exhaust-sprocket', 'inlet-sprocket'],
      ['inlet-sprocket', 'crank-sprocket'],
    ])
    expect(sections.map(({ expected }) => [expected?.pitches, expected?.from])).toEqual([
      [30, 'book'],
      [30, 'book'],
      [30, 'book'],
    ])
  })
  test('none with marks on fewer than two wheels; marks of other kinds are no ends', () => {
    const one = { ...twin, marks: twin.marks.slice(0, 1) }
    expect(readDrive(one).sections(loopOf(one))).toEqual([])
    const casting = { ...twin, marks: twin.marks.map((mark) => ({ ...mark, cutFor: 'casting' as const })) }
    expect(readDrive(casting).sections(loopOf(casting))).toEqual([])
  })
  test('with geometry they add up to the loop and begin at the driver', () => {
    const sheet = sheetWith({})
    const solved = readDrive(sheet).solved(loopOf(sheet))
    if (!solved.ok) throw new Error(solved.error.code)
    const all = readDrive(sheet).sections(loopOf(sheet))
    expect(all[0]?.from.memberId).toBe(solved.value.driverId)
    expect(all.reduce((sum, { expected }) => sum + (expected?.pitches ?? NaN), 0)).toBeCloseTo(70, 3)
    expect(all.map(({ run }) => run)).toEqual(['slack', 'tight'])
  })
  test('a count speaks of the wheel upstream, or of the other one where that is the driver', () => {
    const speaks = (section: Section | undefined) => section && spokenOf(twin, section, 'crank-sprocket')
    expect(speaks(sections[0])).toMatchObject({ member: { id: 'exhaust-sprocket' }, run: 'slack' })
    expect(speaks(sections[1])).toMatchObject({ member: { id: 'exhaust-sprocket' }, run: 'tight' })
    expect(speaks(sections[2])).toMatchObject({ member: { id: 'inlet-sprocket' }, run: 'tight' })
  })
})

describe('how late each wheel stands', () => {
  // Handbook 8: one too few on the pulled run means a tooth early; one tooth of 40 at half speed is 18° of the crank.
  test('the wheel next to the crank by its own count, the one beyond by both', () => {
    expect(late({ 'inlet-sprocket': 31, 'exhaust-sprocket': 30 })).toMatchObject({
      'inlet-sprocket': { teethLate: 1, latenessDeg: 18 },
      'exhaust-sprocket': { teethLate: 1, latenessDeg: 18 },
    })
    expect(late({ 'inlet-sprocket': 31, 'exhaust-sprocket': 29 })).toMatchObject({
      'inlet-sprocket': { teethLate: 1 },
      'exhaust-sprocket': { teethLate: 0 },
    })
    expect(late({ 'inlet-sprocket': 29 })).toMatchObject({ 'inlet-sprocket': { teethLate: -1, latenessDeg: -18 } })
  })
  test('what no pulled count reaches is read off the slack run, the other way about', () => {
    expect(Object.keys(late({ 'exhaust-sprocket': 29 }))).toEqual([])
    expect(late({ 'crank-sprocket': 29 })).toMatchObject({ 'exhaust-sprocket': { teethLate: 1 } })
  })
  test('whole teeth and the rest of it', () => {
    expect(late({ 'inlet-sprocket': 31.2 })['inlet-sprocket']).toMatchObject({
      teethLate: 1,
      restPitches: expect.closeTo(0.2, 9),
      restDeg: expect.closeTo(3.6, 9),
    })
  })
  test('counted round the whole loop the lateness is what was laid, whatever was laid', () => {
    const any = fc.integer({ min: -6, max: 6 })
    fc.assert(
      fc.property(any, any, (inlet, exhaust) => {
        const counts = {
          'inlet-sprocket': 30 + inlet,
          'exhaust-sprocket': 30 + exhaust - inlet,
          'crank-sprocket': 30 - exhaust,
        }
        expect(Object.values(counts).reduce((a, b) => a + b)).toBe(90)
        const said = late(counts)
        expect([said['inlet-sprocket']?.teethLate, said['exhaust-sprocket']?.teethLate]).toEqual([
          inlet + 0,
          exhaust + 0,
        ])
        const { moves, then } = movesOf(sections, Object.values(said), found(counts))
        expect(moves.map(({ layTeeth }) => layTeeth).sort()).toEqual([0 - inlet + 0, 0 - exhaust + 0].sort())
        for (const { pitches } of then) expect(pitches).toBeCloseTo(30, 9)
      }),
    )
  })
  test('all out alike are put right over the driver at once, where all of them are counted', () => {
    const over = (counts: Record<string, number>) => {
      const lateness = latenessByCounts(twin, sections, found(counts), 'crank-sprocket')
      return moveOverDriver(sections, lateness, 'crank-sprocket')
    }
    const both = { 'inlet-sprocket': 31, 'exhaust-sprocket': 30 }
    expect(over(both)).toEqual({ memberId: 'crank-sprocket', layTeeth: 1 })
    expect(countedThen(sections, found(both), [{ memberId: 'crank-sprocket', layTeeth: 1 }])).toMatchObject([
      { pitches: 30 },
      { pitches: 30 },
    ])
    expect(over({ 'inlet-sprocket': 31, 'exhaust-sprocket': 29 })).toBeUndefined()
    expect(over({ 'inlet-sprocket': 31 })).toBeUndefined()
    expect(over({ 'inlet-sprocket': 30, 'exhaust-sprocket': 30 })).toBeUndefined()
  })
  test('without a driver nothing is late', () => expect(latenessByCounts(twin, sections, [], undefined)).toEqual([]))
})

describe('where paint belongs on a blank loop', () => {
  test('numbered from the driver’s mark; half pitches are gaps between links', () => {
    const half = sections.map((section, i) =>
      i === 0 && section.expected ? { ...section, expected: { ...section.expected, pitches: 30.4 } } : section,
    )
    expect(linkMap(half)).toMatchObject([
      { markId: 'mark-crank-sprocket', atPitches: 0, nearest: 0, offPitches: 0 },
      { markId: 'mark-exhaust-sprocket', atPitches: 30.4, nearest: 30.5, offPitches: expect.closeTo(-0.1, 9) },
      { markId: 'mark-inlet-sprocket', atPitches: 60.4, nearest: 60.5 },
    ])
  })
  test('not at all while one count is not known', () => {
    const unknown = sections.map((section, i) => (i === 1 ? { ...section, expected: undefined } : section))
    expect(linkMap(unknown)).toBeUndefined()
  })
})
