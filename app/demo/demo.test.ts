import { describe, expect, test } from 'vitest'
import { judgeFiring } from '@link-count/core/cylinders'
import { readDrive } from '@link-count/core/drive'
import { judgeGuard } from '@link-count/core/guard'
import { allOf, foldJob } from '@link-count/core/ledger'
import { parseFile, makeFile } from '@link-count/core/file'
import { makeSliderCrank } from '@link-count/core/kinematics'
import { buildDemo } from './buildDemo'
import { demoPictures } from './demoPictures'
import { demoRecords, demoSummaries } from './demoRecords'
import { summariesOf } from './summariesOf'

const demo = buildDemo()

test('the stored demo is what the script makes of the scenario', () =>
  expect(demoRecords).toEqual(JSON.parse(JSON.stringify(demo))))

test('the stored summaries are what the list of engines shows of it', () =>
  expect(demoSummaries).toEqual(JSON.parse(JSON.stringify(summariesOf(demo)))))
test('it is a file that would be taken', () =>
  expect(parseFile(JSON.stringify(makeFile(demo, '2026-11-24T00:00:00.000Z')), []).ok).toBe(true))

describe.each(demo.sheets.map((sheet) => [sheet.engineId, sheet] as const))('%s', (_id, sheet) => {
  test('every ratio is the engine’s and everything is driven', () =>
    expect(readDrive(sheet)).toMatchObject({ wrong: [], conflicts: [], undriven: [] }))
  test.each(sheet.loops.map((loop) => [loop.id, loop] as const))(
    '%s closes, even where it must be',
    (_loopId, loop) => {
      const solved = readDrive(sheet).solved(loop)
      if (!solved.ok) throw new Error(JSON.stringify(solved.error))
      expect(loop.kind === 'rollerChain' ? solved.value.pitches % 2 : 0).toBe(0)
      expect(Math.abs(solved.value.path.pitches - solved.value.pitches)).toBeLessThan(0.01)
      expect(solved.value.tensionersOnTightRun).toEqual([])
      if (!sheet.marks.some(({ pointsAtDeg }) => pointsAtDeg)) return
      const sections = readDrive(sheet).sections(loop)
      // The sidecar's and others' marks fall within a tenth of a pitch of a whole count and on the wrapped parts.
      for (const { expected, run } of sections) {
        if (run === 'tight')
          expect(Math.abs((expected?.pitches ?? 0.5) - Math.round(expected?.pitches ?? 0))).toBeLessThan(0.1)
        expect([expected?.fromTeeth, expected?.toTeeth]).toEqual([0, 0])
      }
      const whole = sections.reduce((sum, { expected }) => sum + (expected?.pitches ?? 0), 0)
      expect(whole).toBeCloseTo(solved.value.pitches, 6)
    },
  )
  test('its crank can turn, and its cylinders fire', () => {
    const { strokeMm, rodMm, pinOffsetMm } = sheet
    if (strokeMm && rodMm) {
      expect(
        makeSliderCrank({ strokeMm: strokeMm.value, rodMm: rodMm.value, pinOffsetMm: pinOffsetMm?.value ?? 0 }).ok,
      ).toBe(true)
    }
    expect(judgeFiring(sheet).status).not.toBe('contradiction')
  })
})

test('every picture that its jobs speak of is there, of the size and kind they say', () =>
  expect(demoPictures().map(({ id, jobId, blob: { size, type } }) => [id, jobId, size, type])).toEqual(
    demo.entries.flatMap((entry) =>
      entry.kind === 'picture' ? [[entry.pictureId, entry.jobId, entry.bytes, entry.mediaType]] : [],
    ),
  ))

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
  expect(state('job-sidecar-1').loops['chain-a']?.on).toBe(false)
  expect(state('job-searchlight-1').timing['camshaft']).not.toHaveProperty('left')
  expect(allOf(state('job-tourer-1'), 'deviation')[0]?.latenessDeg).toBeCloseTo(
    state('job-tourer-1').timing['exhaust-cam']?.left?.latenessDeg ?? 0,
    1,
  )
})

test('no turn in any job was made that the guard did not allow', () => {
  let turns = 0
  for (const job of demo.jobs) {
    const entries = demo.entries.filter(({ jobId }) => jobId === job.id)
    entries.forEach((entry, i) => {
      if (entry.kind !== 'turned') return
      const state = foldJob({ job, sheets: demo.sheets, entries: entries.slice(0, i) })
      const sheet = demo.sheets.find(({ id }) => id === state.sheetId)
      if (!sheet) throw new Error(job.id)
      expect(judgeGuard(sheet, state).verdict, entry.id).toBe('turn')
      turns++
    })
  }
  expect(turns).toBeGreaterThan(5)
})
