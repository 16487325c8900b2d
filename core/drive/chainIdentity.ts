/** One size of roller chain: pitch, greatest roller diameter, least width between inner plates, mm. */
export interface ChainSize {
  readonly name: string
  readonly pitchMm: number
  readonly rollerMm: number
  readonly widthMm: number
}

const size = (name: string, pitchMm: number, rollerMm: number, widthMm: number): ChainSize => ({
  name,
  pitchMm,
  rollerMm,
  widthMm,
})

/** Source: ISO 606, from memory. */
export const CHAIN_SIZES: readonly ChainSize[] = [
  size('04C', 6.35, 3.3, 3.1),
  size('05B', 8, 5, 3),
  size('06C', 9.525, 5.08, 4.68),
  size('06B', 9.525, 6.35, 5.72),
  size('08A', 12.7, 7.92, 7.85),
  size('08B', 12.7, 8.51, 7.75),
  size('081', 12.7, 7.75, 3.3),
  size('082', 12.7, 7.75, 2.38),
  size('083', 12.7, 7.75, 4.88),
  size('084', 12.7, 7.75, 4.88),
  size('085', 12.7, 7.77, 6.25),
  size('10A', 15.875, 10.16, 9.4),
  size('10B', 15.875, 10.16, 9.65),
  size('12A', 19.05, 11.91, 12.57),
  size('12B', 19.05, 12.07, 11.68),
  size('16A', 25.4, 15.88, 15.75),
  size('16B', 25.4, 15.88, 17.02),
  size('20A', 31.75, 19.05, 18.9),
  size('20B', 31.75, 19.05, 19.56),
  size('24A', 38.1, 22.23, 25.22),
  size('24B', 38.1, 25.4, 25.4),
  size('28A', 44.45, 25.4, 25.22),
  size('28B', 44.45, 27.94, 30.99),
  size('32A', 50.8, 28.58, 31.55),
  size('32B', 50.8, 29.21, 30.99),
  size('36A', 57.15, 35.71, 35.48),
  size('40A', 63.5, 39.68, 37.85),
  size('40B', 63.5, 39.37, 38.1),
  size('48A', 76.2, 47.63, 47.35),
  size('48B', 76.2, 48.26, 45.72),
  size('56B', 88.9, 53.98, 53.34),
  size('64B', 101.6, 63.5, 60.96),
  size('72B', 114.3, 72.39, 68.58),
]

export interface ChainMatch {
  readonly size: ChainSize
  /** Measured over standard, less one; + = longer. */
  readonly elongation: number
  /** Further off than a calliper explains, mm: roller thicker than the standard, or the inner width narrower. */
  readonly rollerOffMm: number | undefined
  readonly widthOffMm: number | undefined
  readonly fits: boolean
}

/** A worn chain is longer by up to some 3%, never much shorter. Rollers and plates are gauged to a tenth or two. Common practice. */
const MOST_ELONGATION = 0.04
const LEAST_ELONGATION = -0.005
const GAUGED_MM = 0.25

/** Which standard roller chains a measured one could be, the best first: by pitch over as many pitches as were spanned, then by roller
 *  and inner width where those were gauged; and how worn it then is. Inverted-tooth chains and belts are not in this list.
 *  Empty when no standard pitch is near. */
export function identifyChain({
  spanMm,
  pitches,
  rollerMm,
  widthMm,
}: {
  readonly spanMm: number
  readonly pitches: number
  readonly rollerMm?: number | undefined
  readonly widthMm?: number | undefined
}): readonly ChainMatch[] {
  const measured = spanMm / pitches
  return CHAIN_SIZES.map((one): ChainMatch => {
    const rollerOffMm = rollerMm === undefined ? undefined : rollerMm - one.rollerMm
    const widthOffMm = widthMm === undefined ? undefined : widthMm - one.widthMm
    const fits =
      (rollerOffMm === undefined || Math.abs(rollerOffMm) <= GAUGED_MM) &&
      (widthOffMm === undefined || Math.abs(widthOffMm) <= GAUGED_MM)
    return { size: one, elongation: measured / one.pitchMm - 1, rollerOffMm, widthOffMm, fits }
  })
    .filter(({ elongation }) => elongation >= LEAST_ELONGATION && elongation <= MOST_ELONGATION)
    .sort((a, b) => Number(b.fits) - Number(a.fits) || offBy(a) - offBy(b))
}

const offBy = ({ rollerOffMm, widthOffMm, elongation }: ChainMatch) =>
  Math.abs(rollerOffMm ?? 0) + Math.abs(widthOffMm ?? 0) + Math.abs(elongation)
