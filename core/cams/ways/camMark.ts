import { cutSigmaDeg } from '../../byMark'
import { markPoseDeg, readDrive } from '../../drive'
import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { partsOf } from '../../sheet'
import { ratioValue, wrapToSigned } from '../../units'
import { withZero, type CamWay } from './way'

export const camMarkShape = entryShape('camMark', "A camshaft's mark brought to its place by turning the crank", {
  shaftId: field.id('The camshaft'),
  markId: field.id('Its mark'),
  phase: field.phase,
  approach: field.approach,
  wheelDeg: field.onWheel('Where the wheel stands when the mark meets'),
  withinDeg: field
    .between('How near its meeting could be told, crank degrees either way; missing = by eye', 0.02, 10)
    .optional(),
})

/** A mark brought to a pointer by eye, crank degrees, one sigma. Common practice, no source. */
export const MARK_BY_EYE_SIGMA_DEG = 0.5

/** Lateness of a cam from the crank's place when the cam's mark meets: read minus pose, crank degrees in (-180, 180]. A
 *  crank already past the pose means a late cam (handbook, trap A15). A whole turn out does not show: that is the half. */
export const camMarkLateness = ({
  wheelDeg,
  zero,
  poseDeg,
}: {
  wheelDeg: number
  zero: { readonly wheelDeg: number }
  poseDeg: number
}) => wrapToSigned(wheelDeg - zero.wheelDeg - poseDeg, 360)

export const camMark: CamWay<'camMark'> = {
  shaftOf: (_sheet, { shaftId }) => shaftId,
  thingOf: ({ shaftId }) => shaftId,
  lateness: withZero(({ sheet, zero, wheelSigmaAt }, { markId, wheelDeg, withinDeg }) => {
    const mark = partsOf(sheet).mark(markId)
    const member = partsOf(sheet).member(mark?.memberId)
    const shaft = partsOf(sheet).shaft(member?.shaftId)
    const perTurn = shaft ? Math.abs(ratioValue(readDrive(sheet).ratioOf(shaft))) : 1
    const judged = withinDeg === undefined ? MARK_BY_EYE_SIGMA_DEG : withinDeg / 2
    // Where somebody was asked how exact the mark is, that goes with what the judging leaves.
    const cut = mark?.exact ? cutSigmaDeg(mark.exact, member?.teeth?.value) / perTurn : 0
    return {
      latenessDeg: camMarkLateness({ wheelDeg, zero, poseDeg: markPoseDeg(sheet, mark) }),
      sigmaDeg: Math.hypot(judged, cut, wheelSigmaAt(wheelDeg), zero.sigmaDeg),
    }
  }),
  leansOnWheel: true,
  samples: [
    { kind: 'camMark', shaftId: 'camshaft', markId: 'cam-mark', phase: 'found', approach: 'running', wheelDeg: 5 },
  ],
}
