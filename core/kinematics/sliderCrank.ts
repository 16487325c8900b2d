import { err, ok, type Result } from '../result'
import { degFromRad, radFromDeg } from '../units'

export interface SliderCrankSize {
  readonly strokeMm: number
  readonly rodMm: number
  /** Positive towards the side the crankpin moves to after TDC. */
  readonly pinOffsetMm: number
}

export type SliderCrankError =
  | { readonly code: 'strokeNotPositive' }
  | { readonly code: 'rodShorterThanThrow'; readonly rodMm: number; readonly throwMm: number }
  | { readonly code: 'offsetCannotAssemble'; readonly offsetMm: number; readonly mostMm: number }

export interface SliderCrank {
  /** How far past the throw-in-line position TDC lies, degrees; 0 without offset. */
  readonly tdcDeg: number
  /** Drop of the piston below its top, mm, at so many crank degrees from true TDC (+ = after). */
  readonly dropMm: (fromTdcDeg: number) => number
  /** Slope of the drop there, mm per crank degree, + = going down. */
  readonly slopeMmPerDeg: (fromTdcDeg: number) => number
  /** Crank degrees from TDC, signed, where the piston is down by a drop, or undefined when it never is. */
  readonly degAtDrop: (dropMm: number, when: 'before' | 'after') => number | undefined
}

/** Arithmetic noise about a cosine of one. */
const ROUNDING = 1e-12

/** The piston's place from the crank's, for one cylinder.
 *  Formula: h(t) = r cos t + sqrt(l² - (r sin t - e)²), TDC at sin t = e / (l + r), drop = h(TDC) - h.
 *  Errors: no stroke; rod not longer than the throw; an offset with which it cannot turn.
 *  Source: Heywood, Internal Combustion Engine Fundamentals, ch. 2 (from memory), offset added. */
export function makeSliderCrank({
  strokeMm,
  rodMm,
  pinOffsetMm,
}: SliderCrankSize): Result<SliderCrank, SliderCrankError> {
  const throwMm = strokeMm / 2
  if (!(strokeMm > 0)) return err({ code: 'strokeNotPositive' })
  if (rodMm <= throwMm) return err({ code: 'rodShorterThanThrow', rodMm, throwMm })
  const mostMm = rodMm - throwMm
  if (Math.abs(pinOffsetMm) >= mostMm) return err({ code: 'offsetCannotAssemble', offsetMm: pinOffsetMm, mostMm })

  const height = (tRad: number) => {
    const side = throwMm * Math.sin(tRad) - pinOffsetMm
    return throwMm * Math.cos(tRad) + Math.sqrt(rodMm * rodMm - side * side)
  }
  const tdcRad = Math.asin(pinOffsetMm / (rodMm + throwMm))
  const top = height(tdcRad)
  const dropMm = (deg: number) => top - height(tdcRad + radFromDeg(deg))
  const slopeMmPerDeg = (deg: number) => {
    const t = tdcRad + radFromDeg(deg)
    const side = throwMm * Math.sin(t) - pinOffsetMm
    const perRad = throwMm * Math.sin(t) + (side * throwMm * Math.cos(t)) / Math.sqrt(rodMm * rodMm - side * side)
    return radFromDeg(1) * perRad
  }
  // Crank axis, crankpin and wrist pin are a triangle of sides r, l and the wrist pin's distance: the law of cosines gives its angle.
  const degAtDrop = (drop: number, when: 'before' | 'after') => {
    const heightMm = top - drop
    const pinMm = Math.hypot(heightMm, pinOffsetMm)
    const cos = (throwMm * throwMm + pinMm * pinMm - rodMm * rodMm) / (2 * throwMm * pinMm)
    if (drop < 0 || cos < -1 - ROUNDING) return undefined
    const opening = Math.acos(Math.min(1, Math.max(-1, cos)))
    const bisector = Math.atan2(pinOffsetMm, heightMm) - tdcRad
    return degFromRad(when === 'after' ? bisector + opening : bisector - opening)
  }
  return ok({ tdcDeg: degFromRad(tdcRad), dropMm, slopeMmPerDeg, degAtDrop })
}

/** The root of a rising function between two ends that enclose it. */
export function bisect(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high]
  for (let i = 0; i < 60; i++) {
    const middle = (a + b) / 2
    if (f(middle) < 0) a = middle
    else b = middle
  }
  return (a + b) / 2
}
