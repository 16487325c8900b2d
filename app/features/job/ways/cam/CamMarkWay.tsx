import { inSentence } from '../../../../ui/wording'
import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { isSaid } from '@link-count/core/cams'
import { latenessOn } from '@link-count/core/ledger'
import { entryLimits, type Approach } from '@link-count/core/model'
import { formatLateness } from '@link-count/core/units'
import { DegreesInput, useDegreesField, useWheelField, WheelInput } from '../../../../ui/fields'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import type { CamWayProps } from './way'

/** The camshaft's mark brought to its place by turning the crank. */
export function CamMarkWay({ step, shaft, phase }: CamWayProps) {
  const { view, side, say } = useBench()
  const { state, sheet, job } = view
  const field = useWheelField(`${job.id}:${step.id}:cam-mark`, state.degreeWheel)
  const within = useDegreesField(`${job.id}:${step.id}:cam-mark-within`, entryLimits('camMark', 'withinDeg'))
  const [approach, setApproach] = useState<Approach>('running')
  const mark = sheet.marks.find(
    ({ memberId, cutFor }) =>
      cutFor === 'pose' && sheet.members.some(({ id, shaftId }) => id === memberId && shaftId === shaft.id),
  )
  if (!state.zero) return <p>Find true TDC first; a reading of the wheel means nothing before.</p>
  if (!mark) return <p>The build sheet has no mark on this camshaft.</p>
  const meets = { mark: inSentence(mark.name), meets: mark.meets || 'its pointer' }
  const until = askTurn({ untilMarkMeets: meets }, view, side)
  const unread = within.text.trim() !== '' && within.value === undefined
  const read =
    field.value === undefined || unread
      ? undefined
      : ({
          kind: 'camMark',
          shaftId: shaft.id,
          markId: mark.id,
          phase,
          approach,
          wheelDeg: field.value,
          ...(within.value === undefined ? {} : { withinDeg: within.value }),
        } as const)
  const said = read && latenessOn(sheet, state.zeros.frames.at(-1), read)
  const write = () => {
    field.ask()
    if (unread) within.ask()
    if (!read) return
    void say({ ...read, typed: [{ field: 'wheel', text: field.text }], stepId: step.id }, [field])
  }
  return (
    <div className="stack">
      <p className={until.may ? undefined : 'warn'}>{until.words}</p>
      <WheelInput
        field={field}
        scale={state.degreeWheel}
        label="The degree wheel reads"
        description={said && isSaid(said) ? `The cam is ${formatLateness(said.latenessDeg)} at the crank` : undefined}
        onEnter={write}
      />
      <DegreesInput
        field={within}
        label="How near the meeting could be told, ± degrees"
        description="Empty: by eye, ± 1°. A fine line under a lens can be told nearer."
        placeholder="1"
        onEnter={write}
      />
      <SegmentedControl
        aria-label="Last moved"
        value={approach}
        onChange={(value) => setApproach(value as Approach)}
        data={[
          { value: 'running', label: 'Came to it running' },
          { value: 'against', label: 'Came to it backwards' },
        ]}
      />
      {approach === 'against' && (
        <p className="warn">
          Backwards, the slack lies on the driving run and the cam reads early. Take it again the running way if you
          can.
        </p>
      )}
      <Button variant="filled" onClick={write}>
        Write it down
      </Button>
    </div>
  )
}
