import { fixed } from '@link-count/core/units'
import { WheelInput } from '../../../../ui/fields'
import { wheelAsSeen } from '../../../../ui/job'
import { stopWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import type { Pair } from './usePair'

/** The two readings of a pair, and half way between them as soon as both are there. */
export function PairFields({
  pair,
  first,
  second,
  plusMinusDeg,
  onEnter,
}: {
  readonly pair: Pair
  readonly first: string
  readonly second: string
  readonly plusMinusDeg: number | undefined
  readonly onEnter: () => void
}) {
  const { state } = useBench().view
  const { found } = pair
  return (
    <>
      <WheelInput field={pair.first} scale={state.degreeWheel} label={first} onEnter={onEnter} />
      <WheelInput field={pair.second} scale={state.degreeWheel} label={second} onEnter={onEnter} />
      {found && !found.ok && (
        <p className="field-error" role="alert">
          {stopWords(found.error)}
        </p>
      )}
      {found?.ok && (
        <p>
          Half way: <span className="reading">{wheelAsSeen(found.value.wheelDeg, state, 2)}</span>{' '}
          <span className="soft">± {fixed(plusMinusDeg ?? 2 * found.value.sigmaDeg, 2)}° (two sigma)</span>
        </p>
      )}
    </>
  )
}
