import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { solvePath } from '../drive'
import {
  judgeSlack,
  overFromPlay,
  overPerPlay,
  pitchFromPull,
  playFromOver,
  pullFromPitch,
  springSet,
  USUAL_SLACK,
  type PlaceAlong,
} from '.'

describe('a run that is too long, and how far it goes', () => {
  // Handbook 11, independently computed: a run of 150 mm with 1.0 mm too much moves 8.67 mm each way.
  test('150 mm and 1.0 mm over: 8.67 mm each way', () => expect(playFromOver(150, 1)).toBeCloseTo(8.67, 2))
  test('nothing over, no play; nor with less than nothing', () => {
    expect(playFromOver(150, 0)).toBe(0)
    expect(playFromOver(150, -1)).toBe(0)
  })
  const place = fc.constantFrom<PlaceAlong>('middle', 'third', 'besideWheel')
  const span = fc.double({ min: 40, max: 2000, noNaN: true })
  test('there and back, wherever it is pushed', () =>
    fc.assert(
      fc.property(span, fc.double({ min: 0.01, max: 20, noNaN: true }), place, (s, x, at) => {
        expect(overFromPlay(s, playFromOver(s, x, at), at)).toBeCloseTo(x, 6)
      }),
    ))
  test('its slope is that of a small step', () =>
    fc.assert(
      fc.property(span, fc.double({ min: 0.5, max: 30, noNaN: true }), place, (s, h, at) => {
        const step = 1e-4
        const slope = (overFromPlay(s, h + step, at) - overFromPlay(s, h - step, at)) / (2 * step)
        expect(overPerPlay(s, h, at)).toBeCloseTo(slope, 5)
      }),
    ))
  // The slow truth: the way of the loop solved again with a pin that pushes the run aside.
  test('the path solved with a pin in it is longer by just that', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 120, max: 600, noNaN: true }),
        (h, c) => {
          const wheel = (memberId: string, x: number) => ({
            memberId,
            centre: { x, y: 0 },
            radiusMm: 40,
            side: 1 as const,
          })
          const pin = (y: number) => ({ memberId: 'pin', centre: { x: c / 2, y }, radiusMm: 1e-6, side: 1 as const })
          const straight = solvePath([wheel('a', 0), wheel('b', c)], 1)
          // Running counter-clockwise the lower run goes from a to b at y = -40: pushed outwards by h.
          const pushed = solvePath([wheel('a', 0), pin(-40 - h), wheel('b', c)], 1)
          if (!straight.ok || !pushed.ok) throw new Error('cannot be solved')
          const longer = pushed.value.pitches - straight.value.pitches
          // The pin unwraps a little of either wheel as well: as a straight run between fixed ends it is a little more.
          const told = overFromPlay(c, h)
          expect(longer).toBeLessThanOrEqual(told + 1e-9)
          expect(told - longer).toBeLessThan(2 * 40 * (1 / Math.cos(Math.atan(h / (c / 2))) - 1) + h ** 3 / c ** 2)
        },
      ),
    ))
})

describe('a measured spring', () => {
  // Handbook 11 and 18, common practice and independently computed.
  test('188.5 to 168 as new, 187 now: set to 166.5; set to 168 it would push with 0.927', () => {
    const { setNowMm, forceIfSetAsNew, verdict } = springSet({ freeNewMm: 188.5, setNewMm: 168, freeNowMm: 187 })
    expect(setNowMm).toBeCloseTo(166.5, 9)
    expect(forceIfSetAsNew).toBeCloseTo(0.927, 3)
    expect(verdict).toBe('sound')
  })
  // By hand: 212.4 - (214.0 - 191.0) = 189.4; 21.4 / 23 of the force.
  test('214.0 to 191.0 as new, 212.4 now: 189.4', () => {
    const { setNowMm, forceIfSetAsNew } = springSet({ freeNewMm: 214, setNewMm: 191, freeNowMm: 212.4 })
    expect(setNowMm).toBeCloseTo(189.4, 9)
    expect(forceIfSetAsNew).toBeCloseTo(21.4 / 23, 9)
  })
  test.each([
    [209.2, 'tooShort'],
    [215.2, 'longerThanNew'],
    [214.5, 'sound'],
  ] as const)('free at %s mm: %s', (freeNowMm, verdict) =>
    expect(springSet({ freeNewMm: 214, setNewMm: 191, freeNowMm }).verdict).toBe(verdict),
  )
  test('set longer than free is no spring', () =>
    expect(springSet({ freeNewMm: 190, setNewMm: 191, freeNowMm: 190 }).verdict).toBe('noTravel'))
})

