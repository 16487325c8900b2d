import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { pairSigmaDeg, tdcFromPair } from '../tdcFromPair'
import { nameSetUps } from './setUps'
import type { ZeroWay } from './way'

export const stopContactsShape = entryShape('stopContacts', 'A positive stop, met turning each way', {
  cylinderId: field.id('The cylinder'),
  firstDeg: field.onWheel('Where the piston meets the stop, turning one way'),
  secondDeg: field.onWheel('Where it meets it, turning the other way'),
})

export const stopContacts: ZeroWay<'stopContacts'> = {
  readings: (found, { wheelSigmaAt }) => {
    const setUpOf = nameSetUps('positiveStop')
    return found.flatMap(({ id, cylinderId, firstDeg, secondDeg }) => {
      const tdc = tdcFromPair({ firstDeg, secondDeg, sigmaDeg: pairSigmaDeg(wheelSigmaAt, firstDeg, secondDeg) })
      if (!tdc.ok) return []
      const setUp = setUpOf(cylinderId, tdc.value.halfSpanDeg)
      return [{ entryId: id, method: 'positiveStop', cylinderId, setUp, ...tdc.value }]
    })
  },
  samples: [{ kind: 'stopContacts', cylinderId: 'cyl-1', firstDeg: 340, secondDeg: 30 }],
}
