import { describe, expect, test } from 'vitest'
import { PART_IDS as ids } from '@link-count/core/starters'
import { atPose, chain, degreeWheel, halfProved, madeSafe } from '@link-count/core/testing/oneChain'
import { viewOf } from '../../../testing/viewOf'
import { creepEntries, pastPlace } from './creep'

const atMark = (offDeg: number) => ({ by: 'mark', markId: ids.crankMark, offDeg }) as const
const off = [...madeSafe, ...halfProved, atPose, chain('off')]

describe('a crank looked at again', () => {
  test('where the ledger has it nothing is written', () =>
    expect(creepEntries(viewOf(off), atMark(0), 'step')).toEqual([]))
  test('what it crept is a turn, uses up the trim, and is in the sum', () => {
    const said = creepEntries(viewOf(off), atMark(3), 'step')
    expect(said).toMatchObject([
      { kind: 'turned', deg: 3 },
      { kind: 'stands', place: 'mark', offDeg: 3 },
    ])
    const after = viewOf([...off, ...said])
    expect(after.guard.limit).toMatchObject({ forwardDeg: 1, backDeg: 7 })
    expect(pastPlace(after, 0)).toBeCloseTo(3, 9)
  })
  test('nobody said where it stands: its mark says so', () =>
    expect(creepEntries(viewOf(madeSafe), atMark(-2), 'step')).toMatchObject([
      { kind: 'stands', markId: ids.crankMark, offDeg: -2 },
    ]))
  test('seen further away than it can have crept, it is said, and the ledger tells that its turns do not lead there', () => {
    const far = [...off, { kind: 'turned', deg: 100, ended: 'onMark' } as const]
    const said = creepEntries(viewOf(far), atMark(0), 'step')
    expect(said).toMatchObject([{ kind: 'stands', place: 'mark' }])
    expect(viewOf([...far, ...said]).state.crank.contradictedBy).toBeDefined()
  })
  test('by the wheel it puts the ledger right', () => {
    // TDC at 5 on the wheel: at 7 the crank is 2° past the timing position.
    const said = creepEntries(viewOf([...off, degreeWheel].slice(0, -1)), { by: 'wheel', wheelDeg: 7 }, 'step')
    expect(said).toMatchObject([{ kind: 'turned', deg: expect.closeTo(2, 9), wheelDeg: 7 }])
  })
})
