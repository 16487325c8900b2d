const TABLE = Uint32Array.from({ length: 256 }, (_one, n) => {
  let c = n
  for (let bit = 0; bit < 8; bit++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1
  return c
})

/** CRC-32 of a text's UTF-8 bytes, as eight hexadecimal digits: it finds damage, not people. An unpaired surrogate counts as U+FFFD.
 *  Source: the CRC-32 of ZIP and PNG (ISO 3309, polynomial 0xEDB88320 reflected). */
export function checksum(text: string): string {
  let crc = 0xffffffff
  const byte = (b: number) => {
    crc = (TABLE[(crc ^ b) & 0xff] as number) ^ (crc >>> 8)
  }
  for (let i = 0; i < text.length; i++) {
    let code = text.codePointAt(i) as number
    if (code > 0xffff) i++
    else if (code >= 0xd800 && code <= 0xdfff) code = 0xfffd
    if (code < 0x80) byte(code)
    else if (code < 0x800) {
      byte(0xc0 | (code >> 6))
      byte(0x80 | (code & 63))
    } else if (code < 0x10000) {
      byte(0xe0 | (code >> 12))
      byte(0x80 | ((code >> 6) & 63))
      byte(0x80 | (code & 63))
    } else {
      byte(0xf0 | (code >> 18))
      byte(0x80 | ((code >> 12) & 63))
      byte(0x80 | ((code >> 6) & 63))
      byte(0x80 | (code & 63))
    }
  }
  return ((crc ^ 0xffffffff) >>> 0).toString(16).padStart(8, '0')
}
