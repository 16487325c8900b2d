import { Button } from '@mantine/core'
import { useState } from 'react'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { Fold } from '../../../../ui/Fold'
import { inSentence, nounsOf } from '../../../../ui/wording'
import { CrankCrept } from '../../byMark/CrankCrept'
import { CrankTry } from '../../byMark/CrankTry'
import { useBench } from '../../JobContext'
import { countablesOf } from '../../countSection'
import { timingPosition } from '../../timingPosition'
import { AtMarkWay } from '../../ways/cam/AtMarkWay'
import { AttemptsLog } from './AttemptsLog'
import { CountPanel } from '../CountPanel'
import { HangingOrder } from './HangingOrder'
import { MoveByMark } from './MoveByMark'

/** The loop goes on with its slack on the tensioner's run; then the count, and the move until it is right. */
export function ChainOnCount({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const [counting, setCounting] = useState(false)
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
  // Where nothing says what a count should be, the marks come first.
  const byMarksOnly =
    !counting &&
    camshafts.length > 0 &&
    countablesOf(step, view).every(({ section, written }) => !section.expected && !written)
  const ways = camshafts.map((shaft, i) => (
    <Fold
      key={shaft.id}
      open={byMarksOnly && i === 0}
      title={`${byMarksOnly ? 'See' : 'Or see'} the ${camshafts.length > 1 ? inSentence(shaft.name) : 'cam'} at its mark`}
      note={state.timing[shaft.id]?.set ? 'written' : undefined}
    >
      <MoveByMark loop={loop} shaft={shaft} step={step} />
      <AtMarkWay step={step} shaft={shaft} phase="set" />
    </Fold>
  ))
  return (
    <div className="stack">
      {at.proof === 'asArrived' && (
        <p className="soft">
          The {nounsOf(loop).loop} was not off in this job. Counting it here is the count as it is set.
        </p>
      )}
      <CrankCrept target={target} />
      {byMarksOnly ? (
        <>
          <CrankTry step={step} target={target} />
          {ways}
          <p className="soft">No count of a book, and no distances: there is no number to hold a count against.</p>
          <Button variant="quiet" onClick={() => setCounting(true)}>
            Count all the same
          </Button>
        </>
      ) : (
        <>
          <CountPanel step={step} />
          <CrankTry step={step} target={target} />
          {ways}
        </>
      )}
      <AttemptsLog loop={loop} />
    </div>
  )
}
