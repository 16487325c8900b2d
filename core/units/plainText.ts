const FRACTIONS = /(\d?)\s?([¼-¾⅐-⅞])/g

/** The same text with the signs that a keyboard has: minus, quotes and primes, fractions of one sign as 3/8, blanks of one kind. */
export const plainText = (text: string): string =>
  text
    .replace(/[−–—‐‑]/g, '-')
    .replace(/[\u00a0\u2000-\u200a\u202f]/g, ' ')
    .replace(/[‘’´`′ʹ]/g, "'")
    .replace(/[“”″ʺ]|''/g, '"')
    .replace(/[μ]/g, 'µ')
    .replace(FRACTIONS, (_all, whole: string, sign: string) => {
      const fraction = sign.normalize('NFKD').replace('⁄', '/')
      return whole === '' ? fraction : `${whole} ${fraction}`
    })
    .trim()
