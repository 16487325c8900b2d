/** A value and its ±, two sigma. */
export interface PlusMinus {
  readonly value: number
  readonly plusMinus: number
}

/** A run of belt that is plucked. */
export interface PluckedRun {
  readonly spanMm: PlusMinus
  readonly massKgPerM: PlusMinus
}

/** The pull in a run of belt from the pitch it sounds at, newtons: T = 4·m·s²·f². A stiff or short run sounds higher than a string would, so the belt is slacker than
 *  this says. Source: the stretched string, Mersenne; handbook 11. */
export function pullFromPitch({ spanMm, massKgPerM }: PluckedRun, hz: PlusMinus): PlusMinus {
  const value = 4 * massKgPerM.value * (spanMm.value / 1000) ** 2 * hz.value ** 2
  const share = Math.hypot(
    (2 * hz.plusMinus) / hz.value,
    (2 * spanMm.plusMinus) / spanMm.value,
    massKgPerM.plusMinus / massKgPerM.value,
  )
  return { value, plusMinus: value * share }
}

/** The pitch that a pull gives a run, hertz: the same the other way. */
export function pitchFromPull({ spanMm, massKgPerM }: PluckedRun, newtons: PlusMinus): PlusMinus {
  const value = Math.sqrt(newtons.value / massKgPerM.value) / ((2 * spanMm.value) / 1000)
  const share = Math.hypot(
    newtons.plusMinus / (2 * newtons.value),
    spanMm.plusMinus / spanMm.value,
    massKgPerM.plusMinus / (2 * massKgPerM.value),
  )
  return { value, plusMinus: value * share }
}
