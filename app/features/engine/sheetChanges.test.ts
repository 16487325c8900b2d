import { describe, expect, test } from 'vitest'
import type { BuildSheet, Cam } from '@link-count/core/model'
import { sheetWithDrive } from '@link-count/core/testing/sheetWithDrive'
import {
  firingEvenly,
  lobesApart,
  lobesOf,
  orderFromNames,
  patchLobes,
  patchMember,
  withPins,
  withPlaces,
  withValue,
} from './sheetChanges'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const sheet = sheetWithDrive('twinCam', { 'crank-sprocket': 20, 'exhaust-sprocket': 40, 'inlet-sprocket': 40 })
const topLift = (mm: number) => (cam: Cam) => withValue(cam, 'topLiftMm', known(mm))
const lifts = ({ cams }: BuildSheet) => cams.map(({ name, topLiftMm }) => [name, topLiftMm?.value])

describe('figures of lobes', () => {
  const all = patchLobes({ valve: 'inlet' }, topLift(9))(sheet)
  test('for every cylinder, or for one by itself', () => {
    expect(lifts(all)).toEqual([
      ['1 inlet', 9],
      ['1 exhaust', undefined],
      ['2 inlet', 9],
      ['2 exhaust', undefined],
    ])
    expect(lifts(patchLobes({ valve: 'inlet', cylinderId: 'cyl-2' }, topLift(9.4))(all))).toEqual([
      ['1 inlet', 9],
      ['1 exhaust', undefined],
      ['2 inlet', 9.4],
      ['2 exhaust', undefined],
    ])
    expect(lobesOf(all, { valve: 'exhaust', cylinderId: 'cyl-2' }).map(({ name }) => name)).toEqual(['2 exhaust'])
  })
  test('those that differ from the first are named, in whatever order their figures were written', () => {
    expect(lobesApart(all, { valve: 'inlet' })).toEqual([])
    const apart = patchLobes({ valve: 'inlet', cylinderId: 'cyl-2' }, topLift(9.4))(all)
    expect(lobesApart(apart, { valve: 'inlet' }).map(({ name }) => name)).toEqual(['2 inlet'])
    expect(lobesApart(apart, { valve: 'exhaust' })).toEqual([])
    const lash = (cam: Cam) => withValue(cam, 'lashMm', known(0.2))
    const one = patchLobes({ valve: 'inlet', cylinderId: 'cyl-1' }, (cam) => lash(topLift(9)(cam)))(sheet)
    const other = patchLobes({ valve: 'inlet', cylinderId: 'cyl-2' }, (cam) => topLift(9)(lash(cam)))(one)
    expect(lobesApart(other, { valve: 'inlet' })).toEqual([])
  })
})

test('a value that is not known is taken away, not left as nothing', () => {
  const [member] = sheet.members
  if (!member) throw new Error('no member')
  expect('teeth' in withValue(member, 'teeth', undefined)).toBe(false)
  const changed = patchMember(member.id, (one) => withValue(one, 'teeth', known(21)))(sheet)
  expect(changed.members.map(({ teeth }) => teeth?.value)).toEqual([21, undefined, 40, 40])
  expect(sheet.members[0]?.teeth?.value).toBe(20)
})

test('a firing order by the names of the cylinders', () => {
  expect(orderFromNames(sheet, '2 - 1')).toEqual(['cyl-2', 'cyl-1'])
  expect(orderFromNames(sheet, '1-1')).toBeUndefined()
  expect(orderFromNames(sheet, '1-3')).toBeUndefined()
})

describe('firing places and crankpins', () => {
  const four: BuildSheet = {
    ...sheet,
    cylinders: ['1', '2', '3', '4'].map((name) => ({ id: `cyl-${name}`, name, bankId: sheet.banks[0]?.id ?? '' })),
    firingOrder: { value: ['cyl-1', 'cyl-3', 'cyl-4', 'cyl-2'], typed: '1-3-4-2', trust: 'manual' },
  }
  const firing = ({ cylinders }: BuildSheet) => cylinders.map(({ firingDeg }) => firingDeg?.value)
  // Handbook 4, independently computed: 720/4 apart in the order 1-3-4-2.
  test('evenly by the firing order, the zero cylinder left alone', () =>
    expect(firing(firingEvenly(four))).toEqual([undefined, 540, 180, 360]))
  test('as somebody said them, only where they said', () =>
    expect(firing(withPlaces({ 'cyl-1': 90, 'cyl-3': 270 })(four))).toEqual([undefined, undefined, 270, undefined]))
  test('crankpins from the zero cylinder on', () => {
    const pins = (zero: string) =>
      withPins([30, 210, 210, 30])({ ...four, zeroCylinderId: zero }).cylinders.map(
        ({ crankpinDeg }) => crankpinDeg?.value,
      )
    expect(pins('cyl-1')).toEqual([0, 180, 180, 0])
    expect(pins('cyl-2')).toEqual([180, 0, 0, 180])
  })
})
