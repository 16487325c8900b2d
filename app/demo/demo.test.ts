import { describe, expect, test } from 'vitest'
import { countedMarks, expectedCount, solveLoop } from '@link-count/core/drive'
import { foldJob } from '@link-count/core/ledger'
import { parseFile, makeFile } from '@link-count/core/file'
import { makeSliderCrank } from '@link-count/core/kinematics'
import { ratioOf, ratiosEqual } from '@link-count/core/units'
import { buildDemo } from './buildDemo'
import { demoRecords } from './demoRecords'

const demo = buildDemo()

test('the stored demo is what the script makes of the scenario', () =>
  expect(demoRecords).toEqual(JSON.parse(JSON.stringify(demo))))
test('it is a file that would be taken', () =>
  expect(parseFile(JSON.stringify(makeFile(demo, '2026-11-24T00:00:00.000Z')), []).ok).toBe(true))

describe.each(demo.sheets.map((sheet) => [sheet.engineId, sheet] as const))('%s', (_id, sheet) => {
  const loop = sheet.loops[0]
  if (!loop) throw new Error('no loop')
  const solved = solveLoop(sheet, loop)
  test('ratio is half speed and the chain closes, even', () => {
    const [crank, cam] = ['crank-sprocket', 'cam-sprocket'].map(
      (id) => sheet.members.find((member) => member.id === id)?.teeth?.value ?? 0,
    )
    expect(ratiosEqual(ratioOf(crank ?? 0, cam ?? 1), { num: 1, den: 2 })).toBe(true)
    expect(solved.ok && solved.value.pitches % 2).toBe(0)
    expect(solved.ok && Math.abs(solved.value.path.pitches - solved.value.pitches)).toBeLessThan(0.01)
  })
  test('its marks, where known, fall within a tenth of a pitch of a whole count and on the wrapped parts', () => {
    const marks = countedMarks(sheet, loop, 'tight')
    const expected = marks && solved.ok ? expectedCount(sheet, solved.value, marks.from, marks.to) : undefined
    if (!sheet.marks.some(({ pointsAtDeg }) => pointsAtDeg)) return expect(expected).toBeUndefined()
    expect(Math.abs((expected?.pitches ?? 0.5) - Math.round(expected?.pitches ?? 0))).toBeLessThan(0.1)
    expect([expected?.movedFrom, expected?.movedTo]).toEqual([0, 0])
  })
  test('its crank can turn', () => {
    const { strokeMm, rodMm, pinOffsetMm } = sheet
    if (!strokeMm || !rodMm) return
    expect(
      makeSliderCrank({ strokeMm: strokeMm.value, rodMm: rodMm.value, pinOffsetMm: pinOffsetMm?.value ?? 0 }).ok,
    ).toBe(true)
  })
})

test('one job finished and proved, one chain off, one read as found only', () => {
  const state = (id: string) => {
    const job = demo.jobs.find((one) => one.id === id)
    if (!job) throw new Error(id)
    return foldJob({ job, sheets: demo.sheets, entries: demo.entries.filter(({ jobId }) => jobId === id) })
  }
  expect(state('job-lifeboat-1')).toMatchObject({
    closed: { role: 'fitter' },
    register: [],
    timing: { camshaft: { left: { proved: true } } },
  })
  expect(state('job-sidecar-1').loops['chain']?.on).toBe(false)
  expect(state('job-searchlight-1').timing['camshaft']).not.toHaveProperty('left')
  expect(state('job-tourer-1').deviations[0]?.latenessDeg).toBeCloseTo(
    state('job-tourer-1').timing['camshaft']?.left?.latenessDeg ?? 0,
    1,
  )
})
