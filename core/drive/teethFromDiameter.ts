/** How many teeth a sprocket or pulley of this outside diameter and pitch has: the whole number nearest, and how far the diameter is from
 *  what that would give, mm. Sprockets: outside about p(0.6 + cot(180°/z)); pulleys: z·p/pi less twice what the belt's pitch line stands
 *  off. Undefined below five teeth. Source: handbook 6 (from memory) for chain; the belt's pitch line is taken off as given. */
export function teethFromDiameter({
  outsideMm,
  pitchMm,
  kind,
  pitchLineMm = 0,
}: {
  readonly outsideMm: number
  readonly pitchMm: number
  readonly kind: 'sprocket' | 'pulley'
  /** From the pulley's outside to the belt's pitch line. */
  readonly pitchLineMm?: number
}): { readonly teeth: number; readonly offMm: number } | undefined {
  const raw =
    kind === 'sprocket'
      ? Math.PI / Math.atan(1 / (outsideMm / pitchMm - 0.6))
      : ((outsideMm + 2 * pitchLineMm) * Math.PI) / pitchMm
  const teeth = Math.round(raw)
  if (!Number.isFinite(raw) || teeth < 5) return undefined
  return { teeth, offMm: outsideMm - outsideDiameterMm({ teeth, pitchMm, kind, pitchLineMm }) }
}

const outsideDiameterMm = ({
  teeth,
  pitchMm,
  kind,
  pitchLineMm,
}: {
  teeth: number
  pitchMm: number
  kind: 'sprocket' | 'pulley'
  pitchLineMm: number
}) =>
  kind === 'sprocket' ? pitchMm * (0.6 + 1 / Math.tan(Math.PI / teeth)) : (teeth * pitchMm) / Math.PI - 2 * pitchLineMm
