import { SegmentedControl } from '@mantine/core'
import { entryLimits, type Cam } from '@link-count/core/model'
import { LengthInput, useDraft, useLengthField, useWheelField, WheelInput } from '../../../../ui/fields'
import { camWayWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { useDialPlace } from './useDialPlace'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'

/** Both valves of a cylinder at overlap: their lifts, or the wheel where they stand alike. */
export function RockingWay({ step, shaft, phase }: CamWayProps) {
  const { state, sheet, job } = useBench().view
  const key = `${job.id}:${step.id}:${shaft.id}`
  const by = useDraft(`${key}:rocking-by`, 'lifts')
  const inlet = useLengthField(`${key}:rocking-inlet`, entryLimits('rocking', 'read', 'inletMm'))
  const exhaust = useLengthField(`${key}:rocking-exhaust`, entryLimits('rocking', 'read', 'exhaustMm'))
  const equal = useWheelField(`${key}:rocking-equal`, state.degreeWheel)
  const cylinderId = sheet.cams.find(({ shaftId }) => shaftId === shaft.id)?.cylinderId
  const lobe = (valve: Cam['valve']) => sheet.cams.find((cam) => cam.cylinderId === cylinderId && cam.valve === valve)
  const atInlet = useDialPlace(`${key}:rocking`, lobe('inlet'))
  const atExhaust = useDialPlace(`${key}:rocking`, lobe('exhaust'))
  if (!cylinderId) return <p>The build sheet has no lobe on this camshaft.</p>
  const [inletMm, exhaustMm] = [atInlet.atBook(inlet.value?.value), atExhaust.atBook(exhaust.value?.value)]
  const read =
    by.text === 'lifts'
      ? inletMm === undefined || exhaustMm === undefined
        ? undefined
        : ({ kind: 'rocking', cylinderId, phase, read: { by: 'lifts', inletMm, exhaustMm } } as const)
      : equal.value === undefined
        ? undefined
        : ({ kind: 'rocking', cylinderId, phase, read: { by: 'equal', wheelDeg: equal.value } } as const)
  return (
    <div className="stack">
      <SegmentedControl
        aria-label="Rocking read by"
        value={by.text}
        onChange={by.setText}
        data={[
          { value: 'lifts', label: 'Both lifts at TDC' },
          { value: 'equal', label: 'Where both are alike' },
        ]}
      />
      {by.text === 'lifts' ? (
        <>
          {atInlet.choice}
          <LengthInput
            example="1.6 mm"
            field={inlet}
            label="Inlet lift at overlap TDC"
            description={atInlet.words(inlet.value?.value)}
          />
          <LengthInput
            example="1.6 mm"
            field={exhaust}
            label="Exhaust lift at overlap TDC"
            description={atExhaust.words(exhaust.value?.value)}
          />
          <WayFoot way={camWayWords.rocking} step={step} read={read} fields={{ inlet, exhaust }} />
        </>
      ) : (
        <>
          <WheelInput field={equal} scale={state.degreeWheel} label="Both stand alike: the degree wheel reads" />
          <WayFoot way={camWayWords.rocking} step={step} read={read} fields={{ equal }} />
        </>
      )}
    </div>
  )
}
