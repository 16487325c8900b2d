import { describe, expect, test } from 'vitest'
import { buildSheetSchema } from '../model'
import { readDrive } from '../drive'
import { beginSheet, calledOtherwise, camshaftWords, NEEDS_STAR, NEEDS_TWO_BANKS, TOPOLOGIES, type Topology } from '.'

const begun = (drive: Topology) =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders: 6,
    layout: NEEDS_STAR.includes(drive) ? 'radial' : NEEDS_TWO_BANKS.includes(drive) ? 'vee' : 'inLine',
    drive,
    guide: false,
    tensioner: true,
  })

describe('what a camshaft is called', () => {
  test('two camshafts are told apart by what they work, two banks by which they are, one by nothing', () => {
    expect(camshaftWords(begun('twinCam'))).toEqual(['Exhaust', 'Inlet'])
    expect(camshaftWords(begun('fourCamBelt'))).toEqual(['First', 'Second'])
    expect(camshaftWords(begun('gearPair'))).toEqual([])
  })

  test('another word goes into every name, as it stands there', () => {
    const sheet = calledOtherwise(begun('chainEachCam'), { Exhaust: 'front', Inlet: 'rear' })
    const names = [...sheet.shafts, ...sheet.members, ...sheet.loops, ...sheet.marks].map(({ name }) => name)
    expect(names).toEqual(
      expect.arrayContaining([
        'Front camshaft',
        'Rear sprocket',
        'Rear chain',
        'Crank sprocket for the front',
        'Crank sprocket for the front mark',
      ]),
    )
    expect(names.join()).not.toMatch(/exhaust|inlet/i)
  })

  test('two words can change places, and none changes nothing', () => {
    const sheet = begun('chainEachBank')
    const swapped = calledOtherwise(sheet, { First: 'second', Second: 'first' })
    expect(swapped.shafts.map(({ name }) => name)).toEqual(['Crank', 'Second camshaft', 'First camshaft'])
    expect(calledOtherwise(sheet, { First: '  ' })).toBe(sheet)
  })

  test.each(TOPOLOGIES)('%s parses and drives as before', (drive) => {
    const sheet = begun(drive)
    const words = Object.fromEntries(
      camshaftWords(sheet).map((word, i) => [word, ['$& left', 'right \\ one'][i] ?? '']),
    )
    const named = buildSheetSchema.parse(calledOtherwise(sheet, words))
    expect(readDrive(named).camshafts).toEqual(readDrive(sheet).camshafts)
  })
})
