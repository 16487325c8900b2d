import { describe, expect, test } from 'vitest'
import { bandOf } from '.'

const code = (deg: number, school: 'roadDiesel' | 'marine') => bandOf(deg, school).band.code

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
    expect([3, 6].map((deg) => bandOf(deg, 'roadDiesel').band.ours)).toEqual([true, true])
    expect(bandOf(8, 'roadDiesel').band.ours).toBe(false)
  })
  test('marine: 2 exactly is still trimmed', () =>
    expect([0, 2, 2.01].map((deg) => code(deg, 'marine'))).toEqual(['trim', 'trim', 'resetCamshaft']))
  test('early is no wear; the margin to the next band is told', () => {
    expect(code(-4, 'roadDiesel')).toBe('early')
    expect(bandOf(1, 'roadDiesel').toNextDeg).toBe(2)
    expect(bandOf(9, 'roadDiesel').toNextDeg).toBeUndefined()
  })
})