describe('the pull of a belt from its pitch', () => {
  const run = { spanMm: { value: 160, plusMinus: 0 }, massKgPerM: { value: 0.105, plusMinus: 0 } }
  // Handbook 18, independently computed: m 0.105 kg/m, s 160 mm, 110 Hz: 130.1 N; 10% of pull is 4.88% of pitch, 5% of pitch 10.25% of pull.
  test('110 Hz on 160 mm of 0.105 kg/m: 130.1 N', () =>
    expect(pullFromPitch(run, { value: 110, plusMinus: 0 }).value).toBeCloseTo(130.1, 1))
  test('a tenth more pull is 4.88% more pitch', () => {
    const { value } = pullFromPitch(run, { value: 110, plusMinus: 0 })
    expect(pitchFromPull(run, { value: 1.1 * value, plusMinus: 0 }).value / 110).toBeCloseTo(1.0488, 4)
  })
  test('5% of pitch is 10.25% of pull', () =>
    expect(
      pullFromPitch(run, { value: 105, plusMinus: 0 }).value / pullFromPitch(run, { value: 100, plusMinus: 0 }).value,
    ).toBeCloseTo(1.1025, 9))
  test('there and back, with their ±', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 30, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 4, noNaN: true }),
        (hz, off) => {
          const pull = pullFromPitch(run, { value: hz, plusMinus: off })
          const back = pitchFromPull(run, pull)
          expect(back.value).toBeCloseTo(hz, 6)
          expect(back.plusMinus).toBeCloseTo(off, 6)
        },
      ),
    ))
  test('its ± holds the scatter of the pitch, the length and the mass: by drawing them', () => {
    const unsure = { spanMm: { value: 160, plusMinus: 4 }, massKgPerM: { value: 0.105, plusMinus: 0.004 } }
    const { plusMinus } = pullFromPitch(unsure, { value: 110, plusMinus: 1 })
    // By hand: hypot(2/110, 8/160, 0.004/0.105) of 130.1 N.
    expect(plusMinus).toBeCloseTo(130.1 * Math.hypot(2 / 110, 8 / 160, 0.004 / 0.105), 1)
  })
})

describe('against what is wanted, at and on either side of each limit', () => {
  const band = { least: 4, most: 5 }
  test.each([
    [3.5, 0.1, 'tooTight', 'sure'],
    [3.95, 0.1, 'tooTight', 'onLimit'],
    [4, 0.1, 'in', 'onLimit'],
    [4.5, 0.1, 'in', 'sure'],
    [5, 0.1, 'in', 'onLimit'],
    [5.05, 0.1, 'tooSlack', 'onLimit'],
    [5.5, 0.1, 'tooSlack', 'sure'],
    [4.5, 0.6, 'in', 'cannotTell'],
  ] as const)('%s ± %s: %s, %s', (value, plusMinus, is, sure) =>
    expect(judgeSlack({ value, plusMinus }, band)).toMatchObject({ is, sure }),
  )
  test('a belt that sounds low is slack', () =>
    expect(judgeSlack({ value: 90, plusMinus: 1 }, { least: 94, most: 98 }, 'tighter')?.is).toBe('tooSlack'))
  test('with nothing wanted nothing is judged', () =>
    expect(judgeSlack({ value: 4, plusMinus: 0.1 }, { least: undefined, most: undefined })).toBeUndefined())
  // Handbook 11, common practice: 3/16 in.
  test('3/16 in is as wanted where no book says', () =>
    expect(judgeSlack({ value: (3 / 16) * 25.4, plusMinus: 0.1 }, USUAL_SLACK.toAndFro)?.is).toBe('in'))
})
