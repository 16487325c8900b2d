import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import { correctByTeeth } from '@link-count/core/cams'
import { markPoseDeg, ratioOfShaft, walkDrive } from '@link-count/core/drive'
import { camMarkLateness, camWitnesses, shaftOfRead } from '@link-count/core/ledger'
import type { Approach, Phase, Shaft } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { formatDeg, formatLateness } from '@link-count/core/units'
import { useWheelField, WheelInput } from '../../../ui/fields'
import { camWayWords, notSaidWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { askTurn } from '../askTurn'
import { moveWords } from '../moveWords'
import { TimingFigure } from '../../../ui/job'
import { CentreWay } from './cam/CentreWay'
import { ClockWay } from './cam/ClockWay'
import { EventsWay } from './cam/EventsWay'
import { GaugeWay } from './cam/GaugeWay'
import { RockingWay, TdcLiftWay } from './cam/LiftWays'
import { CountPanel } from './CountPanel'
import { Fold } from '../../../ui/Fold'

const ways = [
  { kind: 'valveEvents', Way: EventsWay },
  { kind: 'lobeCentre', Way: CentreWay },
  { kind: 'tdcLift', Way: TdcLiftWay },
  { kind: 'rocking', Way: RockingWay },
  { kind: 'camGauge', Way: GaugeWay },
  { kind: 'lobeClock', Way: ClockWay },
] as const

/** The ways one camshaft is read, each a witness: its mark against the crank, the count, an opening and a closing. */
export function TimingReadings({
  step,
  shaft,
  phase,
  counts = true,
}: {
  readonly step: Step
  readonly shaft: Shaft
  readonly phase: Extract<Phase, 'found' | 'left'>
  /** Where several camshafts are read in one step the loops are counted with the first. */
  readonly counts?: boolean
}) {
  const { view } = useBench()
  const { sheet, state } = view
  const timing = state.timing[shaft.id]?.[phase]
  const reads = state.camReads.filter((read) => read.phase === phase && shaftOfRead(sheet, read) === shaft.id)
  const has = (kind: string) => reads.some((read) => read.kind === kind)
  const { silent } = camWitnesses({ sheet, zeros: state.zeros, camReads: reads }, shaft.id, phase)
  const counted = state.counts.some((one) => one.phase === phase)
  return (
    <div className="stack">
      <Fold title="Cam mark against the crank" note={has('camMark') ? 'written' : 'not yet'} open={!has('camMark')}>
        <CamMark step={step} shaft={shaft} phase={phase} />
      </Fold>
      {counts && sheet.loops.length > 0 && (
        <Fold title="Count the tight run" note={counted ? 'written' : 'not yet'} open={has('camMark')}>
          <CountPanel step={step} />
        </Fold>
      )}
      {ways.map(({ kind, Way }) => (
        <Fold key={kind} title={camWayWords[kind]} note={has(kind) ? 'written' : 'not yet'} open={false}>
          <Way step={step} shaft={shaft} phase={phase} />
        </Fold>
      ))}
      {silent.map(({ entryId, why }) => {
        const read = reads.find(({ id }) => id === entryId)
        return (
          read && (
            <p className="soft" key={entryId}>
              {camWayWords[read.kind]}: written. {notSaidWords[why]}
            </p>
          )
        )
      })}
      {timing && sheet.cycleDeg === 720 && view.state.crank.deg === undefined && (
        <p className="soft">
          The half of the cycle is not known, so a cam half a turn out would read the same here: see Which TDC.
        </p>
      )}
      {timing && <WholeTeeth latenessDeg={timing.latenessDeg} shaft={shaft} />}
      {timing && (
        <p className="result">
          {shaft.name}: <TimingFigure timing={timing} view={view} />{' '}
          {timing.misfits.length > 0 ? (
            <strong className="brass">the readings do not agree</strong>
          ) : timing.proved ? (
            <span className="proved">proved</span>
          ) : (
            <span className="soft">read, one witness</span>
          )}
        </p>
      )}
    </div>
  )
}

/** A lateness near whole teeth is a tooth: the move, and what would be left over. */
function WholeTeeth({ latenessDeg, shaft }: { latenessDeg: number; shaft: Shaft }) {
  const { view, side } = useBench()
  const { sheet } = view
  const way = walkDrive(sheet).ways[shaft.id] ?? []
  const last = way.findLast(({ by }) => by.kind === 'loop')
  const wheel = last?.toShaftId === shaft.id ? last.teeth?.driven : undefined
  const loop = sheet.loops.find(({ id }) => id === last?.by.id)
  if (!wheel?.teeth || !loop) return null
  const { layTeeth, leftoverDeg, toothCrankDeg } = correctByTeeth(
    latenessDeg,
    wheel.teeth.value,
    ratioOfShaft(sheet, shaft),
  )
  if (layTeeth === 0) {
    return (
      <p className="soft">
        Less than half a tooth ({formatDeg(toothCrankDeg / 2, 1)} at the crank): no whole tooth would better it.
      </p>
    )
  }
  return (
    <p className="move">
      <strong>{moveWords({ layTeeth, memberId: wheel.id }, loop, sheet, side)}</strong> It then stands{' '}
      {formatLateness(leftoverDeg)} at the crank.
    </p>
  )
}

function CamMark({ step, shaft, phase }: { step: Step; shaft: Shaft; phase: Phase }) {
  const { view, side, say } = useBench()
  const { state, sheet, job } = view
  const field = useWheelField(`${job.id}:${step.id}:cam-mark`, state.degreeWheel)
  const [approach, setApproach] = useState<Approach>('running')
  const mark = sheet.marks.find(
    ({ memberId, cutFor }) =>
      cutFor === 'pose' && sheet.members.some(({ id, shaftId }) => id === memberId && shaftId === shaft.id),
  )
  const { zero } = state
  if (!zero) return <p>Find true TDC first; a reading of the wheel means nothing before.</p>
  if (!mark) return <p>The build sheet has no mark on this camshaft.</p>
  const poseDeg = markPoseDeg(sheet, mark)
  const meets = { mark: mark.name.toLowerCase(), meets: mark.meets || 'its pointer' }
  const until = askTurn({ untilMarkMeets: meets }, view, side)
  const lateness = field.value === undefined ? undefined : camMarkLateness({ wheelDeg: field.value, zero, poseDeg })
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    const typed = [{ field: 'wheel', text: field.text }]
    void say(
      {
        kind: 'camMark',
        shaftId: shaft.id,
        markId: mark.id,
        phase,
        approach,
        wheelDeg: field.value,
        typed,
        stepId: step.id,
      },
      [field],
    )
  }
  return (
    <div className="stack">
      <p className={until.may ? undefined : 'warn'}>{until.words}</p>
      <WheelInput
        field={field}
        scale={state.degreeWheel}
        label="The degree wheel reads"
        description={lateness === undefined ? undefined : `The cam is ${formatLateness(lateness)} at the crank`}
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
