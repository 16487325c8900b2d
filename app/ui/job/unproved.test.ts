import { describe, expect, test } from 'vitest'
import type { EntryDraft } from '@link-count/core/model'
import {
  camMark,
  chain,
  counted,
  degreeWheel,
  halfProved,
  madeSafe,
  saw,
  stops,
  tensioner,
  turned,
} from '@link-count/core/testing/bench'
import { driveBench } from '@link-count/core/testing/driveBench'
import { engineLine } from '../../features/workshop/engineLine'
import { viewOf } from '../../testing/viewOf'
import { unprovedOf } from './unproved'

const said = (...drafts: EntryDraft[]) => unprovedOf(viewOf(drafts))
const lashLeft: EntryDraft = { kind: 'step', target: 'lashLeft', outcome: 'done', reason: '' }
const whole: EntryDraft[] = [
  ...madeSafe,
  ...halfProved,
  chain('off'),
  chain('on'),
  counted(29),
  tensioner('released'),
  tensioner('proven'),
  turned(720),
  camMark(5, 'left'),
  counted(29, 'left'),
  lashLeft,
]

describe('what the card has to say is not proved', () => {
  test('everything, when nothing was done', () =>
    expect(said()).toEqual([
      'True TDC was not found',
      'Firing or overlap was not established',
      'Camshaft: not read again after everything was tight',
      'Chain: not turned two full turns with everything tight',
      'Lash as left was not written down',
    ]))
  test('nothing, when two witnesses of each are in and it was turned twice', () => expect(said(...whole)).toEqual([]))
  test.each<[string, EntryDraft[], string]>([
    ['one stop', [degreeWheel, stops(340, 30)], 'True TDC: one witness'],
    ['one look at the half', [degreeWheel, stops(340, 30), saw('lobes', 'firing')], 'Firing or overlap: one witness'],
    [
      'two that contradict',
      [degreeWheel, stops(340, 30), saw('lobes', 'overlap'), saw('thumb', 'firing')],
      'Firing or overlap: the witnesses contradict each other',
    ],
    [
      'a wheel knocked',
      [...halfProved, { kind: 'wheelKnocked', what: 'notSure' }],
      'The zero is in doubt: the wheel was disturbed and not read again',
    ],
    ['a cam by its mark alone', [...halfProved, turned(720), camMark(5, 'left')], 'Camshaft: one witness'],
    [
      'a cam whose count says otherwise',
      [...halfProved, turned(720), camMark(5, 'left'), counted(28, 'left')],
      'Camshaft: the readings do not agree',
    ],
    ['a tensioner not felt', [tensioner('released')], 'Tensioner: not felt to push after release'],
  ])('%s', (_case, drafts, words) => expect(said(...drafts)).toContain(words))
  test('gears alone are turned twice as well', () => {
    const gears = driveBench('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
    const words = 'Not turned two full turns with everything tight'
    expect(unprovedOf(viewOf(halfProved, gears))).toContain(words)
    expect(unprovedOf(viewOf([...halfProved, turned(720)], gears))).not.toContain(words)
  })
})

describe('an engine in the workshop’s list, by its latest job', () => {
  const close: EntryDraft = { kind: 'close', role: 'fitter', reason: '' }
  const deviation: EntryDraft = { kind: 'deviation', shaftId: 'camshaft', latenessDeg: 2, reason: 'as it runs best' }
  test.each<[string, EntryDraft[], object]>([
    ['nothing done yet', [], { shape: 'doNotTurn', headline: 'Make safe', button: 'Go on', urgent: true }],
    [
      'closed and proved',
      [...whole, close],
      {
        shape: 'turn',
        headline: 'Timed and proved',
        detail: 'Two turns by hand, everything read again',
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
    ['left off the book', [...whole, deviation, close], { detail: 'Cam 2.0° late and left so, with the reason' }],
  ])('%s', (_case, drafts, line) => expect(engineLine(viewOf(drafts))).toMatchObject(line))
  test('no job yet', () => expect(engineLine(undefined)).toMatchObject({ headline: 'No job yet', next: 'engine' }))
  test('what is inside comes first', () => {
    const inside: EntryDraft[] = ['stop', 'rag'].map((kind) => ({
      kind: 'item',
      itemId: kind,
      item: kind as 'stop',
      where: 'cylinder 1',
      change: 'in',
    }))
    expect(engineLine(viewOf([...madeSafe, ...inside])).detail).toMatch(/cylinder 1.*, and 1 more$/)
  })
})
