import { NativeSelect, SegmentedControl } from '@mantine/core'
import { lobeHour } from '@link-count/core/cams'
import { upFromPlane } from '@link-count/core/units'
import { DegreesInput, useDirectionField, useDraft } from '../../../../ui/fields'
import { camWayWords, hourWords, sideName } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { useLobeChoice } from './useLobeChoice'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'

/** Where a lobe points, as a clock face, with the crank at a stop: coarse, but it sees the whole cycle. */
export function ClockWay({ step, shaft, phase }: CamWayProps) {
  const { sheet, job, state } = useBench().view
  const { side } = useBench()
  const key = `${job.id}:${step.id}:${shaft.id}`
  const { cam, choice } = useLobeChoice(`${key}:clock-cam`, shaft)
  const at = useDraft(`${key}:clock-at`, '0')
  const sure = useDraft(`${key}:clock-sure`, '1')
  const hour = useDirectionField(`${key}:clock-hour`)
  if (!cam) return <p>The build sheet has no lobe on this camshaft.</p>
  const crankDeg = Number(at.text) || 0
  const seen = hour.value === undefined ? undefined : (((upFromPlane(hour.value) / 30) % 12) + 12) % 12
  const fromTiming = seen === undefined ? undefined : side === 'timing' ? seen : (12 - seen) % 12
  const should = lobeHour(sheet, cam, crankDeg)
  const read =
    fromTiming === undefined
      ? undefined
      : ({
          kind: 'lobeClock',
          camId: cam.id,
          phase,
          crankDeg,
          hour: fromTiming,
          sureToHours: Number(sure.text) || 1,
        } as const)
  const stops = Array.from({ length: sheet.cycleDeg / 180 }, (_, i) => i * 180)
  return (
    <div className="stack">
      {state.crank.deg === undefined && (
        <p className="warn">The half of the cycle is not known: which of the stops the crank stands at is a guess.</p>
      )}
      {choice}
      <NativeSelect
        label="The crank stands at"
        value={at.text}
        onChange={(event) => at.setText(event.currentTarget.value)}
        data={stops.map((deg) => ({ value: String(deg), label: `${deg}° after firing TDC` }))}
      />
      <DegreesInput
        field={hour}
        label={`The lobe points to, seen from the ${sideName(sheet, side)}`}
        placeholder="half past 9"
        description={
          should === undefined
            ? 'Where it should point is not known: the sheet needs where it points at full lift.'
            : `It should point to ${hourWords(side === 'timing' ? should : (12 - should) % 12)}.`
        }
      />
      <SegmentedControl
        aria-label="Sure to"
        value={sure.text}
        onChange={sure.setText}
        data={[
          { value: '0.5', label: 'Sure to half an hour' },
          { value: '1', label: 'To an hour' },
        ]}
      />
      <WayFoot way={camWayWords.lobeClock} step={step} read={read} fields={{ hour }} />
    </div>
  )
}
