import { describe, expect, test } from 'vitest'
import type { NewEntry } from '@link-count/core/model'
import { halfProved, madeSafe, wholeJob } from '@link-count/core/testing/oneChain'
import { viewOf } from '../../testing/viewOf'
import { engineLine } from './engineLine'

describe('an engine in the workshop’s list, by its latest job', () => {
  const close: NewEntry = { kind: 'close', role: 'fitter', reason: '' }
  const deviation: NewEntry = { kind: 'deviation', shaftId: 'camshaft', latenessDeg: 2, reason: 'as it runs best' }
  test.each<[string, NewEntry[], object]>([
    ['nothing done yet', [], { shape: 'doNotTurn', headline: 'Make safe', button: 'Go on', urgent: true }],
    [
      'closed and proved',
      [...wholeJob, close],
      {
        shape: 'turn',
        headline: 'Timed and proved',
        detail: 'Turned by hand, everything read again',
        button: 'Card',
      },
    ],
    [
      'closed, not proved',
      [...halfProved, close],
      {
        shape: 'unknown',
        headline: 'Timed',
        detail: expect.stringMatching(/^Not proved: camshaft: not read again.*, and \d more$/),
      },
    ],
    ['left off the book', [...wholeJob, deviation, close], { detail: 'Cam 2.0° late and left so, with the reason' }],
  ])('%s', (_case, newEntries, line) => expect(engineLine(viewOf(newEntries))).toMatchObject(line))
  test('no job yet', () => expect(engineLine(undefined)).toMatchObject({ headline: 'No job yet', next: 'engine' }))
  test('what is inside comes first', () => {
    const inside: NewEntry[] = ['stop', 'rag'].map((kind) => ({
      kind: 'item',
      itemId: kind,
      item: kind as 'stop',
      where: 'cylinder 1',
      change: 'in',
    }))
    expect(engineLine(viewOf([...madeSafe, ...inside])).detail).toMatch(/cylinder 1.*, and 1 more$/)
  })
})
