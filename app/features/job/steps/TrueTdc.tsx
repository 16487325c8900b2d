import { Button, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import type { Step } from '@link-count/core/runSheet'
import { fixed, formatDeg, wrapToSigned180 } from '@link-count/core/units'
import { sigmaOfDivision, tdcFromStops } from '@link-count/core/zero'
import { DegreesInput, useWheelField } from '../../../ui/fields'
import { handWords, sideName, stopWords } from '../../../ui/wording'
import { useBench } from '../JobContext'
import { ZeroFigure } from '../../../ui/job'
import { wheelAsSeen, wheelFromTyped } from '../../../ui/job'

/** True TDC by the positive stop, read turning each way; a second set-up or the factory mark is the second witness. */
export function TrueTdc({ step }: { readonly step: Step }) {
  const { view, say } = useBench()
  const { state, sheet } = view
  const cylinderId = step.targetIds[0] ?? sheet.zeroCylinderId
  const name = sheet.cylinders.find(({ id }) => id === cylinderId)?.name ?? ''
  const stop = state.register.find(({ item }) => item === 'stop')
  const [another, setAnother] = useState(false)
  if (!state.degreeWheel || another) return <FitWheel step={step} onDone={() => setAnother(false)} />
  return (
    <div className="stack">
      <p className="done-line">
        Degree wheel read to <span className="reading">{state.degreeWheel.readToDeg}°</span>
        <button type="button" className="link" onClick={() => setAnother(true)}>
          Wheel fitted anew
        </button>
      </p>
      {!stop && (
        <Button
          variant={state.zero ? 'quiet' : 'filled'}
          onClick={() =>
            void say({
              kind: 'item',
              itemId: `stop-${cylinderId}`,
              item: 'stop',
              where: `cylinder ${name}`,
              change: 'in',
              stepId: step.id,
            })
          }
        >
          {state.zero ? 'Stop in again, at another depth' : `Stop is in cylinder ${name}`}
        </Button>
      )}
      {stop && <Contacts step={step} cylinderId={cylinderId} />}
      {stop && state.zeroReadings.length > 0 && (
        <Button
          variant="filled"
          onClick={() =>
            void say({
              kind: 'item',
              itemId: stop.itemId,
              item: 'stop',
              where: stop.where,
              change: 'out',
              stepId: step.id,
            })
          }
        >
          Stop is out
        </Button>
      )}
      <ZeroResults />
      {state.zero && !stop && <FactoryMark step={step} cylinderId={cylinderId} />}
    </div>
  )
}

function FitWheel({ step, onDone }: { step: Step; onDone: () => void }) {
  const { view, side, say } = useBench()
  const [readTo, setReadTo] = useState('0.5')
  const [rises, setRises] = useState<'running' | 'against'>('running')
  return (
    <div className="stack">
      <p>Fit the degree wheel and a pointer that cannot be knocked. Any place will do: the zero is found, not set.</p>
      <SegmentedControl
        aria-label="The wheel is read to"
        value={readTo}
        onChange={setReadTo}
        data={[
          { value: '1', label: 'read to 1°' },
          { value: '0.5', label: '½°' },
          { value: '0.25', label: '¼°' },
        ]}
      />
      <SegmentedControl
        aria-label="Its numbers"
        value={rises}
        onChange={(value) => setRises(value as 'running')}
        data={[
          { value: 'running', label: 'Numbers rise as it runs' },
          { value: 'against', label: 'They fall' },
        ]}
      />
      <p className="soft">
        Turned {handWords(1, view.sheet, side)}, seen from the {sideName(view.sheet, side)}, does the number at the
        pointer rise or fall?
      </p>
      <Button
        variant="filled"
        onClick={() => {
          void say({ kind: 'degreeWheel', readToDeg: Number(readTo), rises, stepId: step.id })
          onDone()
        }}
      >
        Wheel is fitted
      </Button>
    </div>
  )
}

function Contacts({ step, cylinderId }: { step: Step; cylinderId: string }) {
  const { view, side, say } = useBench()
  const { state, sheet, job } = view
  const first = useWheelField(`${job.id}:${step.id}:first`)
  const second = useWheelField(`${job.id}:${step.id}:second`)
  const readTo = state.degreeWheel?.readToDeg ?? 1
  const both =
    first.value === undefined || second.value === undefined
      ? undefined
      : { firstDeg: wheelFromTyped(first.value, state), secondDeg: wheelFromTyped(second.value, state) }
  const found = both && tdcFromStops({ ...both, sigmaDeg: sigmaOfDivision(readTo) })
  const write = () => {
    first.ask()
    second.ask()
    if (!both || !found?.ok) return
    const typed = [
      { field: 'first', text: first.text },
      { field: 'second', text: second.text },
    ]
    void say({ kind: 'stopContacts', cylinderId, ...both, typed, stepId: step.id })
    first.drop()
    second.drop()
  }
  return (
    <div className="stack">
      <p className="caution">By hand, gently: let the piston meet the stop, never bang it.</p>
      <DegreesInput
        field={first}
        label={`First contact: turn ${handWords(1, sheet, side)} onto the stop`}
        placeholder="wheel reads, e.g. 327.5"
        onEnter={write}
      />
      <DegreesInput
        field={second}
        label={`Second contact: turn back, ${handWords(-1, sheet, side)}, onto the stop`}
        placeholder="wheel reads, e.g. 39.5"
        onEnter={write}
      />
      {found && !found.ok && (
        <p className="field-error" role="alert">
          {stopWords(found.error)}
        </p>
      )}
      {found?.ok && (
        <p>
          Half way: <span className="reading">{formatDeg(wheelAsSeen(found.value.wheelDeg, state), 2)}</span>{' '}
          <span className="soft">± {fixed(2 * found.value.sigmaDeg, 2)}° (two sigma)</span>
        </p>
      )}
      <Button variant={state.zeroReadings.length > 0 && !both ? 'quiet' : 'filled'} onClick={write}>
        Write both down
      </Button>
    </div>
  )
}

function ZeroResults() {
  const { view, say } = useBench()
  const { state } = view
  const { zero, zeroReadings } = state
  if (!zero) return null
  return (
    <div className="result">
      <p>
        Zero: <ZeroFigure view={view} />{' '}
        {zero.proved ? <span className="proved">proved</span> : <span className="soft">read, one witness</span>}
      </p>
      <ul className="plain">
        {zeroReadings.map(({ entryId, method, wheelDeg }) => {
          const misfit = zero.misfits.find((one) => one.entryId === entryId)
          return (
            <li key={entryId}>
              <span className="reading">{formatDeg(wheelAsSeen(wheelDeg, state), 2)}</span>{' '}
              {method === 'positiveStop' ? 'stop, both ways' : 'factory mark'}
              {misfit && (
                <strong className="brass">
                  {' '}
                  does not fit: {fixed(Math.abs(misfit.offDeg), 1)}° {misfit.offDeg > 0 ? 'after' : 'before'}
                </strong>
              )}
              <button
                type="button"
                className="link"
                onClick={() => void say({ kind: 'strike', targetId: entryId, reason: 'struck by hand' })}
              >
                Strike
              </button>
            </li>
          )
        })}
      </ul>
      {!zero.proved && (
        <p className="soft">
          A second witness would prove it: the stop at another depth, so that the contacts move by more than 3°, or the
          factory mark.
        </p>
      )}
    </div>
  )
}

function FactoryMark({ step, cylinderId }: { step: Step; cylinderId: string }) {
  const { view, say } = useBench()
  const { state, job } = view
  const field = useWheelField(`${job.id}:${step.id}:mark`)
  const away =
    field.value === undefined
      ? undefined
      : wrapToSigned180(wheelFromTyped(field.value, state) - (state.zero?.wheelDeg ?? 0))
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    const typed = [{ field: 'wheel', text: field.text }]
    void say({
      kind: 'factoryMark',
      cylinderId,
      name: 'TDC mark',
      wheelDeg: wheelFromTyped(field.value, state),
      typed,
      stepId: step.id,
    })
    field.drop()
  }
  return (
    <div className="stack">
      <DegreesInput
        field={field}
        label="Factory TDC mark at its pointer: wheel reads"
        description={
          away === undefined
            ? 'A claim to be tested, not averaged in.'
            : `${fixed(Math.abs(away), 1)}° ${away >= 0 ? 'after' : 'before'} the zero`
        }
        onEnter={write}
      />
      <Button variant="quiet" onClick={write} disabled={field.text.trim() === ''}>
        Write the mark down
      </Button>
    </div>
  )
}
