import { describe, expect, test } from 'vitest'
import type { NewEntry } from '@link-count/core/model'
import {
  camMark,
  counted,
  degreeWheel,
  halfProved,
  saw,
  stops,
  tensioner,
  turned,
  wholeJob,
} from '@link-count/core/testing/oneChain'
import { sheetWithDrive } from '@link-count/core/testing/sheetWithDrive'
import { viewOf } from '../../testing/viewOf'
import { unprovedOf } from './unproved'

const said = (...newEntries: NewEntry[]) => unprovedOf(viewOf(newEntries))
describe('what the card has to say is not proved', () => {
  test('everything, when nothing was done', () =>
    expect(said()).toEqual([
      'True TDC was not found',
      'Firing or overlap was not established',
      'Camshaft: not read again after everything was tight',
      'Chain: not turned two full turns with everything tight',
      'Lash as left was not taken',
    ]))
  test('nothing, when two witnesses of each are in and it was turned twice', () =>
    expect(said(...wholeJob)).toEqual([]))
  test.each<[string, NewEntry[], string]>([
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
  ])('%s', (_case, newEntries, words) => expect(said(...newEntries)).toContain(words))
  test('gears alone are turned twice as well', () => {
    const gears = sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
    const words = 'Not turned two full turns with everything tight'
    expect(unprovedOf(viewOf(halfProved, gears))).toContain(words)
    expect(unprovedOf(viewOf([...halfProved, turned(720)], gears))).not.toContain(words)
  })
})
