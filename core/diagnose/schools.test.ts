import { describe, expect, test } from 'vitest'
import { bandOf } from '.'

const code = (deg: number, school: 'roadDiesel' | 'marine') => bandOf(deg, 0, school).band.code

// Handbook 10, common practice: under 3 leave, 8 and over now; 3 to 6 and 6 to 8 are ours. Marine: up to and including 2 trim.
describe('bands, with a limit met exactly', () => {
  test('road diesel', () => {
    expect([0, 2.99, 3, 5.99, 6, 7.99, 8, 30].map((deg) => code(deg, 'roadDiesel'))).toEqual([
      'leave',
      'leave',
      'correctAndWatch',
      'correctAndWatch',
      'pumpAndPlan',
      'pumpAndPlan',
      'chainNow',
      'chainNow',
    ])
    expect([3, 6].map((deg) => bandOf(deg, 0, 'roadDiesel').band.ours)).toEqual([true, true])
    expect(bandOf(8, 0, 'roadDiesel').band.ours).toBe(false)
  })
  test('marine: 2 exactly is still trimmed', () =>
    expect([0, 2, 2.01].map((deg) => code(deg, 'marine'))).toEqual(['trim', 'trim', 'resetCamshaft']))
  test('early is no wear; the margin to the next band is told', () => {
    expect(code(-4, 'roadDiesel')).toBe('early')
    expect(bandOf(1, 0, 'roadDiesel').toNextDeg).toBe(2)
    expect(bandOf(9, 0, 'roadDiesel').toNextDeg).toBeUndefined()
  })
})

/* Worked out by hand from the limits 3, 6, 8 and 2: a quarter of the narrower closed band beside a limit is 0.75 at 3, 0.5 at 6 and 8, 0.5 at 2. */
describe('bands know the ± of a figure', () => {
  const said = (deg: number, plusMinus: number, school: 'roadDiesel' | 'marine') => {
    const { band, sure } = bandOf(deg, plusMinus, school)
    return [band.code, sure]
  }
  test.each<[number, number, 'roadDiesel' | 'marine', string, string]>([
    [2, 0.2, 'marine', 'trim', 'onLimit'],
    [2.1, 0.2, 'marine', 'resetCamshaft', 'onLimit'],
    [1.9, 0.05, 'marine', 'trim', 'in'],
    [2, 0.05, 'marine', 'trim', 'onLimit'],
    [2.1, 0.05, 'marine', 'resetCamshaft', 'in'],
    [1, 0.2, 'marine', 'trim', 'in'],
    [1, 3.2, 'marine', 'trim', 'cannotTell'],
    [3, 0.5, 'roadDiesel', 'correctAndWatch', 'onLimit'],
    [3, 1, 'roadDiesel', 'correctAndWatch', 'cannotTell'],
    [2, 3.2, 'roadDiesel', 'leave', 'cannotTell'],
    [7.9, 0.5, 'roadDiesel', 'pumpAndPlan', 'onLimit'],
    [7.9, 0.6, 'roadDiesel', 'pumpAndPlan', 'cannotTell'],
    [4.5, 1.4, 'roadDiesel', 'correctAndWatch', 'in'],
    [12, 3, 'roadDiesel', 'chainNow', 'in'],
    [0.3, 0.5, 'roadDiesel', 'leave', 'in'],
    [-0.3, 0.5, 'roadDiesel', 'leave', 'in'],
    [-4, 0.5, 'roadDiesel', 'early', 'in'],
  ])('%d ± %d, %s: %s, %s', (deg, plusMinus, school, code, sure) =>
    expect(said(deg, plusMinus, school)).toEqual([code, sure]),
  )
})
