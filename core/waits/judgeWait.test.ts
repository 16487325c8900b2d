import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { EntryOf, NewEntry } from '../model'
import { oneChainSheet, stateAfter } from '../testing/oneChain'
import { judgeWait, openWaits, waitsOf, type Clocks, type Wait } from '.'

const MIN = 60_000
const TEN_FIVE = Date.parse('2026-11-24T10:05:00.000Z')
const iso = (ms: number) => new Date(ms).toISOString()
const wait = (more: Partial<EntryOf<'wait'>> = {}): Wait => ({
  entry: {
    kind: 'wait',
    waitId: 'w',
    holds: 'crankcase',
    where: '',
    beganAt: iso(TEN_FIVE),
    minutes: 20,
    alarm: 'no',
    at: iso(TEN_FIVE + 2 * MIN),
    ...more,
  } as EntryOf<'wait'>,
  ended: undefined,
})
/** A page opened at 10:00 and never closed, its clocks together. */
const at = (min: number, more: Partial<Clocks> = {}): Clocks => ({
  now: TEN_FIVE + min * MIN,
  openedAt: TEN_FIVE - 5 * MIN,
  ranMs: (min + 5) * MIN,
  lastLineAt: TEN_FIVE + 2 * MIN,
  ...more,
})

describe('stopped at 10:05, written at 10:07, 20 minutes', () => {
  test('it runs from when it stopped and not from when that was written', () =>
    expect(judgeWait(wait(), at(12))).toEqual({ is: 'running', leftMs: 8 * MIN }))
  test('over at 10:25 and not a minute before', () => {
    expect(judgeWait(wait(), at(19))).toMatchObject({ is: 'running' })
    expect(judgeWait(wait(), at(20))).toEqual({ is: 'over' })
  })
  test('the wall clock put forward ends nothing', () =>
    expect(judgeWait(wait(), at(20, { ranMs: 17 * MIN }))).toMatchObject({ is: 'notKnown', why: 'clockJumped' }))
  test('a time before the last line is not known', () =>
    expect(judgeWait(wait(), at(21, { lastLineAt: TEN_FIVE + 30 * MIN }))).toMatchObject({
      is: 'notKnown',
      why: 'beforeLastLine',
    }))
  test('one that has still to begin is not known', () =>
    expect(judgeWait(wait({ beganAt: iso(TEN_FIVE + 60 * MIN) }), at(3))).toMatchObject({ why: 'stillToCome' }))
  test('after the page was closed a second clock is asked', () => {
    const reopened = { openedAt: TEN_FIVE + 15 * MIN }
    expect(judgeWait(wait(), at(16, { ...reopened, ranMs: 1 * MIN }))).toEqual({ is: 'running', leftMs: 4 * MIN })
    expect(judgeWait(wait(), at(40, { ...reopened, ranMs: 25 * MIN }))).toEqual({
      is: 'askWatch',
      until: TEN_FIVE + 20 * MIN,
    })
  })
  test('after an alarm, or where nobody knows of one, no time ends it', () => {
    for (const alarm of ['rang', 'notKnown', undefined] as const)
      expect(judgeWait(wait({ alarm }), at(600))).toEqual({ is: 'never' })
    expect(judgeWait(wait({ holds: 'couplingPlugs', alarm: undefined }), at(600))).toEqual({ is: 'over' })
  })
})

test('it is never over before its time, whatever the wall clock was put to', () =>
  fc.assert(
    fc.property(fc.nat(60), fc.integer({ min: -90, max: 90 }), fc.boolean(), (trueMin, putBy, reopened) => {
      const openedAt = reopened ? TEN_FIVE + 3 * MIN : TEN_FIVE - 5 * MIN
      const trueNow = TEN_FIVE + trueMin * MIN
      if (trueNow < openedAt) return
      const said = judgeWait(wait(), {
        now: trueNow + putBy * MIN,
        openedAt,
        ranMs: trueNow - openedAt,
        lastLineAt: TEN_FIVE + 2 * MIN,
      })
      if (said.is === 'over') expect(trueMin).toBeGreaterThanOrEqual(20)
    }),
  ))

describe('in a job', () => {
  const begun: NewEntry = {
    kind: 'wait',
    waitId: 'w',
    holds: 'couplingPlugs',
    where: '',
    beganAt: iso(TEN_FIVE),
    minutes: 15,
  }
  const ended: NewEntry = { kind: 'waitEnds', waitId: 'w', by: 'clocks', reason: '', role: '', source: '' }
  const after = (...entries: NewEntry[]) => stateAfter(entries, oneChainSheet())
  test('it is open until something ends it, and begun again it is open again', () => {
    expect(openWaits(after(begun))).toHaveLength(1)
    expect(openWaits(after(begun, ended))).toHaveLength(0)
    expect(openWaits(after(begun, ended, begun))).toHaveLength(1)
    expect(waitsOf(after(begun, ended))[0]?.ended?.by).toBe('clocks')
  })
})
