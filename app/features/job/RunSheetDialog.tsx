import { Button, Checkbox, NativeSelect, Textarea } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import type { NewEntry, StepKind } from '@link-count/core/model'
import { catalogueOf, idOfNext, mayLeaveOut, targetsOf, whatItNeeds, type Step } from '@link-count/core/runSheet'
import { changeEngine } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { takenOf, useDraft, WordsInput } from '../../ui/fields'
import { Pin } from '../../ui/ChainProgress'
import { pinState } from '../../ui/pinState'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { inSentence, kindTitle, nounsOfAll, stepTitle } from '../../ui/wording'
import { useBench } from './JobContext'
import './RunSheetDialog.css'

/** The run sheet is the mechanic's: steps put in, left out, moved, done again; kept as it is done here. */
export function RunSheetDialog({ onClose }: { readonly onClose: () => void }) {
  const { view, say } = useBench()
  const { sheet, steps, leftOut } = view
  const all = steps.map(({ step }) => step)
  // An id that a step had is never given again, left out or not.
  const ever = [...all, ...leftOut.map(({ step }) => step)]
  const [told, setTold] = useState('')
  const plan = (entry: Omit<Extract<NewEntry, { kind: 'plan' }>, 'kind'>) => void say({ kind: 'plan', ...entry })
  const move = (step: Step, before: string | undefined) => {
    const needed = whatItNeeds(all, step.id, before)[0]
    if (needed) {
      setTold(
        `${stepTitle(needed.then, sheet)} needs what ${inSentence(stepTitle(needed.first, sheet))} gives, so it cannot come before it.`,
      )
      return
    }
    setTold('')
    plan({ does: 'move', target: step.id, ...(before ? { before } : {}), reason: '' })
  }
  return (
    <Dialog title="The run sheet" size="xl" onClose={onClose}>
      <div className="stack">
        {told && (
          <p className="warn" role="alert">
            {told}
          </p>
        )}
        <ol className="plain run-sheet" aria-label="Steps">
          {steps.map(({ step, status }, i) => (
            <li key={step.id}>
              <Pin state={pinState(status, step === view.inHand)} />
              <strong>{stepTitle(step, sheet)}</strong>
              {mayLeaveOut(step) && (
                <StepActions
                  step={step}
                  first={!all[i - 1] || !mayLeaveOut(all[i - 1] as Step)}
                  last={!all[i + 1] || !mayLeaveOut(all[i + 1] as Step)}
                  onEarlier={() => move(step, all[i - 1]?.id)}
                  onLater={() => move(step, all[i + 2]?.id)}
                  onAgain={() =>
                    plan({
                      does: 'add',
                      target: idOfNext(ever, step.kind),
                      stepKind: step.kind,
                      targetIds: [...step.targetIds],
                      ...(all[i + 1] ? { before: (all[i + 1] as Step).id } : {}),
                      reason: '',
                    })
                  }
                  onLeaveOut={(reason) => plan({ does: 'leaveOut', target: step.id, reason })}
                />
              )}
            </li>
          ))}
        </ol>
        <LeftOut />
        <PutIn
          onPutIn={(kind, targetIds) =>
            plan({
              does: 'add',
              target: idOfNext(ever, kind),
              stepKind: kind,
              targetIds: [...targetIds],
              reason: '',
            })
          }
        />
        <Keep />
      </div>
    </Dialog>
  )
}

/** What was left out of it, and why. */
function LeftOut() {
  const { sheet, leftOut } = useBench().view
  if (leftOut.length === 0) return null
  return (
    <section aria-label="Left out">
      <h3>Left out, and on the card</h3>
      {leftOut.map(({ step, reason }) => (
        <p key={step.id}>
          {stepTitle(step, sheet)}: {reason}
        </p>
      ))}
      <p className="soft">Struck in the ledger, a step left out comes back.</p>
    </section>
  )
}

