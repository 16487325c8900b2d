import { Button, Textarea } from '@mantine/core'
import { useState } from 'react'
import { allOf, turnedTightDeg } from '@link-count/core/ledger'
import { provesOf, type Step } from '@link-count/core/runSheet'
import { fixed, formatLateness } from '@link-count/core/units'
import { Fold } from '../../../../ui/Fold'
import { useDraft } from '../../../../ui/fields'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { TurnedDialog } from '../../TurnedDialog'
import { TheOneMove } from '../cam/TheOneMove'
import { WhatIsWrong } from '../cam/WhatIsWrong'
import { SlackPanel } from '../../slack/SlackPanel'
import { CycleWalk } from './CycleWalk'
import { TurnLooks } from './TurnLooks'
import { TimingReadings } from '../TimingReadings'

/** Two full turns the running way with everything tight, and everything read again. */
export function TwoTurns({ step }: { readonly step: Step }) {
  const { view, side, say } = useBench()
  const { state } = view
  const [other, setOther] = useState(false)
  const turned = turnedTightDeg(state, step.targetIds)
  const enough = turned >= view.schools.turns * 360
  const proof = askTurn({ proof: { turnedDeg: turned } }, view, side)
  return (
    <div className="stack">
      <p className={enough || proof.may ? undefined : 'warn'}>
        {enough ? <>Turned {fixed(turned, 0)}° with everything tight.</> : proof.words}
      </p>
      {!enough && (
        <div className="row">
          <Button
            variant="filled"
            disabled={!proof.may}
            onClick={() => void say({ kind: 'turned', deg: 360, ended: 'onMark', stepId: step.id })}
          >
            One full turn done
          </Button>
          <Button variant="quiet" onClick={() => setOther(true)}>
            Other
          </Button>
        </div>
      )}
      <p className="soft">
        Alone: stop at the crank’s mark, hold it, and read the camshaft after it. With a helper: one has the bar and
        watches the crank, the other watches the cam mark and says stop.
      </p>
      <TurnLooks step={step} turned={turned} turns={view.schools.turns} />
      {other && <TurnedDialog planned={undefined} onClose={() => setOther(false)} />}
      {enough && provesOf(view.job) === 'timing' && <AsLeft step={step} />}
      {enough && provesOf(view.job) === 'tension' && (
        <Fold title="Slack again, after the turns" open>
          <SlackPanel step={step} phase="left" />
        </Fold>
      )}
      {enough && provesOf(view.job) === 'tension' && (
        <Fold title="Read the camshafts as well" note="not asked for here">
          <AsLeft step={step} />
        </Fold>
      )}
    </div>
  )
}

/** Everything read again, and what it means. */
function AsLeft({ step }: { readonly step: Step }) {
  const { sheet } = useBench().view
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  return (
    <>
      {camshafts.map((shaft, i) => (
        <TimingReadings key={shaft.id} step={step} shaft={shaft} phase="left" counts={i === 0} />
      ))}
      <CycleWalk step={step} />
      <WhatIsWrong step={step} phase="left" />
      <TheOneMove step={step} phase="left" />
      {camshafts.map((shaft) => (
        <Deviation key={shaft.id} step={step} shaftId={shaft.id} />
      ))}
    </>
  )
}

/** A camshaft left off its book figure on purpose, with the reason. */
function Deviation({ step, shaftId }: { step: Step; shaftId: string }) {
  const { view, say } = useBench()
  const { state, sheet, job } = view
  const timing = state.timing[shaftId]?.left
  const reason = useDraft(`${job.id}:${step.id}:${shaftId}:deviation`)
  const tolerance = sheet.toleranceDeg?.value
  const written = allOf(state, 'deviation').findLast((one) => one.shaftId === shaftId)
  if (!timing) return null
  const within = tolerance !== undefined && Math.abs(timing.latenessDeg) <= tolerance
  if (within) {
    return (
      <p className="result">
        Within the sheet’s {fixed(tolerance, 1)}° by {fixed(tolerance - Math.abs(timing.latenessDeg), 1)}°. Leave it.
      </p>
    )
  }
  if (written) {
    return (
      <p className="result">
        Left {formatLateness(written.latenessDeg)} on purpose: {written.reason}
      </p>
    )
  }
  return (
    <div className="stack">
      <p className={tolerance === undefined ? 'soft' : 'warn'}>
        {tolerance === undefined
          ? 'The sheet has no limit to judge this against.'
          : `Outside the sheet’s ${fixed(tolerance, 1)}° by ${fixed(Math.abs(timing.latenessDeg) - tolerance, 1)}°.`}{' '}
        If it is left so on purpose, write why.
      </p>
      <Textarea
        label="Left so, because"
        value={reason.text}
        onChange={(event) => reason.setText(event.currentTarget.value)}
        autosize
        minRows={1}
      />
      <Button
        variant="default"
        disabled={reason.text.trim() === ''}
        onClick={() => {
          void say(
            {
              kind: 'deviation',
              shaftId,
              latenessDeg: timing.latenessDeg,
              reason: reason.text.trim(),
              stepId: step.id,
            },
            [reason],
          )
        }}
      >
        Leave it so
      </Button>
    </div>
  )
}
