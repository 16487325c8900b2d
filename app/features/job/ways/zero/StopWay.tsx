import { Button } from '@mantine/core'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { InCylinder, useInCylinder } from './InCylinder'
import type { ZeroWayProps } from './way'
import { PairFields } from './PairFields'
import { usePair } from './usePair'

/** A positive stop, read turning onto it each way. */
export function StopWay(props: ZeroWayProps) {
  const { view, side, say } = useBench()
  const { state, job } = view
  const { step, cylinder } = props
  const stop = useInCylinder('stop', props)
  const pair = usePair(`${job.id}:${step.id}:stop:${cylinder.id}`)
  const readBefore = state.zeroReadings.some(
    ({ method, cylinderId }) => method === 'positiveStop' && cylinderId === cylinder.id,
  )
  if (!stop) {
    const words = readBefore ? 'Stop in again, at another depth' : `Stop is in cylinder ${cylinder.name}`
    return <InCylinder {...props} item="stop" change="in" words={words} filled={!readBefore} />
  }
  const read = pair.both && ({ kind: 'stopContacts', cylinderId: cylinder.id, ...pair.both } as const)
  const write = () => {
    pair.ask()
    if (!read || !pair.found?.ok) return
    void say({ ...read, typed: pair.typed, stepId: step.id }, [...pair.fields])
  }
  const onto = (which: 'first' | 'second') => askTurn({ ontoStop: which }, view, side)
  const label = (name: string, { may, words }: ReturnType<typeof onto>) => (may ? `${name}: ${words}` : name)
  return (
    <div className="stack">
      {!onto('first').may && <p className="warn">{onto('first').words}</p>}
      <p className="caution">By hand, gently: let the piston meet the stop, never bang it.</p>
      <PairFields
        pair={pair}
        first={label('First contact', onto('first'))}
        second={label('Second contact', onto('second'))}
        read={read}
        onEnter={write}
      />
      <Button variant={readBefore && !pair.both ? 'quiet' : 'filled'} onClick={write}>
        Write both down
      </Button>
      {readBefore && <InCylinder {...props} item="stop" change="out" words="Stop is out" filled={!pair.both} />}
    </div>
  )
}
