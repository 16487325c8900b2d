import { fixed, wrapToSigned180 } from '@link-count/core/units'
import { zeroAsTyped, type ZeroTyped } from '@link-count/core/ledger'
import { WheelInput } from '../../../../ui/fields'
import { wheelAsSeen } from '../../../../ui/job'
import { stopWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import type { Pair } from './usePair'

/** The two readings of a pair; as soon as both are there, half way between them, and the zero that they give with every correction. */
export function PairFields({
  pair,
  first,
  second,
  read,
  onEnter,
}: {
  readonly pair: Pair
  readonly first: string
  readonly second: string
  /** The reading as it would be written; undefined until all of it can be read. */
  readonly read: ZeroTyped | undefined
  readonly onEnter: () => void
}) {
  const { state, sheet } = useBench().view
  const { found } = pair
  const reading = read && zeroAsTyped(sheet, { scale: state.degreeWheel, dialReadToMm: state.zeros.dialReadToMm }, read)
  const corrected = reading && found?.ok && Math.abs(wrapToSigned180(reading.wheelDeg - found.value.wheelDeg)) >= 0.005
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
          Half way: <span className="reading">{wheelAsSeen(found.value.wheelDeg, state, 2)}</span>
          {corrected && (
            <>
              , which puts the zero at <span className="reading">{wheelAsSeen(reading.wheelDeg, state, 2)}</span>
            </>
          )}{' '}
          <span className="soft">
            {reading
              ? `± ${fixed(2 * Math.hypot(reading.sigmaDeg, reading.commonDeg ?? 0), 2)}° (two sigma)`
              : read && 'It counts as soon as the place of this cylinder on the crank is known.'}
          </span>
        </p>
      )}
    </>
  )
}
