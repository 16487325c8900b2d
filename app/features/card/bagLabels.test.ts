import { expect, test } from 'vitest'
import { removalsOf } from '@link-count/core/removals'
import type { NewEntry } from '@link-count/core/model'
import { oneChainSheet, stateAfter } from '../../../core/testing/oneChain'
import { bagText, labelsOf } from './bagLabels'

/* Worked out line by line. */
test('a label for each bag that is not back, two things in one bag on one label', () => {
  const off = (removalId: string, bag?: number): NewEntry => ({
    kind: 'tookOff',
    removalId,
    what: removalId,
    belongs: removalId === 'guide' ? 'crank pulley' : '',
    lies: removalId === 'guide' ? 'bevel outward' : '',
    ...(bag === undefined ? {} : { bag }),
  })
  const entries: NewEntry[] = [
    off('cover', 2),
    off('guide', 1),
    off('washer', 1),
    off('pulley'),
    off('pipe', 3),
    { kind: 'putBack', removalId: 'pipe', as: 'same', reason: '' },
  ]
  const labels = labelsOf(removalsOf(stateAfter(entries, oneChainSheet())))
  expect(labels).toEqual([
    { bag: 1, lines: ['guide, crank pulley, bevel outward', 'washer'] },
    { bag: 2, lines: ['cover'] },
  ])
  const [first] = labels
  expect(first && bagText('Tug', '3', first)).toBe('Tug, job 3\nBag 1\nguide, crank pulley, bevel outward\nwasher')
})
