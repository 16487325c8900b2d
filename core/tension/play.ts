/** Where along a run it is pushed: a share of its length from one end. */
export type PlaceAlong = 'middle' | 'third' | 'besideWheel'
const SHARE: Readonly<Record<PlaceAlong, number>> = { middle: 1 / 2, third: 1 / 3, besideWheel: 1 / 8 }

/** How far a straight run of so many mm goes each way when it has so much too much, mm: it is pushed to where its two ends are so far off as it is long, an ellipse
 *  about them. In the middle ½·sqrt((s + x)² - s²). Source: handbook 11; geometry. */
export function playFromOver(spanMm: number, overMm: number, place: PlaceAlong = 'middle'): number {
  if (overMm <= 0) return 0
  const a = (spanMm + overMm) / 2
  const b = Math.sqrt(a * a - (spanMm / 2) ** 2)
  const d = (SHARE[place] - 1 / 2) * spanMm
  return b * Math.sqrt(1 - (d / a) ** 2)
}

/** How much too long a run is that goes so far each way, mm. */
export function overFromPlay(spanMm: number, eachWayMm: number, place: PlaceAlong = 'middle'): number {
  const at = SHARE[place] * spanMm
  return Math.hypot(at, eachWayMm) + Math.hypot(spanMm - at, eachWayMm) - spanMm
}

/** The slope of that: too much, in mm, for a mm of play each way. */
export function overPerPlay(spanMm: number, eachWayMm: number, place: PlaceAlong = 'middle'): number {
  const at = SHARE[place] * spanMm
  return eachWayMm / Math.hypot(at, eachWayMm) + eachWayMm / Math.hypot(spanMm - at, eachWayMm)
}
