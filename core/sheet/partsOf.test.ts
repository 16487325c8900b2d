import { expect, test, vi } from 'vitest'
import type { BuildSheet } from '../model'
import { sheetWith } from '../testing/threeMembers'
import { oncePerSheet, partsOf } from '.'

const sheet = sheetWith({})

test('every part of a sheet is found by its id, and nothing by what is no id', () => {
  const parts = partsOf(sheet)
  for (const shaft of sheet.shafts) expect(parts.shaft(shaft.id)).toBe(shaft)
  for (const member of sheet.members) expect(parts.member(member.id)).toBe(member)
  for (const mark of sheet.marks) expect(parts.mark(mark.id)).toBe(mark)
  for (const name of [undefined, '', 'nobody', 'toString', '__proto__', 'constructor']) {
    expect(parts.shaft(name)).toBeUndefined()
    expect(parts.shaftOfMember(name)).toBeUndefined()
  }
})

test('of two with one id the first counts', () => {
  const [first] = sheet.shafts
  const twice = { ...sheet, shafts: [...sheet.shafts, { ...first, name: 'another' }] } as BuildSheet
  expect(partsOf(twice).shaft(first?.id)).toBe(first)
})

test('a question is answered once for a sheet, also where the answer is nothing, and anew for another', () => {
  const ask = vi.fn((_sheet: BuildSheet) => undefined)
  const once = oncePerSheet(ask)
  once(sheet)
  once(sheet)
  once({ ...sheet })
  expect(ask).toHaveBeenCalledTimes(2)
})
