/** A pump whose plunger is lifted by a cam, as its dial shows it: for the demo and the tests. */
export interface SimulatedPump {
  /** Crank degrees before TDC at which the plunger begins to rise, its body where it was found. */
  readonly beginsBeforeDeg: number
  /** How fast it rises once it does, mm for a crank degree, and over how many degrees it comes to that. */
  readonly perDeg: number
  readonly easesOverDeg: number
  /** Of its own shaft for one of the crank, without its sense; and the radius of its slots. */
  readonly ratio: number
  readonly slotRadiusMm: number
  /** What tightening its bolts turns it by, mm at the slots, + = earlier. */
  readonly pullMm: number
  /** How far a needle that hangs may be out either way, mm. */
  readonly frictionMm: number
}

/** Lift at so many crank degrees after TDC, its body swung by so many mm, + = earlier. */
export function trueLift(pump: SimulatedPump, afterTdcDeg: number, swungMm: number): number {
  const earlierDeg = ((swungMm / pump.slotRadiusMm) * 180) / Math.PI / pump.ratio
  const on = afterTdcDeg + pump.beginsBeforeDeg + earlierDeg
  if (on <= 0) return 0
  const { perDeg, easesOverDeg } = pump
  return on < easesOverDeg ? (perDeg * on * on) / (2 * easesOverDeg) : perDeg * (on - easesOverDeg / 2)
}

const DIAL_MM = 0.01

/** What somebody reads: zero where the needle stops falling, then TDC, which stands off by its own error; each time the needle hangs a little and is read to the nearest line. */
export function readLift(
  pump: SimulatedPump,
  {
    swungMm,
    tdcOffDeg,
    random,
  }: { readonly swungMm: number; readonly tdcOffDeg: number; readonly random: () => number },
): number {
  const preload = 2 + random()
  const seen = (mm: number) => Math.round((preload + mm + pump.frictionMm * (2 * random() - 1)) / DIAL_MM) * DIAL_MM
  return seen(trueLift(pump, tdcOffDeg, swungMm)) - seen(0)
}
