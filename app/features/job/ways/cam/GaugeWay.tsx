import { NativeSelect, SegmentedControl } from '@mantine/core'
import { entryLimits } from '@link-count/core/model'
import { LengthInput, useDraft, useLengthField } from '../../../../ui/fields'
import { camWayWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'

const things = [
  { value: 'pin', label: 'a gauge pin' },
  { value: 'slot', label: 'a slot' },
  { value: 'flat', label: 'a flat against the head face' },
] as const
const edges = ['upper', 'lower', 'left', 'right', 'middle'] as const

/** With the crank at the pose: how far a pin, slot or flat of the camshaft stands off its place, at which radius. */
export function GaugeWay({ step, shaft, phase }: CamWayProps) {
  const { job } = useBench().view
  const key = `${job.id}:${step.id}:${shaft.id}`
  const what = useDraft(`${key}:gauge-what`, 'pin')
  const edge = useDraft(`${key}:gauge-edge`, 'middle')
  const way = useDraft(`${key}:gauge-way`, 'late')
  const off = useLengthField(`${key}:gauge-off`, entryLimits('camGauge', 'offMm'))
  const radius = useLengthField(`${key}:gauge-radius`, entryLimits('camGauge', 'radiusMm'))
  const tooFar = off.value && radius.value && off.value.value > radius.value.value
  const read =
    !off.value || !radius.value || tooFar || radius.value.value < 1
      ? undefined
      : ({
          kind: 'camGauge',
          shaftId: shaft.id,
          phase,
          what: what.text as 'pin',
          ...(what.text === 'slot' ? { edge: edge.text as 'middle' } : {}),
          offMm: way.text === 'late' ? off.value.value : -off.value.value,
          radiusMm: radius.value.value,
        } as const)
  return (
    <div className="stack">
      <p>
        Crank at the timing position, come to running. Which part of the camshaft stands off its place, and by how much?
      </p>
      <NativeSelect
        label="Read at"
        value={what.text}
        onChange={(event) => what.setText(event.currentTarget.value)}
        data={[...things]}
      />
      {what.text === 'slot' && (
        <NativeSelect
          label="Which edge of it"
          value={edge.text}
          onChange={(event) => edge.setText(event.currentTarget.value)}
          data={[...edges]}
        />
      )}
      <LengthInput example="2.5 mm" field={off} label="Off its place by" />
      <LengthInput example="60 mm" field={radius} label="At a radius of" />
      {tooFar && <p className="field-error">It cannot stand further off than the radius it is read at.</p>}
      <SegmentedControl
        aria-label="Which way off"
        value={way.text}
        onChange={way.setText}
        data={[
          { value: 'late', label: 'Not there yet: late' },
          { value: 'early', label: 'Past it: early' },
        ]}
      />
      <WayFoot way={camWayWords.camGauge} step={step} read={read} fields={{ off, radius }} />
    </div>
  )
}
