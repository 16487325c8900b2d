import { Button } from '@mantine/core'
import { entryLimits } from '@link-count/core/model'
import { formatMm } from '@link-count/core/units'
import { LengthInput, useDraft, useLengthField, useWheelField, WheelInput } from '../../../../ui/fields'
import { camWayWords } from '../../../../ui/wording'
import { askTurn } from '../../askTurn'
import { useBench } from '../../JobContext'
import { useLobeChoice } from './useLobeChoice'
import type { CamWayProps } from './way'
import { WayFoot } from './WayFoot'

interface Pair {
  readonly liftMm: number
  readonly upDeg: number
  readonly downDeg: number
}

const readPairs = (text: string): Pair[] => {
  try {
    const parsed: unknown = JSON.parse(text)
    return Array.isArray(parsed) ? (parsed as Pair[]) : []
  } catch {
    return []
  }
}

/** The lobe's centre from equal lifts either side of its top, at several heights. */
export function CentreWay({ step, shaft, phase }: CamWayProps) {
  const { view, side } = useBench()
  const { state, job } = view
  const key = `${job.id}:${step.id}:${shaft.id}`
  const { cam, choice } = useLobeChoice(`${key}:centre-cam`, shaft)
  const lift = useLengthField(`${key}:centre-lift`, entryLimits('lobeCentre', 'pairs', 'liftMm'))
  const up = useWheelField(`${key}:centre-up`, state.degreeWheel)
  const down = useWheelField(`${key}:centre-down`, state.degreeWheel)
  const kept = useDraft(`${key}:centre-pairs`, '[]')
  if (!cam) return <p>The build sheet has no lobe on this camshaft.</p>
  const pairs = readPairs(kept.text)
  const now =
    lift.value && up.value !== undefined && down.value !== undefined
      ? { liftMm: lift.value.value, upDeg: up.value, downDeg: down.value }
      : undefined
  const all = now ? [...pairs, now] : pairs
  const drop = () => {
    for (const field of [lift, up, down]) field.drop()
  }
  const more = () => {
    for (const field of [lift, up, down]) field.ask()
    if (!now) return
    kept.setText(JSON.stringify([...pairs, now]))
    drop()
  }
  const read = all.length === 0 ? undefined : ({ kind: 'lobeCentre', camId: cam.id, phase, pairs: all } as const)
  return (
    <div className="stack">
      <p>{askTurn({ forReading: 'lobeTop' }, view, side).words} Never where the needle stops.</p>
      {choice}
      {pairs.length > 0 && (
        <ul className="plain">
          {pairs.map(({ liftMm }, i) => (
            <li key={i}>
              At {formatMm(liftMm)}: kept{' '}
              <button
                type="button"
                className="link"
                onClick={() => kept.setText(JSON.stringify(pairs.filter((_pair, k) => k !== i)))}
              >
                Take it out
              </button>
            </li>
          ))}
        </ul>
      )}
      <LengthInput example="1 mm, 40 thou" field={lift} label="Both at a lift of" />
      <WheelInput field={up} scale={state.degreeWheel} label="Going up: the degree wheel reads" />
      <WheelInput field={down} scale={state.degreeWheel} label="Coming down: the degree wheel reads" />
      <Button variant="default" onClick={more}>
        Another height
      </Button>
      <WayFoot
        way={camWayWords.lobeCentre}
        step={step}
        read={read}
        fields={{
          lift: pairs.length > 0 && lift.text.trim() === '' ? { ...lift, ask: () => undefined } : lift,
          up,
          down,
        }}
        besides={[kept]}
      />
    </div>
  )
}
