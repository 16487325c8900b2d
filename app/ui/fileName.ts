/** A file's name from words: "Tourer of 1934", "rim tape" is tourer-of-1934-rim-tape. Letters of any script stay. */
export const fileName = (...words: readonly string[]): string =>
  words
    .map((one) =>
      one
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .replace(/^-+|-+$/g, ''),
    )
    .filter(Boolean)
    .join('-')
    .slice(0, 100)
