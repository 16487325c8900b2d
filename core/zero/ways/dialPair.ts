import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { wrapToSigned180 } from '../../units'
import { dialReadingSigmaDeg, PLAY_SIGMA_MM, playPerMmDeg } from '../dialSigma'
import { pairSigmaDeg, tdcFromPair } from '../tdcFromPair'
import { nameSetUps } from './setUps'
import type { ZeroWay } from './way'

export const dialPairShape = entryShape(
  'dialPair',
  'The wheel at the same drop of the piston before and after the top',
  {
    cylinderId: field.id('The cylinder'),
    dropMm: field.between('How far the piston stands below the top, mm', 0.01, 500),
    beforeDeg: field.onWheel('At that drop, before the top'),
    afterDeg: field.onWheel('At that drop, after the top'),
    approach: field.oneOf('Come to each way once, or both turning the running way', ['eachWay', 'oneWay']),
  },
)

export const dialPair: ZeroWay<'dialPair'> = {
  readings: (found, { wheelSigmaAt, dialReadToMm }) => {
    const setUpOf = nameSetUps('dial')
    return found.flatMap(({ id, cylinderId, beforeDeg, afterDeg, dropMm, approach }) => {
      const halfDeg = Math.abs(wrapToSigned180(afterDeg - beforeDeg)) / 2
      const sigmaDeg = dialReadingSigmaDeg({
        wheelSigmaDeg: pairSigmaDeg(wheelSigmaAt, beforeDeg, afterDeg),
        readToMm: dialReadToMm,
        dropMm,
        halfSpanDeg: Math.max(halfDeg, 0.5),
      })
      const tdc = tdcFromPair({ firstDeg: beforeDeg, secondDeg: afterDeg, sigmaDeg })
      if (!tdc.ok) return []
      const setUp = setUpOf(cylinderId, tdc.value.halfSpanDeg)
      const commonDeg = approach === 'oneWay' ? PLAY_SIGMA_MM * playPerMmDeg(tdc.value.halfSpanDeg, dropMm) : undefined
      return [{ entryId: id, method: 'dial', cylinderId, setUp, ...tdc.value, dropMm, approach, commonDeg }]
    })
  },
  samples: [{ kind: 'dialPair', cylinderId: 'cyl-1', dropMm: 5, beforeDeg: 340, afterDeg: 30, approach: 'oneWay' }],
}
