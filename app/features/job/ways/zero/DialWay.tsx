import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { formatMm } from '@link-count/core/units'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import { LengthInput, useLengthField } from '../../../../ui/fields'
import { handWords } from '../../../../ui/wording'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { InCylinder, useInCylinder } from './InCylinder'
import type { ZeroWayProps } from './way'
import { PairFields } from './PairFields'
import { usePair } from './usePair'

/** A dial on the crown: the wheel at the same drop before and after the top, at as many drops as wanted. */
export function DialWay(props: ZeroWayProps) {
  const { view, say } = useBench()
  const { state, job } = view
  const { step, cylinder } = props
  const rod = useInCylinder('dialRod', props)
  const key = `${job.id}:${step.id}:dial:${cylinder.id}`
  const pair = usePair(key)
  const drop = useLengthField(`${key}:drop`, entryLimits('dialPair', 'dropMm'))
  const [approach, setApproach] = useState<Approach>('oneWay')
  const pairs = state.zeroReadings.filter(({ method, cylinderId }) => method === 'dial' && cylinderId === cylinder.id)
  if (!rod) {
    return (
      <div className="stack">
        <DialResolution {...props} />
        <InCylinder
          {...props}
          item="dialRod"
          change="in"
          words={pairs.length > 0 ? 'Dial in again' : `Dial is in cylinder ${cylinder.name}`}
          filled={pairs.length === 0}
        />
      </div>
    )
  }
  const dropMm = drop.value?.value
  const badDrop = dropMm !== undefined && (dropMm < 0.01 || dropMm > 500)
  const read =
    !pair.both || dropMm === undefined || badDrop
      ? undefined
      : ({
          kind: 'dialPair',
          cylinderId: cylinder.id,
          dropMm,
          beforeDeg: pair.both.firstDeg,
          afterDeg: pair.both.secondDeg,
          approach,
        } as const)
  const write = () => {
    pair.ask()
    drop.ask()
    if (!read || !pair.found?.ok) return
    const typed = [{ field: 'drop', text: drop.said }, ...pair.typed]
    void say({ ...read, typed, stepId: step.id }, [...pair.fields, drop])
  }
  return (
    <div className="stack">
      <DialResolution {...props} />
      <SetToNought />
      <LengthInput
        example="5 mm, 200 thou"
        field={drop}
        label="Drop below the top"
        description={badDrop ? 'A drop from 0.01 mm to 500 mm.' : undefined}
        plausible={{ leastMm: 0.3, mostMm: 30 }}
      />
      <PairFields
        pair={pair}
        first="Wheel at that drop, before the top"
        second="Wheel at that drop, after the top"
        read={read}
        onEnter={write}
      />
      <LastMoved approach={approach} onChange={setApproach} />
      <Button variant={pairs.length > 0 && !pair.both ? 'quiet' : 'filled'} onClick={write}>
        Write the pair down
      </Button>
      {pairs.length > 0 && (
        <InCylinder {...props} item="dialRod" change="out" words="Dial is out" filled={!pair.both} />
      )}
    </div>
  )
}

function SetToNought() {
  const { view, side } = useBench()
  return (
    <p className="soft">
      Set the dial to zero at the very top, where the needle stops.{' '}
      {askTurn({ forReading: 'dialPairs' }, view, side).words} The stopped needle itself tells nothing: it stands still
      over a degree or more.
    </p>
  )
}

type Approach = EntryOf<'dialPair'>['approach']

/** Which way the wheel was turned last before each reading: what the drive's play does to them. */
function LastMoved({ approach, onChange }: { approach: Approach; onChange: (approach: Approach) => void }) {
  const { view, side } = useBench()
  return (
    <SegmentedControl
      fullWidth
      aria-label="Last moved"
      value={approach}
      onChange={(value) => onChange(value as Approach)}
      data={[
        { value: 'oneWay', label: `Both ${handWords(1, view.sheet, side)}` },
        { value: 'eachWay', label: 'Each way once' },
      ]}
    />
  )
}

/** Said once, used for every ±. */
function DialResolution({ step }: ZeroWayProps) {
  const { view, say } = useBench()
  const readToMm = view.state.zeros.dialReadToMm
  const steps = [0.01, 0.02, 0.05, 0.0254]
  return (
    <SegmentedControl
      fullWidth
      aria-label="Dial read to"
      value={String(readToMm)}
      onChange={(value) => void say({ kind: 'dial', readToMm: Number(value), stepId: step.id })}
      data={steps.map((mm) => ({ value: String(mm), label: mm === 0.0254 ? '1 thou' : formatMm(mm) }))}
    />
  )
}
