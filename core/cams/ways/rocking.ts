import type { BuildSheet, Cam } from '../../model/buildSheet'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { wrapToSigned } from '../../units'
import { camSpec } from '../camSpec'
import { EVENT_SIGMA_DEG } from './valveEvents'
import { DIAL_SIGMA_MM, LOBE_SIGMA_SHARE, withZero, type ReadBy, type CamWay, type ReadLateness } from './way'

export const rockingShape = entryShape(
  'rocking',
  'Both valves of a cylinder at overlap TDC: their lifts, or the wheel where the two were the same',
  {
    cylinderId: field.id('The cylinder'),
    phase: field.phase,
    read: field
      .eitherBy('by', [
        field.group({
          by: field.exactly('lifts'),
          inletMm: field.between('Lift of the inlet valve at overlap TDC, mm', 0, 100),
          exhaustMm: field.between('Lift of the exhaust valve at overlap TDC, mm', 0, 100),
        }),
        field.group({ by: field.exactly('equal'), wheelDeg: field.onWheel('Where both are open alike') }),
      ])
      .describe('What was read'),
  },
)

/** Lateness from both valves of a cylinder at overlap TDC, where one camshaft carries both lobes: exhaust lift less inlet lift over the sum of
 *  their slopes, less what the book's lobes have there. Two camshafts leave two answers, and it says so. Source: handbook 12. */
export function latenessFromRocking(
  { sheet, zero }: Pick<ReadBy, 'sheet' | 'zero'>,
  { inlet, exhaust }: { readonly inlet: Cam; readonly exhaust: Cam },
  read: { readonly inletMm: number; readonly exhaustMm: number },
): ReadLateness {
  if (inlet.shaftId !== exhaust.shaftId) return 'twoCamshafts'
  const rocks = rockingOf(sheet, inlet, exhaust)
  if (typeof rocks === 'string') return rocks
  const { inletMm, exhaustMm, slope } = rocks
  const latenessDeg = (read.exhaustMm - read.inletMm - (exhaustMm - inletMm)) / slope
  const lobe = Math.abs(latenessDeg) * LOBE_SIGMA_SHARE
  return { latenessDeg, sigmaDeg: Math.hypot((DIAL_SIGMA_MM * Math.SQRT2) / slope, lobe, zero.sigmaDeg) }
}

/** Lateness from where on the wheel both valves stand equally open, against where the book's lobes do: "so many degrees past rocking". */
export function latenessFromEqualLift(
  { sheet, zero, wheelSigmaDeg }: ReadBy,
  { inlet, exhaust }: { readonly inlet: Cam; readonly exhaust: Cam },
  wheelDeg: number,
  eventSigmaDeg: number,
): ReadLateness {
  if (inlet.shaftId !== exhaust.shaftId) return 'twoCamshafts'
  const rocks = rockingOf(sheet, inlet, exhaust)
  if (typeof rocks === 'string') return rocks
  const equalDeg = (rocks.exhaustMm - rocks.inletMm) / rocks.slope
  const overlap = (camSpec(sheet, inlet).centreOnCycleDeg ?? 0) - (camSpec(sheet, inlet).figures.centre?.value ?? 0)
  return {
    latenessDeg: wrapToSigned(wheelDeg - zero.wheelDeg - overlap - equalDeg, 360),
    sigmaDeg: Math.hypot(eventSigmaDeg, wheelSigmaDeg, zero.sigmaDeg),
  }
}

/** What the book's lobes lift at overlap TDC, and the sum of their slopes there, taken positive. */
function rockingOf(sheet: BuildSheet, inlet: Cam, exhaust: Cam) {
  const [i, e] = [camSpec(sheet, inlet), camSpec(sheet, exhaust)]
  if (!i.profile || !e.profile) return 'noProfile' as const
  if (!i.figures.centre || !e.figures.centre) return 'noSpec' as const
  const [atIn, atEx] = [-i.figures.centre.value, e.figures.centre.value]
  const slope = Math.abs(i.profile.slopeAt(atIn)) + Math.abs(e.profile.slopeAt(atEx))
  if (slope < 1e-4) return 'outsideLobe' as const
  return {
    inletMm: i.figures.tdcLift?.value ?? i.profile.liftAt(atIn),
    exhaustMm: e.figures.tdcLift?.value ?? e.profile.liftAt(atEx),
    slope,
  }
}

export const rocking: CamWay<'rocking'> = {
  shaftOf: (sheet, read) => sheet.cams.find(({ cylinderId }) => cylinderId === read.cylinderId)?.shaftId,
  thingOf: ({ cylinderId }) => cylinderId,
  lateness: withZero((bench, { cylinderId, read }) => {
    const [inlet, exhaust] = (['inlet', 'exhaust'] as const).map((valve) =>
      bench.sheet.cams.find((cam) => cam.cylinderId === cylinderId && cam.valve === valve),
    )
    if (!inlet || !exhaust) return 'noSpec'
    return read.by === 'lifts'
      ? latenessFromRocking(bench, { inlet, exhaust }, read)
      : latenessFromEqualLift(bench, { inlet, exhaust }, read.wheelDeg, EVENT_SIGMA_DEG)
  }),
  leansOnWheel: true,
  samples: [
    { kind: 'rocking', cylinderId: 'cyl-1', phase: 'found', read: { by: 'lifts', inletMm: 1, exhaustMm: 1.2 } },
    { kind: 'rocking', cylinderId: 'cyl-1', phase: 'found', read: { by: 'equal', wheelDeg: 3 } },
  ],
}
