import { describe, expect, test } from 'vitest'
import type { NewEntry } from '../model'
import { PART_IDS as ids } from '../starters'
import { oneChainSheet, chain, counted, entriesOf, stateAfter } from '../testing/oneChain'
import { attemptsAt, hiddenMarks } from '.'

const sheet = oneChainSheet()
const [loop] = sheet.loops
const moved = (teeth: number): NewEntry => ({ kind: 'moved', loopId: ids.chain, memberId: ids.camSprocket, teeth })
const tries = (...newEntries: NewEntry[]) => {
  if (!loop) throw new Error('no loop')
  return attemptsAt(sheet, loop, entriesOf(newEntries))
}
const found = (attempt: ReturnType<typeof tries>[number] | undefined) =>
  attempt?.found.map(({ foundPitches }) => foundPitches)

describe('tries at hanging a chain that wants 29', () => {
  test('a count, a move, a count again: two tries, each with what it read and what it asks for', () => {
    const [first, second, ...rest] = tries(chain('on'), counted(28), moved(1), counted(29))
    expect(rest).toEqual([])
    expect(found(first)).toEqual([28])
    expect(first?.next).toEqual([{ memberId: ids.camSprocket, layTeeth: 1, leftoverDeg: 0 }])
    expect(second).toMatchObject({ moved: [{ memberId: ids.camSprocket, teeth: 1 }], next: [] })
    expect(found(second)).toEqual([29])
  })
  test('moves before anything is counted belong to one try', () => {
    const all = tries(chain('on'), counted(28), moved(2), moved(-1), counted(29))
    expect(all).toHaveLength(2)
    expect(all[1]?.moved.map(({ teeth }) => teeth)).toEqual([2, -1])
  })
  test('there and back again is named as the try that lay the same way', () => {
    const all = tries(chain('on'), counted(28), moved(-1), counted(27), moved(1), counted(28))
    expect(all.map(({ sameAs }) => sameAs)).toEqual([undefined, undefined, 0])
  })
  test('what went before it last went on is another story; what was found is not a try', () => {
    expect(tries(counted(27, 'found'), chain('off'), chain('on'))).toEqual([])
    expect(tries(counted(27), chain('off'), chain('on'), counted(29))).toHaveLength(1)
  })
})

test('a camshaft seen at its mark is a try as well, with what it read', () => {
  const seen = (teeth: number): NewEntry => ({
    kind: 'camAtMark',
    shaftId: 'camshaft',
    markId: ids.camMark,
    phase: 'set',
    crank: { by: 'mark', markId: ids.crankMark, offDeg: 0 },
    off: { by: 'teeth', teeth },
  })
  const all = tries(chain('on'), seen(1), moved(1), seen(0))
  expect(all).toHaveLength(2)
  // One tooth of 38 at half speed is 720 / 38 of the crank.
  expect(all[0]?.seen[0]?.latenessDeg).toBeCloseTo(720 / 38, 6)
  expect(all[1]?.seen[0]?.latenessDeg).toBe(0)
})

test('a painted link stands for a hidden mark until the chain comes off there', () => {
  const painted: NewEntry = { kind: 'markHidden', markId: ids.crankMark, is: 'painted', why: '' }
  const hidden = (...newEntries: NewEntry[]) => [...hiddenMarks(stateAfter(newEntries))]
  expect(hidden(painted)).toEqual([])
  expect(hidden(painted, moved(1))).toEqual([])
  expect(hidden(painted, { ...moved(1), memberId: ids.crankSprocket } as NewEntry)).toEqual([ids.crankMark])
  expect(hidden(painted, chain('off'))).toEqual([ids.crankMark])
})
