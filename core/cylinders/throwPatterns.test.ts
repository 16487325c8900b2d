import { describe, expect, test } from 'vitest'
import { throwPatterns, type Layout } from '.'

const layouts: readonly Layout[] = ['inLine', 'vee', 'flat', 'opposed', 'radial']

describe('throws to begin from', () => {
  test.each(layouts.flatMap((layout) => [1, 2, 3, 4, 5, 6, 7, 8, 9, 12, 14].map((n) => [layout, n] as const)))(
    '%s of %i: every cylinder has a pin in the first turn, the first at 0',
    (layout, n) => {
      for (const { crankpinsDeg } of throwPatterns(layout, n)) {
        expect(crankpinsDeg).toHaveLength(n)
        expect(crankpinsDeg[0]).toBe(0)
        expect(crankpinsDeg.every((deg) => deg >= 0 && deg < 360)).toBe(true)
      }
    },
  )
  test('each pattern of a layout is another one', () => {
    for (const layout of layouts)
      for (const n of [2, 4, 6, 8]) {
        const all = throwPatterns(layout, n).map(({ crankpinsDeg }) => crankpinsDeg.join())
        expect(new Set(all).size).toBe(all.length)
      }
  })
  // Common practice, no source.
  test.each<[Layout, number, string, readonly number[]]>([
    ['inLine', 4, 'flatPlane', [0, 180, 180, 0]],
    ['inLine', 3, 'thirds', [0, 120, 240]],
    ['vee', 2, 'one', [0, 0]],
    ['opposed', 2, 'one', [0, 180]],
    ['vee', 4, 'oneUpOneDown', [0, 180, 0, 180]],
    ['radial', 9, 'oneRow', [0, 0, 0, 0, 0, 0, 0, 0, 0]],
    ['radial', 14, 'twoRows', [0, 180, 0, 180, 0, 180, 0, 180, 0, 180, 0, 180, 0, 180]],
  ])('%s of %i, %s', (layout, n, id, pins) =>
    expect(throwPatterns(layout, n).find((one) => one.id === id)?.crankpinsDeg).toEqual(pins),
  )
  test('a number nobody builds so has none to offer', () => {
    expect(throwPatterns('inLine', 7)).toEqual([])
    expect(throwPatterns('vee', 3)).toEqual([])
  })
})
