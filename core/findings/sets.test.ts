import { describe, expect, test } from 'vitest'
import { LOOKED_AT, type NewEntry } from '../model'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import { alwaysRenewed, findingsOwed, renewedWith } from '.'

describe('what is renewed together', () => {
  // Common practice, no source.
  test('a chain with its tensioner and sprockets, a tensioner with its chain', () => {
    expect(renewedWith('loop').set).toEqual(['tensioner', 'sprocket', 'guide'])
    expect(renewedWith('tensioner').set).toContain('loop')
  })
  test('a set never proposes what it does not know, and easy things are no part of it', () => {
    for (const part of LOOKED_AT) {
      const { set, easy } = renewedWith(part)
      for (const one of [...set, ...easy]) expect(LOOKED_AT).toContain(one)
      expect(set.filter((one) => easy.includes(one))).toEqual([])
    }
  })
  test('clips and seals are never put back', () => expect(LOOKED_AT.filter(alwaysRenewed)).toEqual(['seal', 'clip']))
})

test('what goes on owes nothing; the last look at a part is what counts', () => {
  const seen = (verdict: 'goesOn' | 'renewNow'): NewEntry => ({
    kind: 'finding',
    part: 'guide',
    partId: 'guide',
    saw: '',
    verdict,
  })
  const after = (...entries: NewEntry[]) => findingsOwed(stateAfter(entries, oneChainSheet()))
  expect(after(seen('renewNow'))).toHaveLength(1)
  expect(after(seen('renewNow'), seen('goesOn'))).toHaveLength(0)
})
