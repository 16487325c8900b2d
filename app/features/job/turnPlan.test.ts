import { describe, expect, test } from 'vitest'
import type { BuildSheet, EntryDraft } from '@link-count/core/model'
import { PART_IDS as ids } from '@link-count/core/starters'
import { benchSheet, degreeWheel, halfProved, item, madeSafe, stops, turned } from '@link-count/core/testing/bench'
import { viewOf } from '../../testing/viewOf'
import { eventWords, nextThing, planTo, planWords, poseWords, targetOfStep, wheelAt } from './turnPlan'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const ready = [...madeSafe, ...halfProved]
const sheet = benchSheet()
const wordsTo = (deg: number, drafts: readonly EntryDraft[], side: 'timing' | 'opposite' = 'timing', on = sheet) => {
  const view = viewOf(drafts, on)
  return planWords(planTo(view, deg), { deg, words: 'the place' }, view, side)
}

describe('how to come to a place, from the side stood at', () => {
  test.each<[string, number, EntryDraft[], string]>([
    ['there already', 0, ready, 'At the place. Hold it here'],
    ['on the running way', 90, ready, 'Turn 90.0° clockwise, seen from the timing side, to the place'],
    [
      'overshot',
      90,
      [...ready, turned(95, 'past')],
      'Overshot: first 30.0° anticlockwise back, then come again to the place',
    ],
    ['something in the way', 90, [...ready, item('capsLoose')], 'Before turning to the place: tighten the caps'],
    ['nothing known', 90, [], 'Where the crank stands is not known yet: find TDC first'],
    [
      'TDC found and not which turn',
      90,
      [...madeSafe, degreeWheel, stops(340, 30)],
      'To the place: bring the wheel to 95.0°. Which turn it is on is not known',
    ],
    [
      'wheel and turns disagree',
      90,
      [...ready, turned(92, 'onMark', 200)],
      'Wheel and turns disagree by 103.0°: bring it to TDC and say so again',
    ],
    [
      'the zero in doubt',
      90,
      [...ready, turned(92, 'onMark', 200), { kind: 'wheelKnocked', what: 'wheel' }],
      'The zero is in doubt: read it again first',
    ],
  ])('%s', (_case, deg, drafts, said) => expect(wordsTo(deg, drafts)).toBe(said))
  test('the other hand from the other side', () =>
    expect(wordsTo(90, ready, 'opposite')).toBe('Turn 90.0° anticlockwise, seen from the flywheel side, to the place'))
  test('what the wheel reads there', () => expect(wheelAt(viewOf(ready), 357)).toBeCloseTo(2, 9))
})

describe('where a step wants the crank', () => {
  const target = (kind: 'whichTdc' | 'setCam' | 'poseChainOff' | 'twoTurns', on: BuildSheet = sheet) => {
    const view = viewOf([], on)
    const step = view.steps.find((one) => one.step.kind === kind)?.step
    return step && targetOfStep(step, view)
  }
  test('TDC, the pose, or nowhere', () => {
    expect(target('whichTdc')).toEqual({ deg: 0, words: 'TDC of cylinder 1' })
    expect(target('poseChainOff')).toEqual({ deg: 0, words: 'the pose: firing TDC, cylinder 1' })
    expect(target('setCam')).toEqual({ deg: 0, words: 'the pose: firing TDC, cylinder 1' })
    expect(target('twoTurns')).toBeUndefined()
  })
  test('a cam whose mark meets at an event of its own', () => {
    const own = {
      ...sheet,
      marks: sheet.marks.map((mark) => (mark.id === ids.camMark ? { ...mark, meetsAtDeg: known(250) } : mark)),
    }
    expect(target('setCam', own)).toEqual({ deg: 250, words: '250.0° of the crank, where its mark meets' })
  })
  test('a pose that is no TDC is told in degrees', () => {
    const pose = (event: 'other' | 'overlapTdc') => ({
      sheet: { ...sheet, referencePose: { ...sheet.referencePose, event, crankDeg: known(33) } },
    })
    expect(poseWords(pose('other'))).toBe('33.0° of the crank')
    expect(poseWords(pose('overlapTdc'))).toBe('overlap TDC, cylinder 1')
  })
})

test('what comes next on the cycle, and how far on', () => {
  const cams = sheet.cams.map((cam) =>
    cam.valve === 'inlet' ? { ...cam, opensDeg: known(17), closesDeg: known(57) } : cam,
  )
  const view = viewOf([...ready, turned(20)], { ...sheet, cams, cylinders: sheet.cylinders })
  const next = nextThing(view)
  if (!next) throw new Error('nothing comes')
  expect(next).toMatchObject({ event: { kind: 'opens', valve: 'inlet' }, aheadDeg: 343 - 20 })
  expect(eventWords(next.event, view)).toBe('inlet opens, cylinder 1')
  expect(nextThing(viewOf([], sheet))).toBeUndefined()
})
