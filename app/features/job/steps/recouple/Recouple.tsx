import { Button } from '@mantine/core'
import { allOf } from '@link-count/core/ledger'
import { entryLimits, type Adjuster, type ItemKind } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { formatLateness } from '@link-count/core/units'
import { DegreesInput, useDegreesField } from '../../../../ui/fields'
import { inSentence, itemWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import { CouplingWork } from '../CouplingWork'

/** A camshaft let round on its coupling: places on, or slipped under oil pressure with tackle hooked to it. Both are on the register while they last. */
export function Recouple({ step }: { readonly step: Step }) {
  const { view } = useBench()
  const id = step.targetIds[0] ?? ''
  const coupling = partsOf(view.sheet).coupling(id)
  const adjuster = partsOf(view.sheet).adjuster(id)
  return (
    <div className="stack">
      <Held step={step} id={id} item="tackle" put="Tackle is hooked to the camshaft" />
      {adjuster && <Held step={step} id={id} item="underPressure" put="Oil pressure is on the coupling" />}
      {coupling && <CouplingWork coupling={coupling} step={step} />}
      {adjuster && <Slip step={step} adjuster={adjuster} />}
      <p className="soft">
        The proper tool goes on the flange bolts. After the pressure is let off, wait as long as the maker says before
        its plugs go back. The crank is not to move until both are off.
      </p>
    </div>
  )
}

/** Something that holds the engine while it lasts. */
function Held({
  step,
  id,
  item,
  put,
}: {
  readonly step: Step
  readonly id: string
  readonly item: ItemKind
  readonly put: string
}) {
  const { view, say } = useBench()
  const itemId = `${item}-${id}`.slice(0, 64)
  const isOn = view.state.register.some((one) => one.itemId === itemId)
  return (
    <Button
      variant={isOn ? 'filled' : 'default'}
      aria-pressed={isOn}
      onClick={() => void say({ kind: 'item', itemId, item, where: '', change: isOn ? 'out' : 'in', stepId: step.id })}
    >
      {isOn ? itemWords[item].takeOut : put}
    </Button>
  )
}

/** Let round by degrees: how far, and which way. */
function Slip({ step, adjuster }: { readonly step: Step; readonly adjuster: Adjuster }) {
  const { view, say } = useBench()
  const { state, sheet, job } = view
  const later = useDegreesField(`${job.id}:${step.id}:later`, entryLimits('adjusted', 'laterDeg'))
  const name = partsOf(sheet).shaftOfMember(adjuster.memberId)?.name ?? 'Camshaft'
  const written = allOf(state, 'adjusted').filter(({ adjusterId }) => adjusterId === adjuster.id)
  const write = () => {
    later.ask()
    if (later.value === undefined) return
    const words = `${inSentence(name)} slipped on its coupling, ${formatLateness(later.value)} at the crank`
    void say(
      {
        kind: 'adjusted',
        adjusterId: adjuster.id,
        laterDeg: later.value,
        words,
        typed: [{ field: 'later', text: later.said }],
        stepId: step.id,
      },
      [later],
    )
  }
  return (
    <>
      {written.map(({ id, words }) => (
        <p className="result" key={id}>
          {words}
        </p>
      ))}
      <DegreesInput
        field={later}
        label="Let round by, later at the crank"
        placeholder="-3.5"
        description="Degrees at the crank; minus is earlier."
      />
      <Button variant="filled" onClick={write}>
        It was let round so
      </Button>
    </>
  )
}
