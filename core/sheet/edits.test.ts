import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { buildSheetSchema, type BuildSheet } from '../model'
import { beginSheet } from '../starters'
import { same, sheetEdits, turnedRound, undoEdits } from './edits'

const sheet = beginSheet({
  id: 's',
  engineId: 'e',
  at: '2026-01-01T00:00:00.000Z',
  cylinders: 4,
  drive: 'twoStage',
  guide: false,
  tensioner: false,
})
const value = <T>(of: T) => ({ value: of, typed: String(of), trust: 'measured' as const })
type Change = (sheet: BuildSheet) => BuildSheet

/** Parts put in, taken out, moved and renamed, figures written and taken away: in any order. */
const change: fc.Arbitrary<Change> = fc
  .record({
    what: fc.constantFrom('add', 'remove', 'move', 'teeth', 'rename', 'stroke', 'noStroke', 'pose'),
    at: fc.nat(7),
    n: fc.integer({ min: 8, max: 60 }),
  })
  .map(({ what, at, n }): Change => {
    const id = `part-${n}`
    switch (what) {
      case 'add':
        return (s) =>
          s.members.some((one) => one.id === id)
            ? s
            : { ...s, members: s.members.toSpliced(at, 0, { id, name: `Idler ${n}`, kind: 'idler' }) }
      case 'remove':
        return (s) => ({ ...s, members: s.members.toSpliced(at, 1) })
      case 'move':
        return (s) => ({ ...s, members: [...s.members.slice(at), ...s.members.slice(0, at)] })
      case 'teeth':
        return (s) => ({ ...s, members: s.members.map((one, i) => (i === at ? { ...one, teeth: value(n) } : one)) })
      case 'rename':
        return (s) => ({ ...s, marks: s.marks.map((one, i) => (i === at ? { ...one, name: `Mark ${n}` } : one)) })
      case 'stroke':
        return (s) => ({ ...s, strokeMm: value(n) })
      case 'noStroke':
        return ({ strokeMm: _stroke, ...s }) => s
      default:
        return (s) => ({ ...s, referencePose: { ...s.referencePose, crankDeg: value(n) } })
    }
  })
const changes = fc.array(change, { maxLength: 12 })
const after = (from: BuildSheet, all: readonly Change[]) => all.reduce((now, one) => one(now), from)

describe('undo', () => {
  test('gives back the sheet that was, and redo the one that became of it, as they parse', () => {
    fc.assert(
      fc.property(changes, changes, (first, second) => {
        const before = after(sheet, first)
        const now = { ...after(before, second), id: 't', version: 2 }
        const edits = sheetEdits(before, now)
        const back = undoEdits(now, edits)
        expect(back.skipped).toEqual([])
        expect(back.sheet).toMatchObject({ id: 't', version: 2 })
        expect(same({ ...back.sheet, id: before.id, version: before.version }, before)).toBe(true)
        expect(buildSheetSchema.safeParse(back.sheet).success).toBe(true)
        const again = undoEdits(back.sheet, turnedRound(edits))
        expect(again.skipped).toEqual([])
        expect(same(again.sheet, now)).toBe(true)
      }),
      { numRuns: 400 },
    )
  })
  test('leaves a field that somebody else changed since, and takes back the rest', () => {
    const mine = { ...sheet, strokeMm: value(82), rodMm: value(164) }
    const edits = sheetEdits(sheet, mine)
    const theirs = { ...mine, strokeMm: value(84) }
    const { sheet: back, skipped } = undoEdits(theirs, edits)
    expect(back.strokeMm?.value).toBe(84)
    expect(back.rodMm).toBeUndefined()
    expect(skipped).toMatchObject([{ of: 'field', key: 'strokeMm' }])
  })
  test('another field of the same part stays', () => {
    const named = (s: BuildSheet, name: string) => ({
      ...s,
      members: s.members.map((one) => (one.id === 'exhaust-sprocket' ? { ...one, name } : one)),
    })
    const counted = (s: BuildSheet) => ({
      ...s,
      members: s.members.map((one) => (one.id === 'exhaust-sprocket' ? { ...one, teeth: value(38) } : one)),
    })
    const edits = sheetEdits(sheet, counted(sheet))
    const { sheet: back, skipped } = undoEdits(named(counted(sheet), 'Outlet sprocket'), edits)
    expect(skipped).toEqual([])
    const part = back.members.find(({ id }) => id === 'exhaust-sprocket')
    expect(part?.name).toBe('Outlet sprocket')
    expect(part && 'teeth' in part).toBe(false)
  })
})
