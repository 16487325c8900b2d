/** Where a function that rises from below nothing to above it is nothing, between two ends that enclose that, to a billionth of their
 *  distance. Values may be infinite. Regula falsi with the Illinois weight, halving where that cannot be used: some ten evaluations.
 *  Source: Dowell and Jarratt, 1971. */
export function findRoot(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high]
  let [fa, fb] = [f(a), f(b)]
  if (fa >= 0) return a
  if (fb <= 0) return b
  const enough = Math.abs(high - low) * 1e-10
  for (let i = 0; i < 80 && b - a > enough; i++) {
    const falsi = (a * fb - b * fa) / (fb - fa)
    const usable = Number.isFinite(falsi) && falsi > a && falsi < b
    const x = usable && i % 4 !== 3 ? falsi : (a + b) / 2
    const fx = f(x)
    if (fx === 0) return x
    if (fx < 0) {
      a = x
      fa = fx
      fb /= 2
    } else {
      b = x
      fb = fx
      fa /= 2
    }
    if (Math.abs(fx) < 1e-11) return x
  }
  return (a + b) / 2
}
