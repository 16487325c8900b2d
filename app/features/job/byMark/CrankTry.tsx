import { Button } from '@mantine/core'
import type { Step } from '@link-count/core/runSheet'
import { fixed } from '@link-count/core/units'
import { Fold } from '../../../ui/Fold'
import { showNotice } from '../../../ui/notice'
import { useBench } from '../JobContext'
import type { TurnTarget } from '../turnPlan'
import { creepEntries, pastPlace } from './creep'
import { useCrankMark } from './useCrankMark'

/** The crank looked at again at each try: it creeps while a chain is fitted. What it crept is a turn in the ledger. */
export function CrankTry({ step, target }: { readonly step: Step; readonly target: TurnTarget }) {
  const { view, say } = useBench()
  const crank = useCrankMark(`${view.job.id}:${step.id}:try`, target.deg)
  const past = pastPlace(view, target.deg)
  const write = () => {
    if (!crank) return
    for (const field of Object.values(crank.fields)) field.ask()
    if (!crank.crank) return
    const moved = creepEntries(view, crank.crank, step.id)
    if (moved.length === 0) void showNotice({ words: 'The crank stands as the ledger has it: nothing to write' })
    else void say(moved, [...Object.values(crank.fields), ...crank.besides])
  }
  return (
    <>
      {crank && (
        <Fold
          title="Is the crank still at its mark?"
          note={past === undefined ? 'look at each try' : `${fixed(Math.abs(past), 1)}° ${past > 0 ? 'past' : 'short'}`}
        >
          {crank.panel}
          <Button variant="default" onClick={write} disabled={!crank.crank}>
            So it stands now
          </Button>
        </Fold>
      )}
    </>
  )
}
