import { describe, expect, test } from 'vitest'
import { TOPOLOGIES } from '../starters'
import { firstJob, oneChainSheet, counted, entriesOf, turned } from '../testing/oneChain'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { buildSheetSchema, engineSchema, entrySchema, jobSchema, type BuildSheet } from '.'

const sheet = oneChainSheet()
const known = (value: unknown) => ({ value, typed: String(value), trust: 'measured' })

/** Where the schema says that a sheet is wrong; undefined when it takes it. */
function wrongAt(change: Record<string, unknown>): string | undefined {
  const parsed = buildSheetSchema.safeParse({ ...sheet, ...change })
  return parsed.success ? undefined : parsed.error.issues[0]?.path.join('.')
}
const first = <K extends 'members' | 'shafts' | 'loops' | 'marks' | 'cams' | 'cylinders'>(key: K, change: object) => ({
  [key]: sheet[key].map((one, i) => (i === 0 ? { ...one, ...change } : one)),
})

describe('a build sheet', () => {
  test.each(TOPOLOGIES)('begun from %s is one, and stays the same through JSON', (drive) => {
    const begun = sheetWithDrive(drive, {})
    expect(buildSheetSchema.parse(JSON.parse(JSON.stringify(begun)))).toEqual(begun)
  })
  test.each<[string, Record<string, unknown>, string]>([
    ['a field that nobody knows', { colour: 'red' }, ''],
    ['a cycle of one and a half turns', { cycleDeg: 540 }, 'cycleDeg'],
    ['an engine that may or may not collide', { interference: known('perhaps') }, 'interference.value'],
    ['a sprocket of half a tooth', first('members', { teeth: known(19.5) }), 'members.0.teeth.value'],
    ['a sprocket of none', first('members', { teeth: known(0) }), 'members.0.teeth.value'],
    ['a radius that is no number', first('members', { radiusMm: known(Number.NaN) }), 'members.0.radiusMm.value'],
    ['a shaft that never turns', first('shafts', { ratio: { num: 1, den: 0 } }), 'shafts.0.ratio.den'],
    ['a chain of four links', first('loops', { pitches: known(4) }), 'loops.0.pitches.value'],
    ['a chain of two and a half', first('loops', { pitches: known(70.5) }), 'loops.0.pitches.value'],
    ['a mark between tooth and gap', first('marks', { halfTeeth: 1.5 }), 'marks.0.halfTeeth'],
    ['a mark that meets in the next cycle', first('marks', { meetsAtDeg: known(720) }), 'marks.0.meetsAtDeg.value'],
    [
      'a figure that nobody says where it is from',
      first('members', { teeth: { value: 19, typed: '19' } }),
      'members.0.teeth.trust',
    ],
    ['a name as long as a letter', first('shafts', { name: 'x'.repeat(5000) }), 'shafts.0.name'],
    ['an id with a path in it', first('cylinders', { id: '../etc' }), 'cylinders.0.id'],
    ['a thousand cylinders', { cylinders: Array.from({ length: 1000 }, () => sheet.cylinders[0]) }, 'cylinders'],
  ])('is not one with %s', (_why, change, where) => expect(wrongAt(change)).toBe(where))
  test('is one with everything that may be left out left out', () => {
    const bare: BuildSheet = { ...sheet, members: sheet.members.map(({ id, name, kind }) => ({ id, name, kind })) }
    expect(buildSheetSchema.safeParse(bare).success).toBe(true)
  })
})

describe('lines of the ledger', () => {
  const line = (change: object) => {
    const parsed = entrySchema.safeParse({ ...entriesOf([counted(29)])[0], ...change })
    return parsed.success ? undefined : parsed.error.issues[0]?.path.join('.')
  }
  test.each<[object, string | undefined]>([
    [{}, undefined],
    [{ counted: -1 }, 'counted'],
    [{ counted: 28.5 }, 'counted'],
    [{ rule: 'some' }, 'rule'],
    [{ kind: 'guess' }, 'kind'],
    [{ counter: 0 }, 'counter'],
    [{ at: 'yesterday' }, 'at'],
    [{ seenFrom: 'above' }, 'seenFrom'],
    [{ note: 'besides' }, ''],
  ])('%o', (change, where) => expect(line(change)).toBe(where))
  test('a device, or one that was seen, is not named like what every object has', () => {
    const named = (change: object) => entrySchema.safeParse({ ...entriesOf([turned(1)])[0], ...change }).success
    expect([named({ device: 'd-1' }), named({ device: 'toString' }), named({ device: '__proto__' })]).toEqual([
      true,
      false,
      false,
    ])
    expect([named({ seen: { 'd-2': 3 } }), named({ seen: { constructor: 3 } })]).toEqual([true, false])
    expect(named({ seen: { 'd-2': 0 } })).toBe(false)
  })
  test('a turn of a thousand turns is a slip', () => {
    const parse = (deg: number) => entrySchema.safeParse(entriesOf([turned(deg)])[0]).success
    expect([parse(720), parse(-30), parse(360_000), parse(Infinity)]).toEqual([true, true, false, false])
  })
})

test('jobs and engines', () => {
  expect(jobSchema.safeParse(firstJob).success).toBe(true)
  expect(jobSchema.safeParse({ ...firstJob, arrival: 'towed' }).success).toBe(false)
  const engine = { id: 'e', name: 'Engine', description: '', at: firstJob.at }
  expect(engineSchema.safeParse(engine).success).toBe(true)
  expect(engineSchema.safeParse({ ...engine, name: '' }).success).toBe(false)
})
