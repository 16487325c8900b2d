import { scaleSigmaDeg } from '@link-count/core/degreeWheel'
import { DEFAULT_SCALE } from '@link-count/core/ledger'
import { pairSigmaDeg, tdcFromPair } from '@link-count/core/zero'
import { useWheelField } from '../../../../ui/fields'
import { useBench } from '../../JobContext'

/** Two wheel readings of one piston height, one each side of the top, and what their middle would be. */
export function usePair(key: string, leastSpanDeg?: number) {
  const { state } = useBench().view
  const first = useWheelField(`${key}:first`, state.degreeWheel)
  const second = useWheelField(`${key}:second`, state.degreeWheel)
  const both =
    first.value === undefined || second.value === undefined
      ? undefined
      : { firstDeg: first.value, secondDeg: second.value }
  const scale = state.degreeWheel ?? DEFAULT_SCALE
  const sigmaDeg = both && pairSigmaDeg((deg) => scaleSigmaDeg(scale, deg), both.firstDeg, both.secondDeg)
  return {
    first,
    second,
    fields: [first, second] as const,
    both,
    found: both && sigmaDeg !== undefined ? tdcFromPair({ ...both, sigmaDeg }, leastSpanDeg) : undefined,
    typed: [
      { field: 'first', text: first.text },
      { field: 'second', text: second.text },
    ],
    ask: () => {
      first.ask()
      second.ask()
    },
  }
}
export type Pair = ReturnType<typeof usePair>
