import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import type { ZeroWay } from './way'

export const factoryMarkShape = entryShape('factoryMark', 'A mark of the crank brought to its pointer', {
  cylinderId: field.id('The cylinder whose TDC it is cut for'),
  name: field.words('What it is called'),
  wheelDeg: field.onWheel('Where the wheel stands with the mark at its pointer'),
  claimDeg: field.between('What it claims, degrees after the TDC of that cylinder', -360, 360),
  markId: field.id('The mark on the build sheet').optional(),
})

/** How well a mark against its pointer is read by eye, one sigma, crank degrees. Common practice, no source. */
export const FACTORY_MARK_SIGMA_DEG = 0.5

/** A mark that claims a place is tested as one; castings, assembly marks and unknown ones claim nothing. */
export const factoryMark: ZeroWay<'factoryMark'> = {
  readings: (found, { sheet, wheelSigmaAt }) => {
    const silent = new Set(
      sheet.rimMarks.filter(({ cutFor }) => ['assembly', 'casting', 'unknown'].includes(cutFor)).map(({ id }) => id),
    )
    return found
      .filter(({ markId }) => markId === undefined || !silent.has(markId))
      .map(({ id, cylinderId, wheelDeg, claimDeg }) => ({
        entryId: id,
        method: 'factoryMark',
        cylinderId,
        wheelDeg: wheelDeg - claimDeg,
        sigmaDeg: Math.hypot(FACTORY_MARK_SIGMA_DEG, wheelSigmaAt(wheelDeg)),
        setUp: 'factoryMark',
      }))
  },
  samples: [{ kind: 'factoryMark', cylinderId: 'cyl-1', name: 'TDC line', wheelDeg: 5, claimDeg: 0 }],
}
