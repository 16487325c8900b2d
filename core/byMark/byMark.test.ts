import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { camWays, latenessAtItsMark, type ReadOf } from '../cams'
import type { BuildSheet } from '../model'
import { PART_IDS as ids } from '../starters'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import { crankMarkOf, crankMarksOf, inTeeth, markSigmaDeg, offPlace, tellsToothBy, type SeenOff } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const exact = { how: 'exact' } as const

/** One camshaft at half speed, so many teeth on it, its marks cut exactly. */
function engine(camTeeth: number, change: Partial<BuildSheet> = {}): BuildSheet {
  const base = oneChainSheet()
  return {
    ...base,
    members: base.members.map((one) =>
      one.teeth ? { ...one, teeth: known(one.id === ids.camSprocket ? camTeeth : camTeeth / 2) } : one,
    ),
    marks: base.marks.map((mark) => ({ ...mark, exact })),
    ...change,
  }
}
const camshaft = (sheet: BuildSheet) => sheet.shafts.find(({ id }) => id === ids.cam) as BuildSheet['shafts'][number]
const bench = (sheet: BuildSheet) => ({ sheet, zero: undefined, wheelSigmaAt: () => 0.25 })
const seen = (off: SeenOff, crankOffDeg = 0): ReadOf<'camAtMark'> => ({
  kind: 'camAtMark',
  shaftId: ids.cam,
  markId: ids.camMark,
  phase: 'found',
  crank: { by: 'mark', markId: ids.crankMark, offDeg: crankOffDeg },
  off,
})
function lateness(sheet: BuildSheet, off: SeenOff, crankOffDeg = 0) {
  const said = latenessAtItsMark(bench(sheet), seen(off, crankOffDeg))
  if (typeof said === 'string') throw new Error(said)
  return said
}

// Independently computed: 15° of 360/34 = 10.588° a tooth.
test('34 teeth at half speed, half an hour early: 15° at the cam, 30° at the crank, 1.42 teeth; a tooth later leaves 4.4° and 8.8° early', () => {
  const sheet = engine(34)
  const said = lateness(sheet, { by: 'clock', hours: -0.5, sureToHours: 0.5 })
  expect(said.latenessDeg).toBeCloseTo(-30, 9)
  const teeth = inTeeth(sheet, camshaft(sheet), said)
  expect(teeth?.teeth).toBeCloseTo(-1.4167, 4)
  expect(teeth).toMatchObject({ layTeeth: 1, tells: false })
  expect(teeth?.leftoverOwnDeg).toBeCloseTo(-4.41, 2)
  expect(teeth?.leftoverDeg).toBeCloseTo(-8.82, 2)
  expect(tellsToothBy({ by: 'clock', hours: -0.5, sureToHours: 0.25 })).toBe('never')
})

describe('what is seen becomes degrees of the camshaft, late plus', () => {
  const sheet = engine(36)
  // Plain geometry, independently computed: asin(3/60) = 2.866°, asin(0.5/80) = 0.358°; 36 teeth are 10° each; 30° an hour.
  test.each<[SeenOff, number]>([
    [{ by: 'level' }, 0],
    [{ by: 'teeth', teeth: 0.5 }, 5],
    [{ by: 'degrees', deg: -3 }, -3],
    [{ by: 'mm', mm: 3, radiusMm: 60 }, 2.866],
    [{ by: 'feeler', mm: -0.5, acrossMm: 80 }, -0.358],
    [{ by: 'clock', hours: 1, sureToHours: 0.5 }, 30],
    [{ by: 'letters', are: 'upsideDown' }, 180],
    [{ by: 'lobes', point: 'opposite' }, 180],
    [{ by: 'rocking', cylinderId: 'cyl-1' }, 0],
  ])('%j', (off, ownDeg) => {
    const said = offPlace(sheet, camshaft(sheet), off as never)
    expect(typeof said === 'string' ? NaN : said.deg).toBeCloseTo(ownDeg, 3)
  })
  test('off by teeth that nobody counted, or further than its radius, says nothing', () => {
    const bare = { ...sheet, members: sheet.members.map(({ teeth: _teeth, ...one }) => one) }
    expect(offPlace(bare, camshaft(bare), { by: 'teeth', teeth: 1 })).toBe('noTeeth')
    expect(offPlace(sheet, camshaft(sheet), { by: 'mm', mm: 70, radiusMm: 60 })).toBe('noRadius')
  })
})

describe('a mark is as good as it was cut', () => {
  test('exact: what the eye leaves; half a tooth; so many degrees; never asked counts as half a tooth', () => {
    expect(markSigmaDeg(exact, 38)).toBeCloseTo(0.5, 9)
    expect(markSigmaDeg({ how: 'halfTooth' }, 38)).toBeCloseTo(Math.hypot(0.5, 90 / 38), 9)
    expect(markSigmaDeg(undefined, 38)).toBe(markSigmaDeg({ how: 'halfTooth' }, 38))
    expect(markSigmaDeg({ how: 'degrees', deg: 2 }, 38)).toBeCloseTo(Math.hypot(0.5, 1), 9)
  })
  test('only marks that are exact enough tell a tooth', () => {
    const tells = (how: 'exact' | 'halfTooth') => {
      const sheet = engine(38, { marks: engine(38).marks.map((mark) => ({ ...mark, exact: { how } })) })
      return inTeeth(sheet, camshaft(sheet), lateness(sheet, { by: 'level' }))?.tells
    }
    expect(tells('exact')).toBe(true)
    expect(tells('halfTooth')).toBe(false)
  })
})

