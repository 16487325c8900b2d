import { describe, expect, test } from 'vitest'
import type { NewEntry } from '../model'
import { camMark, degreeWheel, halfProved, madeSafe, oneChainSheet, stateAfter, stops } from '../testing/oneChain'
import { PART_IDS as ids } from '../starters'
import { judgeGrown, judgeWear, latenessParts } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const at = (xMm: number, yMm: number) => ({ how: 'xy' as const, xMm: known(xMm), yMm: known(yMm) })
const base = oneChainSheet()
/** Handbook 10: between 20 and 40 teeth a run of 157.113 mm lies at centres of 159.999 mm. */
const sheet = {
  ...base,
  shafts: base.shafts.map((one) => (one.id === ids.cam ? { ...one, position: at(0, 159.999) } : one)),
  members: base.members
    .filter(({ kind }) => kind === 'sprocket')
    .map((one) => ({ ...one, teeth: known(one.shaftId === ids.cam ? 40 : 20) })),
  loops: base.loops.map(({ pitches: _gone, ...loop }) => ({
    ...loop,
    pitchMm: known(9.525),
    path: loop.path.filter(({ memberId }) =>
      base.members.some(({ id, kind }) => id === memberId && kind === 'sprocket'),
    ),
  })),
}
const grown = (percent: number): NewEntry => ({
  kind: 'chainLength',
  loopId: ids.chain,
  overPitches: 40,
  measuredMm: 40 * 9.525 * (1 + percent / 100),
})
const zero = [...madeSafe, degreeWheel, stops(340, 30), stops(330, 40), ...halfProved]
const stateOf = (...entries: NewEntry[]) => stateAfter([...zero, ...entries], sheet)

describe('a chain that has grown, at and on either side of each limit', () => {
  // Handbook 10, from memory: about 1% on fixed centres, 2% on adjustable ones; large marine, common practice: over 1%.
  test.each([
    [0.5, 0.1, 'general', 'goesOn', 'in'],
    [0.95, 0.1, 'general', 'goesOn', 'onLimit'],
    [1, 0.1, 'general', 'planOne', 'onLimit'],
    [1.5, 0.1, 'general', 'planOne', 'in'],
    [2, 0.1, 'general', 'planOne', 'onLimit'],
    [2.05, 0.1, 'general', 'renew', 'onLimit'],
    [2.5, 0.1, 'general', 'renew', 'in'],
    [1.5, 0.6, 'general', 'planOne', 'cannotTell'],
    [0.9, 0.05, 'marine', 'goesOn', 'in'],
    [1, 0.05, 'marine', 'goesOn', 'onLimit'],
    [1.2, 0.05, 'marine', 'renew', 'in'],
  ] as const)('%s%% ± %s, %s: %s, %s', (percent, plusMinus, whose, code, sure) =>
    expect(judgeGrown(percent, plusMinus, whose)).toMatchObject({ code, sure }),
  )
})

describe('lateness and growth beside each other', () => {
  test('a chain that is far gone counts, though the cam reads right', () => {
    const { worst } = judgeWear(sheet, stateOf(camMark(5, 'found'), grown(2.5)), 'found', 'roadDiesel')
    expect(worst).toMatchObject({ by: 'grown', graveness: 3 })
  })
  test('and a cam far out counts, though the chain has not grown', () => {
    const { worst } = judgeWear(sheet, stateOf(camMark(14, 'found'), grown(0.1)), 'found', 'roadDiesel')
    expect(worst).toMatchObject({ by: 'lateness', graveness: 3 })
  })
  test('nothing read, nothing judged', () =>
    expect(judgeWear(sheet, stateOf(), 'found', 'roadDiesel').worst).toBeUndefined())
})

describe('what a lateness is made of', () => {
  // Handbook 10, independently computed: 0.5% over 157.113 mm on 40 teeth is 1.483° of the crank.
  test('half a per cent of that chain is 1.483°, and the rest is told', () => {
    const [parts] = latenessParts(sheet, stateOf(camMark(8, 'found'), grown(0.5)), 'found')
    expect(parts?.stretch?.value).toBeCloseTo(1.483, 2)
    expect(parts?.rest?.value).toBeCloseTo((parts?.read?.value ?? 0) - 1.483, 2)
  })
  test('with nothing measured but the cam nothing is made up', () => {
    const [parts] = latenessParts(sheet, stateOf(camMark(8, 'found')), 'found')
    expect(parts).toMatchObject({ stretch: undefined, skim: undefined, play: undefined, rest: undefined })
  })
})
