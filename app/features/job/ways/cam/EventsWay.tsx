import { SegmentedControl } from '@mantine/core'
import { entryLimits } from '@link-count/core/model'
import { formatMm } from '@link-count/core/units'
import {
  LengthInput,
  type LengthField,
  useDraft,
  useLengthField,
  useWheelField,
  WheelInput,
} from '../../../../ui/fields'
import { camWayWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { useDialPlace } from './useDialPlace'
import { useLobeChoice } from './useLobeChoice'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'

/** An opening and a closing: by dial at a checking lift, or by a blade that nips. */
export function EventsWay({ step, shaft, phase }: CamWayProps) {
  const { view } = useBench()
  const { state, job } = view
  const key = `${job.id}:${step.id}:${shaft.id}`
  const { cam, choice } = useLobeChoice(`${key}:event-cam`, shaft)
  const how = useDraft(`${key}:event-how`, 'dial')
  const byFeeler = how.text === 'feeler'
  const lift = useLengthField(
    `${key}:event-lift`,
    entryLimits('valveEvents', 'checkingLiftMm'),
    cam?.checkingLiftMm?.typed ?? '',
  )
  const gap = useLengthField(`${key}:event-gap`, entryLimits('lash', 'gapMm'), cam?.lashMm?.typed ?? '')
  const blade = useLengthField(`${key}:event-blade`, entryLimits('lash', 'gapMm'))
  const dial = useDialPlace(key, cam)
  const opens = useWheelField(`${key}:opens`, state.degreeWheel)
  const closes = useWheelField(`${key}:closes`, state.degreeWheel)
  if (!cam) return <p>The build sheet has no lobe on this camshaft.</p>
  const nips = gap.value && blade.value ? gap.value.value - blade.value.value : undefined
  const liftMm = byFeeler ? nips : dial.atBook(lift.value?.value)
  const thick = nips !== undefined && nips < 0
  const read =
    opens.value === undefined || closes.value === undefined || thick || (byFeeler && liftMm === undefined)
      ? undefined
      : ({
          kind: 'valveEvents',
          camId: cam.id,
          phase,
          opensWheelDeg: opens.value,
          closesWheelDeg: closes.value,
          ...(liftMm === undefined ? {} : { checkingLiftMm: liftMm }),
          ...(byFeeler ? { byFeeler } : {}),
        } as const)
  const lifts: Record<string, typeof lift> = byFeeler ? { gap, blade } : lift.text.trim() === '' ? {} : { lift }
  return (
    <div className="stack">
      {choice}
      <SegmentedControl
        aria-label="Read by"
        value={how.text}
        onChange={how.setText}
        data={[
          { value: 'dial', label: 'By dial' },
          { value: 'feeler', label: 'By feeler blade' },
        ]}
      />
      {byFeeler ? (
        <BladeFields gap={gap} blade={blade} nipsMm={nips} />
      ) : (
        <>
          {dial.choice}
          <LengthInput
            example="1 mm, 40 thou"
            field={lift}
            label="At a lift of"
            description={
              dial.words(lift.value?.value) ??
              (cam.checkingLiftMm
                ? `The book’s checking lift is ${cam.checkingLiftMm.typed}. Another is converted where the lobe is known, and refused where it is not.`
                : 'The sheet gives no checking lift: leave it empty to read at what the book means.')
            }
          />
        </>
      )}
      <WheelInput field={opens} scale={state.degreeWheel} label="Opens: the degree wheel reads" />
      <WheelInput field={closes} scale={state.degreeWheel} label="Closes: the degree wheel reads" />
      <WayFoot way={camWayWords.valveEvents} step={step} read={read} fields={{ opens, closes, ...lifts }} />
    </div>
  )
}

/** A gap set by one blade and felt by another: the lift at which that one nips. */
function BladeFields({
  gap,
  blade,
  nipsMm,
}: {
  readonly gap: LengthField
  readonly blade: LengthField
  readonly nipsMm: number | undefined
}) {
  const thick = nipsMm !== undefined && nipsMm < 0
  return (
    <>
      <LengthInput example="0.40 mm, 16 thou" field={gap} label="The gap is set to" />
      <LengthInput
        example="0.15 mm, 6 thou"
        field={blade}
        label="The blade is"
        description={
          nipsMm === undefined || thick
            ? 'It opens where the blade nips and closes where it is free again.'
            : `It nips at ${formatMm(nipsMm, 3)} of lift.`
        }
      />
      {thick && <p className="field-error">The blade is thicker than the gap.</p>}
    </>
  )
}
