import { Button, NativeSelect, SegmentedControl } from '@mantine/core'
import { useState } from 'react'
import type { Slip } from '@link-count/core/ledger'
import type { EntryOf } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { fixed } from '@link-count/core/units'
import { useDraft, useWheelField, WheelInput } from '../../../../ui/fields'
import { wheelAsSeen } from '../../../../ui/job'
import { formatDateTime, tellLines } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** A zero holds until the wheel or its pointer is disturbed; then it is confirmed or broken by a reading, and what leaned on it is dealt
 *  with. */
export function ZeroLife({ step }: { readonly step: Step }) {
  const { state } = useBench().view
  const { life, slip, stopStayedIn } = state.zeros
  if (life === 'none') return null
  if (slip) return <Slipped step={step} slip={slip} />
  if (life === 'inDoubt') {
    return (
      <div className="warn stack" role="alert">
        <p>
          <strong>The zero is in doubt.</strong>{' '}
          {stopStayedIn
            ? 'The stop has stayed in, so one contact read again confirms it or breaks it.'
            : 'The stop has been out since, so one contact would prove nothing: read both again, or a pair by the dial.'}
        </p>
        {stopStayedIn && <ContactAgain step={step} contacts={stopStayedIn} />}
      </div>
    )
  }
  return <Knocked step={step} />
}

function Knocked({ step }: { step: Step }) {
  const { say } = useBench()
  const [open, setOpen] = useState(false)
  const [what, setWhat] = useState<'wheel' | 'pointer' | 'notSure'>('notSure')
  if (!open) {
    return (
      <button type="button" className="link" onClick={() => setOpen(true)}>
        Wheel or pointer was knocked
      </button>
    )
  }
  return (
    <div className="stack">
      <SegmentedControl
        fullWidth
        aria-label="What was knocked"
        value={what}
        onChange={(value) => setWhat(value as 'wheel')}
        data={[
          { value: 'wheel', label: 'The wheel' },
          { value: 'pointer', label: 'The pointer' },
          { value: 'notSure', label: 'Not sure' },
        ]}
      />
      <div className="row">
        <Button variant="default" onClick={() => void say({ kind: 'wheelKnocked', what, stepId: step.id })}>
          It was disturbed
        </Button>
        <Button variant="quiet" onClick={() => setOpen(false)}>
          No
        </Button>
      </div>
    </div>
  )
}

function ContactAgain({ step, contacts }: { step: Step; contacts: EntryOf<'stopContacts'> }) {
  const { view, say } = useBench()
  const { state, job } = view
  const [which, setWhich] = useState<'first' | 'second'>('first')
  const field = useWheelField(`${job.id}:${step.id}:again`, state.degreeWheel)
  const was = which === 'first' ? contacts.firstDeg : contacts.secondDeg
  const write = () => {
    field.ask()
    if (field.value === undefined) return
    void say(
      {
        kind: 'contactAgain',
        ofEntryId: contacts.id,
        which,
        wheelDeg: field.value,
        typed: [{ field: 'wheel', text: field.text }],
        stepId: step.id,
      },
      [field],
    )
  }
  return (
    <>
      <SegmentedControl
        fullWidth
        aria-label="Which contact"
        value={which}
        onChange={(value) => setWhich(value as 'first')}
        data={[
          { value: 'first', label: 'First contact' },
          { value: 'second', label: 'Second' },
        ]}
      />
      <WheelInput
        field={field}
        scale={state.degreeWheel}
        label="That contact again: wheel reads"
        description={`It read ${wheelAsSeen(was, state, 2)} before.`}
        onEnter={write}
      />
      <Button variant="filled" onClick={write}>
        Write the contact down
      </Button>
    </>
  )
}

/** The slip is known; from which reading on it had happened is for the mechanic to say. */
function Slipped({ step, slip }: { step: Step; slip: Slip }) {
  const { view, say } = useBench()
  const { state, sheet, entries, job } = view
  const before = useDraft(`${job.id}:${step.id}:slip-from`, slip.knockId)
  const leaning = state.live.filter(({ id }) => slip.leaning.includes(id))
  const tell = tellLines(sheet, entries)
  const settle = (how: 'shift' | 'retake') => {
    void say({ kind: 'leaning', knockId: slip.knockId, fromEntryId: before.text, how, stepId: step.id }, [before])
  }
  const size = `${fixed(Math.abs(slip.slipDeg), 1)}°`
  return (
    <div className="warn stack" role="alert">
      <p>
        <strong>
          It slipped by {size} ± {fixed(2 * slip.sigmaDeg, 1)}°.
        </strong>{' '}
        The wheel now reads {slip.slipDeg > 0 ? 'more' : 'less'} at the same place, and the zero has gone with it. What
        was read after the slip and before it was noticed is wrong by as much.
      </p>
      <NativeSelect
        label="It had slipped before"
        value={before.text}
        onChange={(event) => before.setText(event.currentTarget.value)}
        data={[
          { value: slip.knockId, label: 'none of these: all were read before it' },
          ...leaning.map((entry) => ({
            value: entry.id,
            label: `${formatDateTime(entry.at)} ${tell(entry)}`,
          })),
        ]}
      />
      {before.text === slip.knockId ? (
        <Button variant="filled" onClick={() => settle('shift')}>
          They stand as they are
        </Button>
      ) : (
        <div className="row">
          <Button variant="filled" onClick={() => settle('shift')}>
            Shift that and later ones by {size}
          </Button>
          <Button variant="default" onClick={() => settle('retake')}>
            Take them again
          </Button>
        </div>
      )}
    </div>
  )
}
