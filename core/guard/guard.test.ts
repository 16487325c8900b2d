import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry } from '../model'
import { PART_IDS as ids } from '../starters'
import {
  atPose,
  firstJob,
  oneChainSheet,
  chain,
  counted,
  halfProved,
  item,
  madeSafe,
  stateAfter,
  tensioner,
  turned,
} from '../testing/oneChain'
import { judgeGuard, planTurn, type Guard } from '.'

const free = (value: 'no' | 'unknown') => oneChainSheet({ interference: { value, typed: value, trust: 'manual' } })
const guardAfter = (newEntries: readonly NewEntry[], sheet: BuildSheet = oneChainSheet(), job = firstJob): Guard =>
  judgeGuard(sheet, stateAfter(newEntries, sheet, job))
const ready = [...madeSafe, ...halfProved]
const offAtPose = [...ready, atPose, tensioner('heldBack'), chain('off')]

describe('verdicts', () => {
  test.each<[string, NewEntry[], Guard['verdict'], string | undefined]>([
    ['nothing done', [], 'doNotTurn', 'makeSafeNotDone'],
    ['made safe', ready, 'turn', undefined],
    ['stop in', [...ready, item('stop')], 'trim', 'stopIn'],
    ['lock in', [...ready, item('lock')], 'doNotTurn', 'lockIn'],
    ['caps loose', [...ready, item('capsLoose')], 'doNotTurn', 'capsLoose'],
    ['rag in', [...ready, item('rag')], 'trim', 'itemIn'],
    ['tabs not bent', [...ready, item('tabsNotBent')], 'turn', 'itemIn'],
    ['tensioner held', [...ready, tensioner('heldBack')], 'trim', 'tensionerNotReleased'],
    ['chain off at the pose', offAtPose, 'trim', 'loopOff'],
    ['chain off elsewhere', [...ready, turned(90), chain('off')], 'doNotTurn', 'loopOffAwayFromPose'],
    ['chain off, place unknown', [...madeSafe, chain('off')], 'unknown', 'loopOffPlaceUnknown'],
    ['trim used up', [...offAtPose, turned(5)], 'doNotTurn', 'loopOff'],
    ['valves relieved', [...offAtPose, turned(5), item('valvesRelieved')], 'turn', 'itemIn'],
    ['chain on, not counted', [...offAtPose, chain('on'), tensioner('released')], 'trim', 'loopNotCounted'],
    [
      'chain on, a tooth out',
      [...offAtPose, chain('on'), tensioner('released'), counted(28)],
      'trim',
      'loopCountedOut',
    ],
    ['chain on and right', [...offAtPose, chain('on'), tensioner('released'), counted(29)], 'turn', undefined],
  ])('%s: %s', (_name, newEntries, verdict, code) => {
    const guard = guardAfter(newEntries)
    expect(guard.verdict).toBe(verdict)
    expect(guard.reasons[0]?.code).toBe(code)
  })

  describe('a coupling drawn apart', () => {
    const quill = { id: 'quill', kind: 'quill' as const, fromId: ids.cam, toId: 'cam-2' }
    const sheet = oneChainSheet()
    const coupled = {
      ...sheet,
      couplings: [quill],
      shafts: [...sheet.shafts, { id: 'cam-2', name: 'Cam 2', kind: 'cam' as const, ratio: { num: 1, den: 2 } }],
    }
    const say = (change: 'apart' | 'together'): NewEntry => ({
      kind: 'coupling',
      couplingId: 'quill',
      change,
      steps: 0,
    })
    const meets: NewEntry = { kind: 'camSet', shaftId: 'cam-2', offDeg: 0 }
    test.each<[string, NewEntry[], Guard['verdict'], string | undefined]>([
      ['at the pose', [...ready, atPose, say('apart')], 'trim', 'couplingApart'],
      ['elsewhere', [...ready, turned(90), say('apart')], 'doNotTurn', 'couplingApartAwayFromPose'],
      ['place unknown', [...madeSafe, say('apart')], 'unknown', 'couplingApartPlaceUnknown'],
      ['trim used up', [...ready, atPose, say('apart'), turned(5)], 'doNotTurn', 'couplingApart'],
      ['together again', [...ready, atPose, say('apart'), say('together')], 'trim', 'couplingNotRead'],
      ['and read', [...ready, atPose, say('apart'), say('together'), meets], 'turn', undefined],
      [
        'read before it came apart',
        [...ready, atPose, meets, say('apart'), say('together')],
        'trim',
        'couplingNotRead',
      ],
    ])('%s: %s', (_name, newEntries, verdict, code) => {
      const guard = guardAfter(newEntries, coupled)
      expect(guard.verdict).toBe(verdict)
      expect(guard.reasons[0]?.code).toBe(code)
    })
    test('with valves and pistons that cannot meet it may turn', () => {
      const newEntries = [...ready, turned(90), say('apart')]
      expect(guardAfter(newEntries, { ...coupled, interference: free('no').interference }).verdict).toBe('turn')
    })
  })
  test('interference that is not known counts as yes; a free-running engine may turn', () => {
    expect(guardAfter(offAtPose, free('unknown')).verdict).toBe('trim')
    expect(guardAfter(offAtPose, free('no')).verdict).toBe('turn')
  })
  test('an engine that arrives with its chain off is unknown until it stands at the pose', () => {
    const job = { ...firstJob, arrival: 'everyLoopOff' as const }
    expect(guardAfter(madeSafe, oneChainSheet(), job).verdict).toBe('unknown')
    expect(guardAfter([...madeSafe, atPose], oneChainSheet(), job).verdict).toBe('trim')
  })
  test('a trim that was partly used leaves less one way and more the other', () => {
    expect(guardAfter([...offAtPose, turned(3)]).limit).toEqual({ until: undefined, forwardDeg: 1, backDeg: 7 })
  })
  test('the sheet’s own trim figure is used', () => {
    const sheet = oneChainSheet({ trimDeg: { value: 2, typed: '2', trust: 'manual' } })
    expect(guardAfter(offAtPose, sheet).limit).toMatchObject({ forwardDeg: 2 })
  })
  test('the worst reason decides, and every reason is listed', () => {
    const guard = guardAfter([...offAtPose, item('lock'), item('rag')])
    expect(guard.verdict).toBe('doNotTurn')
    expect(guard.reasons.map(({ code }) => code)).toEqual(['lockIn', 'itemIn', 'loopOff', 'tensionerNotReleased'])
  })
})

