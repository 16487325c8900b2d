import { inSentence } from '../../../../ui/wording'
import { Button, Textarea } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { formatLateness } from '@link-count/core/units'
import { entryLimits } from '@link-count/core/model'
import { DegreesInput, useDegreesField, useDraft } from '../../../../ui/fields'
import { useBench } from '../../JobContext'
import { Fold } from '../../../../ui/Fold'

/** A camshaft meant to stand elsewhere than the book has it, with the reason. */
export function Targets({ step }: { step: Step }) {
  const { view, say } = useBench()
  const { sheet, state, job } = view
  const targets = allOf(state, 'target')
  const camshafts = sheet.shafts.filter(({ id, kind }) => kind === 'cam' && state.timing[id])
  const off = useDegreesField(`${job.id}:${step.id}:target`, entryLimits('target', 'latenessDeg'))
  const reason = useDraft(`${job.id}:${step.id}:target-reason`)
  const write = (shaftId: string) => {
    off.ask()
    if (off.value === undefined || reason.text.trim() === '') return
    void say({ kind: 'target', shaftId, latenessDeg: off.value, reason: reason.text.trim(), stepId: step.id }, [
      off,
      reason,
    ])
  }
  return (
    <Fold title="Set it other than the book" note={targets.length > 0 ? 'written' : 'only with a reason'}>
      {targets.map(({ id, shaftId, latenessDeg, reason: why }) => (
        <p key={id} className="result">
          {partsOf(sheet).shaft(shaftId)?.name}: {formatLateness(latenessDeg)}, {why}
        </p>
      ))}
      <DegreesInput
        field={off}
        label="Crank degrees after the book"
        description="Late is plus; minus is advanced."
        placeholder="-2"
      />
      <Textarea
        label="Because"
        value={reason.text}
        onChange={(event) => reason.setText(event.currentTarget.value)}
        autosize
        minRows={1}
      />
      <div className="row">
        {camshafts.map(({ id, name }) => (
          <Button key={id} variant="default" disabled={reason.text.trim() === ''} onClick={() => write(id)}>
            For the {inSentence(name)}
          </Button>
        ))}
      </div>
    </Fold>
  )
}
