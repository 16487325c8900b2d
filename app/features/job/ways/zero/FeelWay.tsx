import { Button, NativeSelect } from '@mantine/core'
import type { FeelTool } from '@link-count/core/model'
import { FEEL_SIGMA_DEG, LEAST_DWELL_DEG } from '@link-count/core/zero'
import { fixed } from '@link-count/core/units'
import { useDraft } from '../../../../ui/fields'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { InCylinder, useInCylinder } from './InCylinder'
import type { ZeroWayProps } from './way'
import { PairFields } from './PairFields'
import { usePair } from './usePair'

const tools: readonly { value: FeelTool; label: string }[] = [
  { value: 'screwdriver', label: 'a taped screwdriver' },
  { value: 'pick', label: 'a pick' },
  { value: 'valve', label: 'a spare valve on the crown' },
  { value: 'stick', label: 'a marked stick: a coarse check' },
]

/** Dwell by feel: where the piston stops rising and where it begins to fall. Quick, blunt, and said to be. */
export function FeelWay(props: ZeroWayProps) {
  const { view, side, say } = useBench()
  const { state, job } = view
  const { step, cylinder } = props
  const probe = useInCylinder('probe', props)
  const key = `${job.id}:${step.id}:feel:${cylinder.id}`
  const chosen = useDraft(`${key}:tool`, 'screwdriver')
  const tool = chosen.text as FeelTool
  const pair = usePair(key, LEAST_DWELL_DEG)
  const felt = state.live.filter(
    (entry) => entry.kind === 'dwell' && entry.cylinderId === cylinder.id && entry.tool === tool,
  ).length
  if (!probe) {
    return (
      <InCylinder
        {...props}
        item="probe"
        change="in"
        words={felt > 0 ? 'Probe in again' : `Probe is in cylinder ${cylinder.name}`}
        filled={felt === 0}
      />
    )
  }
  const read =
    pair.both &&
    ({
      kind: 'dwell',
      cylinderId: cylinder.id,
      tool,
      beforeDeg: pair.both.firstDeg,
      afterDeg: pair.both.secondDeg,
    } as const)
  const write = () => {
    pair.ask()
    if (!read || !pair.found?.ok) return
    void say({ ...read, typed: pair.typed, stepId: step.id }, [...pair.fields])
  }
  return (
    <div className="stack">
      <p className="caution">
        Blunt, taped, too long to fall in, and never between piston and head.{' '}
        {askTurn({ forReading: 'feel' }, view, side).words}
      </p>
      <NativeSelect
        label="Felt with"
        value={tool}
        onChange={(event) => chosen.setText(event.currentTarget.value)}
        data={[...tools]}
      />
      <PairFields
        pair={pair}
        first="It stops rising: the wheel reads"
        second="It begins to fall: the wheel reads"
        read={read}
        onEnter={write}
      />
      <p className="soft">
        ± {fixed(2 * FEEL_SIGMA_DEG[tool], 0)}° is what is usual (common practice, no source). Felt three times or more,
        the ± comes from your own spread instead. {felt > 0 && `Felt ${felt === 1 ? 'once' : `${felt} times`} so far.`}
      </p>
      <Button variant={felt > 0 && !pair.both ? 'quiet' : 'filled'} onClick={write}>
        Write both down
      </Button>
      {felt > 0 && <InCylinder {...props} item="probe" change="out" words="Probe is out" filled={!pair.both} />}
    </div>
  )
}
