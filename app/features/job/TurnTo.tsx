import { Button } from '@mantine/core'
import { useState } from 'react'
import type { EntryDraft } from '@link-count/core/model'
import { useBench } from './JobContext'
import { planTo, planWords, type TurnTarget } from './turnPlan'
import { TurnedDialog } from './TurnedDialog'

/** The instruction to bring the crank somewhere, and the way to say that it was done. */
export function TurnTo({
  target,
  arrived,
}: {
  readonly target: TurnTarget
  readonly arrived?: { readonly words: string; readonly drafts: readonly EntryDraft[] }
}) {
  const { view, side, say } = useBench()
  const [open, setOpen] = useState(false)
  const plan = planTo(view, target.deg)
  return (
    <div className={arrived ? 'turn-to with-arrival' : 'turn-to'}>
      <p className="instruction">{planWords(plan, target, view, side)}</p>
      <div className="row">
        {arrived && (
          <Button variant={plan.kind === 'there' ? 'default' : 'filled'} onClick={() => void say(...arrived.drafts)}>
            {arrived.words}
          </Button>
        )}
        <Button variant="quiet" onClick={() => setOpen(true)}>
          I have turned it
        </Button>
      </div>
      {open && (
        <TurnedDialog
          planned={plan.kind === 'turn' ? plan.deg : undefined}
          towards={target}
          onClose={() => setOpen(false)}
        />
      )}
    </div>
  )
}
