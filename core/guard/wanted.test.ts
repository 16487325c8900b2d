import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry } from '../model'
import { makeRunSheet } from '../runSheet'
import { PART_IDS as ids } from '../starters'
import { chain, counted, madeSafe, oneChainSheet, stateAfter } from '../testing/oneChain'
import { ownPlaceSheet } from '../testing/walkSheets'
import { judgeGuard, wantedFor } from '.'

const sharp = (sheet: BuildSheet): BuildSheet => ({
  ...sheet,
  marks: sheet.marks.map((mark) => ({ ...mark, exact: { how: 'exact' as const } })),
})
const hidden = (markId: string): NewEntry => ({ kind: 'markHidden', markId, is: 'hidden', why: '' })
const wanted = (sheet: BuildSheet, ...more: NewEntry[]) =>
  judgeGuard(sheet, stateAfter([...madeSafe, chain('off'), chain('on'), ...more], sheet)).reasons.find(
    ({ code }) => code === 'loopNotCounted',
  )?.wanted

describe('what would prove a chain that is on: only what can be had', () => {
  const count = { by: 'count', fromMarkId: ids.camMark, toMarkId: ids.crankMark }
  const mark = { by: 'mark', markId: ids.camMark, crankMarkId: ids.crankMark }
  const sheet = sharp(oneChainSheet())
  test('its count, or its mark with the crank at its own', () => expect(wanted(sheet)).toEqual([count, mark]))
  test('without a count in a book, the mark', () => expect(wanted({ ...sheet, counts: [] })).toEqual([mark]))
  test('marks good to half a tooth tell none: the count', () => {
    const blunt = { ...sheet, marks: sheet.marks.map((one) => ({ ...one, exact: { how: 'halfTooth' as const } })) }
    expect(wanted(blunt)).toEqual([count])
  })
  test('the crank’s mark buried: a reading of the camshaft itself', () =>
    expect(wanted(sheet, hidden(ids.crankMark))).toEqual([{ by: 'read', shaftId: ids.cam }]))
  test('proved, nothing', () => {
    const { stand } = stateAfter([...madeSafe, chain('off'), chain('on'), counted(29)], sheet)
    expect(wantedFor(sheet, stand, ids.chain, new Set())).toEqual([])
  })
})

test('seen at its mark by sharp marks, the crank at its own, a chain is proved; by a clock face it is not', () => {
  const sheet = sharp(oneChainSheet())
  const seen = (off: Extract<NewEntry, { kind: 'camAtMark' }>['off']): NewEntry => ({
    kind: 'camAtMark',
    shaftId: ids.cam,
    markId: ids.camMark,
    phase: 'set',
    crank: { by: 'mark', markId: ids.crankMark, offDeg: 0 },
    off,
  })
  expect(wanted(sheet, seen({ by: 'level' }))).toBeUndefined()
  expect(wanted(sheet, seen({ by: 'clock', hours: 0, sureToHours: 0.25 }))).toBeDefined()
  expect(wanted(oneChainSheet(), seen({ by: 'level' }))).toBeDefined()
})

test('one bank after the other, where the second has a place of its own', () => {
  const worked = makeRunSheet(ownPlaceSheet())
    .filter(({ kind }) => kind === 'poseChainOff' || kind === 'chainOnCount' || kind === 'tensioner')
    .map(({ kind, targetIds }) => `${kind} ${targetIds[0]}`)
  expect(worked).toEqual([
    'poseChainOff chain-a',
    'chainOnCount chain-a',
    'tensioner tensioner-a',
    'poseChainOff chain-b',
    'chainOnCount chain-b',
    'tensioner tensioner-b',
  ])
})
