/** Of one thing: known safe; known safe only so far each way; known not; not known. */
export type Known =
  | { readonly is: 'safe' }
  | { readonly is: 'within'; readonly forwardDeg: number; readonly backDeg: number }
  | { readonly is: 'not' }
  | { readonly is: 'notKnown' }

export const SAFE: Known = { is: 'safe' }
export const NOT: Known = { is: 'not' }
export const NOT_KNOWN: Known = { is: 'notKnown' }

const rank = { safe: 0, within: 1, notKnown: 2, not: 3 } as const

/** What holds of all of them: the worst, and of several that are safe only so far the smallest. */
export function smallest(known: readonly Known[]): Known {
  const worst = known.reduce<Known>((bad, one) => (rank[one.is] > rank[bad.is] ? one : bad), SAFE)
  if (worst.is !== 'within') return worst
  const within = known.flatMap((one) => (one.is === 'within' ? [one] : []))
  return {
    is: 'within',
    forwardDeg: Math.min(...within.map(({ forwardDeg }) => forwardDeg)),
    backDeg: Math.min(...within.map(({ backDeg }) => backDeg)),
  }
}
