import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ARRIVALS, PURPOSES, type BuildSheet, type Job, type Purpose } from '../model'
import { beginSheet, NEEDS_STAR, NEEDS_TWO_BANKS, TOPOLOGIES, type Topology } from '../starters'
import { firstJob, oneChainSheet } from '../testing/oneChain'
import {
  applyPlan,
  cameIn,
  makeRunSheet,
  purposesOf,
  schoolsOf,
  stepKinds,
  tooEarly,
  type Schools,
  type StepKindRecord,
} from '.'

const sheetOf = (drive: Topology | 'oneChain', cylinders = 6) =>
  beginSheet({
    id: 's',
    engineId: 'e',
    at: '2026-01-01T00:00:00.000Z',
    cylinders,
    layout: NEEDS_STAR.includes(drive as Topology)
      ? 'radial'
      : NEEDS_TWO_BANKS.includes(drive as Topology)
        ? 'vee'
        : 'inLine',
    drive,
    guide: false,
    tensioner: true,
  })
const usual = schoolsOf(oneChainSheet(), {})
const runSheet = (sheet: BuildSheet, purpose: Purpose, schools: Schools = usual) =>
  makeRunSheet(sheet, { purpose, schools })
const kindsOf = (sheet: BuildSheet, purpose: Purpose, schools: Schools = usual) =>
  runSheet(sheet, purpose, schools).map(({ kind }) => kind)

describe.each(PURPOSES)('a job that is here for %s', (purpose) => {
  test.each(['oneChain', ...TOPOLOGIES] as const)(
    '%s: made safe first, a card last, each step after what it needs',
    (drive) => {
      const steps = runSheet(sheetOf(drive), purpose)
      expect(steps.at(0)?.kind).toBe('makeSafe')
      expect(steps.at(-1)?.kind).toBe('card')
      expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length)
      expect(tooEarly(steps).map(({ first, then }) => `${then.id} before ${first.id}`)).toEqual([])
    },
  )
})

test('500 sheets, purposes and arrivals: nothing wanted that cannot be had goes unsaid, and no gate is missing', () => {
  const schools = fc.record({
    lashSet: fc.constantFrom('beforeAndAfter', 'before', 'after'),
    tdcBy: fc.constantFrom(undefined, 'stop', 'marks'),
    turns: fc.integer({ min: 2, max: 10 }),
  }) as fc.Arbitrary<Partial<Schools>>
  fc.assert(
    fc.property(
      fc.constantFrom(...(['oneChain', ...TOPOLOGIES] as const)),
      fc.integer({ min: 1, max: 12 }),
      fc.constantFrom(...PURPOSES),
      fc.constantFrom(...ARRIVALS),
      fc.array(fc.nat(30), { maxLength: 6 }),
      schools,
      (drive, cylinders, purpose, arrival, some, chosen) => {
        const made = sheetOf(
          drive,
          NEEDS_TWO_BANKS.includes(drive as Topology) ? 2 * Math.ceil(cylinders / 2) : cylinders,
        )
        const parts = [...made.loops, ...made.shafts, ...made.banks].map(({ id }) => id)
        const without = some.flatMap((n) => parts[n] ?? [])
        const job: Job = { ...firstJob, arrival, without, purpose }
        const steps = runSheet(made, purpose, { ...usual, ...chosen })
        expect(steps[0]?.kind).toBe('makeSafe')
        expect(steps.at(-1)?.kind).toBe('card')
        expect(tooEarly(steps)).toEqual([])
        const kinds = steps.map(({ kind }) => kind)
        if (kinds.some((kind) => ['chainOnCount', 'tensioner', 'setCam', 'recouple'].includes(kind)))
          expect(kinds).toContain('twoTurns')
        const came = cameIn(made, job)
        for (const { kind, targetIds } of steps) {
          const says = (stepKinds[kind] as StepKindRecord).hindrance?.(came, made, targetIds)
          // A camshaft that nothing drives has no timing to be found.
          if (kind === 'asFound' && came.undriven(targetIds[0] ?? '')) expect(says).toBeDefined()
          if (kind === 'lashFound' && came.headOff(made.banks[0]?.id ?? '') && made.banks.length === 1)
            expect(says === 'headOff' || made.cams.length === 0).toBe(true)
          if (arrival === 'whole' && without.length === 0) expect(says).toBeUndefined()
        }
      },
    ),
    { numRuns: 500 },
  )
})

test('a run sheet changed anyhow keeps making safe first and the card last, and no moved step before what it needs', () => {
  const base = runSheet(sheetOf('chainEachBank'), 'whole')
  const ids = fc.constantFrom(...base.map(({ id }) => id), 'nowhere')
  const line = fc.record({
    does: fc.constantFrom('add', 'leaveOut', 'move'),
    target: ids,
    before: fc.option(ids, { nil: undefined }),
    stepKind: fc.constantFrom(...base.map(({ kind }) => kind)),
    targetIds: fc.constant([]),
    reason: fc.constant('why'),
  })
  fc.assert(
    fc.property(fc.array(line, { maxLength: 12 }), (plans) => {
      const moves = plans.filter(({ does }) => does !== 'add')
      const { steps, leftOut } = applyPlan(base, moves as never)
      expect(steps[0]?.kind).toBe('makeSafe')
      expect(steps.at(-1)?.kind).toBe('card')
      // What is left out gives nothing; what is only moved keeps its order.
      if (leftOut.length === 0) expect(tooEarly(steps)).toEqual([])
      expect([...steps, ...leftOut.map(({ step }) => step)].map(({ id }) => id).sort()).toEqual(
        base.map(({ id }) => id).sort(),
      )
    }),
  )
})

