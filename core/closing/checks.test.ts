import { describe, expect, test } from 'vitest'
import type { BoltGroup, NewEntry } from '../model'
import { layBolts } from '../fasteners'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import { boltsAfterRun, checksOf, checksOwed, judgeGap, mayBeTightenedAgain } from '.'

const group = (more: Partial<BoltGroup> = {}): BoltGroup => ({
  id: 'head',
  name: 'Head bolts',
  on: 'head',
  laid: 'ring',
  bolts: layBolts('ring', 2),
  order: 'crissCross',
  stages: [],
  againAfterRun: 'engine manual',
  ...more,
})

describe('bolts after the first run (common practice, no source)', () => {
  test('again only where their source says so', () => {
    expect(mayBeTightenedAgain(group())).toBe(true)
    const { againAfterRun: _source, ...without } = group()
    expect(mayBeTightenedAgain(without)).toBe(false)
  })
  test('never stretch bolts, an angle, or thread-locker', () => {
    const deg = { value: 90, typed: '90', trust: 'manual' as const }
    for (const more of [
      { stretch: true },
      { stages: [{ by: 'angle', deg }] },
      { threadWith: ['locker'] },
    ] satisfies Partial<BoltGroup>[])
      expect(mayBeTightenedAgain(group(more))).toBe(false)
  })
  test('only those that were tightened in the job are told', () => {
    const sheet = { ...oneChainSheet(), boltGroups: [group(), group({ id: 'other', stretch: true })] }
    const tight = (groupId: string): NewEntry[] =>
      ['b1', 'b2'].map((boltId) => ({ kind: 'bolt', groupId, boltId, pass: 0, did: 'tightened' }))
    const told = boltsAfterRun(sheet, stateAfter([...tight('head'), ...tight('other')], sheet))
    expect(told.again.map(({ id }) => id)).toEqual(['head'])
    expect(told.paintLines.map(({ id }) => id)).toEqual(['other'])
    expect(boltsAfterRun(sheet, stateAfter([], sheet))).toEqual({ again: [], paintLines: [] })
  })
})

describe('a guard’s gap of 0.5 to 1.5 mm by its blades (common practice, no source)', () => {
  test.each([
    [0.5, 1.5, 'right'],
    [0.8, 1, 'right'],
    [0.3, 0.5, 'tooClose'],
    [1.6, 2, 'tooFar'],
    [0.4, 1, 'cannotTell'],
    [1, 1.8, 'cannotTell'],
    [1, 1, 'crossed'],
    [1.2, 0.9, 'crossed'],
  ] as const)('%s goes and %s does not: %s', (goMm, noGoMm, is) => expect(judgeGap({ goMm, noGoMm })).toBe(is))
})

describe('what is owed at closing', () => {
  const sheet = oneChainSheet()
  const said = (checkId: string, is: 'done' | 'owed' | 'notHere'): NewEntry => ({
    kind: 'check',
    checkId,
    is,
    words: '',
  })
  test('nothing while no check was made; then each that was not', () => {
    expect(checksOwed(sheet, stateAfter([], sheet))).toEqual([])
    const owed = checksOwed(sheet, stateAfter([said('oilPockets', 'done'), said('leaks', 'owed')], sheet))
    expect(owed.map(({ id }) => id)).not.toContain('oilPockets')
    expect(owed.map(({ id }) => id)).toContain('leaks')
    expect(owed).toHaveLength(checksOf(sheet).length - 1)
  })
  test('a chain has no belt’s guard, a belt has', () => {
    const ids = (kind: 'rollerChain' | 'toothedBelt') =>
      checksOf({ ...sheet, loops: sheet.loops.map((loop) => ({ ...loop, kind })) }).map(({ id }) => id)
    expect(ids('rollerChain')).not.toContain('guardGap')
    expect(ids('toothedBelt')).toContain('guardGap')
  })
})
