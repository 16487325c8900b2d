import { Button, Textarea } from '@mantine/core'
import { useState } from 'react'
import type { Step, StepStatus } from '@link-count/core/runSheet'
import { useDraft } from '../../../ui/fields'
import { useBench } from '../JobContext'
import './StepFooter.css'

/** The one obvious next action once a step has something to show, and the ways past it or back to it. */
export function StepFooter({
  step,
  status,
  holdBack,
}: {
  readonly step: Step
  readonly status: StepStatus
  readonly holdBack?: string | undefined
}) {
  const { say, showStep, view } = useBench()
  const [passing, setPassing] = useState(false)
  const reason = useDraft(`${view.job.id}:${step.id}:skip`)
  const mark = async (outcome: 'done' | 'skipped' | 'reopened', why = '') => {
    if (!(await say({ kind: 'step', target: step.id, outcome, reason: why, stepId: step.id }, [reason]))) return
    setPassing(false)
    showStep(undefined, step.id)
  }
  if (status.outcome === 'done' || status.outcome === 'skipped') {
    return (
      <div className="step-footer">
        <p className="soft">
          {status.outcome === 'done' ? 'This step is done.' : `Passed over: ${status.reason}`} Anything written now is
          added to it.
        </p>
        <div className="row">
          <Button variant="filled" onClick={() => showStep(undefined)}>
            Back to the step in hand
          </Button>
          <Button variant="quiet" onClick={() => mark('reopened')}>
            Open it again
          </Button>
        </div>
      </div>
    )
  }
  if (status.outcome === 'cannot') return null
  const ready = (status.evidence === 'read' || status.evidence === 'proved') && !holdBack
  return (
    <div className="step-footer">
      {holdBack && <p className="soft">{holdBack}</p>}
      {ready && (
        <Button variant="filled" fullWidth onClick={() => mark('done')} data-next>
          {status.evidence === 'proved' ? 'Go on' : 'Go on: read, not proved'}
        </Button>
      )}
      {passing ? (
        <div className="stack">
          <Textarea
            label="Why it is passed over"
            value={reason.text}
            onChange={(event) => reason.setText(event.currentTarget.value)}
            autosize
            minRows={2}
            data-autofocus
          />
          <div className="row">
            <Button
              variant="default"
              disabled={reason.text.trim() === ''}
              onClick={() => mark('skipped', reason.text.trim())}
            >
              Pass it over
            </Button>
            <Button variant="quiet" onClick={() => setPassing(false)}>
              No, stay
            </Button>
          </div>
        </div>
      ) : (
        <button type="button" className="link" onClick={() => setPassing(true)}>
          Pass this step over, with a reason
        </button>
      )}
    </div>
  )
}
