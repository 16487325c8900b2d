import { describe, expect, test } from 'vitest'
import { judgeGuard, type Guard, type GuardReason, type GuardReasonCode } from '@link-count/core/guard'
import type { BuildSheet, NewEntry } from '@link-count/core/model'
import {
  oneChainSheet,
  chain,
  counted,
  halfProved,
  item,
  madeSafe,
  stateAfter,
  tensioner,
  turned,
} from '@link-count/core/testing/oneChain'
import {
  adjusterWords,
  candidateWords,
  daysAgo,
  fileWords,
  cautionWords,
  gapVerdictWords,
  gapWords,
  guardSentence,
  handWords,
  hourWords,
  loopWords,
  meterWords,
  numberWords,
  placesWords,
  reasonWords,
  scaleWords,
  signedDeg,
  sliderCrankWords,
  stepTitle,
  stopWords,
  trimmedWords,
  turnWords,
  upperFirst,
  verdictTitle,
} from '.'

const sheet = oneChainSheet()
const guardAfter = (...newEntries: NewEntry[]) => judgeGuard(sheet, stateAfter(newEntries, sheet))
const belt: BuildSheet = { ...sheet, loops: sheet.loops.map((loop) => ({ ...loop, kind: 'toothedBelt' })) }

describe('the guard in words', () => {
  test('a diesel has no plugs to take out', () =>
    expect(guardSentence(guardAfter(...madeSafe), { ...sheet, fuel: 'diesel' })).toBe(
      'Nothing holds it. Injectors or glow plugs out, slowly, and stop at any resistance.',
    ))
  test.each<[NewEntry[], string, string]>([
    [[...madeSafe], 'May be turned by hand', 'Nothing holds it. Plugs out, slowly, and stop at any resistance.'],
    [[], 'Do not turn', 'Make-safe is not done. Tick what is left in Make safe.'],
    [[...madeSafe, item('capsLoose')], 'Do not turn', 'Cam caps loose. Tighten the caps.'],
    [
      [...madeSafe, ...halfProved, chain('off')],
      'Trim only: 4° either way',
      'Interference engine, chain off at the timing position. Chain on and counted, or every valve relieved.',
    ],
    [
      [...madeSafe, ...halfProved, chain('off'), turned(1)],
      'Trim only: 3.0° on, 5.0° back',
      'Interference engine, chain off at the timing position. Chain on and counted, or every valve relieved.',
    ],
    [
      [...madeSafe, ...halfProved, chain('off'), chain('on'), tensioner('released'), counted(28)],
      'Trim only: 4° either way',
      'Interference engine, chain counted out. Move the chain and count again.',
    ],
  ])('%#', (newEntries, title, sentence) => {
    const guard = guardAfter(...newEntries)
    expect(verdictTitle(guard)).toBe(title)
    expect(guardSentence(guard, sheet)).toBe(sentence)
  })
  const codes: Record<GuardReasonCode, true> = {
    makeSafeNotDone: true,
    jobClosed: true,
    stopIn: true,
    rodIn: true,
    lockIn: true,
    capsLoose: true,
    itemIn: true,
    itemSaidTwoWays: true,
    linersNotClamped: true,
    loopHangs: true,
    loopOff: true,
    loopOffAwayFromPose: true,
    loopOffPlaceUnknown: true,
    loopOffLookAgain: true,
    loopOffFree: true,
    loopSaidTwoWays: true,
    loopNewOnSheet: true,
    loopJobLost: true,
    loopNotCounted: true,
    loopCountedOut: true,
    couplingApart: true,
    couplingApartAwayFromPose: true,
    couplingApartPlaceUnknown: true,
    couplingApartLookAgain: true,
    couplingApartFree: true,
    couplingSaidTwoWays: true,
    couplingNewOnSheet: true,
    couplingJobLost: true,
    couplingNotRead: true,
    camshaftReadsOut: true,
    camshaftReadsOutRanSo: true,
    camshaftHeld: true,
    camshaftSaidTwoWays: true,
    tensionerNotReleased: true,
    tensionerLoose: true,
    tensionerSpringOnly: true,
    tensionerNotSaid: true,
    jobLost: true,
    sheetsDisagree: true,
    crankSaidTwoWays: true,
    placeContradicted: true,
  }
  test.each(Object.keys(codes) as GuardReasonCode[])(
    '%s says why, and what would free it unless nothing has to be',
    (code) => {
      const reason: GuardReason = { code, verdict: 'doNotTurn', targetId: '' }
      const { why, free } = reasonWords(reason, sheet)
      expect(why.length).toBeGreaterThan(5)
      if (!code.endsWith('Free') && code !== 'camshaftReadsOutRanSo') expect(free.length).toBeGreaterThan(5)
      // A drive of belts has no chains in it.
      expect(reasonWords(reason, belt).why + reasonWords(reason, belt).free).not.toMatch(/chain/i)
    },
  )
  test('interference that nobody knows is said to be treated as yes', () => {
    const unknown = { ...sheet, interference: { value: 'unknown', typed: '', trust: 'unknown' } } as BuildSheet
    expect(reasonWords({ code: 'loopOff', verdict: 'trim', targetId: '' }, unknown).why).toContain('treated as yes')
  })
  test('gently, for the reading itself', () => {
    const limited = (limit: Guard['limit']): Guard => ({
      verdict: 'trim',
      limit,
      onlyRunning: false,
      reasons: [],
      camshafts: 'turn',
    })
    expect(verdictTitle(limited({ until: 'stop' }))).toBe('Gently onto the stop only')
    expect(verdictTitle(limited({ until: 'reading' }))).toBe('Gently, for the reading only')
    expect(verdictTitle(limited({ until: 'stop', forwardDeg: 3.96, backDeg: 4.04 }))).toBe(
      'Trim only: 3.9° on, 4.0° back, and gently: the stop is in',
    )
  })
})

