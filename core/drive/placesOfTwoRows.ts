export interface PlacesMoved {
  readonly steps: number
  readonly stepsTo: number
  /** What stays of the turn that was wanted. */
  readonly leftoverDeg: number
}

/** The places that come nearest to a turn, the fewest of equal ones, of one row or of two that are turned against each other: every sum of both is tried. Degrees, all of one shaft.
 *  Source: exhaustive. */
export function placesOfTwoRows(
  turnDeg: number,
  one: { readonly places: number; readonly eachDeg: number },
  other: { readonly places: number; readonly eachDeg: number } = { places: 1, eachDeg: 0 },
): PlacesMoved {
  const { places, eachDeg } = one
  const wholeDeg = eachDeg * places
  let best: PlacesMoved | undefined
  for (let stepsTo = -Math.floor(other.places / 2); stepsTo <= other.places / 2; stepsTo++) {
    const rest = turnDeg - stepsTo * other.eachDeg
    const steps = Math.round(rest / eachDeg)
    const leftoverDeg = rest - steps * eachDeg
    // A whole turn of the coupling is no move at all.
    const near = steps - Math.round((steps * eachDeg) / wholeDeg) * places
    const fewer = best && Math.abs(near) + Math.abs(stepsTo) < Math.abs(best.steps) + Math.abs(best.stepsTo)
    const gain = best ? Math.abs(best.leftoverDeg) - Math.abs(leftoverDeg) : Infinity
    if (gain > 1e-9 || (gain > -1e-9 && fewer))
      best = { steps: near + 0, stepsTo: stepsTo + 0, leftoverDeg: leftoverDeg + 0 }
  }
  return best ?? { steps: 0, stepsTo: 0, leftoverDeg: turnDeg }
}
