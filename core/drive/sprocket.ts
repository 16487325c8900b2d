import { radFromDeg, ratioOf, ratioValue, type Ratio } from '../units'

/** Radius to the pin line of a chain sprocket: p / (2 sin(180°/z)). Source: ISO 606 (from memory). */
export const sprocketRadiusMm = (pitchMm: number, teeth: number) => pitchMm / (2 * Math.sin(radFromDeg(180 / teeth)))

/** Radius to the pitch line of a toothed belt pulley: z·p / 2pi. */
export const pulleyRadiusMm = (pitchMm: number, teeth: number) => (pitchMm * teeth) / (2 * Math.PI)

/** The ratio one loop gives: turns of the driven shaft per turn of the driver, exact. */
export const loopRatio = (driverTeeth: number, drivenTeeth: number) => ratioOf(driverTeeth, drivenTeeth)

/** What one tooth of a sprocket is worth on its own shaft and at the crank, degrees. */
export function toothWorth(teeth: number, ratio: Ratio): { readonly shaftDeg: number; readonly crankDeg: number } {
  const shaftDeg = 360 / teeth
  return { shaftDeg, crankDeg: shaftDeg / Math.abs(ratioValue(ratio)) }
}

/** Teeth that would mend a ratio: the same crank sprocket with another cam sprocket, and the other way about. */
export function recountsForRatio({ driver, driven, wanted }: { driver: number; driven: number; wanted: Ratio }) {
  const size = Math.abs(ratioValue(wanted))
  return [
    { driver, driven: driver / size },
    { driver: driven * size, driven },
  ].filter((teeth) => Number.isInteger(teeth.driver) && Number.isInteger(teeth.driven) && teeth.driver >= 5)
}
