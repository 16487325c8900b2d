import { Button, NativeSelect } from '@mantine/core'
import { useState } from 'react'
import { allOf } from '@link-count/core/ledger'
import { entryLimits, type EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { DegreesInput, LengthInput, useDegreesField, useLengthField } from '../../../../ui/fields'
import { turnLookWords, turnName } from '../../../../ui/wording'
import { useBench } from '../../JobContext'
import './TurnLooks.css'

type Saw = EntryOf<'turnLook'>['saw']

/** At the end of each full turn: whether the marks meet again, how far a belt walked, whether locks go in; and what was felt on the way. */
export function TurnLooks({
  step,
  turned,
  turns,
}: {
  readonly step: Step
  readonly turned: number
  readonly turns: number
}) {
  const { view, say } = useBench()
  const { sheet, state } = view
  const looks = allOf(state, 'turnLook')
  const done = Math.min(turns, Math.floor(turned / 360))
  const turn = Math.min(turns, done + (done === turns ? 0 : 1))
  const hasMarks = sheet.marks.some(({ cutFor }) => cutFor === 'pose') || sheet.rimMarks.length > 0
  const hasBelt = sheet.loops.some(({ kind }) => kind === 'toothedBelt')
  const hasLocks = state.live.some(
    (entry) => entry.kind === 'item' && (entry.item === 'lock' || entry.item === 'lockingPin'),
  )
  const see = (at: number, saw: Saw) => void say({ kind: 'turnLook', turn: at, saw, stepId: step.id })
  const seen = (at: number, what: Saw['what']) => looks.find((one) => one.turn === at && one.saw.what === what)?.saw
  return (
    <div className="stack turn-looks">
      {Array.from({ length: done }, (_, i) => i + 1).map((at) => (
        <div key={at} role="group" aria-label={turnName(at)} className="turn-look">
          <strong>{turnName(at)}</strong>
          {hasMarks && (
            <Choice
              label={`Marks after the ${turnName(at)}`}
              value={(seen(at, 'marks') as Extract<Saw, { what: 'marks' }> | undefined)?.is}
              options={{ meet: 'marks meet', off: 'marks do not meet' }}
              onChoose={(is) => see(at, { what: 'marks', is })}
            />
          )}
          {hasLocks && (
            <Choice
              label={`Locks after the ${turnName(at)}`}
              value={(seen(at, 'locks') as Extract<Saw, { what: 'locks' }> | undefined)?.is}
              options={{ goIn: 'locks go in again', doNot: 'locks do not go in' }}
              onChoose={(is) => see(at, { what: 'locks', is })}
            />
          )}
          {hasBelt && <BeltWalk at={at} step={step} onSee={(mm) => see(at, { what: 'walk', mm })} />}
          {looks
            .filter((one) => one.turn === at)
            .map(({ id, saw }) => (
              <p className="result" key={id}>
                {turnLookWords(saw, sheet)}
              </p>
            ))}
        </div>
      ))}
      {looks
        .filter((one) => one.turn > done)
        .map(({ id, saw }) => (
          <p className="result" key={id}>
            {turnLookWords(saw, sheet)}
          </p>
        ))}
      <Resistance step={step} turn={Math.max(1, turn)} onSee={(saw) => see(Math.max(1, turn), saw)} />
    </div>
  )
}

function Choice<T extends string>({
  label,
  value,
  options,
  onChoose,
}: {
  readonly label: string
  readonly value: T | undefined
  readonly options: Readonly<Record<T, string>>
  readonly onChoose: (value: T) => void
}) {
  return (
    <NativeSelect
      aria-label={label}
      value={value ?? ''}
      onChange={(event) => event.currentTarget.value && onChoose(event.currentTarget.value as T)}
      data={[
        { value: '', label: 'not looked' },
        ...(Object.entries(options) as [T, string][]).map(([key, words]) => ({ value: key, label: words })),
      ]}
    />
  )
}

/** How far a belt went on its pulleys in one turn. */
function BeltWalk({
  at,
  step,
  onSee,
}: {
  readonly at: number
  readonly step: Step
  readonly onSee: (mm: number) => void
}) {
  const { view } = useBench()
  const field = useLengthField(`${view.job.id}:${step.id}:walk:${at}`, { least: -50, most: 50 })
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    onSee(field.value.value)
    field.drop()
  }
  return (
    <div className="row">
      <LengthInput
        field={field}
        example="0 mm, 0.5 mm"
        label={`Belt walked in the ${turnName(at)}, outward`}
        description="Inward is minus."
        onEnter={write}
      />
      <Button variant="default" disabled={field.text.trim() === ''} onClick={write}>
        Write it down: walk
      </Button>
    </div>
  )
}

/** Something was felt: where, and how hard; what lies there is told. */
function Resistance({
  step,
  turn,
  onSee,
}: {
  readonly step: Step
  readonly turn: number
  readonly onSee: (saw: Saw) => void
}) {
  const { view } = useBench()
  const [open, setOpen] = useState(false)
  const field = useDegreesField(`${view.job.id}:${step.id}:resist`, {
    ...entryLimits('walk', 'crankDeg'),
    most: view.sheet.cycleDeg - 0.1,
  })
  const felt = (how: 'light' | 'firm' | 'stop') => {
    if (field.text.trim() !== '' && field.value === undefined) {
      field.ask()
      return
    }
    onSee({ what: 'resistance', how, ...(field.value === undefined ? {} : { crankDeg: field.value }) })
    field.drop()
    setOpen(false)
  }
  if (!open)
    return (
      <Button variant="quiet" onClick={() => setOpen(true)}>
        I felt resistance
      </Button>
    )
  return (
    <div className="stack" role="group" aria-label={`Resistance in the ${turnName(turn)}`}>
      <DegreesInput
        field={field}
        label="Where, degrees after firing TDC"
        placeholder="310"
        description="Leave it empty if you do not know."
      />
      <div className="row">
        <Button variant="default" onClick={() => felt('light')}>
          Light
        </Button>
        <Button variant="default" onClick={() => felt('firm')}>
          Firm
        </Button>
        <Button variant="default" onClick={() => felt('stop')}>
          It stopped
        </Button>
        <Button variant="quiet" onClick={() => setOpen(false)}>
          No
        </Button>
      </div>
    </div>
  )
}
