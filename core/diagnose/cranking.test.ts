import { describe, expect, test } from 'vitest'
import type { NewEntry } from '../model'
import { item, madeSafe, oneChainSheet, stateAfter } from '../testing/oneChain'
import { allOf } from '../ledger'
import { beforeCranking, compareBefore } from '.'

const sheet = oneChainSheet()
const crank = (...entries: NewEntry[]) => beforeCranking(sheet, stateAfter(entries, sheet))

describe('before it is cranked for its compression', () => {
  // Handbook 15 and 16.
  test('fuel and spark are said to be off, or it might fire', () => {
    expect(crank().live).toEqual(['fuel', 'spark'])
    expect(crank(...madeSafe).live).toEqual([])
    expect(beforeCranking({ ...sheet, fuel: 'diesel' }, stateAfter([], sheet)).live).toEqual(['fuel'])
    const magneto = { ...sheet, followers: [{ kind: 'magneto' }] } as unknown as typeof sheet
    expect(beforeCranking(magneto, stateAfter(madeSafe, sheet)).live).toEqual(['spark'])
    expect(beforeCranking(magneto, stateAfter([...madeSafe, item('magnetoEarthed')], sheet)).live).toEqual([])
  })
  test('whatever is on the register has to be gone, but what keeps it from firing', () => {
    const after = crank(...madeSafe, item('towel'), item('tabsNotBent'), item('fuelShut'), item('startBlocked'))
    expect(after.register.map((one) => one.item)).toEqual(['towel', 'tabsNotBent', 'startBlocked'])
  })
  test('lash and timing are known first', () => {
    expect(crank().notKnown).toEqual(['lash', 'timing'])
    const lash = sheet.cams.map(({ id }): NewEntry => ({ kind: 'lash', camId: id, phase: 'left', gapMm: 0.2 }))
    expect(crank(...lash).notKnown).toEqual(['timing'])
    expect(crank(...lash.slice(1)).notKnown).toEqual(['lash', 'timing'])
  })
})

describe('before and after', () => {
  const read = (cylinderId: string, phase: 'found' | 'left', bar: number, conditions: 'hot'[] = []): NewEntry => ({
    kind: 'pressure',
    cylinderId,
    what: 'compression',
    bar,
    phase,
    conditions,
  })
  const compare = (...entries: NewEntry[]) =>
    compareBefore(allOf(stateAfter(entries, sheet), 'pressure'), 'compression')
  // 9.9 / 9.0 - 1 = 0.1.
  test('a cylinder that holds a tenth more', () =>
    expect(compare(read('a', 'found', 9), read('a', 'left', 9.9))[0]?.changeShare).toBeCloseTo(0.1, 9))
  test('hot is not held against cold, and what was read once has no change', () => {
    const [a, b] = compare(read('a', 'found', 9), read('a', 'left', 9.9, ['hot']), read('b', 'left', 8))
    expect(a).toMatchObject({ notAlike: true, changeShare: undefined })
    expect(b).toMatchObject({ before: undefined, notAlike: false, changeShare: undefined })
  })
})