/** What can be done with one step. */
function StepActions({
  step,
  first,
  last,
  onEarlier,
  onLater,
  onAgain,
  onLeaveOut,
}: {
  readonly step: Step
  readonly first: boolean
  readonly last: boolean
  readonly onEarlier: () => void
  readonly onLater: () => void
  readonly onAgain: () => void
  readonly onLeaveOut: (reason: string) => void
}) {
  const { view } = useBench()
  const [leaving, setLeaving] = useState(false)
  const reason = useDraft(`${view.job.id}:${step.id}:leave-out`)
  const name = inSentence(stepTitle(step, view.sheet))
  if (leaving)
    return (
      <div className="stack leaving">
        <Textarea
          label={`Why ${name} is left out`}
          value={reason.text}
          onChange={(event) => reason.setText(event.currentTarget.value)}
          autosize
          minRows={1}
          data-autofocus
        />
        <div className="row">
          <Button
            variant="default"
            disabled={reason.text.trim() === ''}
            onClick={() => {
              onLeaveOut(reason.text.trim())
              reason.drop()
            }}
          >
            Leave it out
          </Button>
          <Button variant="quiet" onClick={() => setLeaving(false)}>
            No, keep it
          </Button>
        </div>
      </div>
    )
  return (
    <span className="row">
      <Button variant="quiet" disabled={first} aria-label={`Earlier: ${name}`} onClick={onEarlier}>
        ↑
      </Button>
      <Button variant="quiet" disabled={last} aria-label={`Later: ${name}`} onClick={onLater}>
        ↓
      </Button>
      <Button variant="quiet" aria-label={`Once more: ${name}`} onClick={onAgain}>
        Once more
      </Button>
      <Button variant="quiet" aria-label={`Leave out: ${name}`} onClick={() => setLeaving(true)}>
        Leave out
      </Button>
    </span>
  )
}

/** One more step, of every kind that this engine has something for. */
function PutIn({ onPutIn }: { readonly onPutIn: (kind: StepKind, targetIds: readonly string[]) => void }) {
  const { sheet } = useBench().view
  const kinds = catalogueOf(sheet)
  const [kind, setKind] = useState<StepKind>()
  const chosen = kind ?? kinds[0]
  if (!chosen) return null
  const noun = nounsOfAll(sheet.loops)
  const targets = targetsOf(sheet, chosen)
  return (
    <section className="row put-in" aria-label="One more step">
      <NativeSelect
        label="Put in a step"
        value={chosen}
        onChange={(event) => setKind(event.currentTarget.value as StepKind)}
        data={kinds.map((value) => ({ value, label: kindTitle(value, noun) }))}
      />
      {targets.map((targetIds) => (
        <Button key={targetIds.join(' ')} variant="default" onClick={() => onPutIn(chosen, targetIds)}>
          {targets.length === 1 ? 'Put it in' : stepTitle({ kind: chosen, targetIds }, sheet)}
        </Button>
      ))}
    </section>
  )
}

/** The run sheet kept, for this engine or any. */
function Keep() {
  const { view } = useBench()
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const { now } = useWorkshop()
  const name = useDraft(`${view.job.id}:keep-as`)
  const [anyEngine, setAny] = useState(false)
  const [kept, setKept] = useState('')
  const { job, steps, engine } = view
  const keep = async () => {
    const template = {
      id: nanoid(),
      name: name.text.trim(),
      at: now(),
      purpose: job.purpose ?? ('whole' as const),
      kinds: [...new Set(steps.map(({ step }) => step.kind))],
      ...(job.schools ? { schools: job.schools } : {}),
      anyEngine,
    }
    const row = await attempt(
      'The run sheet',
      () =>
        dispatch(
          changeEngine(
            engine.id,
            (one) => ({
              ...one,
              templates: [...(one.templates ?? []).filter(({ name: other }) => other !== template.name), template],
            }),
            takenOf([name]),
          ),
        ),
      name,
    )
    if (row) setKept(template.name)
  }
  return (
    <section className="stack keep-run-sheet" aria-label="Keep it as you do it here">
      <div className="row">
        <WordsInput label="Keep it, called" placeholder="belt change as we do it" maxLength={80} of={name} />
        <Button variant="default" disabled={name.text.trim() === ''} onClick={() => void keep()}>
          Keep this run sheet
        </Button>
      </div>
      <Checkbox
        label="Offer it on every engine"
        checked={anyEngine}
        onChange={(event) => setAny(event.currentTarget.checked)}
      />
      {kept && <p className="result">Kept as “{kept}”: it is offered when a job begins.</p>}
    </section>
  )
}