describe('no instruction to turn contradicts the guard', () => {
  const plan = (newEntries: readonly NewEntry[], toDeg: number) => {
    const sheet = oneChainSheet()
    const { crank } = stateAfter(newEntries, sheet)
    return planTurn({
      guard: guardAfter(newEntries),
      fromDeg: crank.deg,
      toDeg,
      cycleDeg: 720,
      freshApproach: crank.freshApproach,
    })
  }
  test('turned the running way, never the short way back', () => {
    expect(plan([...ready, turned(10)], 0)).toEqual({ kind: 'turn', deg: 710 })
    expect(plan(ready, 90)).toEqual({ kind: 'turn', deg: 90 })
  })
  test('there is there', () => expect(plan(ready, 0)).toEqual({ kind: 'there' }))
  test('a trim within the limit may go back', () => {
    expect(plan([...offAtPose, turned(3)], 0)).toEqual({ kind: 'turn', deg: -3 })
  })
  test('what holds it is said instead of a turn', () => {
    expect(plan([...ready, item('lock')], 90)).toMatchObject({ kind: 'freeFirst', reasons: [{ code: 'lockIn' }] })
    expect(plan(offAtPose, 90)).toMatchObject({ kind: 'freeFirst' })
    expect(plan([...ready, item('stop')], 2)).toMatchObject({ kind: 'freeFirst' })
  })
  test('a place that is not known is not turned from', () =>
    expect(plan(madeSafe, 0)).toEqual({ kind: 'placeUnknown' }))
  test('an overshot mark is come at again from behind', () => {
    expect(plan([...ready, turned(92, 'past')], 90)).toEqual({ kind: 'backFirst', backDeg: 30, thenDeg: 28 })
  })
})
