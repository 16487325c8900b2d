import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { Fold } from '../../../../ui/Fold'
import { inSentence, nounsOf } from '../../../../ui/wording'
import { CrankCrept } from '../../byMark/CrankCrept'
import { CrankTry } from '../../byMark/CrankTry'
import { useBench } from '../../JobContext'
import { timingPosition } from '../../timingPosition'
import { AtMarkWay } from '../../ways/cam/AtMarkWay'
import { AttemptsLog } from './AttemptsLog'
import { CountPanel } from '../CountPanel'
import { HangingOrder } from './HangingOrder'
import { MoveByMark } from './MoveByMark'

/** The loop goes on with its slack on the tensioner's run; then the count, and the move until it is right. */
export function ChainOnCount({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const { sheet, state } = view
  const loop = partsOf(sheet).loop(step.targetIds[0])
  if (!loop) return null
  const at = state.loops[loop.id]
  const { target } = timingPosition(view, step.id, { loopId: loop.id })
  if (!at?.on)
    return (
      <div className="stack">
        <CrankCrept target={target} />
        <HangingOrder loop={loop} step={step} />
        <CrankTry step={step} target={target} />
      </div>
    )
  const camshafts = sheet.shafts.filter(
    ({ id, kind }) =>
      kind === 'cam' && loop.path.some(({ memberId }) => partsOf(sheet).shaftOfMember(memberId)?.id === id),
  )
  return (
    <div className="stack">
      {at.proof === 'asArrived' && (
        <p className="soft">
          The {nounsOf(loop).loop} was not off in this job. Counting it here is the count as it is set.
        </p>
      )}
      <CrankCrept target={target} />
      <CountPanel step={step} />
      <CrankTry step={step} target={target} />
      {camshafts.map((shaft) => (
        <Fold
          key={shaft.id}
          title={
            camshafts.length > 1 ? `Or see the ${inSentence(shaft.name)} at its mark` : 'Or see the cam at its mark'
          }
          note={state.timing[shaft.id]?.set ? 'written' : undefined}
        >
          <AtMarkWay step={step} shaft={shaft} phase="set" />
          <MoveByMark loop={loop} shaft={shaft} step={step} />
        </Fold>
      ))}
      <AttemptsLog loop={loop} />
    </div>
  )
}
