import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry } from '../model'
import { beginSheet } from '../starters'
import {
  atPose,
  firstJob,
  oneChainSheet,
  camMark,
  chain,
  counted,
  halfProved,
  item,
  madeSafe,
  stateAfter,
  tensioner,
  turned,
} from '../testing/oneChain'
import { sheetWithDrive } from '../testing/sheetWithDrive'
import { cautionsFor, cycleEvents, makeRunSheet, nextEvent, statusOf, stepInHand, strokesOf, type StepKind } from '.'

const sheet = oneChainSheet()
const steps = makeRunSheet(sheet)
function status(kind: StepKind, newEntries: readonly NewEntry[], job = firstJob) {
  const step = steps.find((one) => one.kind === kind)
  if (!step) throw new Error(kind)
  return statusOf({ step, sheet, job, state: stateAfter(newEntries, sheet, job) })
}

test('the whole job in its order', () => {
  expect(steps.map(({ kind }) => kind)).toEqual([
    'makeSafe',
    'lashFound',
    'trueTdc',
    'whichTdc',
    'asFound',
    'poseChainOff',
    'setCam',
    'chainOnCount',
    'tensioner',
    'twoTurns',
    'lashLeft',
    'card',
  ])
})
test('an engine without a tensioner has no such step', () => {
  const plain = beginSheet({ id: 's', engineId: 'e', at: sheet.at, cylinders: 4, guide: true, tensioner: false })
  expect(makeRunSheet(plain).some(({ kind }) => kind === 'tensioner')).toBe(false)
})
test('cautions fit the engine', () => {
  const ids = (fuel: 'petrol' | 'diesel', starting: 'battery' | 'air') =>
    cautionsFor({ fuel, starting }).map(({ id }) => id)
  expect(ids('diesel', 'air')).toContain('airOff')
  expect(ids('diesel', 'air')).toContain('injectorsOut')
  expect(ids('diesel', 'air')).not.toContain('ignitionOff')
  expect(ids('petrol', 'battery')).toContain('plugsOut')
})
/* Handbook 16; which of them refuse a turn is common practice, no source. */
test('what the crank turns with, and cylinders that hang, refuse a turn until they are seen to', () => {
  const cautions = (change: Partial<BuildSheet>) => cautionsFor({ ...sheet, ...change })
  const gates = (change: Partial<BuildSheet>) => cautions(change).flatMap(({ id, gate }) => (gate ? [id] : []))
  expect(gates({ turnsWith: ['vehicle', 'takeOff'] })).toEqual(expect.arrayContaining(['outOfGear', 'takeOffOut']))
  expect(gates({ turnsWith: ['propeller'] })).toContain('propellerStill')
  expect(cautions({ turnsWith: [] }).map(({ id }) => id)).not.toContain('turnsWithIt')
  expect(cautions({})).toContainEqual({ id: 'turnsWithIt', gate: false })
  expect(gates({ layout: 'radial' })).toContain('oilInHanging')
  const bank = { id: 'b', name: 'B', twelveIs: 'straightUp' as const }
  const axis = (value: number) => ({ ...bank, axisDeg: { value, typed: `${value}`, trust: 'measured' as const } })
  expect(gates({ banks: [axis(90)] })).not.toContain('oilInHanging')
  expect(gates({ banks: [axis(180)] })).not.toContain('oilInHanging')
  expect(gates({ banks: [axis(270)] })).toContain('oilInHanging')
})

describe('a drive of gears alone', () => {
  const gears = sheetWithDrive('gearsOnly', { pinion: 20, 'idle-gear': 33, 'cam-gear': 40 })
  const proof = makeRunSheet(gears).find(({ kind }) => kind === 'twoTurns')
  const left: NewEntry = {
    kind: 'lobeClock',
    camId: gears.cams[0]?.id ?? '',
    phase: 'left',
    crankDeg: 0,
    hour: 3,
    sureToHours: 0.5,
  }
  const stands = (...newEntries: NewEntry[]) =>
    proof && statusOf({ step: proof, sheet: gears, job: firstJob, state: stateAfter(newEntries, gears) }).evidence
  test('is turned twice and read again as well, though no loop lies on it', () => {
    expect(proof).toMatchObject({ id: 'twoTurns', targetIds: [] })
    expect(stands(left)).toBe('none')
    expect(stands(turned(360))).toBe('part')
    expect(stands(turned(720))).toBe('part')
  })
  test('turns before a cam was set, and turns back, do not count', () => {
    const set: NewEntry = { kind: 'camSet', shaftId: 'camshaft', offDeg: 0 }
    const turnedAfter = (...newEntries: NewEntry[]) => stateAfter(newEntries, gears).turnedTightDeg
    expect(turnedAfter(turned(720), set)).toBe(0)
    expect(turnedAfter(set, turned(720))).toBe(720)
    expect(turnedAfter(set, turned(400), turned(-100), turned(420))).toBe(720)
  })
  test('an engine with neither loops nor camshafts has nothing to prove', () => {
    const bare = beginSheet({
      id: 's',
      engineId: 'e',
      at: sheet.at,
      cylinders: 1,
      guide: false,
      tensioner: false,
      drive: 'none',
    })
    expect(makeRunSheet(bare).map(({ kind }) => kind)).not.toContain('twoTurns')
  })
})