describe('turning, as it is seen from where one stands', () => {
  test.each([
    ['clockwise', 'timing', 47, '47.0° clockwise'],
    ['clockwise', 'opposite', 47, '47.0° anticlockwise'],
    ['anticlockwise', 'timing', 47, '47.0° anticlockwise'],
    ['clockwise', 'timing', -10, '10.0° anticlockwise'],
  ] as const)('%s from the %s side, %d', (running, side, deg, said) =>
    expect(turnWords(deg, { running: { value: running, typed: '', trust: 'measured' } }, side)).toBe(said),
  )
  test('without a known direction: the way it runs', () => {
    expect(handWords(1, {}, 'timing')).toBe('the way it runs')
    expect(handWords(-1, {}, 'opposite')).toBe('against the way it runs')
  })
})

describe('small words', () => {
  test('single pumps, how many are in their band: one on its limit is not counted in', () =>
    expect(
      trimmedWords(
        [
          { is: 'in', sure: 'sure', margin: 0.5 },
          { is: 'in', sure: 'onLimit', margin: 0.5 },
          { is: 'under', sure: 'sure', margin: -1 },
        ],
        4,
      ),
    ).toBe('1 of 4 in band, 1 to read again'))
  test.each([
    [0, '12'],
    [9.5, 'half past 9'],
    [2.25, 'quarter past 2'],
    [11.75, 'quarter to 12'],
    [12.75, 'quarter to 1'],
    [0.5, 'half past 12'],
  ])('%d hours: %s', (hour, said) => expect(hourWords(hour)).toBe(said))
  test.each([
    [0, 'where it was'],
    [1, '1 place on'],
    [-2, '2 places back'],
  ])('%i steps: %s', (steps, said) => expect(placesWords(steps)).toBe(said))
  test.each([
    ['2026-11-24T08:00:00Z', 'today'],
    ['2026-11-23T07:00:00Z', 'yesterday'],
    ['2026-11-12T07:00:00Z', '12 days ago'],
    ['2026-12-01T07:00:00Z', 'today'],
  ])('%s: %s', (iso, said) => expect(daysAgo(iso, '2026-11-24T09:00:00Z')).toBe(said))
  test('degrees with their sign, hours of running, a first capital', () => {
    expect([signedDeg(-1.25), signedDeg(0), signedDeg(4, 2)]).toEqual(['−1.3°', '+0.0°', '+4.00°'])
    expect(meterWords({ value: 12345, unit: 'hours' })).toBe('12 345 hours')
    expect(upperFirst('splines')).toBe('Splines')
    expect(upperFirst('')).toBe('')
  })
  test('a gap against its limits', () => {
    expect(gapVerdictWords('within', 0.01)).toBe('right, 0.010 mm inside its limit')
    expect(gapVerdictWords('tight', -0.05)).toBe('too tight by 0.050 mm')
    expect(gapVerdictWords('wide', -0.1)).toBe('too wide by 0.100 mm')
  })
  test('a length without a unit, in each unit', () => {
    const bore = { leastMm: 20, mostMm: 200 }
    expect(candidateWords({ unit: 'mm', value: 80 }, bore)).toMatchObject({ fit: ', could be', likely: true })
    expect(candidateWords({ unit: 'in', value: 2032 }, bore)).toMatchObject({ fit: ', too big', likely: false })
    expect(candidateWords({ unit: 'thou', value: 2.03 }, bore)).toMatchObject({ fit: ', too small', likely: false })
    expect(candidateWords({ unit: 'in', value: 25.4 })).toMatchObject({ other: '25.40 mm', fit: '' })
  })
  test('an adjuster by what is done at it', () => {
    const adjuster = (kind: BuildSheet['adjusters'][number]['kind'], more = {}) =>
      ({ id: 'a', kind, memberId: 'm', ...more }) as BuildSheet['adjusters'][number]
    expect(adjusterWords(adjuster('hub'), 'Inlet sprocket', -1)).toBe('Hub of the inlet sprocket, 1 place')
    expect(adjusterWords(adjuster('keyway'), 'Crank sprocket', 2)).toBe('Crank sprocket on its keyway 3')
    expect(adjusterWords(adjuster('turnedOver'), 'Cam sprocket', 1)).toBe('Cam sprocket turned over')
    expect(adjusterWords(adjuster('slots'), 'Cam sprocket', 1.2)).toBe('Cam sprocket in its slots')
    expect(adjusterWords(adjuster('taper'), 'Cam sprocket', 1.2)).toBe('Cam sprocket, let go and turned')
    expect(adjusterWords(adjuster('offsetKey', { keysMm: [0.5, 0.8] }), 'Cam sprocket', 4)).toBe(
      'Offset key of 0.8 mm in the cam sprocket',
    )
  })
  test('a step by its title; a belt is not called a chain; several of a kind by what they are done on', () => {
    expect(stepTitle({ kind: 'chainOnCount', targetIds: ['chain'] }, sheet)).toBe('Chain on: count')
    expect(stepTitle({ kind: 'chainOnCount', targetIds: ['chain'] }, belt)).toBe('Belt on: count')
    const two = {
      ...sheet,
      loops: [...sheet.loops, { ...sheet.loops[0], id: 'lower', name: 'Lower chain' }],
    } as BuildSheet
    expect(stepTitle({ kind: 'poseChainOff', targetIds: ['lower'] }, two)).toBe(
      'To the timing position, chain off: lower chain',
    )
  })
  test('where one loop is a chain and another a belt, each is called what it is, and both at once by both', () => {
    const second = { ...sheet.loops[0], id: 'outer', name: 'Outer belt', kind: 'toothedBelt' as const }
    const mixed = { ...sheet, loops: [...sheet.loops, second] } as BuildSheet
    const titles = ['chain', 'outer'].map((id) => stepTitle({ kind: 'chainOnCount', targetIds: [id] }, mixed))
    expect(titles).toEqual(['Chain on: count: chain', 'Belt on: count: outer belt'])
    const off = (targetId: string) => reasonWords({ code: 'loopOff', verdict: 'trim', targetId }, mixed)
    expect(off('outer').free).toBe('Belt on and counted, or every valve relieved')
    expect(off('chain').free).toBe('Chain on and counted, or every valve relieved')
    expect(cautionWords('handsClear', mixed)).toContain('Hands clear of chain, belt and what they run on;')
    expect(cautionWords('handsClear', belt)).toContain('Hands clear of belt and pulleys;')
    expect(gapWords('pitches', second)).toContain('Number of teeth not known')
  })
})

