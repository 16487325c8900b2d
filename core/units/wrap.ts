/** The same angle in [0, cycleDeg). Double modulo, then a guard: a tiny negative number would round up to the cycle. */
export function wrapToCycle(deg: number, cycleDeg: number): number {
  const wrapped = ((deg % cycleDeg) + cycleDeg) % cycleDeg
  return wrapped >= cycleDeg || wrapped === 0 ? 0 : wrapped
}

/** The same angle in [0, 360). */
export const wrapTo360 = (deg: number) => wrapToCycle(deg, 360)

/** The same angle in (-half, half] of a cycle. */
export function wrapToSigned(deg: number, cycleDeg: number): number {
  const wrapped = wrapToCycle(deg, cycleDeg)
  return wrapped > cycleDeg / 2 ? wrapped - cycleDeg : wrapped
}

/** The same angle in (-180, 180]. */
export const wrapToSigned180 = (deg: number) => wrapToSigned(deg, 360)
