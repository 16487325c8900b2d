import { readDrive } from '../../drive'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { partsOf } from '../../sheet'
import { degFromRad, ratioValue } from '../../units'
import { withZero, type ReadBy, type CamWay, type ReadLateness } from './way'

export const camGaugeShape = entryShape(
  'camGauge',
  "With the crank at the timing position: a camshaft's pin, slot or flat off its place",
  {
    shaftId: field.id('The camshaft'),
    phase: field.phase,
    offMm: field.between('How far off its place it stands, mm, + = the cam is late', -200, 200),
    radiusMm: field.between('How far from the middle of the camshaft, mm', 1, 1000),
    what: field.oneOf('What was gauged', ['pin', 'slot', 'flat']),
    edge: field.oneOf('Which edge of it', ['upper', 'lower', 'left', 'right', 'middle']).optional(),
  },
)

/** A gauge held against a pin, slot or flat, one sigma, mm. Common practice, no source. */
const GAUGE_SIGMA_MM = 0.1

/** Lateness from a pin, slot or flat of a camshaft that stands off its place, crank at the pose: asin(off / radius) on the shaft. */
export function latenessFromGauge(
  { sheet, zero }: Pick<ReadBy, 'sheet' | 'zero'>,
  shaftId: string,
  { offMm, radiusMm }: { readonly offMm: number; readonly radiusMm: number },
): ReadLateness {
  const shaft = partsOf(sheet).shaft(shaftId)
  const ratio = shaft && Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft)))
  if (!ratio || radiusMm <= 0 || Math.abs(offMm) > radiusMm) return 'noRadius'
  const perMm = degFromRad(1) / radiusMm / ratio
  return {
    latenessDeg: degFromRad(Math.asin(offMm / radiusMm)) / ratio,
    sigmaDeg: Math.hypot(GAUGE_SIGMA_MM * perMm, zero.sigmaDeg),
  }
}

export const camGauge: CamWay<'camGauge'> = {
  shaftOf: (_sheet, { shaftId }) => shaftId,
  thingOf: ({ shaftId }) => shaftId,
  lateness: withZero((bench, read) => latenessFromGauge(bench, read.shaftId, read)),
  leansOnWheel: true,
  samples: [{ kind: 'camGauge', shaftId: 'camshaft', phase: 'found', offMm: 1, radiusMm: 30, what: 'pin' }],
}
