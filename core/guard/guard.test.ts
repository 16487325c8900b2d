import { describe, expect, test } from 'vitest'
import type { BuildSheet, EntryDraft } from '../model'
import { PART_IDS as ids } from '../starters'
import {
  atPose,
  benchJob,
  benchSheet,
  chain,
  counted,
  halfProved,
  item,
  madeSafe,
  stateAfter,
  tensioner,
  turned,
} from '../testing/bench'
import { judgeGuard, planTurn, type Guard } from '.'

const free = (value: 'no' | 'unknown') => benchSheet({ interference: { value, typed: value, trust: 'manual' } })
const guardAfter = (drafts: readonly EntryDraft[], sheet: BuildSheet = benchSheet(), job = benchJob): Guard =>
  judgeGuard(sheet, stateAfter(drafts, sheet, job))
const ready = [...madeSafe, ...halfProved]
const offAtPose = [...ready, atPose, tensioner('heldBack'), chain('off')]

describe('verdicts', () => {
  test.each<[string, EntryDraft[], Guard['verdict'], string | undefined]>([
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
  ])('%s: %s', (_name, drafts, verdict, code) => {
    const guard = guardAfter(drafts)
    expect(guard.verdict).toBe(verdict)
    expect(guard.reasons[0]?.code).toBe(code)
  })

  describe('a coupling drawn apart', () => {
    const quill = { id: 'quill', kind: 'quill' as const, fromId: ids.cam, toId: 'cam-2' }
    const sheet = benchSheet()
    const coupled = {
      ...sheet,
      couplings: [quill],
      shafts: [...sheet.shafts, { id: 'cam-2', name: 'Cam 2', kind: 'cam' as const, ratio: { num: 1, den: 2 } }],
    }
    const say = (change: 'apart' | 'together'): EntryDraft => ({
      kind: 'coupling',
      couplingId: 'quill',
      change,
      steps: 0,
    })
    const meets: EntryDraft = { kind: 'camSet', shaftId: 'cam-2', offDeg: 0 }
    test.each<[string, EntryDraft[], Guard['verdict'], string | undefined]>([
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
    ])('%s: %s', (_name, drafts, verdict, code) => {
      const guard = guardAfter(drafts, coupled)
      expect(guard.verdict).toBe(verdict)
      expect(guard.reasons[0]?.code).toBe(code)
    })
    test('with valves and pistons that cannot meet it may turn', () => {
      const drafts = [...ready, turned(90), say('apart')]
      expect(guardAfter(drafts, { ...coupled, interference: free('no').interference }).verdict).toBe('turn')
    })
  })
  test('interference that is not known counts as yes; a free-running engine may turn', () => {
    expect(guardAfter(offAtPose, free('unknown')).verdict).toBe('trim')
    expect(guardAfter(offAtPose, free('no')).verdict).toBe('turn')
  })
  test('an engine that arrives with its chain off is unknown until it stands at the pose', () => {
    const job = { ...benchJob, arrival: 'chainOff' as const }
    expect(guardAfter(madeSafe, benchSheet(), job).verdict).toBe('unknown')
    expect(guardAfter([...madeSafe, atPose], benchSheet(), job).verdict).toBe('trim')
  })
  test('a trim that was partly used leaves less one way and more the other', () => {
    expect(guardAfter([...offAtPose, turned(3)]).limit).toEqual({ until: undefined, forwardDeg: 1, backDeg: 7 })
  })
  test('the sheet’s own trim figure is used', () => {
    const sheet = benchSheet({ trimDeg: { value: 2, typed: '2', trust: 'manual' } })
    expect(guardAfter(offAtPose, sheet).limit).toMatchObject({ forwardDeg: 2 })
  })
  test('the worst reason decides, and every reason is listed', () => {
    const guard = guardAfter([...offAtPose, item('lock'), item('rag')])
    expect(guard.verdict).toBe('doNotTurn')
    expect(guard.reasons.map(({ code }) => code)).toEqual(['lockIn', 'itemIn', 'loopOff', 'tensionerNotReleased'])
  })
})

describe('no instruction to turn contradicts the guard', () => {
  const plan = (drafts: readonly EntryDraft[], toDeg: number) => {
    const sheet = benchSheet()
    const { crank } = stateAfter(drafts, sheet)
    return planTurn({
      guard: guardAfter(drafts),
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