describe('what cannot be taken is said with why, and what would help', () => {
  test('numbers and the wheel', () => {
    expect(numberWords({ code: 'empty' })).toBe('Nothing is written here yet.')
    expect(numberWords({ code: 'notANumber', text: 'x'.repeat(80) })).toHaveLength(
      numberWords({ code: 'notANumber', text: 'x'.repeat(30) }).length,
    )
    expect(numberWords({ code: 'tooLarge' })).toContain('too large')
    expect(numberWords({ code: 'outOfRange', least: -90, most: 90 })).toBe('It must be from -90 to 90.')
    expect(scaleWords({ code: 'placeMissing', places: [], number: 10 })).toContain('before or after')
    expect(scaleWords({ code: 'chordTooLong', chordMm: 320, mostMm: 300 })).toContain('320.0 mm is wider than the rim')
    expect(scaleWords({ code: 'empty' })).toBe('Nothing is written here yet.')
  })
  test('stops, sizes and layouts', () => {
    expect(stopWords({ code: 'stopsCoincide', spanDeg: 0.4, leastDeg: 1 })).toContain('only 0.4° apart')
    expect(stopWords({ code: 'stopsOpposed', spanDeg: 180 })).toContain('look alike')
    expect(sliderCrankWords({ code: 'rodShorterThanThrow', rodMm: 40, throwMm: 41 })).toContain('could not turn')
    expect(
      loopWords({ code: 'loopTooShort', shortPitches: 1.64, needsPitches: 69.64 }, { kind: 'rollerChain' }, sheet),
    ).toContain('1.64 pitches too short: this layout needs 69.64')
    expect(loopWords({ code: 'loopTooLong', overPitches: 3 }, { kind: 'toothedBelt' }, sheet)).toMatch(
      /^The belt is 3.00 teeth/,
    )
    expect(
      loopWords({ code: 'teethMissing', memberIds: ['cam-sprocket', 'nobody'] }, { kind: 'rollerChain' }, sheet),
    ).toContain('cam sprocket, nobody')
  })
  test.each([
    [{ code: 'tooBig', bytes: 3e7, most: 2e7 }, '30 MB'],
    [{ code: 'notJson', detail: 'Unexpected end' }, 'broken or cut short (Unexpected end)'],
    [{ code: 'foreign' }, 'not a Link Count file'],
    [{ code: 'newer', version: 9, known: 3 }, 'version 9; this one knows 3'],
    [{ code: 'forbiddenKey', where: 'engines.0.__proto__' }, 'engines.0.__proto__'],
    [{ code: 'invalid', where: '', detail: 'expected array' }, 'its top'],
    [{ code: 'danglingId', where: 'jobs.0.sheetId', id: 's9' }, 'points at “s9”'],
    [{ code: 'twice', where: 'engines', id: 'e1' }, 'holds “e1” twice'],
  ] as [Parameters<typeof fileWords>[0], string][])('a file: %o', (error, said) => {
    expect(fileWords(error)).toContain(said)
    expect(fileWords(error)).toContain('Nothing was changed.')
  })
})
