import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { latenessByCounts, MARGIN_TEETH, markAngleDeg, placeOnPath, readDrive, type Section } from '.'
import { verdictOfCount } from '../ledger'
import type { BuildSheet, Loop, Mark } from '../model'
import { partsOf } from '../sheet'
import { PART_IDS as ids } from '../starters'
import { sheetWith } from '../testing/threeMembers'
import { wrapToCycle } from '../units'
import { gapZeroDeg } from './positions'

const chainOf = (sheet: BuildSheet) => sheet.loops[0] as Loop
const fromCam = (sheet: BuildSheet) =>
  readDrive(sheet)
    .sections(chainOf(sheet))
    .find(({ from }) => from.id === ids.camMark) as Section

/** Where a tooth so many on from a mark really stands with its wheel so many teeth late, by turning the wheel; undefined off the wrap. */
function standsAt(sheet: BuildSheet, mark: Mark, { teethOn, late }: { teethOn: number; late: number }) {
  const { path, members } = readDrive(sheet).lies(chainOf(sheet)) ?? { path: undefined, members: [] }
  const z = partsOf(sheet).member(mark.memberId)?.teeth?.value ?? 0
  const side = members.find(({ memberId }) => memberId === mark.memberId)?.side ?? 1
  const deg = (gapZeroDeg(sheet, mark.memberId) ?? 0) + markAngleDeg(mark, z) + (side * (teethOn - late) * 360) / z
  const place = path && placeOnPath(path, { memberId: mark.memberId, teeth: z, deg })
  return place?.movedTeeth === 0 ? place.atPitches : undefined
}

/** What would be counted between two teeth with the cam so many teeth late, gap to gap by a rule that counts one end. */
function counted(sheet: BuildSheet, { from, to, expected }: Section, late: number) {
  const { path } = readDrive(sheet).lies(chainOf(sheet)) ?? {}
  const start = standsAt(sheet, from, { teethOn: expected?.fromTeeth ?? 0, late })
  const end = standsAt(sheet, to, { teethOn: expected?.toTeeth ?? 0, late: 0 })
  return start === undefined || end === undefined ? undefined : wrapToCycle(end - start, path?.pitches ?? 1)
}

describe('a count between named teeth, on a drive that is turned by hand', () => {
  const anyMark = fc.double({ min: 0, max: 360, noNaN: true })
  const running = fc.constantFrom('clockwise' as const, 'anticlockwise' as const)
  // Independently computed: the wheel is turned late tooth by tooth and the pins between are counted where they then stand.
  test('wherever the cam mark points, it says how many teeth late the cam is, or that it cannot tell', () => {
    let named = 0
    fc.assert(
      fc.property(anyMark, running, fc.integer({ min: -MARGIN_TEETH, max: MARGIN_TEETH }), (camMarkDeg, way, late) => {
        const sheet = sheetWith({ camMarkDeg, running: way })
        const section = fromCam(sheet)
        if (section.cannotTell) return
        const { expected } = section
        if (expected?.fromTeeth || expected?.toTeeth) named++
        const found = counted(sheet, section, late)
        expect(found, 'both teeth stand on the chain').toBeDefined()
        const [cam] = latenessByCounts(
          sheet,
          [section],
          [{ sectionId: section.id, foundPitches: found ?? 0 }],
          readDrive(sheet).driverOf(chainOf(sheet))?.id,
        )
        expect(cam?.teethLate).toBe(late)
      }),
      { numRuns: 300 },
    )
    expect(named).toBeGreaterThan(50)
  })
  test('a mark well on the wrap is counted to itself', () => {
    const { expected } = fromCam(sheetWith({ camMarkDeg: 40 }))
    expect(expected).toMatchObject({ fromTeeth: 0 })
  })
})

describe('a count to the mark that is on no chain', () => {
  const sheet = sheetWith({ camMarkDeg: 200 })
  const { expected, from, to } = fromCam(sheet)
  const entry = {
    loopId: ids.chain,
    fromMarkId: from.id,
    toMarkId: to.id,
    rule: 'lastOnly' as const,
    counted: 20,
    phase: 'set' as const,
  }
  test('says nothing; to the tooth that is named it does, and to another it is brought over', () => {
    expect(expected?.fromTeeth).not.toBe(0)
    const [fromTeeth, toTeeth] = [expected?.fromTeeth ?? 0, expected?.toTeeth ?? 0]
    expect(verdictOfCount(sheet, entry)).toBeUndefined()
    const there = verdictOfCount(sheet, { ...entry, fromTeeth, toTeeth })
    expect(there).toBeDefined()
    const one = Math.sign(fromTeeth)
    const further = verdictOfCount(sheet, { ...entry, counted: 20 - one, fromTeeth: fromTeeth + one, toTeeth })
    expect(further?.latenessDeg).toBeCloseTo(there?.latenessDeg ?? NaN, 9)
  })
})
