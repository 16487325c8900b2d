import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { entryLimits, type NewEntry } from '@link-count/core/model'
import { fixed, wrapToCycle, wrapToSigned } from '@link-count/core/units'
import { DegreesInput, useDegreesField, useWheelField, WheelInput } from '../../ui/fields'
import { handWords, missedTurnWords, reasonWords, sideName } from '../../ui/wording'
import { useBench } from './JobContext'
import { Dialog } from '../../ui/Dialog'
import { askTurn } from './askTurn'
import type { TurnTarget } from './turnPlan'

/** Moves the engine in the ledger: how far, which way, how it ended, and what the wheel then reads. */
export function TurnedDialog({
  planned,
  towards,
  onClose,
}: {
  readonly planned: number | undefined
  /** The place that was to be reached: a turn too many is caught by it. */
  readonly towards?: TurnTarget | undefined
  readonly onClose: () => void
}) {
  const { view, side, say } = useBench()
  const { sheet, state, job, guard } = view
  const degrees = useDegreesField(
    `${job.id}:turned:deg`,
    { ...entryLimits('turned', 'deg'), least: 0 },
    planned === undefined ? '' : fixed(Math.abs(planned), 1),
  )
  const wheel = useWheelField(`${job.id}:turned:wheel`, state.degreeWheel)
  const [way, setWay] = useState<Way>((planned ?? 1) < 0 ? 'back' : 'on')
  const [ended, setEnded] = useState<Ended>('onMark')
  const canRead = state.zero !== undefined
  const held = guard.verdict === 'doNotTurn' || guard.verdict === 'unknown'
  const accept = async () => {
    degrees.ask()
    const wheelBad = canRead && wheel.text.trim() !== '' && wheel.value === undefined
    if (wheelBad) wheel.ask()
    if (degrees.value === undefined || wheelBad) return
    const wheelDeg = canRead ? wheel.value : undefined
    const turned: NewEntry = {
      kind: 'turned',
      deg: way === 'on' ? degrees.value : -degrees.value,
      ended,
      ...(towards ? { towardsDeg: wrapToCycle(towards.deg, sheet.cycleDeg) } : {}),
      ...(wheelDeg === undefined ? {} : { wheelDeg }),
      typed: [
        { field: 'degrees', text: degrees.text },
        { field: 'wheel', text: wheel.text },
      ],
    }
    if (await say(turned, [degrees, wheel])) onClose()
  }
  const turnedDeg = degrees.value === undefined ? undefined : way === 'on' ? degrees.value : -degrees.value
  const missed =
    planned === undefined || turnedDeg === undefined || ended !== 'onMark'
      ? undefined
      : missedTurn(turnedDeg - planned, turnedDeg, sheet.cycleDeg)
  return (
    <Dialog title="I have turned it" size="md" onClose={onClose}>
      <div className="stack">
        {held && (
          <p className="warn">
            The guard says do not turn: {guard.reasons[0] ? reasonWords(guard.reasons[0], sheet).why.toLowerCase() : ''}
            . Write it down only if it has moved all the same.
          </p>
        )}
        <DegreesInput field={degrees} label="Degrees of the crank" placeholder="360" onEnter={() => void accept()} />
        <WayAndEnd way={way} onWay={setWay} ended={ended} onEnded={setEnded} />
        {canRead && (
          <WheelInput
            field={wheel}
            scale={state.degreeWheel}
            label="The degree wheel now reads"
            description="If you can see it: it puts the reckoning right."
            onEnter={() => void accept()}
          />
        )}
        {missed && (
          <p className="warn" role="alert">
            {missedTurnWords[missed]} {missed !== 'shortWayBack' && askTurn({ again: 'oneMoreTurn' }, view, side).words}
          </p>
        )}
        <Button variant="filled" onClick={() => void accept()}>
          Write it down
        </Button>
      </div>
    </Dialog>
  )
}

type Way = 'on' | 'back'
type Ended = 'onMark' | 'short' | 'past'

/** Which way it was turned, and how it came to its mark. */
function WayAndEnd({
  way,
  onWay,
  ended,
  onEnded,
}: {
  readonly way: Way
  readonly onWay: (way: Way) => void
  readonly ended: Ended
  readonly onEnded: (ended: Ended) => void
}) {
  const { view, side } = useBench()
  const { sheet } = view
  return (
    <>
      <SegmentedControl
        aria-label={`Which way, seen from the ${sideName(sheet, side)}`}
        value={way}
        onChange={(value) => onWay(value as Way)}
        data={[
          { value: 'on', label: `${handWords(1, sheet, side)} (running)` },
          { value: 'back', label: handWords(-1, sheet, side) },
        ]}
      />
      <SegmentedControl
        aria-label="How it ended"
        value={ended}
        onChange={(value) => onEnded(value as Ended)}
        data={[
          { value: 'onMark', label: 'On the mark' },
          { value: 'short', label: 'Short of it' },
          { value: 'past', label: 'Past it' },
        ]}
      />
    </>
  )
}

function missedTurn(overDeg: number, turnedDeg: number, cycleDeg: number): keyof typeof missedTurnWords | undefined {
  const off = wrapToSigned(overDeg, cycleDeg)
  if (cycleDeg === 360 || Math.abs(Math.abs(off) - 360) > 20) return undefined
  if (turnedDeg < 0) return 'shortWayBack'
  return overDeg > 0 ? 'oneTurnTooMany' : 'oneTurnShort'
}
