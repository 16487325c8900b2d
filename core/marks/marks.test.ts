import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry, RimMark } from '../model'
import { oneChainSheet, CYL, degreeWheel, stateAfter, stops } from '../testing/oneChain'
import { compareMark, readMarks, turnsToMeet } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const mark = (change: Partial<RimMark>): RimMark => ({
  id: 'm',
  name: 'Long line',
  where: 'pulley',
  seenFrom: 'timing',
  cutFor: 'tdc',
  cylinderId: CYL,
  claimDeg: known(0),
  ...change,
})
const sheetWith = (change: Partial<RimMark>): BuildSheet => {
  const base = oneChainSheet({ rimMm: known(540), rimMarks: [mark(change)] })
  return { ...base, cylinders: [...base.cylinders, { id: 'cyl-2', name: '2', bankId: 'bank', firingDeg: known(405) }] }
}
/** Zero at wheel 5, proved by two depths; then the mark. */
const read = (wheelDeg: number, change: Partial<RimMark> = {}, claimDeg = 0) => {
  const entry: NewEntry = { kind: 'factoryMark', cylinderId: CYL, name: 'Long line', markId: 'm', wheelDeg, claimDeg }
  const sheet = sheetWith(change)
  const [found] = readMarks(sheet, stateAfter([degreeWheel, stops(340, 30), stops(330, 40), entry], sheet))
  if (!found) throw new Error('not read')
  return found
}

describe('a mark is a claim', () => {
  test('within the ± it agrees', () => expect(read(5.5).verdict).toEqual({ kind: 'agrees' }))
  test('6° out: in degrees and along the rim of 540 mm, and it may sit on a slipped ring', () => {
    expect(read(11)).toMatchObject({
      errorDeg: expect.closeTo(6, 9),
      errorMm: expect.closeTo(9, 9),
      verdict: { kind: 'displaced' },
    })
  })
  test('6° before TDC it may be cut for the spark', () =>
    expect(read(359).verdict).toEqual({ kind: 'maybeSpark', beforeDeg: expect.closeTo(6, 9) }))
  test('where the other cylinder has its TDC it is that one’s', () =>
    expect(read(50).verdict).toEqual({ kind: 'otherCylinder', cylinderId: 'cyl-2' }))
  test('a spark mark is judged against what it claims', () => {
    expect(read(337, { cutFor: 'spark', claimDeg: known(-28) }, -28)).toMatchObject({
      standsDeg: expect.closeTo(-28, 9),
      verdict: { kind: 'agrees' },
    })
    expect(read(340, { cutFor: 'spark', claimDeg: known(-28) }, -28).verdict).toEqual({ kind: 'displaced' })
  })
  test('castings and assembly marks are decoys wherever they stand, and prove nothing', () => {
    expect(read(5, { cutFor: 'casting' }).verdict).toEqual({ kind: 'decoy' })
    const sheet = sheetWith({ cutFor: 'casting' })
    const entry: NewEntry = { kind: 'factoryMark', cylinderId: CYL, name: 'x', markId: 'm', wheelDeg: 5, claimDeg: 0 }
    expect(stateAfter([degreeWheel, stops(340, 30), entry], sheet).zero?.proved).toBe(false)
  })
})

test('between two visits a mark that has moved by more than the ± of both is named', () => {
  expect(compareMark(read(11), read(5))).toMatchObject({ movedDeg: expect.closeTo(6, 9), moved: true })
  expect(compareMark(read(5.5), read(5)).moved).toBe(false)
})

test('a half-speed mark is back at its pointer every two turns (handbook 6)', () => {
  const sheet = oneChainSheet()
  expect(sheet.marks.map((one) => turnsToMeet(sheet, one))).toEqual([1, 2])
})
