import { expect, test } from 'vitest'
import { PART_IDS as ids } from '../starters'
import { sheetWithToothedTensioner } from '../testing/threeMembers'
import { sprocketRadiusMm } from '.'
import { readDrive } from './readDrive'

test('a tensioner with teeth takes up the slack with the size that its teeth give it', () => {
  const sheet = sheetWithToothedTensioner(15)
  const solved = readDrive(sheet).solved(sheet.loops[0] as never)
  if (!solved.ok) throw new Error(solved.error.code)
  const own = solved.value.members.find(({ memberId }) => memberId === ids.tensioner)
  expect(own).toMatchObject({ teeth: 15, kind: 'tensioner' })
  // ISO 606 (from memory): p / 2 sin(180°/z).
  expect(own?.radiusMm).toBeCloseTo(sprocketRadiusMm(9.525, 15), 9)
  expect(own?.radiusMm).toBeCloseTo(22.906, 3)
  expect(solved.value.path.pitches).toBeCloseTo(70, 3)
  expect(solved.value.gaps).toEqual([])
  // It drives nothing and is driven by nothing that is counted: the runs are named as without it.
  expect(solved.value.driverId).toBe(ids.crankSprocket)
  expect(solved.value.tensionersOnTightRun).toEqual([])
})
