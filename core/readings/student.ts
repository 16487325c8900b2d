/** Two-sided Student factors for 95.45% by degrees of freedom 1 to 20. Source: JCGM 100:2008, table G.2. */
const factors = [
  13.97, 4.53, 3.31, 2.87, 2.65, 2.52, 2.43, 2.37, 2.32, 2.28, 2.25, 2.23, 2.21, 2.2, 2.18, 2.17, 2.16, 2.15, 2.14,
  2.13,
]

/** What takes the place of "two" sigma when sigma was judged from so few readings: 95.45% both sides. For over 20 degrees of
 *  freedom by the expansion 2 + 2.5/ν, which is within 0.01 of the table. `freedom` is a whole number from 1 on. */
export const studentFactor = (freedom: number) => factors[freedom - 1] ?? 2 + 2.5 / freedom

/** The value that a sum of squares of `freedom` normal deviates passes three times in a thousand. Source: Wilson and Hilferty, 1931;
 *  within 2% from one degree of freedom on. */
export function chiSquareLimit(freedom: number): number {
  const spread = 2 / (9 * freedom)
  return freedom * (1 - spread + 2.748 * Math.sqrt(spread)) ** 3
}

/** Three sigma for one reading; for the worst of several so much that chance passes it no more often, three times in a thousand. The tail of the normal
 *  distribution to within 0.01 sigma. Source: Šidák, 1967; tail by Abramowitz and Stegun 26.2.23. */
export function withinSigmas(readings: number): number {
  const each = 1 - (1 - 0.0027) ** (1 / Math.max(1, readings))
  const t = Math.sqrt(-2 * Math.log(each / 2))
  const [up, down] = [
    2.515517 + 0.802853 * t + 0.010328 * t ** 2,
    1 + 1.432788 * t + 0.189269 * t ** 2 + 0.001308 * t ** 3,
  ]
  return t - up / down
}
