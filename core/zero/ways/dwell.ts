import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { meanOfDwells } from '../meanOfDwells'
import { tdcFromPair } from '../tdcFromPair'
import type { Found, ZeroWay } from './way'

export const feelTool = field.oneOf('What it was felt with', ['screwdriver', 'pick', 'valve', 'stick'])

export type FeelTool = field.ValueOf<typeof feelTool>

export const dwellShape = entryShape('dwell', 'Where the piston was felt to stop rising and to begin falling', {
  cylinderId: field.id('The cylinder'),
  tool: feelTool,
  beforeDeg: field.onWheel('Where it stops rising'),
  afterDeg: field.onWheel('Where it begins to fall'),
})

/** A felt dwell may be short. */
export const LEAST_DWELL_DEG = 1

/** All dwells of one tool on one cylinder are one reading: their mean. */
export const dwell: ZeroWay<'dwell'> = {
  readings: (found, { wheelSigmaAt }) => {
    const groups = new Map<string, { last: Found<'dwell'>; middlesDeg: number[] }>()
    for (const one of found) {
      const { cylinderId, tool, beforeDeg, afterDeg } = one
      const tdc = tdcFromPair({ firstDeg: beforeDeg, secondDeg: afterDeg, sigmaDeg: 0 }, LEAST_DWELL_DEG)
      if (!tdc.ok) continue
      const key = `dwell ${cylinderId} ${tool}`
      const group = groups.get(key) ?? { last: one, middlesDeg: [] }
      group.middlesDeg.push(tdc.value.wheelDeg)
      groups.set(key, { ...group, last: one })
    }
    return [...groups].flatMap(
      ([
        setUp,
        {
          last: { id, cylinderId, tool, beforeDeg, afterDeg },
          middlesDeg,
        },
      ]) => {
        const wheelSigmaDeg = Math.max(wheelSigmaAt(beforeDeg), wheelSigmaAt(afterDeg))
        const mean = meanOfDwells({ middlesDeg, tool, wheelSigmaDeg })
        return mean ? [{ entryId: id, method: 'dwell', cylinderId, setUp, ...mean }] : []
      },
    )
  },
  samples: [{ kind: 'dwell', cylinderId: 'cyl-1', tool: 'pick', beforeDeg: 0, afterDeg: 12 }],
}
