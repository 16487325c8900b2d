import { Button } from '@mantine/core'
import { drivenWheel, inTeeth } from '@link-count/core/byMark'
import type { Loop, Shaft } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { formatLateness } from '@link-count/core/units'
import { useBench } from '../../JobContext'
import { moveWords } from '../../moveWords'

/** What a camshaft seen at its mark asks of the loop: the move, and that it was done. What cannot tell a tooth moves nothing. */
export function MoveByMark({ loop, shaft, step }: { readonly loop: Loop; readonly shaft: Shaft; readonly step: Step }) {
  const { view, side, say } = useBench()
  const { sheet, state } = view
  const timing = state.timing[shaft.id]?.set
  const teeth = timing && inTeeth(sheet, shaft, timing)
  const memberId = drivenWheel(sheet, shaft.id)?.id
  if (!teeth || memberId === undefined) return null
  if (!teeth.tells) return <p className="soft">Seen so it cannot tell a tooth: count, or see the mark itself.</p>
  if (teeth.layTeeth === 0)
    return <p className="result">On its tooth: {formatLateness(teeth.leftoverDeg)} at the crank is left.</p>
  const move = { layTeeth: teeth.layTeeth, memberId }
  return (
    <div className="stack">
      <div className="move">
        <p>
          <strong>{moveWords(move, loop, sheet, side)}</strong> It then stands {formatLateness(teeth.leftoverDeg)} at
          the crank.
        </p>
      </div>
      <Button
        variant="filled"
        onClick={() => void say({ kind: 'moved', loopId: loop.id, memberId, teeth: teeth.layTeeth, stepId: step.id })}
      >
        Moved it: look again
      </Button>
    </div>
  )
}
