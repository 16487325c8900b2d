import { Button } from '@mantine/core'
import { handWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { InCylinder, useInCylinder } from './InCylinder'
import type { MethodProps } from './method'
import { PairFields } from './PairFields'
import { usePair } from './usePair'

/** A positive stop, read turning onto it each way. */
export function StopMethod(props: MethodProps) {
  const { view, side, say } = useBench()
  const { state, sheet, job } = view
  const { step, cylinder } = props
  const stop = useInCylinder('stop', props)
  const pair = usePair(`${job.id}:${step.id}:stop:${cylinder.id}`)
  const read = state.zeroReadings.some(
    ({ method, cylinderId }) => method === 'positiveStop' && cylinderId === cylinder.id,
  )
  if (!stop) {
    const words = read ? 'Stop in again, at another depth' : `Stop is in cylinder ${cylinder.name}`
    return <InCylinder {...props} item="stop" change="in" words={words} filled={!read} />
  }
  const write = () => {
    pair.ask()
    if (!pair.both || !pair.found?.ok) return
    void say({ kind: 'stopContacts', cylinderId: cylinder.id, ...pair.both, typed: pair.typed, stepId: step.id })
    pair.drop()
  }
  return (
    <div className="stack">
      <p className="caution">By hand, gently: let the piston meet the stop, never bang it.</p>
      <PairFields
        pair={pair}
        first={`First contact: turn ${handWords(1, sheet, side)} onto the stop`}
        second={`Second contact: turn back, ${handWords(-1, sheet, side)}, onto the stop`}
        plusMinusDeg={undefined}
        onEnter={write}
      />
      <Button variant={read && !pair.both ? 'quiet' : 'filled'} onClick={write}>
        Write both down
      </Button>
      {read && <InCylinder {...props} item="stop" change="out" words="Stop is out" filled={!pair.both} />}
    </div>
  )
}