test('what lays, tightens or judges a drive is turned before the card', () => {
  for (const purpose of PURPOSES) {
    const kinds = kindsOf(oneChainSheet(), purpose)
    const touches = kinds.some((kind) => kind === 'chainOnCount' || kind === 'tensioner' || kind === 'setCam')
    if (touches) expect(kinds, purpose).toContain('twoTurns')
  }
})

test('tension only: slack before, its own step, slack after, the turns, the card', () => {
  expect(kindsOf(oneChainSheet(), 'tensionOnly')).toEqual([
    'makeSafe',
    'slackFound',
    'tensioner',
    'slackSet',
    'twoTurns',
    'card',
  ])
  for (const drive of TOPOLOGIES) {
    const kinds = kindsOf(sheetOf(drive), 'tensionOnly')
    const besides = kinds.filter((kind) => kind !== 'makeSafe' && kind !== 'twoTurns')
    expect(besides.length, drive).toBeLessThanOrEqual(6)
  }
})

test('look only: at most ten steps for one camshaft, eight by marks, pressures after lash and timing', () => {
  const kinds = kindsOf(oneChainSheet(), 'lookOnly')
  expect(kinds.length).toBeLessThanOrEqual(10)
  expect(kinds.indexOf('pressures')).toBeGreaterThan(kinds.indexOf('asFound'))
  expect(kinds.indexOf('lookOver')).toBeLessThan(kinds.indexOf('lashFound'))
  const byMarks = kindsOf(oneChainSheet(), 'lookOnly', { ...usual, tdcBy: 'marks' })
  expect(byMarks.length).toBeLessThanOrEqual(8)
  expect(byMarks).not.toContain('trueTdc')
})

test('timing kept: painted and counted, and no proved TDC wanted', () => {
  expect(kindsOf(oneChainSheet(), 'timingKept')).toEqual([
    'makeSafe',
    'paint',
    'poseChainOff',
    'chainOnCount',
    'tensioner',
    'twoTurns',
    'card',
  ])
})

test('valve clearances: the camshafts come out only where there are shims, and no valve is asked for a third time', () => {
  expect(kindsOf(oneChainSheet(), 'clearances')).toEqual(['makeSafe', 'lashFound', 'lashLeft', 'card'])
  const shimmed = { ...oneChainSheet(), shims: { stepMm: 0.05, leastMm: 2, mostMm: 3 } }
  expect(kindsOf(shimmed, 'clearances')).toContain('chainOnCount')
})

test('when lash is taken is a matter of school', () => {
  const of = (lashSet: Schools['lashSet']) =>
    kindsOf(oneChainSheet(), 'whole', { ...usual, lashSet }).filter((kind) => kind.startsWith('lash'))
  expect([of('beforeAndAfter'), of('before'), of('after')]).toEqual([
    ['lashFound', 'lashLeft'],
    ['lashFound'],
    ['lashLeft'],
  ])
})

test('a job of before, without a purpose, is the whole of it', () => {
  expect(makeRunSheet(oneChainSheet())).toEqual(runSheet(oneChainSheet(), 'whole'))
})

test('a run sheet that was kept: its kinds in its order, as far as what they need allows', () => {
  const kept = makeRunSheet(oneChainSheet(), {
    schools: usual,
    kinds: ['makeSafe', 'tensioner', 'chainOnCount', 'wear', 'twoTurns', 'card'],
  })
  expect(kept.map(({ kind }) => kind)).toEqual(['makeSafe', 'chainOnCount', 'tensioner', 'wear', 'twoTurns', 'card'])
})

test('an engine is offered what it has steps for', () => {
  expect(purposesOf(oneChainSheet())).toEqual(
    PURPOSES.filter((purpose) => !['recouple', 'pump', 'spark'].includes(purpose)),
  )
  expect(purposesOf(sheetOf('splinedBanks'))).toContain('recouple')
  expect(purposesOf(sheetOf('gearPair'))).not.toContain('tensionOnly')
  expect(purposesOf(sheetOf('gearPair'))).not.toContain('timingKept')
})

test('what a job is done by: the job’s own choice, else the build sheet’s, else what is usual', () => {
  const sheet = { ...oneChainSheet(), schools: { turns: 4, dryRun: 'yes' as const } }
  expect(schoolsOf(sheet, { schools: { turns: 3 } })).toMatchObject({
    turns: 3,
    dryRun: 'yes',
    lashSet: 'beforeAndAfter',
  })
  expect(schoolsOf(oneChainSheet(), {})).toMatchObject({ turns: 2, reversing: oneChainSheet().reversing })
})
