import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { countFromPitches, markSeat, movesOf, readDrive, sectionBetween, sumOfSections } from '../drive'
import type { BuildSheet, CountRule, EntryOf } from '../model'
import { oneChainSheet } from '../testing/oneChain'
import { readLoop } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
const RULES: readonly CountRule[] = ['both', 'firstOnly', 'lastOnly', 'neither']

/** One chain round a crank and so many camshafts, counted and not measured: nothing of where the shafts stand is known. `runs`: pitches from mark to mark in
 *  the order of travel from the crank, the first of them the tensioner's; the last but `given` of them stand in no book. */
function engine(runs: readonly number[], halfTeeth: readonly number[], given = runs.length): BuildSheet {
  const base = oneChainSheet()
  const ids = runs.map((_run, i) => (i === 0 ? 'crank' : `cam-${i}`))
  const wheel = (id: string) => `wheel-${id}`
  return {
    ...base,
    shafts: [
      ...base.shafts.filter(({ kind }) => kind === 'crank'),
      ...ids.slice(1).map((id) => ({ id, name: id, kind: 'cam' as const, ratio: { num: 1, den: 2 } })),
    ],
    members: [
      ...ids.map((id) => ({
        id: wheel(id),
        name: id,
        kind: 'sprocket' as const,
        shaftId: id,
        teeth: known(id === 'crank' ? 19 : 38),
      })),
      { id: 'tensioner', name: 'Tensioner', kind: 'tensioner' as const },
    ],
    loops: [
      {
        id: 'chain',
        name: 'Chain',
        kind: 'rollerChain',
        pitches: known(runs.reduce((sum, run) => sum + run, 0)),
        path: ['crank', 'tensioner', ...ids.slice(1)].map((id) => ({
          memberId: id === 'tensioner' ? id : wheel(id),
          passed: id === 'tensioner' ? ('outside' as const) : ('inside' as const),
        })),
      },
    ],
    marks: ids.map((id, i) => ({
      id: `mark-${i}`,
      name: id,
      memberId: wheel(id),
      halfTeeth: halfTeeth[i] ?? 0,
      cutFor: 'pose' as const,
      meets: '',
    })),
    counts: runs.slice(0, given).map((run, i) => ({
      id: `book-${i}`,
      loopId: 'chain',
      fromMarkId: `mark-${i}`,
      toMarkId: `mark-${(i + 1) % runs.length}`,
      run: i === 0 ? 'slack' : 'tight',
      pitches: known(run),
    })),
    cams: [],
  }
}

/** Drives of two to six wheels, their marks at tips and in gaps: a mark in a gap and one on a tip leave halves. */
const drives = fc.integer({ min: 1, max: 5 }).chain((camshafts) =>
  fc.record({
    runs: fc.array(fc.integer({ min: 8, max: 50 }), { minLength: camshafts + 1, maxLength: camshafts + 1 }),
    seats: fc.array(fc.integer({ min: 0, max: 1 }), { minLength: camshafts + 1, maxLength: camshafts + 1 }),
    late: fc.array(fc.integer({ min: -3, max: 3 }), { minLength: camshafts, maxLength: camshafts }),
    rule: fc.constantFrom(...RULES),
  }),
)

/** Marks of neighbours on different seats stand half a pitch apart from whole ones. */
const seated = (runs: readonly number[], seats: readonly number[]) =>
  runs.map((run, i) => run + (seats[i] === seats[(i + 1) % seats.length] ? 0 : 0.5))

describe('counts alone, nothing measured', () => {
  test('random misfitted drives, counted by every rule: every wheel is told, and laid so all counts come right', () => {
    fc.assert(
      fc.property(drives, ({ runs: whole, seats, late, rule }) => {
        const runs = seated(whole, seats)
        const sheet = engine(runs, seats)
        const [loop] = sheet.loops
        if (!loop) throw new Error('no chain')
        const lateOf = (i: number) => (i === 0 ? 0 : (late[i - 1] ?? 0))
        const sections = readDrive(sheet).sections(loop)
        expect(sections.map(({ run }) => run)).toEqual(runs.map((_run, i) => (i === 0 ? 'slack' : 'tight')))
        const counts = sections.slice(1).map(({ from, to }, k) => {
          const i = k + 1
          const pitches = (runs[i] ?? 0) + lateOf(i) - lateOf((i + 1) % runs.length)
          const counted = countFromPitches({ pitches, rule, from: markSeat(from), to: markSeat(to) })
          return { loopId: 'chain', fromMarkId: from.id, toMarkId: to.id, rule, counted, phase: 'set', run: 'tight' }
        }) as unknown as EntryOf<'count'>[]
        const { lateness, found } = readLoop(sheet, loop, counts)
        for (const { memberId, teethLate, restPitches } of lateness) {
          expect(teethLate).toBe(lateOf(Number(memberId.replace('wheel-cam-', ''))))
          expect(restPitches).toBeCloseTo(0, 9)
        }
        expect(lateness).toHaveLength(runs.length - 1)
        for (const { sectionId, pitches } of movesOf(sections, lateness, found).then)
          expect(pitches).toBeCloseTo(sections.find(({ id }) => id === sectionId)?.expected?.pitches ?? NaN, 9)
      }),
    )
  })

  test('no length is judged by a drawing that was invented, however short the chain', () => {
    fc.assert(
      fc.property(drives, ({ runs, seats }) => {
        const sheet = engine(seated(runs, seats), seats)
        const [loop] = sheet.loops
        const solved = loop && readDrive(sheet).solved(loop)
        expect(solved?.ok).toBe(true)
        if (!solved?.ok) return
        expect(solved.value.drawn).toBe('schematic')
      }),
    )
  })

  test('the run that no book gives follows from the others and the whole', () => {
    fc.assert(
      fc.property(drives, ({ runs, seats }) => {
        const all = seated(runs, seats)
        const sheet = engine(all, seats, all.length - 1)
        const [loop] = sheet.loops
        const last = loop && readDrive(sheet).sections(loop).at(-1)
        expect(last?.expected).toMatchObject({ from: 'derived', pitches: expect.closeTo(all.at(-1) ?? NaN, 9) })
      }),
    )
  })

  test('book counts that come to another number than the chain has are told at once', () => {
    const sheet = engine([52, 20, 32], [0, 0, 0])
    const [loop] = sheet.loops
    if (!loop) throw new Error('no chain')
    expect(sumOfSections(readDrive(sheet).sections(loop), loop)).toMatchObject({ sum: 104, addsUp: true })
    const short = { ...loop, pitches: known(102) }
    const other = { ...sheet, loops: [short] }
    expect(sumOfSections(readDrive(other).sections(short), short)).toMatchObject({
      sum: 104,
      whole: 102,
      addsUp: false,
    })
  })

  test('over a hidden mark the runs are counted as one', () => {
    const sheet = engine([52, 20, 32], [0, 0, 0])
    const [loop] = sheet.loops
    if (!loop) throw new Error('no chain')
    const over = sectionBetween(readDrive(sheet).sections(loop), 'mark-1', 'mark-0')
    expect(over).toMatchObject({ run: 'tight', expected: { pitches: 52 } })
    const count = {
      loopId: 'chain',
      fromMarkId: 'mark-1',
      toMarkId: 'mark-0',
      rule: 'lastOnly',
      counted: 51,
      phase: 'set',
    } as EntryOf<'count'>
    const { lateness } = readLoop(sheet, loop, [count])
    expect(lateness).toMatchObject([{ memberId: 'wheel-cam-1', teethLate: -1 }])
  })
})
