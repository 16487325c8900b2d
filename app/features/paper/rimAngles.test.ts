import { describe, expect, test } from 'vitest'
import type { BuildSheet } from '@link-count/core/model'
import { oneChainSheet } from '@link-count/core/testing/oneChain'
import { ownAngles, typedAngles } from './rimAngles'

const known = (value: number) => ({ value, typed: String(value), trust: 'measured' as const })
const base = oneChainSheet()
const twin = (secondDeg: number | undefined): BuildSheet => ({
  ...base,
  cylinders: ['1', '2'].map((name, i) => ({
    id: `cyl-${name}`,
    name,
    bankId: base.banks[0]?.id ?? '',
    ...(i === 0 ? { firingDeg: known(0) } : secondDeg === undefined ? {} : { firingDeg: known(secondDeg) }),
  })),
})

describe('what belongs on a rim by itself', () => {
  test('TDC of each cylinder whose place is known, the short way from the zero cylinder’s', () => {
    expect(ownAngles(twin(310))).toEqual([
      { name: 'TDC 1', afterDeg: 0 },
      { name: 'TDC 2', afterDeg: -50 },
    ])
    expect(ownAngles(twin(undefined)).map(({ name }) => name)).toEqual(['TDC 1'])
    expect(ownAngles(base)).toEqual([{ name: 'TDC', afterDeg: 0 }])
  })
  test('cylinders that come up together share one mark', () =>
    expect(ownAngles(twin(360))).toEqual([{ name: 'TDC 1, 2', afterDeg: 0 }]))
  test('marks for a spark where they claim to stand; castings are no marks', () => {
    const rimMarks: BuildSheet['rimMarks'] = (['spark', 'casting'] as const).map((cutFor) => ({
      id: cutFor,
      name: cutFor,
      where: '',
      seenFrom: 'timing',
      cutFor,
      cylinderId: 'cyl-2',
      claimDeg: known(-28),
    }))
    expect(ownAngles({ ...twin(310), rimMarks }).slice(2)).toEqual([{ name: 'spark', afterDeg: -78 }])
  })
})

describe('angles as somebody writes them', () => {
  test('before, after, signs and commas', () =>
    expect(typedAngles('spark: 28 before\ninlet opens, 11 before\nexhaust closes: 20 after\nhalf: 0')).toEqual({
      angles: [
        { name: 'spark', afterDeg: -28 },
        { name: 'inlet opens', afterDeg: -11 },
        { name: 'exhaust closes', afterDeg: 20 },
        { name: 'half', afterDeg: 0 },
      ],
      refused: [],
    }))
  test('what cannot be read is given back, and nothing else is lost', () => {
    const { angles, refused } = typedAngles('spark: soon\n\n: 12\nspark 28\nopens: 11 before')
    expect(angles).toEqual([{ name: 'opens', afterDeg: -11 }])
    expect(refused).toEqual(['spark: soon', ': 12', 'spark 28'])
  })
  test('more than a rim can hold are given back as well', () => {
    const many = Array.from({ length: 90 }, (_, i) => `m${i}: ${i} after`)
    const { angles, refused } = typedAngles(many.join('\n'))
    expect(angles).toHaveLength(60)
    expect(refused).toEqual(many.slice(60))
  })
})
