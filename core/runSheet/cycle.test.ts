import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BuildSheet, NewEntry } from '../model'
import { sheetWithCams, type CamFigures } from '../testing/sheetWithCams'
import { CYL, oneChainSheet, stateAfter } from '../testing/oneChain'
import { cycleEvents, eventsPassed, nextEvent, strokesOf } from '.'

const known = (value: number) => ({ value, typed: String(value), trust: 'manual' as const })
const inlet: CamFigures = { opensDeg: 17, closesDeg: 57 }
const exhaust: CamFigures = { opensDeg: 60, closesDeg: 20 }
const four = sheetWithCams(inlet, exhaust)
const base = oneChainSheet()
const firingAt = (deg: number, cycleDeg: 720 | 360): BuildSheet => ({
  ...base,
  cycleDeg,
  cylinders: [{ id: 'a', name: 'A', bankId: base.banks[0]?.id ?? '', firingDeg: known(deg) }],
})

describe('strokes', () => {
  test.each([
    [720, ['power', 'exhaust', 'inlet', 'compression']],
    [360, ['down', 'up']],
  ] as const)('of a cycle of %i fill it once over, each 180° long, wherever it fires', (cycleDeg, strokes) => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: cycleDeg - 0.001, noNaN: true }), (firing) => {
        const spans = strokesOf(firingAt(firing, cycleDeg), 'a')
        let at = 0
        for (const { fromDeg, toDeg } of spans) {
          expect(fromDeg).toBeCloseTo(at, 6)
          at = toDeg
        }
        expect(at).toBeCloseTo(cycleDeg, 6)
        for (const stroke of strokes) {
          const own = spans.filter((span) => span.stroke === stroke)
          expect(own.reduce((sum, { fromDeg, toDeg }) => sum + toDeg - fromDeg, 0)).toBeCloseTo(180, 6)
        }
      }),
    )
  })
  test('power begins at the firing TDC', () =>
    expect(strokesOf(firingAt(240, 720), 'a').find(({ stroke }) => stroke === 'power')).toEqual({
      stroke: 'power',
      fromDeg: 240,
      toDeg: 420,
    }))
  test('of a cylinder whose place is not known there are none', () => expect(strokesOf(base, 'nobody')).toEqual([]))
})

describe('what the crank comes by', () => {
  // 17 before overlap TDC is 343, 57 after BDC is 597; 60 before BDC is 120, 20 after overlap TDC is 380.
  test('in order of the cycle', () =>
    expect(cycleEvents(four).map(({ kind, valve, atDeg }) => [kind, valve, atDeg])).toEqual([
      ['firingTdc', undefined, 0],
      ['pose', undefined, 0],
      ['opens', 'exhaust', 120],
      ['opens', 'inlet', 343],
      ['closes', 'exhaust', 380],
      ['closes', 'inlet', 597],
    ]))
  test('without figures only what is known', () =>
    expect(cycleEvents(sheetWithCams({}, { closesDeg: 20 })).map(({ kind }) => kind)).toEqual([
      'firingTdc',
      'pose',
      'closes',
    ]))
  test('a spark by the book, and in a job by what it chose', () => {
    const magneto = (value: number): BuildSheet => ({
      ...base,
      followers: [
        {
          id: 'magneto',
          name: 'Magneto',
          kind: 'magneto',
          shaftId: 'camshaft',
          setBy: ['swing'],
          outlets: [{ name: '1', cylinderId: CYL }],
          wanted: { by: 'beforeTdc', value: known(value) },
        },
      ],
    })
    const chosen: NewEntry = {
      kind: 'followerTarget',
      followerId: 'magneto',
      by: 'beforeTdc',
      value: 28,
      which: 'own',
      reason: 'pinks',
    }
    const sparks = (sheet: BuildSheet, ...entries: NewEntry[]) =>
      cycleEvents(sheet, stateAfter(entries, sheet)).flatMap(({ kind, atDeg }) => (kind === 'sparks' ? [atDeg] : []))
    expect(sparks(magneto(30))).toEqual([690])
    expect(sparks(magneto(30), chosen)).toEqual([692])
  })
  test('the next one is the nearest ahead, never the one stood at, across the end of the cycle too', () => {
    const events = cycleEvents(four)
    fc.assert(
      fc.property(fc.double({ min: 0, max: 719.99, noNaN: true }), (from) => {
        const next = nextEvent(events, from, 720)
        if (!next) throw new Error('nothing comes')
        expect(next.aheadDeg).toBeGreaterThan(0.25)
        for (const { atDeg } of events) {
          const ahead = (((atDeg - from) % 720) + 720) % 720
          if (ahead > 0.25) expect(next.aheadDeg).toBeLessThanOrEqual(ahead + 1e-9)
        }
      }),
    )
    expect(nextEvent(events, 343, 720)).toMatchObject({ event: { kind: 'closes', valve: 'exhaust' }, aheadDeg: 37 })
    expect(nextEvent([], 0, 720)).toBeUndefined()
  })
  test('on a turn it passes what lies between and not its ends', () => {
    const passed = (fromDeg: number, deg: number) =>
      eventsPassed(cycleEvents(four), { fromDeg, deg, cycleDeg: 720 }).map(({ event }) => event.valve ?? event.kind)
    expect(passed(0, 120)).toEqual([])
    expect(passed(0, 121)).toEqual(['exhaust'])
    expect(passed(340, 45)).toEqual(['inlet', 'exhaust'])
    expect(passed(700, 180)).toEqual(['firingTdc', 'pose', 'exhaust'])
    expect(passed(0, -90)).toEqual([])
  })
})
