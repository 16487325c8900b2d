import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { useBench } from '../../JobContext'
import { AttemptsLog } from './AttemptsLog'
import { CountPanel } from '../CountPanel'
import { HangingOrder } from './HangingOrder'

/** The loop goes on with its slack on the tensioner's run; then the count, and the move until it is right. */
export function ChainOnCount({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const { sheet, state } = view
  const loop = partsOf(sheet).loop(step.targetIds[0])
  if (!loop) return null
  const at = state.loops[loop.id]
  if (!at?.on) return <HangingOrder loop={loop} step={step} />
  return (
    <div className="stack">
      {at.proof === 'asArrived' && (
        <p className="soft">The chain was not off in this job. Counting it here is the count as it is set.</p>
      )}
      <CountPanel step={step} />
      <AttemptsLog loop={loop} />
    </div>
  )
}
