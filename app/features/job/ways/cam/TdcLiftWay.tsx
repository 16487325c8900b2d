import { entryLimits } from '@link-count/core/model'
import { LengthInput, useLengthField } from '../../../../ui/fields'
import { camWayWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { useDialPlace } from './useDialPlace'
import { useLobeChoice } from './useLobeChoice'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'
import { Word } from '../../../../ui/Word'

/** Lift of one valve with the crank at overlap TDC. */
export function TdcLiftWay({ step, shaft, phase }: CamWayProps) {
  const { job } = useBench().view
  const key = `${job.id}:${step.id}:${shaft.id}`
  const { cam, choice } = useLobeChoice(`${key}:tdc-cam`, shaft)
  const lift = useLengthField(`${key}:tdc-lift`, entryLimits('tdcLift', 'liftMm'))
  const dial = useDialPlace(key, cam)
  if (!cam) return <p>The build sheet has no lobe on this camshaft.</p>
  const liftMm = dial.atBook(lift.value?.value)
  const read = liftMm === undefined ? undefined : ({ kind: 'tdcLift', camId: cam.id, phase, liftMm } as const)
  return (
    <div className="stack">
      <p>
        With the crank at <Word of="overlap TDC" />, both valves a little open: how far is this one off its seat?
      </p>
      {choice}
      {dial.choice}
      <LengthInput
        example="1.6 mm"
        field={lift}
        label="Lift at overlap TDC"
        description={dial.words(lift.value?.value)}
      />
      <WayFoot way={camWayWords.tdcLift} step={step} read={read} fields={{ lift }} />
    </div>
  )
}
