import { Button } from '@mantine/core'
import { useState } from 'react'
import { claimContradicts, placeNow, placeOfClaim } from '@link-count/core/ledger'
import type { NewEntry } from '@link-count/core/model'
import { fixed, wrapToSigned } from '@link-count/core/units'
import { Dialog } from '../../ui/Dialog'
import { askTurn } from './askTurn'
import { useBench } from './JobContext'
import { planTo, type TurnTarget } from './turnPlan'
import { TurnedDialog } from './TurnedDialog'
import './TurnTo.css'

/** The instruction to bring the crank somewhere, and the way to say that it was done. */
export function TurnTo({
  target,
  arrived,
}: {
  readonly target: TurnTarget
  readonly arrived?: { readonly words: string; readonly newEntry: Extract<NewEntry, { kind: 'stands' }> }
}) {
  const { view, side, say } = useBench()
  const [open, setOpen] = useState<'turned' | 'contradicts'>()
  const plan = planTo(view, target.deg)
  const claim = () => {
    if (arrived && contradicts(view, arrived.newEntry)) setOpen('contradicts')
    else if (arrived) void say(arrived.newEntry)
  }
  return (
    <div className={arrived ? 'turn-to with-arrival' : 'turn-to'}>
      <p className="instruction">{askTurn({ to: target }, view, side).words}</p>
      <div className="row">
        {arrived && (
          <Button variant={plan.kind === 'there' ? 'default' : 'filled'} onClick={claim}>
            {arrived.words}
          </Button>
        )}
        <Button variant="quiet" onClick={() => setOpen('turned')}>
          I have turned it
        </Button>
      </div>
      {open === 'turned' && (
        <TurnedDialog
          planned={plan.kind === 'turn' ? plan.deg : undefined}
          towards={target}
          onClose={() => setOpen(undefined)}
        />
      )}
      {open === 'contradicts' && arrived && (
        <Contradicts
          target={target}
          newEntry={arrived.newEntry}
          onTurned={() => setOpen('turned')}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  )
}

function contradicts(
  { state, sheet, job }: ReturnType<typeof useBench>['view'],
  newEntry: Extract<NewEntry, { kind: 'stands' }>,
) {
  const stand = { ...state.stand, sheet, jobId: job.id }
  const claim = placeOfClaim(sheet, newEntry, placeNow(stand))
  return claim !== undefined && claimContradicts(stand, newEntry.place, claim.placeDeg)
}

/** Said to stand where the turns written do not lead: either a turn was not written, or what is written is wrong. */
function Contradicts({
  target,
  newEntry,
  onTurned,
  onClose,
}: {
  readonly target: TurnTarget
  readonly newEntry: NewEntry
  readonly onTurned: () => void
  readonly onClose: () => void
}) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const { deg } = state.crank
  const awayDeg = deg === undefined ? undefined : Math.abs(wrapToSigned(target.deg - deg, sheet.cycleDeg))
  const asSeen = async () => {
    onClose()
    const [said] = (await say(newEntry)) ?? []
    if (said) await say({ kind: 'settled', part: { about: 'crank', id: said.id, is: 'asSeen' }, role: '' })
  }
  return (
    <Dialog title="The turns written do not lead there" size="md" onClose={onClose}>
      <div className="stack">
        <p>
          By the ledger the crank stands{' '}
          {awayDeg === undefined ? 'somewhere else' : <strong>{fixed(awayDeg, 0)}° away from it</strong>}, and no turn
          is written since. Which is right?
        </p>
        <Button variant="filled" onClick={onTurned}>
          It was turned: write the turn
        </Button>
        <Button variant="default" onClick={() => void asSeen()}>
          It stands there: the ledger is wrong
        </Button>
        <Button variant="quiet" onClick={onClose}>
          I looked again: it does not
        </Button>
      </div>
    </Dialog>
  )
}
