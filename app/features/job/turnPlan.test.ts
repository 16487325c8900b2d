import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '@link-count/core/model'
import { PART_IDS as ids } from '@link-count/core/starters'
import { oneChainSheet, halfProved, madeSafe, turned } from '@link-count/core/testing/oneChain'
import { viewOf } from '../../testing/viewOf'
import { eventWords, nextThing, poseWords, targetOfStep, wheelAt } from './turnPlan'

const known = <T>(value: T) => ({ value, typed: String(value), trust: 'measured' as const })
const ready = [...madeSafe, ...halfProved]
const sheet = oneChainSheet()
test('what the wheel reads at a place', () => expect(wheelAt(viewOf(ready), 357)).toBeCloseTo(2, 9))

describe('where a step wants the crank', () => {
  const target = (kind: 'whichTdc' | 'setCam' | 'poseChainOff' | 'twoTurns', on: BuildSheet = sheet) => {
    const view = viewOf([], on)
    const step = view.steps.find((one) => one.step.kind === kind)?.step
    return step && targetOfStep(step, view)
  }
  test('TDC, the pose, or nowhere', () => {
    expect(target('whichTdc')).toEqual({ deg: 0, words: 'TDC of cylinder 1' })
    expect(target('poseChainOff')).toEqual({ deg: 0, words: 'the timing position: firing TDC, cylinder 1' })
    expect(target('setCam')).toEqual({ deg: 0, words: 'the timing position: firing TDC, cylinder 1' })
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
