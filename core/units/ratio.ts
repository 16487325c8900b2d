import { invariant } from '../result'

/** An exact signed ratio of two whole numbers, lowest terms, den > 0. Minus = turns opposite to the crank. */
export interface Ratio {
  readonly num: number
  readonly den: number
}

/** The greatest common divisor of two whole numbers, not minus. */
export const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b))

export function ratioOf(num: number, den: number): Ratio {
  invariant(Number.isSafeInteger(num) && Number.isSafeInteger(den) && den !== 0, `ratio ${num}/${den}`)
  const divisor = gcd(num, den) * Math.sign(den)
  return { num: num / divisor + 0, den: den / divisor }
}

export const multiplyRatios = (a: Ratio, b: Ratio) => ratioOf(a.num * b.num, a.den * b.den)
export const ratioValue = ({ num, den }: Ratio) => num / den
export const ratiosEqual = (a: Ratio, b: Ratio) => a.num * b.den === b.num * a.den
