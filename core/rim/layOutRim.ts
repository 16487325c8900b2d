import { mm, MM_PER_INCH, wrapToCycle, type Mm } from '../units'

export interface RimAngle {
  readonly name: string
  /** Crank degrees after the TDC that the datum is, + = after. */
  readonly afterDeg: number
}

export interface RimPlace {
  readonly name: string
  readonly afterDeg: number
  /** Along the rim from the datum in the direction asked for, [0, circumference). */
  readonly fromDatumMm: Mm
  /** The same from the datum the shorter way, signed in the direction asked for. */
  readonly shortWayMm: Mm
  /** To the nearest 1/64 in, the shorter way, and how much that is off. */
  readonly inches: FractionInches
}

export interface FractionInches {
  readonly sixtyFourths: number
  readonly text: string
  readonly errorMm: Mm
}

/** Where angles lie along a rim. On a turning rim with a fixed pointer what comes before TDC lies ahead of the TDC mark in the running
 *  direction; with a fixed scale and a turning pointer it lies behind. `along`: measured in the running direction or against it, as the
 *  tape is laid. `datumDeg`: crank degrees after TDC of the mark that lengths start from. Arc = circumference · angle / 360.
 *  Source: handbook 4. */
export function layOutRim({
  circumferenceMm,
  angles,
  datumDeg = 0,
  turns,
  along,
}: {
  readonly circumferenceMm: number
  readonly angles: readonly RimAngle[]
  readonly datumDeg?: number
  readonly turns: 'rim' | 'pointer'
  readonly along: 'running' | 'against'
}): RimPlace[] {
  const sign = (turns === 'rim' ? -1 : 1) * (along === 'running' ? 1 : -1)
  return angles.map(({ name, afterDeg }) => {
    const onRimDeg = wrapToCycle(sign * (afterDeg - datumDeg), 360)
    const shortDeg = onRimDeg > 180 ? onRimDeg - 360 : onRimDeg
    const shortWayMm = mm((circumferenceMm * shortDeg) / 360)
    return {
      name,
      afterDeg,
      fromDatumMm: mm((circumferenceMm * onRimDeg) / 360),
      shortWayMm,
      inches: fractionInches(Math.abs(shortWayMm)),
    }
  })
}

/** A length as a mechanic's rule shows it: whole inches and a fraction in lowest terms, to the nearest 1/64, with the error in mm
 *  (fraction less true length). */
export function fractionInches(lengthMm: number): FractionInches {
  const sixtyFourths = Math.round((lengthMm / MM_PER_INCH) * 64)
  const whole = Math.floor(sixtyFourths / 64)
  let [top, bottom] = [sixtyFourths % 64, 64]
  while (top > 0 && top % 2 === 0) [top, bottom] = [top / 2, bottom / 2]
  const fraction = top === 0 ? '' : `${top}/${bottom}`
  const text = `${whole === 0 && fraction ? '' : whole}${whole !== 0 && fraction ? ' ' : ''}${fraction} in`
  return { sixtyFourths, text, errorMm: mm((sixtyFourths * MM_PER_INCH) / 64 - lengthMm) }
}

/** Arc along a rim from a chord across it; undefined when the chord is longer than the rim is wide. s = D·asin(c/D), handbook 4. */
export function arcFromChord(chordMm: number, circumferenceMm: number): Mm | undefined {
  const diameterMm = circumferenceMm / Math.PI
  return Math.abs(chordMm) > diameterMm ? undefined : mm(diameterMm * Math.asin(chordMm / diameterMm))
}