describe('how far a step is', () => {
  test.each<[StepKind, NewEntry[], string]>([
    ['makeSafe', madeSafe.slice(0, 2), 'part'],
    ['makeSafe', madeSafe, 'proved'],
    ['trueTdc', halfProved.slice(0, 2), 'read'],
    ['trueTdc', [...halfProved.slice(0, 2), item('stop')], 'part'],
    ['trueTdc', halfProved, 'proved'],
    ['whichTdc', halfProved.slice(0, 5), 'read'],
    ['whichTdc', halfProved, 'proved'],
    ['asFound', [...halfProved, camMark(11, 'found')], 'read'],
    ['asFound', [...halfProved, camMark(11, 'found'), counted(29, 'found')], 'proved'],
    ['poseChainOff', [...halfProved, chain('off')], 'proved'],
    ['chainOnCount', [...halfProved, chain('off'), chain('on')], 'part'],
    ['chainOnCount', [...halfProved, chain('off'), chain('on'), counted(28)], 'part'],
    ['chainOnCount', [...halfProved, chain('off'), chain('on'), counted(29)], 'read'],
    ['tensioner', [tensioner('fitted')], 'part'],
    ['tensioner', [tensioner('released')], 'read'],
    ['twoTurns', [...halfProved, turned(720)], 'part'],
    ['twoTurns', [...halfProved, turned(360), camMark(5, 'left')], 'part'],
    ['twoTurns', [...halfProved, turned(720), camMark(5, 'left')], 'read'],
    ['twoTurns', [...halfProved, turned(720), camMark(5, 'left'), counted(29, 'left')], 'proved'],
  ])('%s', (kind, newEntries, evidence) => expect(status(kind, newEntries).evidence).toBe(evidence))

  test('arrived with its chain off: what cannot be read says so', () => {
    const job = { ...firstJob, arrival: 'everyLoopOff' as const }
    expect(status('asFound', [], job)).toMatchObject({ outcome: 'cannot', hindrance: 'chainAlreadyOff' })
    expect(status('poseChainOff', [atPose], job).evidence).toBe('proved')
  })
  test('the step in hand is the first open one, also after one is opened again', () => {
    const inHand = (newEntries: NewEntry[]) =>
      stepInHand(steps, (step) => statusOf({ step, sheet, job: firstJob, state: stateAfter(newEntries) }))?.kind
    const done: NewEntry = { kind: 'step', target: 'makeSafe', outcome: 'done', reason: '' }
    expect(inHand([])).toBe('makeSafe')
    expect(inHand([done, { kind: 'step', target: 'lashFound', outcome: 'skipped', reason: 'no blades here' }])).toBe(
      'trueTdc',
    )
    expect(inHand([done, { ...done, outcome: 'reopened' }])).toBe('makeSafe')
  })
})

describe('the cycle', () => {
  test('strokes of a cylinder are cut at the ends of the strip and fill it', () => {
    const spans = strokesOf(
      {
        ...sheet,
        cylinders: [{ id: 'a', name: 'A', bankId: 'bank', firingDeg: { value: 480, typed: '', trust: 'manual' } }],
      },
      'a',
    )
    expect(spans[0]).toEqual({ stroke: 'exhaust', fromDeg: 0, toDeg: 120 })
    expect(spans.reduce((sum, { fromDeg, toDeg }) => sum + toDeg - fromDeg, 0)).toBe(720)
  })
  test('the next thing ahead, past the end of the cycle too', () => {
    const events = cycleEvents(sheet)
    expect(nextEvent(events, 10, 720)).toMatchObject({ aheadDeg: 710 })
  })
})
