import { makeSliderCrank, type SliderCrankSize } from '../kinematics'
import { degFromRad, radFromDeg } from '../units'

/** How far after true TDC the middle of two readings at one piston height lies because the pin is offset, crank degrees, + = after.
 *  0 without offset; undefined when the sizes cannot be an engine.
 *  Crank axis, crankpin and wrist pin are a triangle; the two readings open it by the half span to either side of the line to the wrist
 *  pin, which stands at p = r cos b + sqrt(l² - r² sin² b): the middle is at asin(e/p), TDC at asin(e/(l + r)).
 *  Source: handbook 3; the triangle solved by the law of cosines. */
export function pinOffsetShift(size: SliderCrankSize, halfSpanDeg: number): number | undefined {
  const { strokeMm, rodMm, pinOffsetMm } = size
  if (pinOffsetMm === 0) return 0
  if (!makeSliderCrank(size).ok) return undefined
  const throwMm = strokeMm / 2
  const half = radFromDeg(halfSpanDeg)
  const pinMm = throwMm * Math.cos(half) + Math.sqrt(rodMm ** 2 - (throwMm * Math.sin(half)) ** 2)
  return degFromRad(Math.asin(pinOffsetMm / pinMm) - Math.asin(pinOffsetMm / (rodMm + throwMm)))
}
