import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { canBeRead, filledOnes, judgeAlike } from '.'

const one = (name: string, reads: string, book = '') => ({ name, reads, book })
const names = (list: readonly { readonly name: string }[]) => list.map(({ name }) => name)

/* Independently worked out; how near two have to lie is ours. */
describe('parts that look alike', () => {
  test('are told apart by a length, in whatever unit', () => {
    const rods = judgeAlike({
      by: 'length',
      ones: [one('inlet', '148 mm'), one('exhaust', '6 in'), one('spare', '148.4')],
    })
    expect(rods.notTold.map(names)).toEqual([['inlet', 'spare']])
    expect(rods.against).toEqual([])
  })
  test('a bore is measured nearer than a length', () => {
    expect(judgeAlike({ by: 'bore', ones: [one('a', '20.0'), one('b', '20.1')] }).notTold).toEqual([])
    expect(judgeAlike({ by: 'length', ones: [one('a', '20.0'), one('b', '20.1')] }).notTold).toHaveLength(1)
  })
  test('what is counted holds over what the model year says, and that is named', () => {
    const judged = judgeAlike({ by: 'teeth', ones: [one('front', '19', '19 teeth'), one('rear', '20', '19')] })
    expect(names(judged.against)).toEqual(['rear'])
  })
  test('letters and stamps are words, whatever their case and spaces', () => {
    const judged = judgeAlike({ by: 'letters', ones: [one('a', 'Upright', 'upright'), one('b', ' upright ')] })
    expect(judged.against).toEqual([])
    expect(judged.notTold).toHaveLength(1)
  })
  test('what cannot be read is compared with nothing', () => {
    expect(canBeRead('teeth', 'many')).toBe(false)
    expect(canBeRead('length', '12 apples')).toBe(false)
    expect(judgeAlike({ by: 'teeth', ones: [one('a', 'many', '19'), one('b', 'many')] })).toEqual({
      notTold: [],
      against: [],
    })
  })
  test('rows that are half filled are never left out in silence; empty ones are', () => {
    const [a, b, empty] = [one(' a ', '19', '20'), one('b', '20'), one('', ' ')]
    expect(filledOnes('teeth', [a, empty, b])).toEqual([one('a', '19', '20'), b])
    for (const half of [one('c', ''), one('', '21'), one('', '', '21'), one('c', 'many'), one('c', '21', 'many')])
      expect(filledOnes('teeth', [a, b, half])).toBeUndefined()
    expect(filledOnes('teeth', [a, empty])).toBeUndefined()
  })
  test('of any counts, those that are not told apart are those that are equal', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 8 }), (teeth) => {
        const ones = teeth.map((n, i) => one(`${i}`, `${n} teeth`))
        const pairs = teeth.flatMap((a, i) => teeth.slice(i + 1).filter((b) => a === b)).length
        expect(judgeAlike({ by: 'teeth', ones }).notTold).toHaveLength(pairs)
      }),
    )
  })
})