describe('where the crank stands by a mark', () => {
  const rim = (change: Partial<BuildSheet['rimMarks'][number]>) => ({
    id: 'line',
    name: 'Line',
    where: 'a lug',
    seenFrom: 'timing' as const,
    cutFor: 'tdc' as const,
    cylinderId: 'cyl-1',
    ...change,
  })
  test('sprocket marks stand where they meet, rim marks where they claim to, or where a job found them', () => {
    const places = (change: Partial<BuildSheet['rimMarks'][number]>) =>
      crankMarkOf(engine(38, { rimMarks: [rim(change)] }), 'line')?.placeDeg
    expect(crankMarkOf(engine(38), ids.crankMark)).toMatchObject({ on: 'sprocket', placeDeg: 0 })
    expect(places({})).toBe(0)
    expect(places({ claimDeg: known(-10) })).toBe(350)
    expect(places({ claimDeg: known(-10), errorDeg: known(3) })).toBe(353)
  })
  test('spark, assembly and casting marks say nothing of it', () => {
    const rimMarks = (['spark', 'assembly', 'casting', 'unknown'] as const).map((cutFor) => rim({ id: cutFor, cutFor }))
    expect(crankMarksOf(engine(38, { rimMarks, marks: [] }))).toEqual([])
  })
  test('past its mark the cam reads late by so much; at another mark nothing is said', () => {
    expect(lateness(engine(38), { by: 'level' }, 3).latenessDeg).toBeCloseTo(3, 9)
    const sheet = engine(38, { rimMarks: [rim({ claimDeg: known(90) })] })
    const read = { ...seen({ by: 'level' }), crank: { by: 'mark', markId: 'line', offDeg: 0 } } as const
    expect(latenessAtItsMark(bench(sheet), read)).toBe('crankElsewhere')
    expect(latenessAtItsMark(bench(sheet), { ...read, crank: { ...read.crank, markId: 'gone' } })).toBe('noMark')
  })
})

test('by marks alone an engine reads as the wheel reads it: cam late, crank past its mark, marks that meet somewhere else', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -14, max: 14, noNaN: true }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      fc.integer({ min: 0, max: 719 }),
      fc.integer({ min: 9, max: 30 }),
      (lateDeg, pastDeg, meetsDeg, crankTeeth) => {
        const base = engine(2 * crankTeeth)
        const marks = base.marks.map((mark) => ({ ...mark, meetsAtDeg: known(meetsDeg) }))
        const sheet = { ...base, marks }
        // The crank stands so far past its mark; a cam that is late by so much lacks half of what the crank is not past.
        const off: SeenOff = { by: 'degrees', deg: (lateDeg - pastDeg) / 2 }
        expect(lateness(sheet, off, pastDeg).latenessDeg).toBeCloseTo(lateDeg, 6)
        // With a wheel: turned on until the cam's mark meets, the crank stands late past the place where it should.
        const wheel = camWays.camMark.lateness(
          { ...bench(sheet), zero: { wheelDeg: 7, sigmaDeg: 0.1 } },
          {
            kind: 'camMark',
            shaftId: ids.cam,
            markId: ids.camMark,
            phase: 'found',
            approach: 'running',
            wheelDeg: (((7 + meetsDeg + lateDeg) % 360) + 360) % 360,
          },
        )
        expect(typeof wheel === 'string' ? NaN : wheel.latenessDeg).toBeCloseTo(lateDeg, 6)
      },
    ),
  )
})

describe('one thing read twice', () => {
  const sheet = engine(38)
  const timing = (...offs: SeenOff[]) =>
    stateAfter(
      offs.map((off) => seen(off)),
      sheet,
    ).timing[ids.cam]?.found
  test('what agrees is kept and combined, and no sharper than one of them', () => {
    const [one, two] = [
      timing({ by: 'degrees', deg: 1 }),
      timing({ by: 'degrees', deg: 1 }, { by: 'degrees', deg: 1.5 }),
    ]
    expect(two?.latenessDeg).toBeCloseTo(2.5, 9)
    expect(two?.sigmaDeg).toBeGreaterThanOrEqual(one?.sigmaDeg ?? NaN)
    expect(two?.witnesses[0]?.repeats).toMatchObject({ agree: true, entryIds: { length: 2 } })
  })
  test('what does not is held against each other: neither wins, and nothing is proved', () => {
    const two = timing({ by: 'degrees', deg: 2 }, { by: 'degrees', deg: 7 })
    expect(two?.witnesses[0]?.repeats).toMatchObject({ agree: false, apartDeg: expect.closeTo(10, 9) })
    expect(two).toMatchObject({ latenessDeg: expect.closeTo(9, 9), proved: false })
    expect(2 * (two?.sigmaDeg ?? 0)).toBeGreaterThanOrEqual(5)
  })
})

test('by marks and counts alone a camshaft is proved, without a degree wheel', () => {
  const sheet = engine(38)
  const state = stateAfter(
    [
      seen({ by: 'level' }),
      {
        kind: 'count',
        loopId: ids.chain,
        fromMarkId: ids.camMark,
        toMarkId: ids.crankMark,
        run: 'tight',
        rule: 'lastOnly',
        counted: 29,
        phase: 'found',
      },
    ],
    sheet,
  )
  expect(state.zero).toBeUndefined()
  expect(state.timing[ids.cam]?.found).toMatchObject({ latenessDeg: 0, proved: true })
})
