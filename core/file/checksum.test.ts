import { crc32 } from 'node:zlib'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { checksum } from '.'

test('the published check value', () => {
  // The "check" of CRC-32/ISO-HDLC in catalogues of such sums: the nine digits in ASCII.
  expect(checksum('123456789')).toBe('cbf43926')
  expect(checksum('')).toBe('00000000')
})

test('the same as zlib’s, over any text', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const slow = crc32(Buffer.from(text, 'utf8')).toString(16).padStart(8, '0')
      expect(checksum(text)).toBe(slow)
    }),
  )
})

test('lone halves of a pair are told as the replacement that UTF-8 has for them', () => {
  expect(checksum('a\ud800b')).toBe(checksum('a\ufffdb'))
})
