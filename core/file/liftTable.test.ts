import fc from 'fast-check'
import { expect, test } from 'vitest'
import { parseLiftTable, writeLiftTable } from '.'

const rows = [-60, -20, 0, 20, 60].map((deg) => ({ deg, liftMm: 9 - Math.abs(deg) / 10 }))

test('what is written is read again', () => {
  expect(parseLiftTable(writeLiftTable(rows))).toEqual({ ok: true, value: rows })
})

test('semicolons with decimal commas, tabs, a heading, rows in any order', () => {
  expect(parseLiftTable('Winkel;Hub\r\n20;7,0\r\n-20;7,0\r\n0;9,0\r\n-60;3,0\r\n60;3,0\r\n')).toEqual({
    ok: true,
    value: rows,
  })
  expect(parseLiftTable('-60\t3\n-20\t7\n0\t9\n20\t7\n60\t3')).toEqual({ ok: true, value: rows })
})

test.each([
  ['not a number', '0,1\n5,two\n10,3\n15,4', { code: 'notNumbers', line: 2 }],
  ['a third column', '0,1\n5,2,9\n10,3\n15,4', { code: 'notNumbers', line: 2 }],
  ['an empty cell', '0,1\n5,\n10,3\n15,4', { code: 'notNumbers', line: 2 }],
  ['an angle past a turn', '0,1\n500,2\n10,3\n15,4', { code: 'outOfRange', line: 2 }],
  ['too few', '0,1\n5,2', { code: 'tooFewRows' }],
  ['too many', Array.from({ length: 1600 }, (_, i) => `${i / 10},1`).join('\n'), { code: 'tooManyRows' }],
  ['too long', 'x'.repeat(300_000), { code: 'tooBig' }],
])('%s is refused with its line', (_name, text, error) => expect(parseLiftTable(text)).toEqual({ ok: false, error }))

test('any text is an answer', () => {
  fc.assert(fc.property(fc.string(), (text) => void parseLiftTable(text)))
})
